package keentally.desk.picture;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.find.Caption;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Rectangle;
import keentally.core.geometry.Shape;
import keentally.core.picture.Field;
import keentally.core.quantity.Amounts;
import keentally.core.quantity.Scale;
import keentally.core.setting.ChoiceSetting;
import keentally.core.words.Figures;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.ShapesTool;
import keentally.study.document.FieldOrigin;

/** Which part of the picture counts: drawn, typed, or found. */
final class FieldSection implements PicturePanel.PanelSection {
    private final DeskModel desk;
    private final PictureModel model;
    private final Label area = Prose.of("", "scale-now");
    private final Label share = Prose.of("", "hint");
    private final VBox list = new VBox();
    private final VBox exact = new VBox();
    private final TextField margin = new TextField("0");
    private final Label complaint = Prose.complaint();
    private final VBox caption = new VBox();
    private final VBox node;
    private List<Field.Part> listed;
    private int listedChosen = -2;

    FieldSection(DeskModel desk, PictureModel model) {
        this.desk = desk;
        this.model = model;
        area.setId("field-area");
        list.getStyleClass().add("part-list");
        exact.getStyleClass().add("exact");
        caption.getStyleClass().add("offer");
        margin.setId("field-margin");
        margin.setAccessibleText(Texts.of("name.field-margin"));
        margin.setPrefColumnCount(4);
        Button find = Pieces.button("field-round", "field.round", () -> withMargin(model.fields()::findRound));
        Button findAll =
                Pieces.button("field-round-all", "field.round-all", () -> withMargin(model.fields()::findRoundInAll));
        Label inward = new Label(Texts.of("field.margin"));
        inward.setMinWidth(Region.USE_PREF_SIZE);
        HBox inwardRow = new HBox(6, inward, margin, new Label("px"));
        inwardRow.setAlignment(Pos.CENTER_LEFT);
        node = new VBox(
                new VBox(2, area, share),
                new VBox(6, Pieces.head("field.draw"), hands(), takeAway()),
                list,
                exact,
                complaint,
                caption,
                new VBox(6, Pieces.head("field.find"), inwardRow, new FlowPane(6, 6, find, findAll)),
                new FlowPane(
                        6,
                        6,
                        Pieces.button("field-same", "field.same", model.fields()::sameForAll),
                        Pieces.button("field-whole", "field.whole", model.fields()::whole)));
        refresh();
    }

    private FlowPane hands() {
        FlowPane hands = new FlowPane(4, 4);
        ToggleGroup group = new ToggleGroup();
        for (ShapesTool.Hand hand : ShapesTool.Hand.values()) {
            String word = ChoiceSetting.word(hand);
            ToggleButton button = new ToggleButton(Texts.of("hand." + word));
            button.setId("hand-" + word);
            button.getStyleClass().add("hand");
            Tip.on(button, Texts.of("hand." + word + ".help"));
            button.setToggleGroup(group);
            button.setSelected(model.field().hand().get() == hand);
            button.setOnAction(e -> {
                button.setSelected(true);
                model.field().hand().set(hand);
            });
            Pieces.whileSeen(button, model.field().hand()).addListener((o, was, is) -> button.setSelected(is == hand));
            hands.getChildren().add(button);
        }
        return hands;
    }

    private CheckBox takeAway() {
        CheckBox box = new CheckBox(Texts.of("field.take-away"));
        box.setId("field-take-away");
        box.selectedProperty().bindBidirectional(model.field().takingAway());
        return box;
    }

    private interface WithMargin {
        void run(double margin);
    }

    private void withMargin(WithMargin what) {
        try {
            double px = Amounts.number(margin.getText());
            complaint.setVisible(false);
            what.run(px);
        } catch (NumberFormatException e) {
            complain(Texts.of("field.margin.wrong", margin.getText().strip()));
        }
    }

    private void complain(String sentence) {
        complaint.setText(sentence);
        complaint.setVisible(true);
    }

    @Override
    public VBox node() {
        return node;
    }

    @Override
    public void refresh() {
        Optional<Field> field = desk.shown().get().map(s -> s.run().sample().field());
        area.setText(field.map(this::area).orElse(""));
        share.setText(field.map(f -> Texts.of(
                        "field.share",
                        Figures.number(f.pixels()),
                        Figures.percent(100.0 * f.pixels() / f.width() / f.height())))
                .orElse(""));
        List<Field.Part> parts = model.field().parts().get();
        int chosen = model.field().chosen().get();
        if (!parts.equals(listed) || chosen != listedChosen) {
            listed = parts;
            listedChosen = chosen;
            list(parts, chosen);
            exact(parts, chosen);
        }
        caption();
    }

    private String area(Field field) {
        Optional<Scale> scale = desk.scale();
        return scale.map(s -> Texts.of(
                        "field.area",
                        Figures.number(field.pixels() * s.amount() * s.amount()),
                        s.unit().symbol()))
                .orElse(Texts.of("field.area.px", Figures.number(field.pixels())));
    }

    private void list(List<Field.Part> parts, int chosen) {
        list.getChildren().clear();
        if (parts.isEmpty()) {
            list.getChildren().add(Prose.of(Texts.of("field.none"), "hint"));
        }
        for (int i = 0; i < parts.size(); i++) {
            int place = i;
            ToggleButton row = new ToggleButton(name(parts.get(i)));
            row.setId("part-" + i);
            row.getStyleClass().setAll("part");
            row.setMaxWidth(Double.MAX_VALUE);
            row.setSelected(i == chosen);
            row.setOnAction(e -> {
                model.field().hand().set(ShapesTool.Hand.CHOOSE);
                model.field().chosen().set(place);
                model.moved().set(model.moved().get() + 1);
            });
            list.getChildren().add(row);
        }
    }

    private static String name(Field.Part part) {
        String kind = switch (part.shape()) {
            case Rectangle r -> "rectangle";
            case Ellipse e -> e.a() == e.b() ? "circle" : "ellipse";
            case Polygon p -> "polygon";
        };
        Rectangle box = part.shape().bounds();
        String size =
                Texts.of("part.size", Figures.number(Math.rint(box.width())), Figures.number(Math.rint(box.height())));
        return Texts.of(part.takenAway() ? "part.away" : "part.add", Texts.of("part." + kind), size);
    }

    /** The chosen shape in numbers. */
    private void exact(List<Field.Part> parts, int chosen) {
        exact.getChildren().clear();
        if (chosen < 0 || chosen >= parts.size()) {
            return;
        }
        switch (parts.get(chosen).shape()) {
            case Rectangle r ->
                numbers(
                        new String[] {"x", "y", "width", "height"},
                        new double[] {r.x(), r.y(), r.width(), r.height()},
                        n -> new Rectangle(n[0], n[1], n[2], n[3]));
            case Ellipse e ->
                numbers(
                        new String[] {"centre-x", "centre-y", "half-a", "half-b", "angle"},
                        new double[] {e.cx(), e.cy(), e.a(), e.b(), e.angleDegrees()},
                        n -> new Ellipse(n[0], n[1], n[2], n[3], n[4]));
            case Polygon p -> corners(p);
        }
        Button remove = Pieces.button("part-remove", "part.remove", () -> replace(Optional.empty()));
        exact.getChildren().add(remove);
    }

    private interface ShapeMaker {
        Shape of(double[] numbers);
    }

    private void numbers(String[] names, double[] values, ShapeMaker made) {
        GridPane grid = new GridPane();
        grid.getStyleClass().add("exact-grid");
        TextField[] fields = new TextField[values.length];
        for (int i = 0; i < values.length; i++) {
            fields[i] = new TextField(plain(values[i]));
            fields[i].setId("exact-" + names[i]);
            fields[i].setPrefColumnCount(6);
            fields[i].setOnAction(e -> take(fields, values, made));
            Label label = new Label(Texts.of("exact." + names[i]));
            label.setLabelFor(fields[i]);
            label.getStyleClass().add("setting-name");
            grid.add(label, i % 2 * 2, i / 2);
            grid.add(fields[i], i % 2 * 2 + 1, i / 2);
        }
        exact.getChildren().add(grid);
    }

    /** Numbers that were not typed stay as exact as they are. */
    private void take(TextField[] fields, double[] values, ShapeMaker made) {
        double[] numbers = new double[fields.length];
        try {
            for (int i = 0; i < numbers.length; i++) {
                String text = fields[i].getText().strip();
                numbers[i] = text.equals(plain(values[i])) ? values[i] : Amounts.number(text);
            }
            Shape shape = made.of(numbers);
            if (shape instanceof Rectangle r && !(r.width() > 0 && r.height() > 0)) {
                throw new IllegalArgumentException(Texts.of("field.sides"));
            }
            complaint.setVisible(false);
            replace(Optional.of(shape));
        } catch (NumberFormatException e) {
            complain(Texts.of("field.numbers"));
        } catch (IllegalArgumentException e) {
            complain(Texts.complaint(e.getMessage()));
        }
    }

    /** Corners as lines of x, y. */
    private void corners(Polygon polygon) {
        TextArea text = Pieces.area(polygon.corners().stream()
                .map(c -> plain(c.x()) + ", " + plain(c.y()))
                .collect(Collectors.joining("\n")));
        text.setId("exact-corners");
        text.setPrefRowCount(5);
        Button take = Pieces.button("exact-take", "exact.take", () -> {
            try {
                double[] xy = Arrays.stream(text.getText().strip().split("[\\s,;]+"))
                        .mapToDouble(Double::parseDouble)
                        .toArray();
                complaint.setVisible(false);
                replace(Optional.of(Polygon.of(xy)));
            } catch (NumberFormatException e) {
                complain(Texts.of("field.numbers"));
            } catch (IllegalArgumentException e) {
                complain(Texts.complaint(e.getMessage()));
            }
        });
        exact.getChildren().addAll(text, take);
    }

    private static String plain(double value) {
        double rounded = Math.rint(value * 1000) / 1000;
        return rounded == Math.rint(rounded) ? String.valueOf((long) rounded) : String.valueOf(rounded);
    }

    private void replace(Optional<Shape> shape) {
        int chosen = model.field().chosen().get();
        List<Field.Part> parts = new ArrayList<>(model.field().parts().get());
        if (chosen < 0 || chosen >= parts.size()) {
            return;
        }
        boolean away = parts.get(chosen).takenAway();
        if (shape.isPresent()) {
            parts.set(chosen, new Field.Part(shape.get(), away));
        } else {
            parts.remove(chosen);
            model.field().chosen().set(-1);
        }
        model.fields()
                .fence(
                        parts,
                        FieldOrigin.TYPED,
                        () -> model.moved().set(model.moved().get() + 1));
    }

    /** The strip or the bar, where the field still holds it. */
    private void caption() {
        caption.getChildren().clear();
        Optional<Rectangle> covered = model.caption().get().flatMap(Caption::covered);
        boolean inside = covered.isPresent()
                && desk.shown()
                        .get()
                        .map(s -> s.cautions().stream().anyMatch(c -> c.id().equals("bar-in-field")))
                        .orElse(false);
        if (inside) {
            Rectangle box = covered.get();
            String text = Texts.of("field.caption", Figures.number(box.width()), Figures.number(box.height()));
            caption.getChildren()
                    .setAll(
                            Prose.of(text, "hint"),
                            Pieces.button("field-caption", "field.leave-out", model.fields()::leaveOutCaption));
        }
    }
}
