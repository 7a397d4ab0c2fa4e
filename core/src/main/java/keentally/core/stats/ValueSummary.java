package keentally.core.stats;

import java.util.Arrays;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.work.Work;

/**
 * Values of a plane in a region, summed up.
 *
 * @param count of finite values; where it is 0 all others are not-a-number
 * @param sd over n
 * @param clippedPercent at the lowest or highest value that the depth can hold; 0 for floating point
 */
public record ValueSummary(
        long count,
        double mean,
        double sd,
        double least,
        double p1,
        double median,
        double p99,
        double most,
        double clippedPercent) {

    /** Of numbers on a line. Percentiles by linear interpolation between order statistics. */
    public static ValueSummary of(Plane plane, Field region, Work work) {
        return plane.depth().isWhole()
                ? whole(Histogram.of(plane, region, work), plane.depth().most())
                : line(values(plane, region.mask()));
    }

    /**
     * Of angles in degrees, such as hues: mean, median and deviation as {@link Averages} tells them, percentiles, least and most in the
     * order in which they lie round the mean. Not-a-number where the angles cancel each other out.
     */
    public static ValueSummary ofAngles(Plane plane, Field region) {
        return angles(values(plane, region.mask()));
    }

    private static ValueSummary whole(Histogram h, int most) {
        long n = h.total();
        double sum = 0;
        for (int i = 0; i < h.bins(); i++) {
            sum += (double) h.count(i) * h.upperEdge(i);
        }
        double mean = sum / n;
        double squares = 0;
        for (int i = 0; i < h.bins(); i++) {
            double off = h.upperEdge(i) - mean;
            squares += h.count(i) * off * off;
        }
        double clipped = 100.0 * (h.count(0) + h.count(most)) / n;
        return n == 0
                ? none()
                : new ValueSummary(
                        n,
                        mean,
                        Math.sqrt(squares / n),
                        h.upperEdge(h.firstOccupied()),
                        Percentiles.of(h, 0.01),
                        Percentiles.of(h, 0.5),
                        Percentiles.of(h, 0.99),
                        h.upperEdge(h.lastOccupied()),
                        clipped);
    }

    /** The finite ones of a region. */
    private static float[] values(Plane plane, Mask mask) {
        float[] values = new float[(int) mask.count()];
        float[] row = new float[plane.width()];
        int n = 0;
        for (int y = 0; y < plane.height(); y++) {
            plane.readRow(y, 0, row.length, row, 0);
            for (int x = mask.nextSet(y, 0); x < row.length; x = mask.nextSet(y, x + 1)) {
                if (Float.isFinite(row[x])) {
                    values[n++] = row[x];
                }
            }
        }
        return n == values.length ? values : Arrays.copyOf(values, n);
    }

    private static ValueSummary line(float[] values) {
        int n = values.length;
        if (n == 0) {
            return none();
        }
        Arrays.sort(values);
        double sum = 0;
        for (float v : values) {
            sum += v;
        }
        double mean = sum / n;
        double squares = 0;
        for (float v : values) {
            squares += (v - mean) * (v - mean);
        }
        return new ValueSummary(
                n,
                mean,
                Math.sqrt(squares / n),
                values[0],
                at(values, n, 0.01),
                at(values, n, 0.5),
                at(values, n, 0.99),
                values[n - 1],
                0);
    }

    private static ValueSummary angles(float[] values) {
        int n = values.length;
        double x = 0;
        double y = 0;
        for (float v : values) {
            x += StrictMath.cos(StrictMath.toRadians(v));
            y += StrictMath.sin(StrictMath.toRadians(v));
        }
        if (StrictMath.hypot(x, y) <= Averages.NOWHERE * n) {
            double nan = Double.NaN;
            return new ValueSummary(n, nan, nan, nan, nan, nan, nan, nan, n == 0 ? nan : 0);
        }
        double mean = StrictMath.toDegrees(StrictMath.atan2(y, x));
        for (int i = 0; i < n; i++) {
            values[i] = (float) Averaging.CIRCULAR.apart(mean, values[i]);
        }
        ValueSummary round = line(values);
        double squares = round.sd * round.sd + round.mean * round.mean; // off the angles' mean
        return new ValueSummary(
                n,
                told(mean),
                Math.sqrt(squares),
                told(mean + round.least),
                told(mean + round.p1),
                told(mean + round.median),
                told(mean + round.p99),
                told(mean + round.most),
                0);
    }

    private static double told(double degrees) {
        return Averaging.CIRCULAR.told(degrees);
    }

    private static double at(float[] sorted, int n, double share) {
        double at = share * (n - 1);
        double lower = sorted[(int) Math.floor(at)];
        double upper = sorted[(int) Math.ceil(at)];
        return lower + (at - Math.floor(at)) * (upper - lower);
    }

    private static ValueSummary none() {
        double nan = Double.NaN;
        return new ValueSummary(0, nan, nan, nan, nan, nan, nan, nan, nan);
    }
}
