package keentally.desk.station;

import javafx.scene.layout.VBox;
import keentally.core.step.ClassifyStep;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** A station that learnt from examples: its model, and the way to teach it. */
final class ClassifyPanel extends VBox implements StationPanel.Body {
    /** @param onTrain it is to be taught */
    ClassifyPanel(DeskModel desk, String stepId, Runnable onTrain) {
        boolean learnt = desk.method()
                .step(stepId)
                .filter(s -> s.values().isSet(ClassifyStep.MODEL))
                .isPresent();
        getStyleClass().add("fair-panel");
        getChildren()
                .addAll(
                        Prose.of(Texts.of(learnt ? "classify.learnt" : "classify.unlearnt"), "hint"),
                        Pieces.button("classify-train", "classify.train", onTrain),
                        new FairPanel(desk, stepId));
    }

    @Override
    public void refresh() {
        // its rows hold settings only, and a changed setting makes a new panel
    }
}
