package keentally.core.starter;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import keentally.core.colour.ChannelPlane;
import keentally.core.filter.Gaussian;
import keentally.core.filter.Gradient;
import keentally.core.find.EvenLight;
import keentally.core.geometry.Ellipse;
import keentally.core.label.Labeller;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.starter.Trail.Px;
import keentally.core.stats.Histogram;
import keentally.core.stats.Percentiles;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.work.Work;

/**
 * The ways in which the things on a picture may be counted, each tried on it.
 *
 * <p>Method: in the channel in which Otsu's two sides explain most of the variance, things are the bright or the dark side, filled or
 * not, parted where their outlines narrow or not, under the light as it is, made even by a surface, or held against what lies round
 * each place; or they are the cells between bright or dark walls. All of these also within a round field alone, where there is one.
 * Pictures are smoothed only where their noise would spoil the cut; what hardly reaches over the cut is a speck. All sizes come from
 * the picture: radii and depths from the things that the cut alone leaves. The ways are ranked by how well what they find holds
 * together: {@link Firmness}.
 *
 * <p>Cost: some tens of passes over the picture.
 */
final class WaysToCount {
    /** Light adds up in these, so that a cut half way lies where a border is. */
    private static final List<String> PLAIN = List.of("grey", "red", "green", "blue");

    /** In these a pixel half on a thing is not half way, which makes things smaller or larger. */
    private static final List<String> BENT = List.of("saturation", "a", "b");

    /** Of what the best plain channel leaves unexplained, that a bent one may leave at most to be taken. */
    private static final double MUCH_BETTER = 0.6;

    private static final double SMOOTH = 1;
    private static final double WALL_SMOOTH = 2;

    /** Of the range of the picture, that a cell is deeper than its walls at least. */
    private static final double WALL_DEPTH = 0.2;

    /** What lies round a place, in radii of things. */
    private static final double LOCAL_RADII = 3;

    private static final double LEAST_LOCAL = 5;
    private static final double CLEARLY_SMALLER = 0.6;
    private static final double LEAST_DEPTH = 0.75;
    private static final double MOST_DEPTH = 3;
    /** That a neck is narrower at least, in radii of things. */
    private static final double[] DEPTHS = {0.12, 0.06, 0.03};

    /** Convex enough not to be several. */
    private static final double CONVEX = 0.95;

    /** Of its area that belongs to what is cut off: with it, what fills the field is the ground. */
    private static final double GROUND_CUT = 0.5;

    private static final double ROUND_FIELD_LIKELY = 1.2;
    private static final double PARTED_LIKELY = 0.97;

    /** Of the field, that cells cover at least without their walls. */
    private static final double SEAMS_LEFT = 0.6;

    /** Then. */
    private static final double WALLS_LIKELY = 1.2;

    /** Of what is filled: larger holes are gaps between things, smaller ones lie in them. */
    private static final double GAPS = 0.03;

    /** Where there are small ones: a hole makes necks where nothing touches. */
    private static final double PARTED_AT_HOLES_LIKELY = 0.88;

    private final Work work;
    private final List<Way> ways = new ArrayList<>();
    private final Map<String, Optional<PlaneF>> smoothed = new HashMap<>();

    private WaysToCount(Work work) {
        this.work = work;
    }

    /**
     * The best first; of those that find as many things, or nearly, the best alone.
     *
     * @param rim of the round field, where there is one
     */
    static List<Way> of(State start, Optional<Ellipse> rim, Work work) {
        WaysToCount all = new WaysToCount(work);
        Trail whole = Trail.from(start, work);
        all.new Place(false, whole).look();
        rim.ifPresent(r -> attempt(() -> all.new Place(true, whole.within(r)).look()));
        all.preferWalls();
        List<Way> ranked = new ArrayList<>();
        all.ways.stream()
                .filter(w -> w.firmness().count() > 0)
                .sorted(Comparator.comparingDouble(Way::score).reversed())
                .filter(w -> ranked.stream().noneMatch(w::isLike))
                .forEach(ranked::add);
        return ranked;
    }

    /** Where things leave only seams between them, they are cells, and the seams are the walls that part them. */
    private void preferWalls() {
        Optional<Way> best = ways.stream().max(Comparator.comparingDouble(Way::score));
        if (best.filter(b -> b.firmness().covered() > SEAMS_LEFT && !b.parted()).isPresent()) {
            ways.replaceAll(w -> w.structure().isWalled() ? w.times(WALLS_LIKELY) : w);
        }
    }

    /** What may not be possible on this picture. */
    @FunctionalInterface
    private interface Attempt {
        void run() throws StepFault;
    }

    private static void attempt(Attempt attempt) {
        try {
            attempt.run();
        } catch (StepFault e) {
            // this way cannot be gone on this picture
        }
    }

    private double best() {
        return ways.stream().mapToDouble(Way::score).max().orElse(0);
    }

    /** The whole picture, or the round field in it. */
    private final class Place {
        private final boolean round;
        private final Trail start;
        private final Map<String, Double> explained = new HashMap<>();

        Place(boolean round, Trail start) {
            this.round = round;
            this.start = start;
        }

        void look() {
            attempt(() -> {
                Trail channel = tellingChannel();
                Plane plane = channel.state().plane();
                levels(Way.Light.AS_IT_IS, channel);
                if (EvenLight.variation(plane, channel.state().field(), work)
                        .filter(v -> v > EvenLight.UNEVEN_PERCENT)
                        .isPresent()) {
                    levels(
                            Way.Light.MADE_EVEN,
                            channel.then("flatten", "by", "polynomial", "order", 2, "how", "divide"));
                }
                double radius = localRadius();
                local(channel, radius);
                double again = localRadius(); // of what stands out now
                if (again < CLEARLY_SMALLER * radius) {
                    local(channel, again);
                }
                walls(channel);
            });
        }

        private void local(Trail channel, double radius) {
            attempt(() -> levels(
                    Way.Light.LOCAL,
                    channel.then("flatten", "by", "gaussian", "radius", Px.length(radius), "how", "subtract")));
        }

        /** By the things of the best way so far. */
        private double localRadius() {
            double usual = ways.stream()
                    .max(Comparator.comparingDouble(Way::score))
                    .map(w -> w.firmness().usual())
                    .orElse(0.0);
            return Math.max(LEAST_LOCAL, Math.rint(LOCAL_RADII * Math.sqrt(usual / Math.PI)));
        }

        /** The same in every place. */
        private Optional<PlaneF> smoothed(String channel) {
            return smoothed.computeIfAbsent(
                    channel,
                    c -> ChannelPlane.of(start.state().original(), c, work).map(p -> Gaussian.of(p, SMOOTH, work)));
        }

        /** The channel in which Otsu's two sides explain most of the variance. */
        private Trail tellingChannel() throws StepFault {
            State state = start.state();
            if (state.original().single().isPresent()) {
                return start;
            }
            if (!state.original().isColour()) {
                List<String> numbers = IntStream.rangeClosed(
                                1, state.original().channels().size())
                        .mapToObj(String::valueOf)
                        .toList();
                return start.then("channel", "of", telling(numbers));
            }
            String plain = telling(PLAIN);
            String bent = telling(BENT);
            boolean better = 1 - explained(bent) < MUCH_BETTER * (1 - explained(plain));
            return start.then("channel", "of", better ? bent : plain);
        }

        private String telling(List<String> channels) {
            return channels.stream()
                    .max(Comparator.comparingDouble(this::explained))
                    .orElseThrow();
        }

        /** 0 where its values do not part. */
        private double explained(String channel) {
            return explained.computeIfAbsent(
                    channel,
                    c -> smoothed(c)
                            .flatMap(p -> TwoSides.of(p, start.state().field(), work))
                            .map(TwoSides::explained)
                            .orElse(0.0));
        }

        private void levels(Way.Light light, Trail channel) throws StepFault {
            Plane plane = channel.state().plane();
            Field field = channel.state().field();
            boolean noisy = TwoSides.of(plane, field, work)
                    .filter(s -> !s.areNoisy(plane, field))
                    .isEmpty();
            Trail smooth = noisy ? channel.then("smooth", "sigma", Px.length(SMOOTH)) : channel;
            PlaneF steep = Gradient.sobel(smooth.state().plane(), work);
            for (boolean bright : new boolean[] {true, false}) {
                Trail cut = smooth.then("threshold", "rule", "otsu", "keep", bright ? "bright" : "dark");
                Level level = new Level(
                        bright, light, cut.state().needMask(), smooth.state().plane(), steep);
                Trail filled = cut.then("fill-holes");
                double holes = 1
                        - (double) level.mask.count()
                                / filled.state().needMask().count();
                things(cut, level, holes > 0 && holes < GAPS ? PARTED_AT_HOLES_LIKELY : PARTED_LIKELY);
                if (holes > 0) {
                    things(filled, level, PARTED_LIKELY);
                }
            }
        }

        private void things(Trail cut, Level level, double partedLikely) throws StepFault {
            Regions pieces = Labeller.regions(cut.state().needMask(), Neighbours.EIGHT, work);
            long speck = Specks.below(pieces, level.plane, level.bright);
            Trail clean = cut.then("remove-specks", "below", Px.area(speck));
            Mask mask = clean.state().needMask();
            ObjectSet whole = ObjectSet.of(Labeller.regions(mask, Neighbours.EIGHT, work));
            Field field = clean.state().field();
            Firmness held = Firmness.of(whole, Optional.of(level.mask), level.steep, field, work);
            add(level.structure(), level.light, Optional.empty(), clean.then("label"), held);
            boolean ground = held.largest() > Firmness.MOST_OF_FIELD && held.cut() > GROUND_CUT;
            if (held.count() == 0 || held.solidity() > CONVEX || ground || likely() * held.scoreParted() < best()) {
                return;
            }
            Trail least = parted(clean, LEAST_DEPTH);
            double radius = Math.sqrt(Specks.usual(least.state().needObjects().regions()) / Math.PI);
            int before = whole.count();
            for (double times : DEPTHS) {
                double depth = Math.rint(4 * Math.clamp(times * radius, LEAST_DEPTH, MOST_DEPTH)) / 4;
                Trail parted = depth == LEAST_DEPTH ? least : parted(clean, depth);
                ObjectSet parts = parted.state().needObjects();
                if (parts.count() != before) {
                    Firmness firm = Firmness.of(parts, Optional.of(level.mask), level.steep, field, work);
                    add(level.structure(), level.light, Optional.of(partedLikely), parted, firm);
                }
                before = parts.count();
            }
        }

        private static Trail parted(Trail clean, double depth) throws StepFault {
            return clean.then("split-touching", "by", "outline", "depth", Px.length(depth));
        }

        private void walls(Trail channel) throws StepFault {
            for (boolean bright : new boolean[] {true, false}) {
                Trail smooth =
                        (bright ? channel : channel.then("invert")).then("smooth", "sigma", Px.length(WALL_SMOOTH));
                Plane plane = smooth.state().plane();
                Field field = smooth.state().field();
                Histogram histogram = Histogram.of(plane, field, work);
                double depth = Math.max(1, Math.rint(WALL_DEPTH * Percentiles.range(histogram)));
                Trail grown = smooth.then("grow-regions", "markers", "minima", "over", "picture", "depth", depth);
                ObjectSet cells = grown.state().needObjects();
                add(
                        bright ? Structure.BETWEEN_BRIGHT_WALLS : Structure.BETWEEN_DARK_WALLS,
                        Way.Light.AS_IT_IS,
                        Optional.empty(),
                        grown,
                        Firmness.of(cells, Optional.empty(), high(plane, histogram), field, work));
            }
        }

        /** @param parted how likely it is that they were to be parted, where they were */
        private void add(
                Structure structure, Way.Light light, Optional<Double> parted, Trail trail, Firmness firmness) {
            double likely = likely() * parted.orElse(1.0);
            ways.add(new Way(round, structure, light, parted.isPresent(), trail, firmness, likely));
        }

        private double likely() {
            return round ? ROUND_FIELD_LIKELY : 1;
        }
    }

    /**
     * A side of a cut.
     *
     * @param mask what lies on it
     * @param plane that was cut
     */
    private record Level(boolean bright, Way.Light light, Mask mask, Plane plane, PlaneF steep) {
        Structure structure() {
            return bright ? Structure.BRIGHT : Structure.DARK;
        }
    }

    /** How high the picture is: the borders of cells lie on walls, not on slopes. */
    private static PlaneF high(Plane plane, Histogram histogram) {
        double low = Percentiles.of(histogram, 0.05);
        double range = Percentiles.of(histogram, 0.95) - low;
        int width = plane.width();
        float[] values = new float[width * plane.height()];
        for (int y = 0; y < plane.height(); y++) {
            plane.readRow(y, 0, width, values, y * width);
        }
        for (int i = 0; i < values.length; i++) {
            values[i] = (float) Math.max(0, (values[i] - low) / range);
        }
        return PlaneF.of(width, plane.height(), values);
    }
}
