package keentally.desk.station;

import java.util.Optional;
import javafx.application.Platform;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import keentally.core.method.MethodStep;
import keentally.core.picture.Field;
import keentally.core.picture.Plane;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.Run;
import keentally.core.setting.Setting;
import keentally.core.stats.Histogram;
import keentally.core.step.Findings;
import keentally.core.step.State;
import keentally.core.threshold.Stability;
import keentally.core.words.Figures;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** The threshold station's own panel: rule and side, and the upright histogram with the cut to drag. */
final class ThresholdPanel extends VBox implements StationPanel.Body {
    private static final double CURVE = 74;

    private final DeskModel desk;
    private final Tuning tuning;
    private final UprightHistogram histogram;
    private final StabilityCurve stability = new StabilityCurve(CURVE);
    private final NeighbourCurve counts;
    private Optional<LevelProfile> profile = Optional.empty();
    private double cut = Double.NaN;
    private Plane asked;

    ThresholdPanel(DeskModel desk, String stepId) {
        this.desk = desk;
        this.tuning = new Tuning(desk, stepId);
        this.counts = new NeighbourCurve(desk, stepId, NeighbourCurve.Told.COUNT, "", CURVE, "count");
        this.histogram = new UprightHistogram(
                new Sides(),
                at -> tuning.tryOut(tuning.handCut(at[0])),
                at -> tuning.keepAs(tuning.handCut(at[0]), Texts.of("action.cut")),
                new SimpleIntegerProperty());
        getStyleClass().add("threshold-panel");
        for (Setting<?> setting : tuning.step().description().settings()) {
            if (setting.applies(tuning.step().values())) {
                getChildren().add(new SettingRow(tuning, setting));
            }
        }
        if (!tuning.is("keep", "between")) {
            VBox.setVgrow(histogram, Priority.ALWAYS);
            getChildren().addAll(histogram, stability, counts);
            Tooltip.install(histogram, new Tooltip(Texts.of("threshold.scale")));
        }
        refresh();
    }

    /** Dark and bright. */
    private final class Sides implements UprightHistogram.Parts {
        @Override
        public boolean kept(int part) {
            return !tuning.isStale() && part == 0 == tuning.is("keep", "dark");
        }

        @Override
        public String share(int part, double percent) {
            return Texts.of(part == 0 ? "threshold.share.dark" : "threshold.share.bright", Figures.percent(percent));
        }
    }

    @Override
    public void refresh() {
        if (tuning.isStale()) {
            return;
        }
        MethodStep step = tuning.step();
        Optional<Run.Station> reached = desk.reached(step.id());
        cut = reached.flatMap(
                        r -> r.findings().find(Findings.CUT).stream().boxed().findFirst())
                .orElse(Double.NaN);
        if (Double.isNaN(cut)) {
            histogram.show();
        } else {
            histogram.show(cut);
        }
        stability();
        Optional<State> entering = desk.entering(step.id());
        Optional<Plane> plane = entering.flatMap(state -> state.current().single());
        if (plane.isPresent()) {
            profile(plane.get(), entering.get().field());
        } else {
            asked = null;
            profile = Optional.empty();
            histogram.show(profile);
            stability();
        }
    }

    private void profile(Plane plane, Field field) {
        if (plane == asked) {
            return;
        }
        asked = plane;
        desk.look(this, Urgency.ASKED, cancel -> {
            LevelProfile made = LevelProfile.of(plane, Histogram.of(plane, field, desk.work(cancel)));
            Platform.runLater(() -> {
                if (plane == asked) {
                    profile = Optional.of(made);
                    histogram.show(profile);
                    stability();
                }
            });
        });
    }

    /** How the share moves at neighbouring cuts. */
    private void stability() {
        boolean there = profile.isPresent()
                && !tuning.isStale()
                && !Double.isNaN(cut)
                && profile.get().histogram().total() > 0;
        if (!there) {
            stability.show(Optional.empty(), "");
            counts.clear();
            return;
        }
        Stability now = Stability.of(profile.get().histogram(), cut, tuning.is("keep", "dark"));
        String key = now.isSteep() ? "stability.steep" : "stability.steady";
        stability.show(
                Optional.of(now), Texts.of(key, Figures.percent(now.percent(-2)), Figures.percent(now.percent(2))));
        counts.show(now.at().stream()
                .map(a -> new NeighbourCurve.Neighbour(a.offset(), tuning.handCut(a.cut())))
                .toList());
    }
}
