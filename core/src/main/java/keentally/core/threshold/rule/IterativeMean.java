package keentally.core.threshold.rule;

import java.util.OptionalDouble;
import keentally.core.stats.Histogram;

/**
 * The cut that lies midway between the means of its two sides.
 *
 * <p>Definition: starting from the mean of all, the cut is set midway between the means of the two sides that it makes, until it
 * no longer moves from its bin. Levels are bin numbers; a bin at the cut is dark.
 *
 * <p>Edge cases: fewer than two occupied bins have no cut. Known weakness: it stops at the first midway cut it meets, which with
 * several peaks may not be the one that matters; like Otsu's rule it leans towards equal sizes.
 *
 * <p>Source: T. W. Ridler and S. Calvard (1978), "Picture thresholding using an iterative selection method", IEEE Transactions on
 * Systems, Man and Cybernetics 8(8), 630–632.
 */
final class IterativeMean {
    /** A middle that falls on a bin but for rounding is in it. */
    private static final double SLACK = 1e-9;

    private IterativeMean() {}

    static OptionalDouble cut(Histogram h) {
        int first = h.firstOccupied();
        int last = h.lastOccupied();
        if (first >= last) {
            return OptionalDouble.empty();
        }
        long[] below = new long[last + 1];
        long[] sum = new long[last + 1];
        long n = 0;
        long s = 0;
        for (int i = first; i <= last; i++) {
            n += h.count(i);
            s += h.count(i) * i;
            below[i] = n;
            sum[i] = s;
        }
        int k = (int) ((double) s / n + SLACK);
        int before = -1;
        while (k != before) {
            before = k;
            double dark = (double) sum[k] / below[k];
            double bright = (double) (s - sum[k]) / (n - below[k]);
            k = Math.clamp((int) ((dark + bright) / 2 + SLACK), first, last - 1);
        }
        return Candidates.atOrBelow(h, k);
    }
}
