package keentally.core.threshold.rule;

import java.util.OptionalDouble;
import keentally.core.stats.Histogram;

/**
 * The foot of the one great dark peak, where a small bright class hides in its tail.
 *
 * <p>Definition: a straight line from the top of the highest bin to the first empty one after the last occupied; the corner is the
 * bin whose top lies furthest below it, and is the last of the dark side. Ties take the bin nearest the peak.
 *
 * <p>Histograms of more than {@value Triangle#MOST_GROUPS} bins between their ends are first gathered in as many groups at most.
 *
 * <p>Edge cases: fewer than two occupied bins have no cut. Known weakness: what is looked for must be brighter than the peak;
 * where it is darker, invert the picture first. A long empty tail moves the corner outwards.
 *
 * <p>Source: P. L. Rosin (2001), "Unimodal thresholding", Pattern Recognition 34(11), 2083–2096.
 */
final class Unimodal {
    private Unimodal() {}

    static OptionalDouble cut(Histogram h) {
        if (h.firstOccupied() >= h.lastOccupied()) {
            return OptionalDouble.empty();
        }
        Groups groups = Groups.of(h, Triangle.MOST_GROUPS);
        int corner = Corner.of(groups::pixels, Triangle.peak(groups), groups.count(), 0);
        return Candidates.atOrBelow(h, groups.lastBin(corner));
    }
}
