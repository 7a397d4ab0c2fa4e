package keentally.core.threshold.rule;

import java.util.Arrays;
import java.util.OptionalDouble;
import keentally.core.stats.Histogram;

/**
 * The lowest place between the histogram's two peaks.
 *
 * <p>Definition: the histogram is smoothed by the mean of each bin and its two neighbours, mirrored at its ends, as often as it
 * takes until no more than two peaks are left; with two, the cut is the first lowest bin between them. A run of equal bins that is
 * higher than both its sides is one peak; beyond the ends there is nothing.
 *
 * <p>Histograms of more than {@value #MOST_GROUPS} bins between their ends are first gathered in as many groups at most.
 *
 * <p>Edge cases: no cut where one peak is left. Known weakness: a small class whose peak is drowned in the flank of the other is
 * not found at all.
 *
 * <p>Source: J. M. S. Prewitt and M. L. Mendelsohn (1966), "The analysis of cell images", Annals of the New York Academy of Sciences
 * 128(3), 1035–1053.
 */
final class Valley {
    private static final int MOST_GROUPS = 256;
    private static final int MOST_ROUNDS = 10_000;

    private Valley() {}

    static OptionalDouble cut(Histogram h) {
        if (h.firstOccupied() >= h.lastOccupied()) {
            return OptionalDouble.empty();
        }
        Groups groups = Groups.of(h, MOST_GROUPS);
        double[] smooth = smoothed(groups);
        int[] peaks = peaks(smooth);
        if (peaks.length != 2) {
            return OptionalDouble.empty();
        }
        int lowest = peaks[0];
        for (int i = peaks[0]; i <= peaks[1]; i++) {
            lowest = smooth[i] < smooth[lowest] ? i : lowest;
        }
        return Candidates.atOrBelow(h, groups.lastBin(lowest));
    }

    private static double[] smoothed(Groups groups) {
        double[] now = new double[groups.count()];
        for (int g = 0; g < now.length; g++) {
            now[g] = groups.pixels(g);
        }
        double[] next = new double[now.length];
        for (int round = 0; round < MOST_ROUNDS && peaks(now).length > 2; round++) {
            for (int g = 0; g < now.length; g++) {
                next[g] = (now[Math.max(0, g - 1)] + now[g] + now[Math.min(now.length - 1, g + 1)]) / 3;
            }
            double[] swapped = now;
            now = next;
            next = swapped;
        }
        return now;
    }

    /** The first place of each peak. */
    private static int[] peaks(double[] heights) {
        int[] found = new int[heights.length];
        int n = 0;
        int start = 0;
        boolean rising = true;
        for (int i = 1; i <= heights.length; i++) {
            double height = i < heights.length ? heights[i] : Double.NEGATIVE_INFINITY;
            if (height > heights[i - 1]) {
                rising = true;
                start = i;
            } else if (height < heights[i - 1]) {
                if (rising) {
                    found[n++] = start;
                }
                rising = false;
                start = i;
            }
        }
        return Arrays.copyOf(found, n);
    }
}
