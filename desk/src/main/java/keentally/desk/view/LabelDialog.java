package keentally.desk.view;

import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import keentally.desk.look.Ask;
import keentally.desk.look.Pieces;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.SampleActions;
import keentally.study.document.SlideLabel;

/** A slide's label end: name, group, a number with its unit, a note. */
final class LabelDialog {
    private LabelDialog() {}

    static void ask(Scene owner, DeskModel desk, SampleActions actions, String id) {
        SlideLabel label = desk.study().get().sample(id).orElseThrow().label();
        TextField name = field("label-name", label.name(), "");
        TextField group = field("label-group", label.group(), Texts.of("label.group.prompt"));
        TextField amount = field(
                "label-amount",
                label.amount().map(SlideLabel.Amount::toString).orElse(""),
                Texts.of("label.amount.prompt"));
        TextArea note = Pieces.area(label.note());
        note.setId("label-note");
        note.setPrefRowCount(4);
        note.setWrapText(true);
        GridPane grid = new GridPane();
        grid.getStyleClass().add("label-grid");
        grid.addRow(0, Pieces.name("label.name"), name);
        grid.addRow(1, Pieces.name("label.group"), group);
        grid.addRow(2, Pieces.name("label.amount"), amount);
        grid.addRow(3, Pieces.name("label.note"), note);
        Platform.runLater(name::requestFocus);
        Ask.until(owner, Texts.of("label.title"), grid, Texts.of("label.yes"), () -> {
            Optional<SlideLabel.Amount> number =
                    amount.getText().isBlank() ? Optional.empty() : Optional.of(SlideLabel.Amount.of(amount.getText()));
            SlideLabel changed = new SlideLabel(
                    name.getText().strip(),
                    note.getText().strip(),
                    group.getText().strip(),
                    number);
            actions.label(id, changed);
        });
    }

    private static TextField field(String id, String text, String prompt) {
        TextField field = new TextField(text);
        field.setId(id);
        field.setPromptText(prompt);
        field.setPrefColumnCount(26);
        return field;
    }
}
