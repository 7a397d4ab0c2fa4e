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

    /** Percentiles by linear interpolation between order statistics. */
    public static ValueSummary of(Plane plane, Field region, Work work) {
        return plane.depth().isWhole()
                ? whole(Histogram.of(plane, region, work), plane.depth().most())
                : floating(plane, region.mask());
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

    private static ValueSummary floating(Plane plane, Mask mask) {
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
        if (n == 0) {
            return none();
        }
        Arrays.sort(values, 0, n);
        double sum = 0;
        for (int i = 0; i < n; i++) {
            sum += values[i];
        }
        double mean = sum / n;
        double squares = 0;
        for (int i = 0; i < n; i++) {
            squares += (values[i] - mean) * (values[i] - mean);
        }
        double sd = Math.sqrt(squares / n);
        return new ValueSummary(
                n, mean, sd, values[0], at(values, n, 0.01), at(values, n, 0.5), at(values, n, 0.99), values[n - 1], 0);
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
