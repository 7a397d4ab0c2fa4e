package keentally.desk.training;

import java.util.List;
import javafx.geometry.Side;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.CustomMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.classify.TrainingPlan;
import keentally.core.colour.Rgb;
import keentally.core.words.Figures;
import keentally.desk.look.Ask;
import keentally.desk.look.Glyph;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.look.Typed;
import keentally.desk.model.TrainingActions;

/** The classes that are painted: the key that chooses one, its colour, its name, how many strokes it has on all samples; then the rubber, and a class more. */
final class ClassRows extends VBox {
    private static final double NAME = 84;
    private static final double WIDTH = 190;

    private final TrainingModel model;
    private final GridPane rows = new GridPane();
    private final TextField fresh = new TextField();
    private final Label complaint = Prose.complaint();

    ClassRows(TrainingModel model) {
        super(6);
        this.model = model;
        rows.getStyleClass().add("tally-classes");
        fresh.setId("training-new-class");
        fresh.setAccessibleText(Texts.of("name.tally-new-class"));
        fresh.setPromptText(Texts.of("training.new-class"));
        fresh.setOnAction(e -> add());
        getChildren().addAll(rows, fresh, complaint);
    }

    void fill() {
        rows.getChildren().clear();
        if (model.of().get().isEmpty()) {
            return;
        }
        TrainingActions actions = model.of().get().get();
        List<ClassLabel> classes = actions.plan().classes();
        for (int i = 0; i < classes.size(); i++) {
            row(i, classes.get(i), actions);
        }
        if (!classes.isEmpty()) {
            rubber(classes.size(), actions);
        }
    }

    private void rubber(int row, TrainingActions actions) {
        ToggleButton rubber = key(
                "training-rub", Texts.of("training.rub"), "0", model.rubbing().get());
        rubber.setOnAction(e -> model.rubbing().set(true));
        rows.add(rubber, 0, row);
        Label name = new Label(Texts.of("training.rub.name"));
        rows.add(name, 2, row);
        Button clear = Pieces.button("training-clear", "training.clear", () -> clear(actions));
        clear.getStyleClass().add("small-button");
        rows.add(clear, 3, row, 2, 1);
    }

    private void clear(TrainingActions actions) {
        if (actions.here().list().isEmpty()) {
            model.desk().say(Texts.of("training.clear.none"));
        } else {
            actions.clear();
        }
    }

    private static ToggleButton key(String id, String help, String key, boolean down) {
        ToggleButton button = new ToggleButton(key);
        button.setId(id);
        button.getStyleClass().setAll("hand");
        button.setSelected(down);
        Tip.on(button, help);
        return button;
    }

    private void row(int i, ClassLabel label, TrainingActions actions) {
        boolean down = !model.rubbing().get() && model.chosen().get().equals(label.name());
        ToggleButton key = key(
                "training-class-" + (i + 1),
                Texts.of("training.choose", String.valueOf(i + 1)),
                String.valueOf(i + 1),
                down);
        key.setOnAction(e -> {
            key.setSelected(true);
            model.choose(label.name());
        });
        TextField name = new TextField(label.name());
        name.setId("training-name-" + (i + 1));
        name.setAccessibleText(Texts.of("name.class"));
        name.getStyleClass().add("quiet-field");
        name.setPrefColumnCount(9);
        Typed.in(name, () -> rename(label, name, actions));
        name.setMinWidth(NAME);
        name.setMaxWidth(Double.MAX_VALUE);
        GridPane.setHgrow(name, Priority.ALWAYS);
        int strokes = actions.strokesOf(label.name());
        Label count =
                Pieces.figure("training-strokes-" + (i + 1), Texts.of("training.strokes", Figures.number(strokes)));
        Button remove = Glyph.REMOVE.button(
                "training-remove-" + (i + 1), Texts.of("training.remove-class"), () -> remove(label, strokes, actions));
        rows.addRow(i, key, new ColourButton("training-colour-" + (i + 1), label, actions), name, count, remove);
    }

    private void add() {
        complain("");
        try {
            model.of().get().ifPresent(a -> {
                String name = fresh.getText().strip();
                a.addClass(name);
                fresh.clear();
                model.choose(name);
            });
        } catch (IllegalArgumentException e) {
            complain(e.getMessage());
        }
    }

    private void rename(ClassLabel label, TextField field, TrainingActions actions) {
        String name = field.getText().strip();
        if (name.equals(label.name())) {
            return;
        }
        complain("");
        try {
            boolean chosen = model.chosen().get().equals(label.name());
            actions.rename(label.name(), name);
            if (chosen) {
                model.chosen().set(name);
            }
        } catch (IllegalArgumentException e) {
            field.setText(label.name());
            complain(e.getMessage());
        }
    }

    private void complain(String why) {
        complaint.setText(why.isEmpty() ? "" : Texts.complaint(why));
        complaint.setVisible(!why.isEmpty());
    }

    /** Nobody loses strokes by a slip of the hand: a class that has some is asked about. */
    private void remove(ClassLabel label, int strokes, TrainingActions actions) {
        boolean sure = strokes == 0
                || Ask.that(
                        getScene(),
                        Texts.of("training.remove.title"),
                        Prose.of(Texts.of("training.remove.sure", label.name(), Figures.number(strokes)), "help-text"),
                        Texts.of("tally.remove.yes"));
        if (sure) {
            actions.removeClass(label.name());
        }
    }

    /** A class's colour, and behind it the others. */
    private static final class ColourButton extends Button {
        ColourButton(String id, ClassLabel label, TrainingActions actions) {
            setId(id);
            getStyleClass().setAll("swatch-button");
            Tip.on(this, Texts.of("training.colour"));
            setGraphic(swatch(label.colour()));
            setOnAction(e -> open(id, label, actions));
        }

        private static Node swatch(Rgb colour) {
            Region swatch = new Region();
            swatch.getStyleClass().add("swatch");
            swatch.setStyle("-fx-background-color: " + colour);
            return swatch;
        }

        private void open(String id, ClassLabel label, TrainingActions actions) {
            ContextMenu menu = new ContextMenu();
            FlowPane pane = new FlowPane(6, 6);
            pane.setPrefWrapLength(WIDTH);
            for (Rgb colour : TrainingPlan.colours()) {
                Button one = new Button();
                one.setId(id + "-" + colour);
                one.getStyleClass().setAll("swatch-button");
                one.setGraphic(swatch(colour));
                one.setAccessibleText(colour.toString());
                one.setOnAction(e -> {
                    menu.hide();
                    actions.colour(label.name(), colour);
                });
                pane.getChildren().add(one);
            }
            menu.getItems().setAll(new CustomMenuItem(pane, false));
            menu.show(this, Side.BOTTOM, 0, 2);
        }
    }
}
