package keentally.core.threshold.rule;

import java.util.OptionalDouble;
import keentally.core.stats.Histogram;

/** The bins at which a histogram can be cut: occupied ones, with at least one occupied bin above. */
final class Candidates {
    private Candidates() {}

    /** How good a cut is; asked for each candidate once, upwards. */
    @FunctionalInterface
    interface Merit {
        /** Not-a-number where the candidate is none after all. */
        double next(int bin, long count);
    }

    /** The first candidate of greatest merit. */
    static OptionalDouble best(Histogram h, Merit merit) {
        double best = Double.NEGATIVE_INFINITY;
        int bestBin = -1;
        int last = h.lastOccupied();
        for (int k = h.firstOccupied(); k < last; k++) {
            long count = h.count(k);
            if (count > 0) {
                double now = merit.next(k, count);
                if (now > best) {
                    best = now;
                    bestBin = k;
                }
            }
        }
        return bestBin < 0 ? OptionalDouble.empty() : OptionalDouble.of(h.upperEdge(bestBin));
    }

    /** The value of the highest occupied bin from the first to {@code bin}, which must leave one above. */
    static OptionalDouble atOrBelow(Histogram h, int bin) {
        int k = Math.min(bin, h.lastOccupied() - 1);
        while (k >= 0 && h.count(k) == 0) {
            k--;
        }
        return k < 0 ? OptionalDouble.empty() : OptionalDouble.of(h.upperEdge(k));
    }
}
