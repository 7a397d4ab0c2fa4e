package keentally.desk.station;

import java.util.Optional;
import javafx.scene.layout.VBox;
import keentally.core.setting.NumberSetting;
import keentally.core.step.MergeSimilarStep;
import keentally.desk.model.DeskModel;

/** Merging of neighbours: how alike they must be, and how the number of regions hangs on it. */
final class MergePanel extends VBox implements StationPanel.Body {
    private final Tuning tuning;
    private final CountCurve counts;

    MergePanel(DeskModel desk, String stepId) {
        this.tuning = new Tuning(desk, stepId);
        getStyleClass().add("fair-panel");
        NumberSetting difference = MergeSimilarStep.DIFFERENCE;
        this.counts = new CountCurve(desk, tuning, "merge", Optional.of(difference));
        getChildren().addAll(counts.rows(difference));
        getChildren().add(counts);
        refresh();
    }

    @Override
    public void refresh() {
        if (!tuning.isStale()) {
            counts.refresh();
        }
    }
}
