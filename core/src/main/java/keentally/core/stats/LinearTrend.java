package keentally.core.stats;

import java.util.Optional;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * A straight line through points, by least squares of the vertical distances.
 *
 * <p>Definition: slope Σ(x−x̄)(y−ȳ)/Σ(x−x̄)², through the point of the means; s² the sum of squared distances over n − 2; the 95 %
 * interval of the line at x is ± t·s·√(1/n + (x−x̄)²/Σ(x−x̄)²), that of the slope ± t·s/√Σ(x−x̄)², t the quantile 0.975 of Student's
 * distribution with n − 2 degrees of freedom. r² is the share of the variance of y that the line explains.
 *
 * <p>Source: N. R. Draper and H. Smith (1998), Applied Regression Analysis, sections 1.2 to 1.4.
 *
 * @param slopeHalfWidth of the 95 % confidence interval of the slope; not-a-number for two points
 */
public record LinearTrend(
        int count,
        double meanX,
        double meanY,
        double slope,
        double slopeHalfWidth,
        double rSquared,
        double perPoint,
        double spreadX) {
    private static final double UPPER = 0.975;

    /** Empty where there are fewer than two points with different x. Points with a coordinate that is no number are left out. */
    public static Optional<LinearTrend> of(double[] x, double[] y) {
        int n = 0;
        double sumX = 0;
        double sumY = 0;
        for (int i = 0; i < x.length; i++) {
            if (!Double.isNaN(x[i] + y[i])) {
                sumX += x[i];
                sumY += y[i];
                n++;
            }
        }
        double meanX = sumX / n;
        double meanY = sumY / n;
        double xx = 0;
        double xy = 0;
        double yy = 0;
        for (int i = 0; i < x.length; i++) {
            if (!Double.isNaN(x[i] + y[i])) {
                xx += (x[i] - meanX) * (x[i] - meanX);
                xy += (x[i] - meanX) * (y[i] - meanY);
                yy += (y[i] - meanY) * (y[i] - meanY);
            }
        }
        if (n < 2 || !(xx > 0)) {
            return Optional.empty();
        }
        double left = Math.max(0, yy - xy * xy / xx);
        double perPoint = n < 3
                ? Double.NaN
                : TDistribution.of(n - 2).inverseCumulativeProbability(UPPER) * Math.sqrt(left / (n - 2));
        double rSquared = yy == 0 ? Double.NaN : 1 - left / yy;
        return Optional.of(new LinearTrend(n, meanX, meanY, xy / xx, perPoint / Math.sqrt(xx), rSquared, perPoint, xx));
    }

    /** The line's height at a place. */
    public double at(double x) {
        return meanY + slope * (x - meanX);
    }

    /** Where the line crosses x = 0. */
    public double intercept() {
        return at(0);
    }

    /** Of the 95 % confidence interval of the line at a place. */
    public double halfWidth(double x) {
        return perPoint * Math.sqrt(1.0 / count + (x - meanX) * (x - meanX) / spreadX);
    }
}
