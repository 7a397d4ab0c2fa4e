package keentally.core.threshold.rule;

/** The bin of a falling flank that lies deepest below the straight line from a peak to the end of its tail. */
final class Corner {
    private Corner() {}

    /** A histogram's heights by place. */
    @FunctionalInterface
    interface Heights {
        long at(int place);
    }

    /**
     * The first place between {@code peak} and {@code end} that is deepest; the peak where none lies below the line.
     *
     * @param end beyond the peak on either side
     * @param endHeight height of the line there
     */
    static int of(Heights heights, int peak, int end, long endHeight) {
        int step = end > peak ? 1 : -1;
        long run = Math.abs(end - peak);
        long top = heights.at(peak);
        long deepest = 0;
        int corner = peak;
        for (int i = peak; i != end; i += step) {
            // the distance times the line's length: (line − height)·run, whole
            long depth = top * run + (endHeight - top) * Math.abs(i - peak) - heights.at(i) * run;
            if (depth > deepest) {
                deepest = depth;
                corner = i;
            }
        }
        return corner;
    }
}
