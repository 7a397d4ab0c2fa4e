package keentally.study.caution;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.label.Labeller;
import keentally.core.method.MethodStep;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.quantity.PixelSize;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.step.Finding;
import keentally.core.step.Flow;
import keentally.core.step.InvertMaskStep;
import keentally.core.step.LabelStep;
import keentally.core.step.ProbeStep;
import keentally.core.step.State;
import keentally.core.words.Figures;
import keentally.core.work.Work;

/** Checks over what stations did to a mask before things were counted in it. */
final class MaskCautions {
    private static final Set<String> GROW = Set.of(ProbeStep.DILATE.id(), ProbeStep.CLOSE.id());
    private static final double MOST_ADDED_PERCENT = 10;
    private static final int NEAR = 1;

    private final Run run;
    private final Work work;
    private final List<Caution> found = new ArrayList<>();

    private MaskCautions(Run run, Work work) {
        this.run = run;
        this.work = work;
    }

    static List<Caution> of(Run run, Readings readings, Work work) {
        MaskCautions cautions = new MaskCautions(run, work);
        Optional<Mask> before = Optional.empty();
        boolean inverted = false;
        for (Run.Station station : run.stations()) {
            String id = station.step().description().id();
            if (GROW.contains(id)) {
                cautions.grown(station, before.orElseThrow());
            }
            boolean anew =
                    station.step().needs() == Flow.PICTURE && station.step().gives() != Flow.PICTURE;
            inverted = id.equals(InvertMaskStep.ID) ? !inverted : inverted && !anew;
            cautions.onBorders(station);
            before = station.after().mask();
        }
        if (inverted) {
            cautions.byCorners(readings.state());
        }
        return cautions.found;
    }

    private String step(Run.Station station) {
        return "step " + (run.method().indexOf(station.step().id()) + 1);
    }

    private void grown(Run.Station station, Mask before) {
        Mask after = station.after().needMask();
        Regions was = Labeller.regions(before, Neighbours.EIGHT, work);
        Regions is = Labeller.regions(after, Neighbours.EIGHT, work);
        int fused = was.count() - is.count();
        long added = after.count() - before.count();
        double percent = before.count() == 0 ? 0 : 100.0 * added / before.count();
        if (fused <= 0 && percent <= MOST_ADDED_PERCENT) {
            return;
        }
        PixelSize size = PixelSize.of(run.method().unit(), run.sample().scale());
        found.add(new Caution(
                CautionKind.GROWN_MASK,
                "What " + step(station) + " took in made " + Figures.number(is.count()) + " of "
                        + Figures.number(was.count()) + " pieces (" + Figures.number(Math.max(0, fused))
                        + " fused) and added " + Figures.area(added, size) + ", "
                        + Figures.percent(percent) + " % of the area.",
                "A mask that is grown to be safe swells every area and makes one of neighbours, so that the count falls.",
                "Take specks away by their area and fill holes instead, or make the radius smaller."));
    }

    /** Among the pieces of a background, corners make bridges that nobody sees. */
    private void byCorners(State last) {
        Optional<ObjectSet> objects = last.objects();
        boolean four = run.stations().stream().anyMatch(s -> isByFour(s));
        boolean otherwise = run.stations().stream().anyMatch(s -> tellsApartOtherwise(s));
        if (objects.isEmpty() || four || otherwise) {
            return;
        }
        Mask mask = objects.get().mask();
        int eight = Labeller.regions(mask, Neighbours.EIGHT, work).count();
        int byFour = Labeller.regions(mask, Neighbours.FOUR, work).count();
        if (byFour == eight) {
            return;
        }
        found.add(new Caution(
                CautionKind.OPENED_BACKGROUND,
                "The mask is what was left over by an inversion, and its pieces hang together by corners: "
                        + Figures.number(eight) + " with eight neighbours, "
                        + Figures.number(byFour) + " with four.",
                "Where what was there before hung together by corners, what lies between does not: counting both with eight"
                        + " neighbours joins across its thin places.",
                "Label with four neighbours behind an inversion."));
    }

    /** Whether neighbours do not say what one object is. */
    private static boolean tellsApartOtherwise(Run.Station station) {
        MethodStep step = station.step();
        return step.gives() == Flow.OBJECTS
                && step.needs() != Flow.OBJECTS
                && !step.description().id().equals(LabelStep.ID);
    }

    private static boolean isByFour(Run.Station station) {
        return station.step().description().id().equals(LabelStep.ID)
                && station.step().values().get(LabelStep.NEIGHBOURS) == Neighbours.FOUR;
    }

    private void onBorders(Run.Station station) {
        Optional<Finding.Marks> markers = station.findings().markers();
        Optional<ObjectSet> objects = station.after().objects();
        if (markers.isEmpty() || objects.isEmpty()) {
            return;
        }
        Regions regions = objects.get().regions();
        Field field = station.after().field();
        int width = markers.get().width();
        List<List<Double>> on = Arrays.stream(markers.get().pixels())
                .filter(p -> onBorder(p % width, p / width, regions, field))
                .mapToObj(p -> List.of(p % width + 0.5, p / width + 0.5))
                .toList();
        if (on.isEmpty()) {
            return;
        }
        found.add(new Caution(
                CautionKind.MARKERS_ON_BORDERS,
                Figures.number(on.size()) + " of "
                        + Figures.number(markers.get().value()) + " markers of " + step(station)
                        + " lie where two regions meet, at x, y px " + CutCautions.places(on) + ".",
                "A marker on a border grows a region of its own between two others, or takes the wrong side.",
                "Move these markers into the middle of what they mean, delete them, or ask for deeper or wider ones."));
    }

    /** Whether a pixel has another region, or a line, beside it within the field. */
    private static boolean onBorder(int x, int y, Regions regions, Field field) {
        int own = regions.at(x, y);
        for (int dy = -NEAR; dy <= NEAR; dy++) {
            for (int dx = -NEAR; dx <= NEAR; dx++) {
                boolean inside = field.contains(x + dx, y + dy);
                if (inside && regions.at(x + dx, y + dy) >= 0 && regions.at(x + dx, y + dy) != own) {
                    return true;
                }
            }
        }
        return false;
    }
}
