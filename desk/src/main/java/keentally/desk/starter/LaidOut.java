package keentally.desk.starter;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.method.MethodStep;
import keentally.core.words.StepSentence;
import keentally.core.words.Words;
import keentally.desk.look.Glyph;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;

/** On the stage once a starter was taken: its stations, each in a sentence, until the method is changed or the person has read it. */
public final class LaidOut extends VBox {
    private static final double WIDTH = 430;

    private final DeskModel desk;
    private final VBox rows = new VBox();
    private Object laid = "";

    public LaidOut(DeskModel desk) {
        this.desk = desk;
        setId("laid-out");
        getStyleClass().add("laid-out");
        setMaxSize(USE_PREF_SIZE, USE_PREF_SIZE);
        setPrefWidth(WIDTH);
        rows.getStyleClass().add("laid-out-rows");
        setVisible(false);
        desk.study().addListener(o -> lookWhetherItStands());
        desk.sampleId().addListener(o -> lookWhetherItStands());
    }

    private void lookWhetherItStands() {
        if (isVisible() && !desk.method().steps().equals(laid)) {
            setVisible(false);
        }
    }

    /** Tells of the method that lies there now. @param question that it answers */
    void show(String question) {
        laid = desk.method().steps();
        Label head = Prose.of(question, "laid-out-head");
        HBox.setHgrow(head, Priority.ALWAYS);
        head.setMaxWidth(Double.MAX_VALUE);
        getChildren()
                .setAll(
                        new HBox(
                                8,
                                head,
                                Glyph.CLOSE.button(
                                        "laid-out-close", Texts.of("laid-out.close"), () -> setVisible(false))),
                        rows);
        rows.getChildren().clear();
        int number = 0;
        for (MethodStep step : desk.method().steps()) {
            rows.getChildren().add(row(++number, step));
        }
        setVisible(true);
    }

    /** The number leads to the station. */
    private HBox row(int number, MethodStep step) {
        Label text = Prose.of(StepSentence.of(step), "laid-out-text");
        HBox.setHgrow(text, Priority.ALWAYS);
        Button go = new Button(String.valueOf(number));
        go.setId("laid-out-" + number);
        go.setMinWidth(Region.USE_PREF_SIZE);
        go.setAccessibleText(number + " " + Words.title(step.description()) + ": " + text.getText());
        Tip.on(go, Words.title(step.description()));
        go.setOnAction(e -> desk.station().set(step.id()));
        HBox row = new HBox(8, go, text);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
