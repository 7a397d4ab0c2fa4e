package keentally.desk.station;

import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.layout.VBox;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;
import keentally.core.step.GrowRegionsStep;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.StageTool;

/** Growing regions: what they begin at; markers placed by hand stand on the picture, and the count hangs on depth or prominence. */
final class GrowPanel extends VBox implements StationPanel.Body {
    private final Tuning tuning;
    private final CountCurve counts;
    private final MarkersSection markers;

    GrowPanel(DeskModel desk, String stepId) {
        this.tuning = new Tuning(desk, stepId);
        getStyleClass().add("fair-panel");
        this.counts = new CountCurve(desk, tuning, "grow", tried());
        for (Setting<?> setting : tuning.step().description().settings()) {
            if (setting.applies(tuning.step().values())) {
                getChildren().addAll(counts.rows(setting));
            }
        }
        this.markers = new MarkersSection(desk, tuning, stepId, GrowRegionsStep.MARKERS);
        getChildren().addAll(markers, counts);
        refresh();
    }

    /** What the count hangs on: depth or prominence. */
    private Optional<NumberSetting> tried() {
        return Stream.of(GrowRegionsStep.DEPTH, GrowRegionsStep.PROMINENCE)
                .filter(s -> s.applies(tuning.step().values()))
                .findFirst();
    }

    @Override
    public Optional<StageTool> tool() {
        return markers.tool();
    }

    @Override
    public void refresh() {
        if (tuning.isStale()) {
            return;
        }
        counts.refresh();
        markers.refresh();
    }
}
