package keentally.desk.station;

import java.util.Optional;
import javafx.application.Platform;
import javafx.beans.property.IntegerProperty;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import keentally.core.picture.Plane;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.Run;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.step.State;
import keentally.core.step.ThresholdStep;
import keentally.core.threshold.Stability;
import keentally.core.words.Figures;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;

/** The threshold station's own panel: rule and side, and the upright histogram with the cut to drag. */
final class ThresholdPanel extends VBox implements StationPanel.Body {
    private static final double CURVE = 74;

    private final DeskModel desk;
    private final Tuning tuning;
    private final UprightHistogram histogram;
    private final StabilityCurve stability = new StabilityCurve(CURVE);
    private final NeighbourCurve counts;
    private final Label bands = Prose.of("", "figure-line");
    private Optional<LevelProfile> profile = Optional.empty();
    private double[] cuts = {};
    private Plane asked;

    /** @param held the cut touched last; it outlives the panel, which is made anew with every setting */
    ThresholdPanel(DeskModel desk, String stepId, IntegerProperty held) {
        this.desk = desk;
        this.tuning = new Tuning(desk, stepId);
        this.counts = new NeighbourCurve(desk, stepId, NeighbourCurve.Quantity.COUNT, "", CURVE, "count");
        this.histogram = new UprightHistogram(
                new Sides(),
                at -> tuning.tryOut(byHand(at)),
                at -> tuning.keepAs(byHand(at), Texts.of("action.cut")),
                held);
        getStyleClass().add("threshold-panel");
        HBox ends = new HBox();
        ends.getStyleClass().add("setting-pair");
        for (Setting<?> setting : tuning.step().description().settings()) {
            if (tuning.isShown(setting)) {
                boolean end = setting == ThresholdStep.LOW || setting == ThresholdStep.HIGH;
                (end ? ends : this).getChildren().add(new SettingRow(tuning, setting));
            }
        }
        if (!ends.getChildren().isEmpty()) {
            ends.getChildren().forEach(row -> HBox.setHgrow(row, Priority.ALWAYS));
            getChildren().add(ends);
        }
        VBox.setVgrow(histogram, Priority.ALWAYS);
        bands.setId("band-shares");
        bands.managedProperty().bind(bands.visibleProperty());
        getChildren().addAll(bands, histogram, stability, counts);
        Tip.on(histogram, Texts.of("threshold.scale"));
        refresh();
    }

    private boolean hasTwoEnds() {
        return tuning.is(ThresholdStep.KEEP, "between") || tuning.is(ThresholdStep.KEEP, "outside");
    }

    /** The settings that the bars stand for. */
    private Values byHand(double[] at) {
        if (!hasTwoEnds()) {
            return tuning.handCut(at[0]);
        }
        Values values = tuning.step().values();
        boolean onlyHigh = at.length == 1 && values.find(ThresholdStep.LOW).isEmpty();
        if (!onlyHigh) {
            values = values.withTree(ThresholdStep.LOW, at[0]);
        }
        return at.length == 2 || onlyHigh ? values.withTree(ThresholdStep.HIGH, at[at.length - 1]) : values;
    }

    /** Dark and bright, or below, between and above. */
    private final class Sides implements UprightHistogram.Parts {
        @Override
        public boolean kept(int part) {
            if (tuning.isStale()) {
                return false;
            }
            if (!hasTwoEnds()) {
                return part == 0 == tuning.is(ThresholdStep.KEEP, "dark");
            }
            return isBetween(part) == tuning.is(ThresholdStep.KEEP, "between");
        }

        /** With one end left out, the band reaches to the end of the values. */
        private boolean isBetween(int part) {
            boolean lowIsThere = tuning.step().values().find(ThresholdStep.LOW).isPresent();
            return part == (lowIsThere ? 1 : 0);
        }

        @Override
        public String share(int part, double percent) {
            String key = hasTwoEnds()
                    ? "threshold.share.part"
                    : part == 0 ? "threshold.share.dark" : "threshold.share.bright";
            return Texts.of(key, Figures.percent(percent));
        }

        @Override
        public boolean isBand() {
            return !tuning.isStale() && hasTwoEnds();
        }
    }

    private void bands() {
        boolean shown = !tuning.isStale() && hasTwoEnds() && cuts.length == 2 && profile.isPresent();
        bands.setVisible(shown);
        if (shown) {
            double low = profile.get().percentUpTo(cuts[0]);
            double high = profile.get().percentUpTo(cuts[1]);
            bands.setText(Texts.of(
                    "threshold.bands", Figures.percent(low), Figures.percent(high - low), Figures.percent(100 - high)));
        }
    }

    @Override
    public void refresh() {
        if (tuning.isStale()) {
            return;
        }
        passing();
        stability();
        Optional<State> entering = desk.entering(tuning.step().id());
        Optional<Plane> plane = entering.flatMap(state -> state.current().single());
        if (plane.isPresent()) {
            profile(plane.get(), entering.get());
        } else {
            asked = null;
            profile = Optional.empty();
            histogram.show(profile);
            stability();
        }
    }

    @Override
    public void passing() {
        if (tuning.isStale()) {
            return;
        }
        Optional<Run.Station> reached = desk.reached(tuning.step().id());
        cuts = reached.map(r -> r.findings().cuts().stream().mapToDouble(c -> c).toArray())
                .orElse(new double[0]);
        histogram.show(cuts);
        bands();
    }

    private void profile(Plane plane, State entering) {
        if (plane == asked) {
            return;
        }
        asked = plane;
        desk.look(this, Urgency.ASKED, cancel -> {
            LevelProfile made =
                    LevelProfile.of(plane, entering.histogram(desk.work(cancel)).orElseThrow());
            Platform.runLater(() -> {
                if (plane == asked) {
                    profile = Optional.of(made);
                    histogram.show(profile);
                    bands();
                    stability();
                }
            });
        });
    }

    /** How the share moves at neighbouring cuts. */
    private void stability() {
        boolean there = profile.isPresent()
                && !tuning.isStale()
                && cuts.length > 0
                && profile.get().histogram().total() > 0;
        if (!there) {
            stability.show(Optional.empty(), "");
            counts.clear();
            return;
        }
        if (hasTwoEnds()) {
            stabilityOfEnds();
            return;
        }
        Stability now = Stability.of(profile.get().histogram(), cuts[0], tuning.is(ThresholdStep.KEEP, "dark"));
        String key = now.isSteep() ? "stability.steep" : "stability.steady";
        stability.show(
                Optional.of(now), Texts.of(key, Figures.percent(now.percent(-2)), Figures.percent(now.percent(2))));
        counts.show(now.at().stream()
                .map(a -> new NeighbourCurve.Neighbour(a.offset(), tuning.handCut(a.cut())))
                .toList());
    }

    /** How the share of the band moves with the end that was touched last. */
    private void stabilityOfEnds() {
        int at = Math.min(histogram.held().get(), cuts.length - 1);
        Stability now = Stability.of(profile.orElseThrow().histogram(), cuts, at);
        stability.show(
                Optional.of(now),
                Texts.of(
                        now.isSteep() ? "levels.steep" : "levels.steady",
                        Figures.number(cuts[at]),
                        Figures.percent(now.percent(-2)),
                        Figures.percent(now.percent(2))));
        counts.show(now.at().stream()
                .map(a -> new NeighbourCurve.Neighbour(a.offset(), withEnd(at, a.cut())))
                .toList());
    }

    private Values withEnd(int index, double value) {
        double[] ends = cuts.clone();
        double least = index > 0 ? ends[index - 1] : Double.NEGATIVE_INFINITY;
        double most = index < ends.length - 1 ? ends[index + 1] : Double.POSITIVE_INFINITY;
        ends[index] = Math.clamp(value, least, most);
        return byHand(ends);
    }
}
