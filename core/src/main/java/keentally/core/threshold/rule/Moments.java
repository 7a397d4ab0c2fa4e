package keentally.core.threshold.rule;

import java.util.OptionalDouble;
import keentally.core.stats.Histogram;

/**
 * The cut that leaves a picture of two levels with the same first three moments as the picture.
 *
 * <p>Definition: two levels z₀ < z₁ and their shares p₀ and p₁ that keep mean, variance and third central moment; the cut is the
 * bin below which the share of pixels comes nearest to p₀. Ties take the first.
 *
 * <p>Edge cases: fewer than two occupied bins have no cut. Known weakness: it fixes a share rather than a place, so that with two
 * well parted peaks of unlike width the cut can stand on the flank of one.
 *
 * <p>Source: W.-H. Tsai (1985), "Moment-preserving thresholding: a new approach", Computer Vision, Graphics, and Image Processing
 * 29(3), 377–393.
 */
final class Moments {
    private Moments() {}

    static OptionalDouble cut(Histogram h) {
        double n = h.total();
        double mean = new Sums(h, 0).mean();
        double second = 0;
        double third = 0;
        for (int i = h.firstOccupied(); i <= h.lastOccupied(); i++) {
            double off = i - mean;
            second += h.count(i) / n * off * off;
            third += h.count(i) / n * off * off * off;
        }
        double skew = third / second;
        double root = Math.sqrt(skew * skew + 4 * second);
        double share = (skew + root) / (2 * root);
        double[] below = new double[1];
        return Candidates.best(h, (k, count) -> {
            below[0] += count;
            return -Math.abs(below[0] / n - share);
        });
    }
}
