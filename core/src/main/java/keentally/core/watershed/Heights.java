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
        this.order = order(value);
        double[] heights = new double[order.length];
        int levels = 0;
        for (int i = 0; i < order.length; i++) {
            double h = value[order[i]];
            if (i == 0 || h > heights[levels - 1]) {
                heights[levels++] = h;
            }
            order[i] = place[order[i]];
            level[order[i]] = levels - 1;
        }
        this.height = Arrays.copyOf(heights, levels);
    }

    /** The place of a pixel in a box; x and y count from the box's corner. */
    static int place(int x, int y, int boxWidth) {
        return (y + 1) * (boxWidth + 2) + x + 1;
    }

    /** A value as heights are compared: no negative zero, not-a-number the highest. */
    static double comparable(double value) {
        return Double.isNaN(value) ? Double.POSITIVE_INFINITY : value + 0.0;
    }

    /** The numbers of the pixels from low to high, equal ones in their order. */
    private static int[] order(double[] value) {
        int n = value.length;
        int least = Integer.MAX_VALUE;
        int most = Integer.MIN_VALUE;
        boolean whole = true;
        for (int i = 0; i < n && whole; i++) {
            int v = (int) value[i];
            whole = v == value[i];
            least = Math.min(least, v);
            most = Math.max(most, v);
        }
        return whole && (long) most - least <= 4L * n + 65_536 ? counted(value, least, most) : sorted(value, whole);
    }

    private static int[] counted(double[] value, int least, int most) {
        int[] start = new int[most - least + 2];
        for (double v : value) {
            start[(int) v - least + 1]++;
        }
        for (int i = 1; i < start.length; i++) {
            start[i] += start[i - 1];
        }
        int[] order = new int[value.length];
        for (int i = 0; i < value.length; i++) {
            order[start[(int) value[i] - least]++] = i;
        }
        return order;
    }

    /** By keys of the value's bits with the pixel's number behind them. */
    private static int[] sorted(double[] value, boolean whole) {
        long[] keys = new long[value.length];
        for (int i = 0; i < keys.length; i++) {
            int bits = Float.floatToIntBits((float) value[i]);
            int key = whole ? (int) value[i] : bits ^ bits >> 31 & 0x7fffffff;
            keys[i] = (long) key << 32 | i;
        }
        Arrays.sort(keys);
        int[] order = new int[keys.length];
        for (int i = 0; i < order.length; i++) {
            order[i] = (int) keys[i];
        }
        return order;
    }
}
