package keentally.core.starter;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import keentally.core.colour.ChannelPlane;
import keentally.core.filter.Gaussian;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Plane;
import keentally.core.region.Regions;
import keentally.core.stats.Histogram;
import keentally.core.step.State;
import keentally.core.threshold.Cut;
import keentally.core.threshold.rule.Otsu;
import keentally.core.watershed.SplitTouching;
import keentally.core.work.Work;

/**
 * How the things on a picture may be counted: in the channel in which Otsu's two sides explain most of the variance, on the side that
 * fills less of the field's edge, without specks below a fortieth of the usual size, parted where their outlines narrow.
 *
 * @param channel of the original; nothing where the picture has only one
 * @param bright whether the things are the bright side
 * @param speckBelow in square pixels
 * @param depth of the split, in pixels
 */
record Counting(Optional<String> channel, boolean bright, long speckBelow, double depth) {
    private static final List<String> COLOURS = List.of("grey", "red", "green", "blue", "saturation", "a", "b");
    private static final double SMOOTH = 1;
    private static final double LEAST_DEPTH = 0.75;
    private static final double MOST_DEPTH = 3;
    private static final double DEPTH_BY_RADIUS = 0.06;
    private static final int SPECK_SHARE = 40;
    private static final int LEAST_SPECK = 5;

    /** Nothing where the field's values do not part. */
    static Optional<Counting> of(State start, Work work) {
        ChannelCut best = null;
        for (Optional<String> channel : channels(start)) {
            Optional<ChannelCut> seen = seen(start, channel, work);
            if (seen.isPresent() && (best == null || seen.get().explained > best.explained)) {
                best = seen.get();
            }
        }
        return Optional.ofNullable(best).map(b -> b.counting(start.field(), work));
    }

    private static List<Optional<String>> channels(State start) {
        if (start.original().single().isPresent()) {
            return List.of(Optional.empty());
        }
        List<String> words = start.original().isColour()
                ? COLOURS
                : IntStream.rangeClosed(1, start.original().channels().size())
                        .mapToObj(String::valueOf)
                        .toList();
        return words.stream().map(Optional::of).toList();
    }

    private static Optional<ChannelCut> seen(State start, Optional<String> channel, Work work) {
        return channel.map(c -> ChannelPlane.of(start.original(), c, work))
                .orElse(start.original().single())
                .flatMap(plane -> {
                    Plane smooth = Gaussian.of(plane, SMOOTH, work);
                    Histogram histogram = Histogram.of(smooth, start.field(), work);
                    OptionalDouble cut = histogram.total() == 0 ? OptionalDouble.empty() : Otsu.cut(histogram);
                    return cut.isPresent()
                            ? Optional.of(new ChannelCut(channel, smooth, cut.getAsDouble(), explained(histogram, cut)))
                            : Optional.empty();
                });
    }

    /** The share of the variance that lies between the two sides. */
    private static double explained(Histogram histogram, OptionalDouble cut) {
        double[] n = new double[2];
        double[] sum = new double[2];
        double squares = 0;
        for (int i = histogram.firstOccupied(); i <= histogram.lastOccupied(); i++) {
            int side = histogram.upperEdge(i) <= cut.getAsDouble() ? 0 : 1;
            n[side] += histogram.count(i);
            sum[side] += (double) histogram.count(i) * i;
            squares += (double) histogram.count(i) * i * i;
        }
        double all = n[0] + n[1];
        double mean = (sum[0] + sum[1]) / all;
        double apart = sum[0] / n[0] - sum[1] / n[1];
        return n[0] / all * (n[1] / all) * apart * apart / (squares / all - mean * mean);
    }

    /** A channel with its cut. */
    private record ChannelCut(Optional<String> channel, Plane plane, double cut, double explained) {
        Counting counting(Field field, Work work) {
            Mask bright = Cut.bright(cut).mask(plane, field, work);
            Mask edge = field.mask().minus(field.inner(Neighbours.EIGHT));
            boolean groundIsBright = 2 * edge.and(bright).count() > edge.count();
            Mask things = groundIsBright ? field.mask().minus(bright) : bright;
            double usual =
                    usualArea(SplitTouching.byOutline(things, field, new SplitTouching.Begin.Deep(LEAST_DEPTH), work)
                            .regions());
            double depth = Math.clamp(DEPTH_BY_RADIUS * Math.sqrt(usual / Math.PI), LEAST_DEPTH, MOST_DEPTH);
            return new Counting(
                    channel,
                    !groundIsBright,
                    Math.max(LEAST_SPECK, Math.round(usual / SPECK_SHARE)),
                    Math.rint(depth * 4) / 4);
        }

        /** Half of what is covered is covered by objects that are larger. */
        private static double usualArea(Regions things) {
            long[] areas = IntStream.range(0, things.count())
                    .mapToLong(things::pixels)
                    .sorted()
                    .toArray();
            double half = Arrays.stream(areas).sum() / 2.0;
            long sum = 0;
            for (long area : areas) {
                sum += area;
                if (sum >= half) {
                    return area;
                }
            }
            return 0;
        }
    }

    /** @param edge what becomes of objects that the edge cuts */
    Method lay(Method empty, String edge) {
        Method method = empty.with(List.of());
        Method begun = channel.map(c -> method.then("channel", "of", c)).orElse(method);
        Method parted = begun.then("smooth", "sigma", "1 px")
                .then("threshold", "rule", "otsu", "keep", bright ? "bright" : "dark")
                .then("fill-holes")
                .then("remove-specks", "below", speckBelow + " px2")
                .then("split-touching", "by", "outline", "depth", depth + " px");
        return edge.equals("none") ? parted : parted.then("edge-objects", "drop", edge);
    }
}
