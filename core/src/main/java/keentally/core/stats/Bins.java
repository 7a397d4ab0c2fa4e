package keentally.core.stats;

/**
 * A histogram in bins as wide as a person asks for. Whole numbers get bins of whole numbers, so that none holds more levels
 * than its neighbour; bin i holds [low + i·width, low + (i + 1)·width), the last one its upper end too.
 */
public record Bins(double low, double width, long[] counts) {

    /**
     * @param low the least value to be shown
     * @param high the greatest
     * @param whole whether only whole numbers occur
     * @param wanted number of bins, at least 1; whole numbers may get fewer
     */
    public static Bins of(Histogram h, double low, double high, boolean whole, int wanted) {
        if (wanted < 1) {
            throw new IllegalArgumentException("a histogram needs at least one bin, asked for " + wanted);
        }
        double range = whole ? high - low + 1 : high - low;
        double width = whole ? Math.max(1, Math.ceil(range / wanted)) : range > 0 ? range / wanted : 1;
        int n = Math.max(1, (int) Math.ceil(range / width - 1e-9));
        long[] counts = new long[n];
        double half = whole || h.bins() < 2 ? 0 : (h.upperEdge(1) - h.upperEdge(0)) / 2;
        for (int i = 0; i < h.bins(); i++) {
            double value = h.upperEdge(i) - half;
            if (h.count(i) > 0 && h.upperEdge(i) >= low && value <= high) {
                counts[Math.clamp((int) ((value - low) / width), 0, n - 1)] += h.count(i);
            }
        }
        return new Bins(low, width, counts);
    }

    /** Where a bin begins, in the unit of the values; bins are counted from 0. */
    public double from(int bin) {
        return low + bin * width;
    }

    public long total() {
        long sum = 0;
        for (long count : counts) {
            sum += count;
        }
        return sum;
    }
}
