package keentally.study.caution;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import keentally.core.method.MethodStep;
import keentally.core.quantity.PixelSize;
import keentally.core.run.PhaseReading;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.stats.Histogram;
import keentally.core.stats.Modes;
import keentally.core.step.ClassifyStep;
import keentally.core.step.LevelsStep;
import keentally.core.step.RefineEdgesStep;
import keentally.core.step.State;
import keentally.core.step.ThresholdStep;
import keentally.core.threshold.Stability;
import keentally.core.words.Figures;
import keentally.core.work.Work;

/** Checks over where a method cuts and what it cuts on. */
final class CutCautions {
    private static final double LEAST_PERCENT = 0.1;
    private static final int MOST_NAMED = 5;
    private static final double SAME_SCALE_PERCENT = 5;
    private static final List<String> NEED_TWO_MODES = List.of(
            "otsu",
            "valley-emphasis",
            "iterative-mean",
            "minimum-error",
            "mixture",
            "moments",
            "valley",
            "generalised");

    private final Run run;
    private final Readings readings;
    private final boolean several;
    private final Work work;
    private final List<Caution> found = new ArrayList<>();

    private CutCautions(Run run, Readings readings, boolean several, Work work) {
        this.run = run;
        this.readings = readings;
        this.several = several;
        this.work = work;
    }

    /** @param several whether the method is meant for more than one sample */
    static List<Caution> of(Run run, Readings readings, boolean several, Work work) {
        CutCautions cautions = new CutCautions(run, readings, several, work);
        State before = State.of(
                run.sample().picture(), run.sample().field(), run.sample().scale());
        for (Run.Station station : run.stations()) {
            Map<String, Object> settings = cautions.settings(station.step());
            switch (station.step().description().id()) {
                case ThresholdStep.ID -> cautions.threshold(station, settings, before);
                case ClassifyStep.ID -> cautions.otherScale(station);
                case RefineEdgesStep.ID -> cautions.lostParts(station);
                case LevelsStep.ID -> cautions.byHand(station, "manual".equals(settings.get(LevelsStep.BY.id())));
                default -> {}
            }
            before = station.after();
        }
        cautions.phases();
        return cautions.found;
    }

    private Map<String, Object> settings(MethodStep step) {
        return step.values().tree(step.description().settings());
    }

    private int number(Run.Station station) {
        return run.method().indexOf(station.step().id()) + 1;
    }

    private void otherScale(Run.Station station) {
        double percent = station.findings().find(ClassifyStep.STRETCHED).orElse(100);
        boolean unknown = station.findings().find(ClassifyStep.SCALE_UNKNOWN).isPresent();
        if (!unknown && Math.abs(percent - 100) <= SAME_SCALE_PERCENT) {
            return;
        }
        found.add(new Caution(
                CautionKind.MODEL_SCALE,
                "Step " + number(station)
                        + (unknown
                                ? " uses a model without knowing how the scale of its training and that of this sample compare."
                                : " uses a model that was trained at another scale: here it looks "
                                        + Figures.fixed(percent / 100, 2) + " times as many pixels far."),
                "What was learnt of textures holds at the scale that it was learnt at; stretched, it sees coarser or finer detail than the picture may"
                        + " show.",
                unknown
                        ? "Give the sample its scale, and train with one."
                        : "Look at the classes closely, or train on pictures of this magnification too."));
    }

    private void lostParts(Run.Station station) {
        long pieces =
                (long) station.findings().find(RefineEdgesStep.LOST_PIECES).orElse(0);
        long thin = (long) station.findings().find(RefineEdgesStep.LOST_THIN).orElse(0);
        if (pieces + thin == 0) {
            return;
        }
        PixelSize size = PixelSize.of(run.method().unit(), run.sample().scale());
        List<List<Double>> places = station.findings().places(RefineEdgesStep.LOST_AT);
        found.add(new Caution(
                CautionKind.LOST_PARTS,
                "Step " + number(station) + " took away " + told(pieces, "small piece")
                        + (pieces * thin > 0 ? " and " : "")
                        + told(thin, "thin part") + ", "
                        + Figures.area(
                                station.findings()
                                        .find(RefineEdgesStep.LOST_AREA)
                                        .orElse(0),
                                size)
                        + " together, at x, y px " + places(places) + ".",
                "Pixels follow their neighbours, so that what is thinner than the smoothing reaches vanishes although the picture shows"
                        + " it: counts, perimeters and walls come out too small.",
                "Look at the places; make the smoothing smaller, trust more in what was given, or paint them back."));
    }

    /** The first few, in px. */
    static String places(List<List<Double>> all) {
        String named = all.stream()
                .limit(MOST_NAMED)
                .map(p -> Figures.fixed(p.getFirst(), 0) + ", " + Figures.fixed(p.getLast(), 0))
                .collect(Collectors.joining("; "));
        return named + (all.size() > MOST_NAMED ? "; ..." : "");
    }

    private static String told(long count, String what) {
        return count == 0 ? "" : count + " " + what + (count == 1 ? "" : "s");
    }

    private void byHand(Run.Station station, boolean hand) {
        if (hand && several && station.step().held().isEmpty()) {
            found.add(new Caution(
                    CautionKind.HAND_CUT,
                    "Step " + number(station) + " cuts where a hand set it, and the method is used on several samples.",
                    "What fits one picture is a bias on the next, and nobody can tell how it was chosen.",
                    "Let a rule find the cut; the trial sheet shows which one comes nearest."));
        }
    }

    private void threshold(Run.Station station, Map<String, Object> settings, State before) {
        String rule = String.valueOf(settings.get(ThresholdStep.RULE.id()));
        byHand(station, rule.equals("manual"));
        OptionalDouble at = station.findings().find("cut");
        Optional<Histogram> values = at.isPresent() ? before.histogram(work) : Optional.empty();
        if (values.isEmpty()) {
            return;
        }
        Histogram h = values.get();
        double cut = at.getAsDouble();
        Stability stability = Stability.of(h, cut, "dark".equals(settings.get(ThresholdStep.KEEP.id())));
        if (stability.isSteep()) {
            found.add(new Caution(
                    CautionKind.UNSTABLE_CUT,
                    "Moving the cut of step " + number(station) + " by 2 % of the range changes its share from "
                            + Figures.percent(stability.percent(-2)) + " to " + Figures.percent(stability.percent(2))
                            + " %.",
                    "The answer hangs on the cut more than on the picture.",
                    "Choose a channel or a preparation that parts the two better, and look at the trial sheet."));
        }
        if (NEED_TWO_MODES.contains(rule) && Modes.count(h) < 2) {
            found.add(new Caution(
                    CautionKind.ONE_MODE,
                    "The histogram that step " + number(station) + " cuts has one peak.",
                    "Its rule looks for two, and finds a cut that means nothing.",
                    "Try triangle or unimodal, or a channel in which the two stand apart."));
        }
    }

    private void phases() {
        for (PhaseReading phase : readings.fractions()) {
            if (phase.percent() < LEAST_PERCENT) {
                found.add(new Caution(
                        CautionKind.EMPTY_PHASE,
                        "The phase " + phase.name() + " covers " + Figures.percent(phase.percent())
                                + " % of the field (" + Figures.number(phase.pixels()) + " pixels).",
                        "So few pixels may be noise, or an edge between two others.",
                        "Ask for fewer phases, or group it with its neighbour."));
            }
        }
    }
}
