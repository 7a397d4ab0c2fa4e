package keentally.desk.picture;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import keentally.core.find.Caption;
import keentally.core.geometry.Segment;
import keentally.core.quantity.Amounts;
import keentally.core.quantity.Length;
import keentally.core.quantity.Scale;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Typed;
import keentally.desk.model.DeskModel;
import keentally.study.document.Calibration;
import keentally.study.document.Thing.SampleThing;
import keentally.study.picture.FileFacts.StatedScale;

/** How long a pixel is: drawn along the bar, typed, or taken from the file. */
final class ScaleSection implements PicturePanel.PanelSection {
    private final DeskModel desk;
    private final PictureModel model;

    /** A field that loses the keyboard because another sample is shown must not give that one its scale. */
    private final String builtFor;

    private final Label now = Prose.of("", "scale-now");
    private final Label from = Prose.of("", "hint");
    private final Label line = Prose.of("", "figure-line");
    private final TextField real = new TextField();
    private final Label lineComplaint = Prose.complaint();
    private final Label found = Prose.of("", "hint");
    private final Button lay = Pieces.button("scale-lay", "scale.lay", this::layOnBar);
    private final TextField typed = new TextField();
    private final Typed text;
    private final Label typedComplaint = Prose.complaint();
    private final VBox offer = new VBox();
    private final Button give = Pieces.button("scale-give", "scale.give", this::give);
    private final Button clear = Pieces.button("scale-clear", "scale.clear", this::clear);
    private final VBox node;

    ScaleSection(DeskModel desk, PictureModel model) {
        this.desk = desk;
        this.model = model;
        this.builtFor = desk.sampleId().get();
        now.setId("scale-now");
        line.setId("scale-line");
        real.setId("scale-real");
        real.setAccessibleText(Texts.of("name.scale-real"));
        real.setPromptText(Texts.of("scale.real.prompt"));
        real.setOnAction(e -> takeLine());
        HBox.setHgrow(real, Priority.ALWAYS);
        typed.setId("scale");
        typed.setAccessibleText(Texts.of("name.scale"));
        typed.setPromptText(Texts.of("scale.prompt"));
        this.text = Typed.in(typed, this::commit);
        found.managedProperty().bind(found.visibleProperty());
        lay.managedProperty().bind(lay.visibleProperty());
        offer.getStyleClass().add("offer");
        Button take = Pieces.button("scale-take", "scale.take", this::takeLine);
        take.setMaxHeight(Double.MAX_VALUE);
        node = new VBox(
                new VBox(2, now, from),
                new VBox(
                        6,
                        Pieces.head("scale.draw"),
                        Prose.of(Texts.of("scale.draw.hint"), "hint"),
                        found,
                        lay,
                        line,
                        new HBox(6, real, take),
                        lineComplaint),
                new VBox(6, Pieces.head("scale.type"), typed, typedComplaint),
                offer,
                new HBox(6, give, clear));
        refresh();
    }

    @Override
    public VBox node() {
        return node;
    }

    @Override
    public void refresh() {
        Optional<Calibration> calibration = desk.sample().flatMap(SampleThing::calibration);
        now.setText(calibration
                .map(c -> Texts.of(
                        "scale.now",
                        Figures.number(c.scale().amount()),
                        c.scale().unit().symbol()))
                .orElse(Texts.of("scale.none")));
        from.setText(calibration.map(ScaleSection::origin).orElse(Texts.of("scale.none.hint")));
        text.show(desk.scale().map(Scale::toString).orElse(""));
        line.setText(model.bar()
                .line()
                .get()
                .map(l -> Texts.of("scale.line", Figures.fixed(l.length(), 1), Figures.fixed(l.angleDegrees(), 1)))
                .orElse(Texts.of("scale.no-line")));
        Optional<Caption.Bar> bar = model.caption().get().flatMap(Caption::bar);
        boolean offered = bar.isPresent() && model.bar().line().get().isEmpty();
        found.setVisible(offered);
        lay.setVisible(offered);
        found.setText(bar.map(b -> Texts.of("scale.found", Figures.fixed(b.length(), 1)))
                .orElse(""));
        give.setDisable(calibration.isEmpty() || desk.study().get().samples().size() < 2);
        clear.setDisable(calibration.isEmpty());
        offer();
    }

    private static String origin(Calibration c) {
        String key = "scale.from." + c.origin().name().toLowerCase(Locale.ROOT);
        return c.how().isEmpty() ? Texts.of(key) : Texts.of(key + ".how", Words.spoken(c.how()));
    }

    private void offer() {
        offer.getChildren().clear();
        Optional<StatedScale> stated =
                desk.open().get().flatMap(o -> o.file().facts().stated());
        stated.ifPresent(s -> {
            Scale scale = s.scale();
            String text = Texts.of(
                    "scale.stated", Figures.number(scale.amount()), scale.unit().symbol(), Words.spoken(s.where()));
            Button take = Pieces.button(
                    "scale-take-stated",
                    "scale.take-stated",
                    () -> calibrate(new Calibration(scale, Calibration.Origin.FILE, s.where())));
            offer.getChildren().setAll(Pieces.head("scale.file"), Prose.of(text, "hint"), take);
        });
    }

    private void layOnBar() {
        model.layOnBar();
        real.requestFocus();
    }

    /** The line is so long, and stands for what was typed. */
    private void takeLine() {
        lineComplaint.setVisible(false);
        Optional<Segment> drawn = model.bar().line().get();
        if (drawn.isEmpty() || drawn.get().length() == 0) {
            complain(lineComplaint, Texts.of("scale.draw.first"));
            return;
        }
        try {
            Length length = Length.of(Amounts.typed(real.getText()));
            if (!length.unit().isReal() || !(length.amount() > 0)) {
                throw new IllegalArgumentException(Texts.of("scale.real.unit"));
            }
            double px = Math.rint(drawn.get().length() * 100) / 100;
            Scale scale = new Scale(length.amount() / drawn.get().length(), length.unit());
            boolean onFound = model.caption()
                    .get()
                    .flatMap(Caption::bar)
                    .map(b -> Math.abs(b.length() - drawn.get().length()) < 0.005)
                    .orElse(false);
            Calibration.Origin origin = onFound ? Calibration.Origin.FOUND : Calibration.Origin.DRAWN;
            calibrate(new Calibration(
                    scale,
                    origin,
                    Texts.of("scale.how", Figures.number(px), real.getText().strip())));
        } catch (IllegalArgumentException e) {
            complain(lineComplaint, Texts.complaint(e.getMessage()));
        }
    }

    private static void complain(Label label, String sentence) {
        label.setText(sentence);
        label.setVisible(true);
    }

    private void calibrate(Calibration calibration) {
        model.actions().calibrate(Optional.of(calibration));
    }

    private void clear() {
        model.actions().calibrate(Optional.empty());
    }

    private void commit() {
        String text = typed.getText().strip();
        boolean elsewhere = !desk.sampleId().get().equals(builtFor);
        if (elsewhere
                || desk.sample().isEmpty()
                || text.equals(desk.scale().map(Scale::toString).orElse(""))) {
            typedComplaint.setVisible(false);
            return;
        }
        try {
            model.actions()
                    .calibrate(
                            text.isEmpty()
                                    ? Optional.empty()
                                    : Optional.of(Calibration.typed(Scale.of(Amounts.typed(text)))));
            typedComplaint.setVisible(false);
        } catch (IllegalArgumentException e) {
            complain(typedComplaint, Texts.complaint(e.getMessage()));
        }
    }

    private void give() {
        new GiveScaleDialog(desk, model).ask(node.getScene());
    }

    static List<String> others(DeskModel desk) {
        return desk.study().get().samples().stream()
                .filter(id -> !id.equals(desk.sampleId().get()))
                .toList();
    }
}
