package keentally.study.caution;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import keentally.core.distance.SquaredDistance;
import keentally.core.label.Labeller;
import keentally.core.measure.Ground;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.step.State;
import keentally.core.watershed.SplitTouching;
import keentally.core.words.Figures;
import keentally.core.work.Work;

/**
 * Whether many objects look like several that touch. An object of {@value #LEAST_PIXELS} pixels at least, and of {@value #MOST_OF_FIELD} of the field at most, does where it is
 *
 * <ul>
 *   <li>hollow: its hull has more than it by about a third of a pixel along the perimeter, which the stairs of pixels cost, and by a share of its area
 *       ({@value #DENT}, or {@value #DEEP} where there is no size to go by);
 *   <li>made of thick pieces: parted where its outline narrows by {@value #NECK} of a usual radius, it falls into pieces of which at least
 *       two, and half of its area, are at most {@value #THICK} times the disc of their own depth; those of threads, rings and cracks are
 *       longer;
 *   <li>large: {@value #LARGER} times the median of those that are not hollow, where there are {@value #LEAST_CONVEX} of them.
 * </ul>
 */
final class Touching {
    private static final int LEAST_PIXELS = 50;

    /** What takes more of it is what things lie on, or a net of walls. */
    private static final double MOST_OF_FIELD = 0.3;

    private static final double STAIRS = 0.35;
    private static final double DENT = 0.03;
    private static final double DEEP = 0.12;
    private static final double THICK = 2.2;
    private static final double NECK = 0.1;
    private static final double LARGER = 1.3;
    private static final int LEAST_CONVEX = 3;
    private static final int LEAST = 3;
    private static final double LEAST_PERCENT = 10;

    private final ObjectSet objects;
    private final Ground ground;
    private final Work work;

    private Touching(ObjectSet objects, State last, Work work) {
        this.objects = objects;
        this.ground = new Ground(last.original().channels().getFirst().plane(), last.original(), last.field());
        this.work = work;
    }

    static Optional<Caution> of(State last, Work work) {
        return last.objects().filter(o -> o.count() >= LEAST).flatMap(o -> new Touching(o, last, work).caution());
    }

    private Optional<Caution> caution() {
        double vast = MOST_OF_FIELD * ground.field().pixels();
        int[] large = IntStream.range(0, objects.count())
                .filter(i -> pixels(i) >= LEAST_PIXELS && pixels(i) <= vast)
                .toArray();
        ObjectTable outlines = ObjectTable.of(objects, List.of(Measure.HULL_AREA, Measure.PERIMETER), ground, work);
        double[] single = IntStream.of(large)
                .filter(i -> !isHollow(outlines, i, DENT))
                .mapToDouble(this::pixels)
                .sorted()
                .toArray();
        boolean sized = single.length >= LEAST_CONVEX;
        double least = sized ? LARGER * single[single.length / 2] : 0;
        IntPredicate hollow = i -> isHollow(outlines, i, sized ? DENT : DEEP) && pixels(i) > least;
        Set<Integer> regions =
                IntStream.of(large).filter(hollow).mapToObj(objects::region).collect(Collectors.toSet());
        long several = isMany(regions.size(), large.length) ? thick(regions, sized ? single[single.length / 2] : 0) : 0;
        return isMany(several, large.length) ? Optional.of(caution(several)) : Optional.empty();
    }

    private static boolean isMany(long several, int of) {
        return several >= LEAST && 100.0 * several >= LEAST_PERCENT * of;
    }

    private double pixels(int row) {
        return objects.regions().pixels(objects.region(row));
    }

    private boolean isHollow(ObjectTable outlines, int row, double share) {
        return outlines.at(row, 0) - pixels(row) > STAIRS * outlines.at(row, 1) + share * pixels(row);
    }

    /** How many of the regions fall into at least two thick pieces, which are most of them. */
    private long thick(Set<Integer> regions, double single) {
        Regions all = objects.regions();
        double radius = Math.sqrt((single > 0 ? single : LEAST_PIXELS) / Math.PI);
        Mask mask = all.mask(regions::contains)
                .minus(all.lines(regions::contains)); // objects that lie side by side stay apart
        int[] squares = SquaredDistance.to(ground.field().mask().minus(mask), work);
        Regions pieces = SplitTouching.byOutline(
                        mask, squares, new SplitTouching.Begin.Deep(Math.max(1, NECK * radius)), work)
                .regions();
        Regions connected = Labeller.regions(mask, Neighbours.EIGHT, work);
        Map<Integer, Integer> apart = new HashMap<>();
        for (int i = 0; i < connected.count(); i++) {
            apart.merge(all.find(connected, i), 1, Integer::sum);
        }
        Map<Integer, Integer> count = new HashMap<>();
        Map<Integer, Long> covered = new HashMap<>();
        for (int i = 0; i < pieces.count(); i++) {
            int deepest = deepest(pieces, i, squares);
            if (deepest < SquaredDistance.NONE && pieces.pixels(i) <= THICK * Math.PI * deepest) {
                int region = all.find(pieces, i);
                count.merge(region, 1, Integer::sum);
                covered.merge(region, pieces.pixels(i), Long::sum);
            }
        }
        return regions.stream()
                .filter(r -> apart.getOrDefault(r, 0) == 1) // an object of several pieces was made one on purpose
                .filter(r -> count.getOrDefault(r, 0) >= 2 && 2 * covered.get(r) >= all.pixels(r))
                .count();
    }

    private static int deepest(Regions pieces, int piece, int[] squares) {
        int most = 0;
        for (int run = pieces.firstRun(piece); run < pieces.firstRun(piece + 1); run++) {
            int row = pieces.runY(run) * pieces.width();
            for (int i = row + pieces.runFrom(run); i < row + pieces.runTo(run); i++) {
                most = Math.max(most, squares[i]);
            }
        }
        return most;
    }

    private Caution caution(long several) {
        return new Caution(
                CautionKind.TOUCHING,
                "At least " + Figures.number(several) + " of " + Figures.number(objects.count())
                        + " objects look like several: hollow in places, larger than the others, and made of thick pieces.",
                "Things that touch are counted as one, so that the count is too small and sizes are too large.",
                "Add the station “Split touching”, or make its depth smaller, and look at the pieces.");
    }
}
