package keentally.core.threshold.rule;

import java.util.OptionalDouble;
import keentally.core.stats.Histogram;

/**
 * Otsu's spread between classes, weighed so that cuts where few pixels are win.
 *
 * <p>Definition: the bin k that makes (1 − p(k))·(ω₀μ₀² + ω₁μ₁²) greatest, p(k) being the share of pixels in bin k; levels are
 * bin numbers from 0. Ties take the first.
 *
 * <p>Edge cases: fewer than two occupied bins have no cut. Known weakness: with thousands of bins every p(k) is near 0, and the
 * rule becomes Otsu's; it is made for 8 bits. Means count from the first bin, so the rule depends on where black is.
 *
 * <p>Source: H.-F. Ng (2006), "Automatic thresholding for defect detection", Pattern Recognition Letters 27(14), 1644–1649.
 */
final class ValleyEmphasis {
    private ValleyEmphasis() {}

    static OptionalDouble cut(Histogram h) {
        Sums sums = new Sums(h, 0);
        double n = sums.n;
        return Candidates.best(h, (k, count) -> {
            sums.take(k, count);
            double dark = sums.darkSum() / sums.dark() * (sums.darkSum() / n);
            double bright = sums.brightSum() / sums.bright() * (sums.brightSum() / n);
            return (1 - count / n) * (dark + bright);
        });
    }
}
