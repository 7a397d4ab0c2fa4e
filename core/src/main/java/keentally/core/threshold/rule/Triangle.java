package keentally.core.threshold.rule;

import java.util.OptionalDouble;
import keentally.core.stats.Histogram;

/**
 * The foot of the one great peak, on the side of its longer tail.
 *
 * <p>Definition: a straight line from the top of the highest bin to the last occupied one on the longer side; the corner is the
 * bin whose top lies furthest from it, and belongs to the peak. Sides of one length take the brighter; ties take the bin
 * nearest the peak.
 *
 * <p>Histograms of more than {@value #MOST_GROUPS} bins between their ends are first gathered in as many groups at most, since
 * heights need pixels; the cut is then the highest occupied level of the corner's group.
 *
 * <p>Edge cases: fewer than two occupied bins have no cut. Known weakness: one stray very bright pixel lengthens the tail and
 * moves the corner; two peaks of like height are not what it is for. The offset that the paper adds is left out.
 *
 * <p>Source: G. W. Zack, W. E. Rogers and S. A. Latt (1977), "Automatic measurement of sister chromatid exchange frequency",
 * Journal of Histochemistry and Cytochemistry 25(7), 741–753.
 */
final class Triangle {
    static final int MOST_GROUPS = 256;

    private Triangle() {}

    static OptionalDouble cut(Histogram h) {
        if (h.firstOccupied() >= h.lastOccupied()) {
            return OptionalDouble.empty();
        }
        Groups groups = Groups.of(h, MOST_GROUPS);
        int peak = peak(groups);
        int last = groups.count() - 1;
        boolean up = last - peak >= peak;
        int end = up ? last : 0;
        int corner = Corner.of(groups::pixels, peak, end, groups.pixels(end));
        return Candidates.atOrBelow(h, groups.lastBin(up ? corner : corner - 1));
    }

    /** The first group that no other is higher than. */
    static int peak(Groups groups) {
        int peak = 0;
        for (int g = 1; g < groups.count(); g++) {
            peak = groups.pixels(g) > groups.pixels(peak) ? g : peak;
        }
        return peak;
    }
}
