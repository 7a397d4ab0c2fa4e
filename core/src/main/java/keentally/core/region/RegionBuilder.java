package keentally.core.region;

import java.util.Arrays;

/** Collects runs in any order and makes regions of them. */
public final class RegionBuilder {
    private final int width;
    private final int height;
    private int[] y = new int[64];
    private int[] from = new int[64];
    private int[] to = new int[64];
    private int[] owner = new int[64];
    private int count;
    private int owners;

    /** For a picture of so many px. */
    public RegionBuilder(int width, int height) {
        this.width = width;
        this.height = height;
    }

    /** A number for one more region. */
    public int next() {
        return owners++;
    }

    /**
     * Adds a run to a region; runs of all regions must not overlap.
     *
     * @param region that {@link #next} gave
     */
    public void add(int region, int row, int first, int behind) {
        if (count == y.length) {
            y = Arrays.copyOf(y, 2 * count);
            from = Arrays.copyOf(from, 2 * count);
            to = Arrays.copyOf(to, 2 * count);
            owner = Arrays.copyOf(owner, 2 * count);
        }
        y[count] = row;
        from[count] = first;
        to[count] = behind;
        owner[count++] = region;
    }

    /** The regions that have a pixel, numbered by their first one in reading order. */
    public Regions regions() {
        int[] rowStart = new int[height + 1];
        for (int i = 0; i < count; i++) {
            rowStart[y[i] + 1]++;
        }
        for (int i = 1; i < rowStart.length; i++) {
            rowStart[i] += rowStart[i - 1];
        }
        long[] keys = new long[count];
        int[] next = rowStart.clone();
        for (int i = 0; i < count; i++) {
            keys[next[y[i]]++] = (long) from[i] << 32 | i;
        }
        int[] sortedFrom = new int[count];
        int[] sortedTo = new int[count];
        int[] sortedOwner = new int[count];
        int[] numbered = new int[owners];
        Arrays.fill(numbered, -1);
        int regions = 0;
        for (int row = 0; row < height; row++) {
            Arrays.sort(keys, rowStart[row], rowStart[row + 1]);
            for (int i = rowStart[row]; i < rowStart[row + 1]; i++) {
                int run = (int) keys[i];
                if (numbered[owner[run]] < 0) {
                    numbered[owner[run]] = regions++;
                }
                sortedFrom[i] = from[run];
                sortedTo[i] = to[run];
                sortedOwner[i] = numbered[owner[run]];
            }
        }
        return new Regions(width, height, rowStart, sortedFrom, sortedTo, sortedOwner, regions);
    }
}
