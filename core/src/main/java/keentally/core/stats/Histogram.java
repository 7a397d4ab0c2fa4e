package keentally.core.stats;

import java.util.Arrays;
import java.util.List;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/**
 * How often each value occurs in the field.
 *
 * <p>Planes of whole numbers have one bin a level, 256 or 65,536. Others have {@value #FLOAT_BINS} equal bins (lo, hi], the
 * first with its lower end, from the least to the greatest value in the field; one bin where all values are the same. A
 * pixel is in bins 0 to k exactly where its value is at most {@link #upperEdge upperEdge(k)}.
 *
 * <p>Edge cases: not-a-number and infinite values are counted in {@link #left} and in no bin. A field without any value has
 * one empty bin.
 *
 * <p>Cost: one pass for whole numbers, two for others; the memory of the bins for each band in flight.
 */
public final class Histogram {
    public static final int FLOAT_BINS = 4096;

    private final long[] counts;
    private final double[] edges;
    private final double low;
    private final long[] upTo;
    private final long left;
    private final int first;
    private final int last;

    private Histogram(long[] counts, double[] edges, double low, long left) {
        this.counts = counts;
        this.edges = edges;
        this.low = low;
        this.left = left;
        this.upTo = counts.clone();
        for (int i = 1; i < upTo.length; i++) {
            upTo[i] += upTo[i - 1];
        }
        int lowest = 0;
        while (lowest < counts.length - 1 && counts[lowest] == 0) {
            lowest++;
        }
        int highest = counts.length - 1;
        while (highest > 0 && counts[highest] == 0) {
            highest--;
        }
        this.first = lowest;
        this.last = highest;
    }

    /** The values of {@code plane} in {@code field}, which must be of its size. */
    public static Histogram of(Plane plane, Field field, Work work) {
        if (field.width() != plane.width() || field.height() != plane.height()) {
            throw new IllegalArgumentException("a field of " + field.width() + " × " + field.height()
                    + " does not fit a picture of " + plane.width() + " × " + plane.height());
        }
        return switch (plane) {
            case PlaneF f -> ofFloat(f, field, work);
            case Plane8 p ->
                levels(sum(p, field, work, 256, (counts, from, to) -> count(p.values(), counts, from, to)));
            case Plane16 p ->
                levels(sum(p, field, work, 65536, (counts, from, to) -> count(p.values(), counts, from, to)));
        };
    }

    /** What it takes in memory. */
    public long bytes() {
        return (long) Long.BYTES * (counts.length + edges.length + upTo.length);
    }

    /** One bin a level, from 0. */
    public static Histogram ofLevels(long... counts) {
        return levels(counts.clone());
    }

    private static Histogram levels(long[] counts) {
        double[] edges = new double[counts.length];
        Arrays.setAll(edges, i -> i);
        return new Histogram(counts, edges, 0, 0);
    }

    private static void count(byte[] values, int[] counts, int from, int to) {
        for (int i = from; i < to; i++) {
            counts[values[i] & 0xff]++;
        }
    }

    private static void count(short[] values, int[] counts, int from, int to) {
        for (int i = from; i < to; i++) {
            counts[values[i] & 0xffff]++;
        }
    }

    private static Histogram ofFloat(PlaneF plane, Field field, Work work) {
        float[] values = plane.values();
        List<double[]> ends = work.map(BANDS, b -> {
            double[] end = {Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY};
            stretches(plane, field, b, (from, to) -> widen(values, end, from, to));
            return end;
        });
        double least = ends.stream().mapToDouble(e -> e[0]).min().orElseThrow();
        double most = ends.stream().mapToDouble(e -> e[1]).max().orElseThrow();
        if (least > most) {
            return new Histogram(new long[1], new double[] {0}, 0, field.pixels());
        }
        double[] edges = edges(least, most);
        double perBin = edges.length == 1 ? 0 : edges.length / (most - least);
        long[] counts = sum(
                plane,
                field,
                work,
                edges.length,
                (into, from, to) -> count(values, edges, least, perBin, into, from, to));
        return new Histogram(
                counts, edges, least, field.pixels() - Arrays.stream(counts).sum());
    }

    private static void widen(float[] values, double[] end, int from, int to) {
        float least = Float.POSITIVE_INFINITY;
        float most = Float.NEGATIVE_INFINITY;
        for (int i = from; i < to; i++) {
            float v = values[i];
            if (v - v == 0) {
                least = v < least ? v : least;
                most = v > most ? v : most;
            }
        }
        end[0] = Math.min(end[0], least);
        end[1] = Math.max(end[1], most);
    }

    private static double[] edges(double least, double most) {
        if (least == most) {
            return new double[] {most};
        }
        double[] edges = new double[FLOAT_BINS];
        Arrays.setAll(edges, i -> least + (most - least) * ((i + 1.0) / FLOAT_BINS));
        edges[FLOAT_BINS - 1] = most;
        return edges;
    }

    /** The bin is guessed by a product and put right against its edges, so that counts and cuts never disagree. */
    private static void count(
            float[] values, double[] edges, double least, double perBin, int[] counts, int from, int to) {
        int last = edges.length - 1;
        for (int i = from; i < to; i++) {
            float v = values[i];
            if (v - v != 0) {
                continue;
            }
            int bin = Math.min(last, (int) ((v - least) * perBin));
            while (bin > 0 && v <= edges[bin - 1]) {
                bin--;
            }
            while (v > edges[bin]) {
                bin++;
            }
            counts[bin]++;
        }
    }

    private static final int BANDS = 8;

    private static long[] sum(Plane plane, Field field, Work work, int bins, Counter counter) {
        List<int[]> parts = work.map(BANDS, b -> {
            int[] counts = new int[bins];
            stretches(plane, field, b, (from, to) -> counter.count(counts, from, to));
            return counts;
        });
        long[] counts = new long[bins];
        for (int[] part : parts) {
            for (int i = 0; i < bins; i++) {
                counts[i] += part[i];
            }
        }
        return counts;
    }

    /** Calls {@code each} with the stretches [from, to) of storage that lie in the field, for one band of rows. */
    private static void stretches(Plane plane, Field field, int band, Work.Band each) {
        int width = plane.width();
        int top = (int) ((long) plane.height() * band / BANDS);
        int bottom = (int) ((long) plane.height() * (band + 1) / BANDS);
        if (field.isWhole()) {
            each.run(top * width, bottom * width);
            return;
        }
        Mask mask = field.mask();
        for (int y = top; y < bottom; y++) {
            int base = y * width;
            for (int from = mask.nextSet(y, 0); from < width; ) {
                int to = mask.nextClear(y, from);
                each.run(base + from, base + to);
                from = mask.nextSet(y, to);
            }
        }
    }

    @FunctionalInterface
    private interface Counter {
        void count(int[] counts, int from, int to);
    }

    public int bins() {
        return counts.length;
    }

    /** How many values fell into a bin; bins are counted from 0. */
    public long count(int bin) {
        return counts[bin];
    }

    /** The highest value that bin {@code bin} holds: its level, or its upper edge. */
    public double upperEdge(int bin) {
        return edges[bin];
    }

    /** The lowest value of the first bin. */
    public double low() {
        return low;
    }

    /** The highest value of the last bin. */
    public double high() {
        return edges[edges.length - 1];
    }

    /** The lowest value that a counted pixel can have; that of the first occupied level for whole numbers. */
    public double lowest() {
        return edges.length == FLOAT_BINS ? low : edges[firstOccupied()];
    }

    /** The bin that holds a value; the first or the last for one outside them all. */
    public int bin(double value) {
        int first = 0;
        int last = edges.length - 1;
        while (first < last) {
            int middle = (first + last) >>> 1;
            if (value <= edges[middle]) {
                last = middle;
            } else {
                first = middle + 1;
            }
        }
        return first;
    }

    /** Number of pixels counted. */
    public long total() {
        return upTo[upTo.length - 1];
    }

    /** Number of pixels left out because they hold no finite value. */
    public long left() {
        return left;
    }

    /** Number of pixels with a value of at most {@code cut}, exact where {@code cut} is an upper edge. */
    public long atMost(double cut) {
        int k = bin(cut);
        int last = edges[k] <= cut ? k : k - 1;
        return last < 0 ? 0 : upTo[last];
    }

    /** The bin of the pixel that {@code index} others come before when all stand in order, from 0. */
    public int binOf(long index) {
        int from = 0;
        int to = upTo.length - 1;
        while (from < to) {
            int middle = (from + to) >>> 1;
            if (upTo[middle] > index) {
                to = middle;
            } else {
                from = middle + 1;
            }
        }
        return from;
    }

    /** The first bin that holds any pixel; 0 where none does. */
    public int firstOccupied() {
        return first;
    }

    /** The last bin that holds any pixel; 0 where none does. */
    public int lastOccupied() {
        return last;
    }
}
