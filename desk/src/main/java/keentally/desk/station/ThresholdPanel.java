package keentally.desk.station;

import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import keentally.core.method.MethodStep;
import keentally.core.picture.Field;
import keentally.core.picture.Plane;
import keentally.core.run.Run;
import keentally.core.setting.Setting;
import keentally.core.stats.Histogram;
import keentally.core.step.State;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** The threshold station's own panel: rule and side, and the upright histogram with the cut to drag. */
final class ThresholdPanel extends VBox implements StationPanel.Body {
    private final DeskModel desk;
    private final Tuning tuning;
    private final UprightHistogram histogram;
    private Plane asked;

    ThresholdPanel(DeskModel desk, String stepId) {
        this.desk = desk;
        this.tuning = new Tuning(desk, stepId);
        this.histogram = new UprightHistogram(tuning::tryCut, tuning::keepCut);
        getStyleClass().add("threshold-panel");
        for (Setting<?> setting : tuning.step().description().settings()) {
            if (setting.applies(tuning.step().values())) {
                getChildren().add(new SettingRow(tuning, setting));
            }
        }
        if (!tuning.is("keep", "between")) {
            VBox.setVgrow(histogram, Priority.ALWAYS);
            getChildren().addAll(histogram, Prose.of(Texts.of("threshold.scale"), "hint"));
        }
        refresh();
    }

    @Override
    public void refresh() {
        if (tuning.isStale()) {
            return;
        }
        MethodStep step = tuning.step();
        Optional<Run.Station> reached = desk.reached(step.id());
        double cut = reached.flatMap(
                        r -> r.findings().find("cut").stream().boxed().findFirst())
                .orElse(Double.NaN);
        histogram.show(cut, !tuning.is("keep", "dark"));
        Optional<State> entering = desk.entering(step.id());
        Optional<Plane> plane = entering.flatMap(state -> state.current().single());
        if (plane.isPresent()) {
            profile(plane.get(), entering.get().field());
        } else {
            asked = null;
            histogram.show(Optional.empty());
        }
    }

    private void profile(Plane plane, Field field) {
        if (plane == asked) {
            return;
        }
        asked = plane;
        desk.whenIdle(cancel -> {
            LevelProfile made = LevelProfile.of(plane, Histogram.of(plane, field, desk.work(cancel)));
            Platform.runLater(() -> {
                if (plane == asked) {
                    histogram.show(Optional.of(made));
                }
            });
        });
    }
}
