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
 * @param rows counts in {@value #ROWS} equal stretches from low to high
 */
record LevelProfile(Plane plane, double low, double high, boolean whole, long[] rows, double[] edges, long[] upTo) {
    static final int ROWS = 240;

    static LevelProfile of(Plane plane, Histogram h) {
        int first = h.firstOccupied();
        int last = h.lastOccupied();
        double low = plane.depth().isWhole() ? h.upperEdge(first) : h.low();
        double high = h.upperEdge(last);
        long[] rows = new long[ROWS];
        double[] edges = new double[last - first + 1];
        long[] upTo = new long[edges.length];
        long sum = 0;
        for (int i = first; i <= last; i++) {
            sum += h.count(i);
            edges[i - first] = h.upperEdge(i);
            upTo[i - first] = sum;
            double place = high > low ? (h.upperEdge(i) - low) / (high - low) : 0;
            rows[Math.min(ROWS - 1, (int) (place * ROWS))] += h.count(i);
        }
        return new LevelProfile(plane, low, high, plane.depth().isWhole(), rows, edges, upTo);
    }

    /** The share of the field, in per cent, with values of at most {@code cut}. */
    double percentUpTo(double cut) {
        long total = upTo[upTo.length - 1];
        int at = Arrays.binarySearch(edges, cut);
        int last = at >= 0 ? at : -at - 2;
        return total == 0 || last < 0 ? 0 : 100.0 * upTo[last] / total;
    }

    long tallest() {
        return Arrays.stream(rows).max().orElse(1);
    }
}
