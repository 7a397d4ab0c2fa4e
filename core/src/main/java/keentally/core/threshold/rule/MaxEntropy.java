package keentally.core.threshold.rule;

import java.util.OptionalDouble;
import keentally.core.stats.Histogram;

/**
 * The cut whose two sides together are as evenly spread over their bins as can be.
 *
 * <p>Definition: the bin k that makes ln P(1 − P) + H₀/P + H₁/(1 − P) greatest, P being the share of the dark side and H the sum
 * of −p·ln p over a side's bins. Ties take the first.
 *
 * <p>Edge cases: fewer than two occupied bins have no cut. Known weakness: noise widens a peak and so counts as information; a
 * broad dull background can draw the cut away from a small sharp class.
 *
 * <p>Source: J. N. Kapur, P. K. Sahoo and A. K. C. Wong (1985), "A new method for gray-level picture thresholding using the entropy
 * of the histogram", Computer Vision, Graphics, and Image Processing 29(3), 273–285.
 */
final class MaxEntropy {
    private MaxEntropy() {}

    static OptionalDouble cut(Histogram h) {
        double n = h.total();
        double whole = 0;
        for (int i = h.firstOccupied(); i <= h.lastOccupied(); i++) {
            whole += term(h.count(i), n);
        }
        double all = whole;
        double[] below = new double[2];
        return Candidates.best(h, (k, count) -> {
            below[0] += count;
            below[1] += term(count, n);
            double p = below[0] / n;
            double q = (n - below[0]) / n;
            return StrictMath.log(p * q) + below[1] / p + (all - below[1]) / q;
        });
    }

    private static double term(long count, double n) {
        return count == 0 ? 0 : -count / n * StrictMath.log(count / n);
    }
}
