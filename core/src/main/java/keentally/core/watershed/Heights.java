package keentally.core.watershed;

import java.util.Arrays;
import keentally.core.work.Cancel;

/**
 * The pixels of a piece from low to high. A pixel is known by its place in the piece's box, which has one pixel of nothing round it, so
 * that places go in reading order and neighbours lie at fixed steps.
 *
 * <p>Heights are whole numbers or floats, compared exactly; not-a-number counts as the highest. The level of a pixel is how many pixels
 * of the piece are lower, so that levels are in the order of heights and {@code order[level]} is the first pixel of a level.
 *
 * <p>Memory: three whole numbers a place. The third array is spare: it sorts here, leads in {@link Basins}, and holds what waits in
 * {@link Flood}. Cost: a radix sort by eleven bits at a time, of as many bits as the heights differ in.
 */
final class Heights {
    /** The level of what does not belong to the piece. */
    static final int OUTSIDE = -1;

    private static final int BITS = 11;
    private static final int DIGITS = 1 << BITS;

    final int[] level;

    /** The places of the pixels from low to high; equal ones in reading order. */
    final int[] order;

    final int[] spare;

    /** Steps from a place to its eight neighbours, in reading order. */
    final int[] steps;

    private final int count;
    private final At height;

    /** A bit for each place in the order at which a level begins. */
    private final long[] begins;

    /** The height of the pixel at a place. */
    @FunctionalInterface
    interface At {
        double height(int place);
    }

    /**
     * @param boxWidth without the border
     * @param boxHeight without the border
     * @param places of the pixels, in reading order; those behind {@code count} are not read. Becomes a part of this
     * @param height of the pixel at a place, as {@link #comparable}
     */
    Heights(int boxWidth, int boxHeight, int[] places, int count, At height, Cancel cancel) {
        int stride = boxWidth + 2;
        this.steps = new int[] {-stride - 1, -stride, -stride + 1, -1, 1, stride - 1, stride, stride + 1};
        this.count = count;
        this.height = height;
        this.level = new int[stride * (boxHeight + 2)];
        this.spare = new int[level.length];
        Arrays.fill(level, OUTSIDE);
        boolean whole = wholeKeys(places);
        if (!whole) {
            floatKeys(places);
        }
        cancel.check();
        this.order = sorted(places, cancel);
        this.begins = new long[(count >> 6) + 1];
        rank();
    }

    /** Writes each height to its place; gives up at the first that is no whole number. */
    private boolean wholeKeys(int[] places) {
        for (int i = 0; i < count; i++) {
            double v = height.height(places[i]);
            int key = (int) v;
            if (key != v) {
                return false;
            }
            level[places[i]] = key;
        }
        return true;
    }

    /** The bits of floats, so that whole numbers come in the same order. */
    private void floatKeys(int[] places) {
        for (int i = 0; i < count; i++) {
            int bits = Float.floatToIntBits((float) height.height(places[i]));
            level[places[i]] = bits ^ bits >> 31 & 0x7fffffff;
        }
    }

    private int[] sorted(int[] places, Cancel cancel) {
        int least = Integer.MAX_VALUE;
        int most = Integer.MIN_VALUE;
        for (int i = 0; i < count; i++) {
            least = Math.min(least, level[places[i]]);
            most = Math.max(most, level[places[i]]);
        }
        int[] from = places;
        int[] to = spare;
        for (int shift = 0; shift < Integer.SIZE && most - least >>> shift != 0; shift += BITS) {
            cancel.check();
            pass(from, to, least, shift);
            int[] swap = from;
            from = to;
            to = swap;
        }
        if (from == spare) {
            System.arraycopy(spare, 0, places, 0, count);
        }
        return places;
    }

    /** One digit of the sort; equal digits stay in their order. */
    private void pass(int[] from, int[] to, int least, int shift) {
        int[] start = new int[DIGITS + 1];
        for (int i = 0; i < count; i++) {
            start[(level[from[i]] - least >>> shift & DIGITS - 1) + 1]++;
        }
        for (int d = 0; d < DIGITS; d++) {
            start[d + 1] += start[d];
        }
        for (int i = 0; i < count; i++) {
            int p = from[i];
            to[start[level[p] - least >>> shift & DIGITS - 1]++] = p;
        }
    }

    /** Levels take the place of keys. */
    private void rank() {
        int before = 0;
        int now = 0;
        for (int i = 0; i < count; i++) {
            int p = order[i];
            int key = level[p];
            if (i == 0 || key != before) {
                now = i;
                before = key;
                begins[i >> 6] |= 1L << i;
            }
            level[p] = now;
        }
    }

    int count() {
        return count;
    }

    /** The level above; the number of pixels where there is none. */
    int above(int level) {
        int word = level + 1 >> 6;
        if (level + 1 >= count) {
            return count;
        }
        long left = begins[word] & -1L << level + 1;
        while (left == 0) {
            if (++word == begins.length) {
                return count;
            }
            left = begins[word];
        }
        return (word << 6) + Long.numberOfTrailingZeros(left);
    }

    /** As long as {@link #order} is not used for something else. */
    double height(int ofLevel) {
        return height.height(order[ofLevel]);
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
