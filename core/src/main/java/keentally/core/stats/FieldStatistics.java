package keentally.core.stats;

import java.util.Arrays;
import java.util.OptionalLong;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * What several fields of one specimen say together.
 *
 * <p>Definition: of n values the mean, the standard deviation s over n − 1, the half width of the 95 % confidence interval of the mean
 * t·s/√n with t the quantile 0.975 of Student's distribution with n − 1 degrees of freedom, and the relative accuracy, that half width in per
 * cent of the mean. For a wanted relative accuracy of A per cent about (200/A · s/mean)² fields are needed.
 *
 * <p>Edge cases: values that are no number are left out; with none all is not-a-number, with one there is a mean but no deviation and no
 * interval; the relative accuracy is not-a-number where the mean is 0.
 *
 * <p>Source: ASTM E562 (systematic manual point count, sections on statistics) and ASTM E1245 (automatic image analysis), which give
 * the same formulas.
 *
 * @param count of values that are numbers
 * @param sd over n − 1
 * @param halfWidth of the 95 % confidence interval of the mean
 */
public record FieldStatistics(int count, double mean, double sd, double halfWidth) {
    private static final double UPPER = 0.975;

    /** Of one value a field. */
    public static FieldStatistics of(double[] values) {
        double[] known = Arrays.stream(values).filter(v -> !Double.isNaN(v)).toArray();
        int n = known.length;
        if (n == 0) {
            return new FieldStatistics(0, Double.NaN, Double.NaN, Double.NaN);
        }
        double mean = Arrays.stream(known).sum() / n;
        if (n == 1) {
            return new FieldStatistics(1, mean, Double.NaN, Double.NaN);
        }
        double squares = 0;
        for (double v : known) {
            squares += (v - mean) * (v - mean);
        }
        double sd = Math.sqrt(squares / (n - 1));
        double t = TDistribution.of(n - 1).inverseCumulativeProbability(UPPER);
        return new FieldStatistics(n, mean, sd, t * sd / Math.sqrt(n));
    }

    /** The half width of the interval in per cent of the mean. */
    public double relativeAccuracy() {
        return mean == 0 ? Double.NaN : 100 * halfWidth / Math.abs(mean);
    }

    /** How many fields are needed in all for a relative accuracy, in per cent; empty where that cannot be told. */
    public OptionalLong needed(double accuracy) {
        double fields = Math.pow(200 / accuracy * sd / mean, 2);
        return Double.isFinite(fields) && accuracy > 0
                ? OptionalLong.of((long) Math.ceil(fields))
                : OptionalLong.empty();
    }
}
