package keentally.core.threshold.rule;

import java.math.BigInteger;
import java.util.OptionalDouble;
import keentally.core.stats.Histogram;

/**
 * The cut that sets the two sides' means farthest apart for their sizes.
 *
 * <p>Definition: of all bins k, the one that makes the variance between the classes, n₀·n₁·(μ₀ − μ₁)² / N², greatest; ties
 * take the first. The cut is the highest occupied value of the dark side. In bins of equal width the choice does not depend
 * on their unit, so bin numbers stand for values.
 *
 * <p>Edge cases: fewer than two occupied bins have no cut. Known weakness: it leans towards equal class sizes, so a small
 * class far below a tenth of the field is cut too generously.
 *
 * <p>Accuracy: exact. Sums are whole numbers; candidates that doubles cannot tell apart are compared as fractions.
 *
 * <p>Source: N. Otsu (1979), "A threshold selection method from gray-level histograms", IEEE Transactions on Systems, Man
 * and Cybernetics 9(1), 62–66.
 */
public final class Otsu {
    /** Doubles carry 1e-16; the few operations below lose a little of that. */
    private static final double ALIKE = 1e-12;

    private Otsu() {}

    /** The upper edge of the best bin to cut after, in grey values; empty where fewer than two bins are occupied. */
    public static OptionalDouble cut(Histogram histogram) {
        long n = histogram.total();
        long all = 0;
        for (int i = 0; i < histogram.bins(); i++) {
            all += histogram.count(i) * i;
        }
        Split best = null;
        int bestBin = -1;
        long below = 0;
        long sum = 0;
        int last = histogram.lastOccupied();
        for (int k = histogram.firstOccupied(); k < last; k++) {
            if (histogram.count(k) == 0) {
                continue;
            }
            below += histogram.count(k);
            sum += histogram.count(k) * k;
            Split split = new Split(n, all, below, sum);
            if (best == null || split.beats(best)) {
                best = split;
                bestBin = k;
            }
        }
        return best == null ? OptionalDouble.empty() : OptionalDouble.of(histogram.upperEdge(bestBin));
    }

    /** n₀·n₁·(μ₀ − μ₁)² = (N·S₀ − n₀·S)² / (n₀·n₁), up to a constant. */
    private record Split(long n, long all, long below, long sum) {
        double spread() {
            double apart = Sums.difference(n, sum, below, all);
            return apart / below * apart / (n - below);
        }

        boolean beats(Split other) {
            double mine = spread();
            double theirs = other.spread();
            if (Math.abs(mine - theirs) > ALIKE * Math.max(mine, theirs)) {
                return mine > theirs;
            }
            return above().multiply(other.under()).compareTo(other.above().multiply(under())) > 0;
        }

        private BigInteger above() {
            BigInteger apart = big(n).multiply(big(sum)).subtract(big(below).multiply(big(all)));
            return apart.multiply(apart);
        }

        private BigInteger under() {
            return big(below).multiply(big(n - below));
        }

        private static BigInteger big(long value) {
            return BigInteger.valueOf(value);
        }
    }
}
