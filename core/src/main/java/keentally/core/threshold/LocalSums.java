package keentally.core.threshold;

import java.util.Arrays;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;

/**
 * Mean and deviation of the square around each pixel of a row, over the field's finite values only; rows are asked for in any order,
 * and cheaply one after another.
 *
 * <p>Sums are kept of columns, in whole numbers, so that they are exact and do not hang on where one began. Floating point is taken in equal
 * steps of the range: 2²⁴ of them, fewer where the squares of a very large window would not fit.
 */
final class LocalSums {
    private static final int MOST_BITS = 24;

    private final Plane plane;
    private final Mask inside;
    private final int radius;
    private final int width;
    private final boolean isWhole;
    private final double least;
    private final double step;
    private final float[] row;
    private final long[] here;
    private final long[] values;
    private final long[] count;
    private final long[] sum;
    private final long[] squares;
    private final long[] counts;
    private final long[] sums;
    private final long[] squareSums;
    private final double[] mean;
    private final double[] deviation;
    private int last = Integer.MIN_VALUE;

    /**
     * @param least of the field's values
     * @param range from there to the greatest
     */
    LocalSums(Plane plane, Mask inside, int radius, double least, double range) {
        this.plane = plane;
        this.inside = inside;
        this.radius = radius;
        this.width = plane.width();
        this.isWhole = plane.depth().isWhole();
        this.least = isWhole ? 0 : least;
        this.step = isWhole || !(range > 0) ? 1 : range / (1L << bits(radius));
        this.row = new float[width];
        this.here = new long[width];
        this.values = new long[width];
        this.count = new long[width];
        this.sum = new long[width];
        this.squares = new long[width];
        this.counts = new long[width];
        this.sums = new long[width];
        this.squareSums = new long[width];
        this.mean = new double[width];
        this.deviation = new double[width];
    }

    /** So many that the squares of a whole window add up to less than 2⁶². */
    private static int bits(int radius) {
        double window = (2.0 * radius + 1) * (2.0 * radius + 1);
        return Math.clamp((62 - (int) Math.ceil(Math.log(window) / Math.log(2))) / 2, 1, MOST_BITS);
    }

    double greatestDeviation(int y) {
        means(y);
        double most = 0;
        for (int x = inside.nextSet(y, 0); x < width; x = inside.nextSet(y, x + 1)) {
            most = Math.max(most, deviation[x]);
        }
        return most;
    }

    /** The means of row {@code y}; without meaning where the square holds no value. The array is used again. */
    double[] means(int y) {
        if (y == last + 1) {
            change(y + radius, 1);
            change(last - radius, -1);
        } else {
            Arrays.fill(count, 0);
            Arrays.fill(sum, 0);
            Arrays.fill(squares, 0);
            for (int r = y - radius; r <= y + radius; r++) {
                change(r, 1);
            }
        }
        last = y;
        slide();
        return mean;
    }

    /** Of the row asked for last. */
    double[] deviations() {
        return deviation;
    }

    private void change(int y, int by) {
        if (y < 0 || y >= plane.height()) {
            return;
        }
        read(y);
        for (int x = 0; x < width; x++) {
            count[x] += here[x] * by;
            sum[x] += values[x] * by;
            squares[x] += values[x] * values[x] * by;
        }
    }

    /** Values in steps, and 1 or 0 for whether they take part. */
    private void read(int y) {
        plane.readRow(y, 0, width, row, 0);
        if (isWhole && inside.nextClear(y, 0) >= width) {
            Arrays.fill(here, 1);
            for (int x = 0; x < width; x++) {
                values[x] = (int) row[x];
            }
            return;
        }
        long[] words = inside.words();
        int first = y * inside.stride();
        for (int x = 0; x < width; x++) {
            float v = row[x];
            long taken = v - v == 0 ? words[first + (x >>> 6)] >>> x & 1 : 0;
            here[x] = taken;
            values[x] = taken == 0 ? 0 : isWhole ? (long) v : steps(v);
        }
    }

    private long steps(float v) {
        return Math.round((v - least) / step);
    }

    /** A value of floating point as the sums take it. */
    double taken(float v) {
        return least + step * steps(v);
    }

    private void slide() {
        slide(count, radius, counts);
        slide(sum, radius, sums);
        slide(squares, radius, squareSums);
        for (int x = 0; x < width; x++) {
            double n = Math.max(1, counts[x]);
            double steps = sums[x] / n;
            mean[x] = least + step * steps;
            deviation[x] = step * Math.sqrt(Math.max(0, squareSums[x] / n - steps * steps));
        }
    }

    /** Sums over {@code radius} columns to either side. */
    private static void slide(long[] columns, int radius, long[] to) {
        long s = 0;
        for (int x = 0; x < Math.min(radius, columns.length); x++) {
            s += columns[x];
        }
        for (int x = 0; x < columns.length; x++) {
            s += x + radius < columns.length ? columns[x + radius] : 0;
            s -= x > radius ? columns[x - radius - 1] : 0;
            to[x] = s;
        }
    }
}
