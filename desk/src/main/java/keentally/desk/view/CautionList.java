package keentally.desk.view;

import java.util.List;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;
import keentally.core.words.Words;
import keentally.desk.look.Texts;
import keentally.study.caution.Caution;
import keentally.study.caution.CautionKind;

/** The cautions of the sample on the stage: what was seen, why it matters, and a button for the way out where there is one. */
final class CautionList {
    private static final double WIDTH = 380;

    private final Popup popup = new Popup();
    private final Map<CautionKind, Runnable> waysOut;

    /** @param waysOut what to do about a caution, by its kind */
    CautionList(Map<CautionKind, Runnable> waysOut) {
        this.waysOut = waysOut;
        popup.setAutoHide(true);
    }

    void show(Node above, List<Caution> cautions) {
        VBox box = new VBox();
        box.getStyleClass().add("caution-list");
        for (Caution caution : cautions) {
            VBox one = new VBox(
                    3,
                    label(Words.spoken(caution.saw()), "caution-saw"),
                    label(Words.spoken(caution.why()) + " " + Words.spoken(caution.wayOut()), "caution-why"));
            Runnable way = waysOut.get(caution.kind());
            if (way != null) {
                Button go = new Button(Texts.of("way-out." + caution.id()));
                go.setId("way-out-" + caution.id());
                go.setOnAction(e -> {
                    popup.hide();
                    way.run();
                });
                one.getChildren().add(go);
            }
            box.getChildren().add(one);
        }
        popup.getScene().getStylesheets().setAll(above.getScene().getStylesheets());
        popup.getContent().setAll(box);
        var at = above.localToScreen(above.getBoundsInLocal());
        box.applyCss();
        box.layout();
        popup.show(above, at.getMaxX() - WIDTH - 34, at.getMinY() - box.prefHeight(WIDTH + 28) - 14);
    }

    private static Label label(String text, String style) {
        Label label = new Label(text);
        label.getStyleClass().add(style);
        label.setWrapText(true);
        label.setMaxWidth(WIDTH);
        return label;
    }
}
