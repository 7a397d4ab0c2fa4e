package keentally.core.threshold.rule;

import java.util.OptionalDouble;
import keentally.core.stats.Histogram;

/**
 * The cut after which a picture of two greys, each the mean of its side, tells least wrong about the picture.
 *
 * <p>Definition: the bin k that makes Σ i·ln(i/μ) least, μ being the mean of the side that i is on; levels are bin numbers from 1.
 * All cuts are tried. Ties take the first.
 *
 * <p>Edge cases: fewer than two occupied bins have no cut. Known weakness: differences count relative to brightness, so dark
 * levels weigh more, and the rule depends on where black is.
 *
 * <p>Source: C. H. Li and C. K. Lee (1993), "Minimum cross entropy thresholding", Pattern Recognition 26(4), 617–625.
 */
final class MinCrossEntropy {
    private MinCrossEntropy() {}

    static OptionalDouble cut(Histogram h) {
        Sums sums = new Sums(h, 1);
        return Candidates.best(h, (k, count) -> {
            sums.take(k, count);
            return sums.darkSum() * StrictMath.log(sums.darkSum() / sums.dark())
                    + sums.brightSum() * StrictMath.log(sums.brightSum() / sums.bright());
        });
    }
}
