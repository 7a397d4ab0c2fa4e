package keentally.core.threshold.rule;

import java.util.OptionalDouble;
import keentally.core.stats.Histogram;

/**
 * Two bell curves fitted to the whole histogram; the cut is where they cross.
 *
 * <p>Definition: shares, means and variances of two Gaussians by expectation maximisation, starting from the sides of Otsu's cut,
 * until no share moves by more than 1e-7 or {@value #MOST_ROUNDS} rounds are done. The cut is the last bin at or below which the
 * darker curve is the higher one, counted from the darker mean up to the brighter.
 *
 * <p>Accuracy: histograms of more than {@value #MOST_GROUPS} bins between their ends are fitted in that many groups of
 * neighbours at most; the crossing is then looked for in the bins themselves. A variance is never less than 1/12 of a
 * group's width squared, which is what a single level has.
 *
 * <p>Edge cases: fewer than two occupied bins have no cut, nor have curves that end up in one place. Known weakness: classes that
 * are not bells, such as clipped or smooth-shaded ones, pull the curves askew.
 *
 * <p>Source: A. P. Dempster, N. M. Laird and D. B. Rubin (1977), "Maximum likelihood from incomplete data via the EM algorithm",
 * Journal of the Royal Statistical Society B 39(1), 1–38.
 */
final class Mixture {
    private static final int MOST_ROUNDS = 300;
    private static final int MOST_GROUPS = 512;
    private static final double STILL = 1e-7;
    private static final double LEAST_VARIANCE = 1 / 12.0;

    private final double[] at;
    private final double[] weight;
    private final double total;
    private final double[] share = new double[2];
    private final double[] mean = new double[2];
    private final double[] variance = new double[2];

    private Mixture(double[] at, double[] weight, double total) {
        this.at = at;
        this.weight = weight;
        this.total = total;
    }

    static OptionalDouble cut(Histogram h) {
        if (h.firstOccupied() >= h.lastOccupied()) {
            return OptionalDouble.empty();
        }
        Groups groups = Groups.of(h, MOST_GROUPS);
        double[] at = new double[groups.count()];
        double[] weight = new double[groups.count()];
        for (int g = 0; g < at.length; g++) {
            at[g] = g;
            weight[g] = groups.pixels(g);
        }
        Mixture fitted = new Mixture(at, weight, h.total());
        fitted.start(groups.group(Otsu.cut(h).orElseThrow()));
        fitted.fit();
        return fitted.crossing(h, groups);
    }

    private void start(int cut) {
        double[] first = new double[at.length];
        for (int g = 0; g <= Math.min(cut, at.length - 2); g++) {
            first[g] = 1;
        }
        moments(first);
    }

    /** @param toFirst how much of each group belongs to the darker curve */
    private void moments(double[] toFirst) {
        for (int c = 0; c < 2; c++) {
            double n = 0;
            double sum = 0;
            for (int g = 0; g < at.length; g++) {
                double w = weight[g] * (c == 0 ? toFirst[g] : 1 - toFirst[g]);
                n += w;
                sum += w * at[g];
            }
            double squares = 0;
            for (int g = 0; g < at.length; g++) {
                double w = weight[g] * (c == 0 ? toFirst[g] : 1 - toFirst[g]);
                squares += w * (at[g] - sum / n) * (at[g] - sum / n);
            }
            share[c] = n / total;
            mean[c] = sum / n;
            variance[c] = Math.max(LEAST_VARIANCE, squares / n);
        }
    }

    private void fit() {
        double[] toFirst = new double[at.length];
        for (int round = 0; round < MOST_ROUNDS && share[0] > 0 && share[1] > 0; round++) {
            double before = share[0];
            for (int g = 0; g < at.length; g++) {
                double lead = lead(at[g]);
                toFirst[g] = 1 / (1 + StrictMath.exp(-lead));
            }
            moments(toFirst);
            if (Math.abs(share[0] - before) < STILL) {
                return;
            }
        }
    }

    /** Logarithm of how many times higher the darker curve is. */
    private double lead(double x) {
        return log(0, x) - log(1, x);
    }

    private double log(int c, double x) {
        double off = x - mean[c];
        return StrictMath.log(share[c]) - StrictMath.log(variance[c]) / 2 - off * off / (2 * variance[c]);
    }

    private OptionalDouble crossing(Histogram h, Groups groups) {
        boolean apart = mean[0] < mean[1] && share[0] > 0 && share[1] > 0;
        if (!apart) {
            return OptionalDouble.empty();
        }
        int from = groups.bin(mean[0]);
        int to = groups.bin(mean[1]);
        int k = from - 1;
        while (k < to && lead(groups.place(k + 1)) >= 0) {
            k++;
        }
        return Candidates.atOrBelow(h, k);
    }
}
