package keentally.core.stats;

/**
 * Values below which a share of a histogram's pixels lie, by linear interpolation between order statistics, each pixel having the
 * highest value of its bin. Exact for whole numbers; otherwise good to a bin's width.
 */
public final class Percentiles {
    private Percentiles() {}

    /** @param share 0 for the least, 1 for the greatest; not-a-number where no pixel is counted */
    public static double of(Histogram h, double share) {
        if (!(share >= 0 && share <= 1)) {
            throw new IllegalArgumentException("a share must be from 0 to 1, was " + share);
        }
        if (h.total() == 0) {
            return Double.NaN;
        }
        double at = share * (h.total() - 1);
        double lower = h.upperEdge(h.binOf((long) Math.floor(at)));
        double upper = h.upperEdge(h.binOf((long) Math.ceil(at)));
        return lower + (at - Math.floor(at)) * (upper - lower);
    }

    /** The distance from the 1st to the 99th percentile: what a change of a cut is held against. */
    public static double range(Histogram h) {
        return of(h, 0.99) - of(h, 0.01);
    }
}
