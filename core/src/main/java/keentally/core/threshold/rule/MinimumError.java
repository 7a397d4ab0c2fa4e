package keentally.core.threshold.rule;

import java.util.OptionalDouble;
import keentally.core.stats.Histogram;

/**
 * The cut at which two bell curves, one a side, mistake fewest pixels.
 *
 * <p>Definition: the bin k that makes 1 + 2(P₀ ln σ₀ + P₁ ln σ₁) − 2(P₀ ln P₀ + P₁ ln P₁) least, P and σ being a side's share and
 * standard deviation. Only cuts with more than one value on each side are tried. Ties take the first.
 *
 * <p>Edge cases: no cut where no side can be given a spread, as with fewer than four values of which two and two lie together.
 * Known weakness: with a single peak the least lies at the end of the histogram and means nothing; sides cut off at their
 * crossing look narrower than they are.
 *
 * <p>Source: J. Kittler and J. Illingworth (1986), "Minimum error thresholding", Pattern Recognition 19(1), 41–47.
 */
final class MinimumError {
    private MinimumError() {}

    static OptionalDouble cut(Histogram h) {
        Sums sums = new Sums(h, 0);
        double n = sums.n;
        int second = next(h, h.firstOccupied());
        int beforeLast = before(h, h.lastOccupied());
        return Candidates.best(h, (k, count) -> {
            sums.take(k, count);
            if (k < second || k >= beforeLast) {
                return Double.NaN;
            }
            double p = sums.dark() / n;
            double q = sums.bright() / n;
            double spread = p * StrictMath.log(sums.darkVariance()) + q * StrictMath.log(sums.brightVariance());
            return 2 * (p * StrictMath.log(p) + q * StrictMath.log(q)) - spread;
        });
    }

    private static int next(Histogram h, int bin) {
        int k = bin + 1;
        while (k < h.bins() && h.count(k) == 0) {
            k++;
        }
        return k;
    }

    private static int before(Histogram h, int bin) {
        int k = bin - 1;
        while (k >= 0 && h.count(k) == 0) {
            k--;
        }
        return k;
    }
}
