package keentally.desk.station;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.application.Platform;
import javafx.beans.property.IntegerProperty;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Plane;
import keentally.core.run.Run;
import keentally.core.setting.Setting;
import keentally.core.stats.Histogram;
import keentally.core.step.LevelsStep;
import keentally.core.step.State;
import keentally.core.threshold.MultiLevel;
import keentally.core.threshold.Stability;
import keentally.core.words.Figures;
import keentally.desk.look.Curve;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;

/** The levels station: the cuts on the histogram to drag, how steady each is, and how much of the variance so many explain. */
final class LevelsPanel extends VBox implements StationPanel.Body {
    private static final int MOST = 12;
    private static final double CURVE = 74;
    private static final double HISTOGRAM = 210;

    private final DeskModel desk;
    private final Tuning tuning;
    private final Newest newest;
    private final UprightHistogram histogram;
    private final StabilityCurve stability = new StabilityCurve(CURVE);
    private final Curve curve = new Curve("levels-plot", Texts.of("levels.cuts"), Texts.of("levels.explained"), 140);
    private final Label cuts = Prose.of("", "figure-line");
    private Optional<LevelProfile> profile = Optional.empty();
    private Plane asked;

    /** @param held the cut touched last; it outlives the panel, which is made anew with every setting */
    LevelsPanel(DeskModel desk, String stepId, IntegerProperty held) {
        this.desk = desk;
        this.tuning = new Tuning(desk, stepId);
        this.newest = new Newest(desk, Platform::runLater);
        this.histogram = new UprightHistogram(
                new Phases(),
                at -> tuning.tryOut(tuning.handCuts(at)),
                at -> tuning.keepAs(tuning.handCuts(at), Texts.of("action.cut")),
                held);
        histogram.setPrefHeight(HISTOGRAM);
        getStyleClass().add("fair-panel");
        for (Setting<?> setting : tuning.step().description().settings()) {
            if (tuning.isShown(setting) && setting != LevelsStep.NAMES) {
                getChildren().add(new SettingRow(tuning, setting));
            }
        }
        cuts.setId("levels-cuts");
        getChildren().addAll(cuts, histogram, stability, curve, Prose.of(Texts.of("levels.hint"), "hint"));
        refresh();
    }

    /** Every other phase is filled. */
    private final class Phases implements UprightHistogram.Parts {
        @Override
        public boolean kept(int part) {
            return part % 2 == 1;
        }

        @Override
        public String share(int part, double percent) {
            String phase = desk.reached(tuning.id())
                    .flatMap(r -> r.after().phases())
                    .map(PhaseMap::names)
                    .filter(names -> part < names.size())
                    .map(names -> names.get(part))
                    .orElse(Integer.toString(part));
            return Texts.of("levels.share", Figures.percent(percent), phase);
        }
    }

    @Override
    public void passing() {
        if (!tuning.isStale()) {
            Optional<Run.Station> reached = desk.reached(tuning.step().id());
            cuts.setText(reached.map(r -> Texts.of("levels.at", list(cuts(r)))).orElse(""));
            histogram.show(reached.map(LevelsPanel::cuts).orElse(new double[0]));
        }
    }

    @Override
    public void refresh() {
        if (tuning.isStale()) {
            return;
        }
        passing();
        stability(desk.reached(tuning.step().id()).map(LevelsPanel::cuts).orElse(new double[0]));
        Optional<State> state = desk.entering(tuning.step().id());
        Optional<Plane> plane = state.flatMap(s -> s.current().single());
        if (plane.isEmpty() || plane.get() == asked) {
            return;
        }
        asked = plane.get();
        newest.ask(work -> {
            Histogram h = state.get().histogram(work).orElseThrow();
            LevelProfile made = LevelProfile.of(plane.get(), h);
            List<Curve.At> line = new ArrayList<>();
            for (int n = 1; n <= MOST; n++) {
                double[] found = MultiLevel.cuts(h, n);
                if (found.length > 0) {
                    line.add(new Curve.At(n, MultiLevel.explainedPercent(h, found)));
                }
            }
            return () -> {
                curve.show(line);
                profile = Optional.of(made);
                histogram.show(profile);
                refresh();
            };
        });
    }

    /** How the share up to the cut touched last moves at neighbouring cuts. */
    private void stability(double[] at) {
        if (profile.isEmpty() || at.length == 0 || profile.get().histogram().total() == 0) {
            stability.show(Optional.empty(), "");
            return;
        }
        int held = Math.min(histogram.held().get(), at.length - 1);
        Stability now = Stability.of(profile.get().histogram(), at, held);
        String key = now.isSteep() ? "levels.steep" : "levels.steady";
        stability.show(
                Optional.of(now),
                Texts.of(
                        key,
                        Figures.number(at[held]),
                        Figures.percent(now.percent(-2)),
                        Figures.percent(now.percent(2))));
    }

    private static double[] cuts(Run.Station reached) {
        return reached.findings().cuts().stream().mapToDouble(a -> a).toArray();
    }

    private static String list(double[] cuts) {
        return Arrays.stream(cuts).mapToObj(Figures::number).collect(Collectors.joining(", "));
    }
}
