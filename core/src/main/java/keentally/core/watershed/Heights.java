package keentally.core.watershed;

import java.util.Arrays;

/**
 * A piece of a picture with a height on each of its pixels, in its own box with one pixel of nothing round it.
 *
 * <p>Heights are doubles that are compared exactly; not-a-number counts as the highest.
 */
final class Heights {
    /** Eight neighbours in the order in which they are looked at: reading order. */
    static final int[][] AROUND = {{-1, -1}, {0, -1}, {1, -1}, {-1, 0}, {1, 0}, {-1, 1}, {0, 1}, {1, 1}};

    /** Pixels a row of the box, its border with it. */
    final int stride;

    /** For each place of the box the number of its pixel, or −1. */
    final int[] number;

    /** For each pixel, in reading order, its place in the box. */
    final int[] place;

    final double[] height;

    /** Steps from a place to its neighbours. */
    final int[] steps;

    private int filled;

    Heights(int boxWidth, int boxHeight, int pixels) {
        this.stride = boxWidth + 2;
        this.number = new int[stride * (boxHeight + 2)];
        Arrays.fill(number, -1);
        this.place = new int[pixels];
        this.height = new double[pixels];
        this.steps = new int[AROUND.length];
        for (int i = 0; i < steps.length; i++) {
            steps[i] = AROUND[i][1] * stride + AROUND[i][0];
        }
    }

    /** Adds the next pixel in reading order; x and y count from the box's corner. */
    void add(int x, int y, double h) {
        int at = (y + 1) * stride + x + 1;
        number[at] = filled;
        place[filled] = at;
        height[filled++] = Double.isNaN(h) ? Double.POSITIVE_INFINITY : h + 0.0;
    }

    int pixels() {
        return place.length;
    }

    /** The pixels from low to high; equal ones in reading order. */
    int[] order() {
        int n = pixels();
        int[] whole = new int[n];
        int least = Integer.MAX_VALUE;
        int most = Integer.MIN_VALUE;
        boolean allWhole = true;
        for (int i = 0; i < n && allWhole; i++) {
            whole[i] = (int) height[i];
            allWhole = whole[i] == height[i];
            least = Math.min(least, whole[i]);
            most = Math.max(most, whole[i]);
        }
        return allWhole && (long) most - least <= 4L * n + 65_536 ? counted(whole, least, most) : sorted();
    }

    private int[] counted(int[] whole, int least, int most) {
        int[] start = new int[most - least + 2];
        for (int h : whole) {
            start[h - least + 1]++;
        }
        for (int i = 1; i < start.length; i++) {
            start[i] += start[i - 1];
        }
        int[] order = new int[whole.length];
        for (int i = 0; i < whole.length; i++) {
            order[start[whole[i] - least]++] = i;
        }
        return order;
    }

    /** By the bits of a float where all heights are floats, with the pixel's number behind them; else by comparing. */
    private int[] sorted() {
        int n = pixels();
        boolean floats = true;
        long[] keys = new long[n];
        for (int i = 0; i < n && floats; i++) {
            floats = (float) height[i] == height[i];
            int bits = Float.floatToIntBits((float) height[i]);
            keys[i] = (long) (bits ^ bits >> 31 & 0x7fffffff) << 32 | i;
        }
        int[] order = new int[n];
        if (floats) {
            Arrays.sort(keys);
            for (int i = 0; i < n; i++) {
                order[i] = (int) keys[i];
            }
            return order;
        }
        Integer[] boxed = new Integer[n];
        Arrays.setAll(boxed, i -> i);
        Arrays.sort(boxed, (a, b) -> Double.compare(height[a], height[b]));
        for (int i = 0; i < n; i++) {
            order[i] = boxed[i];
        }
        return order;
    }
}
