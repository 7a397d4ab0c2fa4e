package keentally.core.threshold.rule;

import keentally.core.stats.Histogram;

/**
 * A histogram gathered in groups of neighbouring bins, as many as asked for at most, all of one width. Rules that read heights
 * need groups, since a bin of 65,536 holds few pixels and many hold none.
 */
final class Groups {
    private final Histogram h;
    private final int first;
    private final int width;
    private final long[] counts;

    private Groups(Histogram h, int first, int width, long[] counts) {
        this.h = h;
        this.first = first;
        this.width = width;
        this.counts = counts;
    }

    static Groups of(Histogram h, int most) {
        int first = h.firstOccupied();
        int bins = h.lastOccupied() - first + 1;
        int width = (bins + most - 1) / most;
        long[] counts = new long[(bins + width - 1) / width];
        for (int i = 0; i < bins; i++) {
            counts[i / width] += h.count(first + i);
        }
        return new Groups(h, first, width, counts);
    }

    int count() {
        return counts.length;
    }

    long pixels(int group) {
        return counts[group];
    }

    /** The group that holds the bin whose upper edge is {@code value}. */
    int group(double value) {
        int bin = first;
        while (h.upperEdge(bin) < value) {
            bin++;
        }
        return (bin - first) / width;
    }

    /** Where a bin lies among the groups, a group's middle being its number. */
    double place(int bin) {
        return (bin - first + 0.5) / width - 0.5;
    }

    /** The bin at a place among the groups. */
    int bin(double place) {
        return Math.clamp((int) ((place + 0.5) * width) + first, first, h.lastOccupied());
    }

    /** The last bin of a group. */
    int lastBin(int group) {
        return Math.min(h.lastOccupied(), first + (group + 1) * width - 1);
    }
}
