package keentally.desk.station;

import java.util.Arrays;
import keentally.core.picture.Plane;
import keentally.core.stats.Histogram;

/**
 * A histogram made ready to be drawn upright and asked for shares, worked out away from the interface thread.
 *
 * @param plane what it is the histogram of
 * @param low the lowest value that occurs
 * @param high the highest
 * @param whole whether only whole values occur
 * @param rows counts in stretches from low to high, each of as many levels, the last of fewer where that does not come out
 * @param histogram itself
 */
record LevelProfile(Plane plane, double low, double high, boolean whole, long[] rows, Histogram histogram) {
    private static final int MOST_ROWS = 240;

    static LevelProfile of(Plane plane, Histogram h) {
        int first = h.firstOccupied();
        int last = h.lastOccupied();
        double low = plane.depth().isWhole() ? h.upperEdge(first) : h.low();
        double high = h.upperEdge(last);
        int levels = last - first + 1;
        int each = Math.ceilDiv(levels, MOST_ROWS);
        long[] rows = new long[levels > 1 ? Math.ceilDiv(levels, each) : MOST_ROWS];
        for (int i = first; i <= last; i++) {
            rows[(i - first) / each] += h.count(i);
        }
        return new LevelProfile(plane, low, high, plane.depth().isWhole(), rows, h);
    }

    /** The share of the field, in per cent, with values of at most {@code cut}. */
    double percentUpTo(double cut) {
        return histogram.total() == 0 ? 0 : 100.0 * histogram.atMost(cut) / histogram.total();
    }

    long tallest() {
        return Arrays.stream(rows).max().orElse(1);
    }
}
