package keentally.core.watershed;

import java.util.Arrays;

/**
 * A piece of a picture with a height on each of its pixels, in a box with one pixel of nothing round it. A pixel is known by its place in
 * the box, so that places go in reading order and neighbours lie at fixed steps.
 *
 * <p>Heights are whole numbers or floats, compared exactly; not-a-number counts as the highest.
 */
final class Heights {
    /** The level of what does not belong to the piece. */
    static final int OUTSIDE = -1;

    /** For each place the rank of its height among the different heights, from 0; {@link #OUTSIDE} where there is no pixel. */
    final int[] level;

    /** The places of the pixels from low to high; equal ones in reading order. */
    final int[] order;

    /** The height of each level. */
    final double[] height;

    /** Steps from a place to its eight neighbours, in reading order. */
    final int[] steps;

    /**
     * @param boxWidth without the border
     * @param boxHeight without the border
     * @param place of each pixel, as {@link #place} gives it, in reading order
     * @param value the height of each, as many
     */
    Heights(int boxWidth, int boxHeight, int[] place, double[] value) {
        int stride = boxWidth + 2;
        this.steps = new int[] {-stride - 1, -stride, -stride + 1, -1, 1, stride - 1, stride, stride + 1};
        this.level = new int[stride * (boxHeight + 2)];
        Arrays.fill(level, OUTSIDE);
        this.order = new int[value.length];
        Range range = Range.of(value);
        this.height = range.isDense() ? counted(place, value, range) : sorted(place, value, range.whole);
    }

    /** Of values: least, greatest, and whether all of them are whole numbers. */
    private record Range(int least, int most, boolean whole, int count) {
        static Range of(double[] value) {
            int least = Integer.MAX_VALUE;
            int most = Integer.MIN_VALUE;
            for (double each : value) {
                int v = (int) each;
                if (v != each) {
                    return new Range(0, 0, false, value.length);
                }
                least = Math.min(least, v);
                most = Math.max(most, v);
            }
            return new Range(least, most, true, value.length);
        }

        /** Whether there are few enough values to be counted one by one. */
        boolean isDense() {
            return whole && (long) most - least <= 4L * count + 65_536;
        }
    }

    /** By counting how often each value occurs: levels are written along the box, and the order in as many streams as there are levels. */
    private double[] counted(int[] place, double[] value, Range range) {
        int[] start = new int[Math.max(0, range.most - range.least) + 2];
        for (double v : value) {
            start[(int) v - range.least + 1]++;
        }
        int[] rank = new int[start.length];
        double[] heights = new double[start.length];
        int levels = 0;
        for (int i = 1; i < start.length; i++) {
            rank[i - 1] = levels;
            if (start[i] > 0) {
                heights[levels++] = range.least + (i - 1);
            }
            start[i] += start[i - 1];
        }
        for (int i = 0; i < value.length; i++) {
            int v = (int) value[i] - range.least;
            level[place[i]] = rank[v];
            order[start[v]++] = place[i];
        }
        return Arrays.copyOf(heights, levels);
    }

    /** By keys of the value's bits with the pixel's number behind them. */
    private double[] sorted(int[] place, double[] value, boolean whole) {
        long[] keys = new long[value.length];
        for (int i = 0; i < keys.length; i++) {
            int bits = Float.floatToIntBits((float) value[i]);
            int key = whole ? (int) value[i] : bits ^ bits >> 31 & 0x7fffffff;
            keys[i] = (long) key << 32 | i;
        }
        Arrays.sort(keys);
        double[] heights = new double[keys.length];
        int levels = 0;
        for (int i = 0; i < keys.length; i++) {
            int pixel = (int) keys[i];
            double h = value[pixel];
            if (i == 0 || h > heights[levels - 1]) {
                heights[levels++] = h;
            }
            order[i] = place[pixel];
            level[place[pixel]] = levels - 1;
        }
        return Arrays.copyOf(heights, levels);
    }

    /** The place of a pixel in a box; x and y count from the box's corner. */
    static int place(int x, int y, int boxWidth) {
        return (y + 1) * (boxWidth + 2) + x + 1;
    }

    /** A value as heights are compared: no negative zero, not-a-number the highest. */
    static double comparable(double value) {
        return Double.isNaN(value) ? Double.POSITIVE_INFINITY : value + 0.0;
    }
}
