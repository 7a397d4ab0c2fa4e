package keentally.core.stats;

import java.util.Arrays;

/** A value by its rank, without the rest being brought into order. */
public final class Selection {
    /** High bits that values are first told apart by. */
    private static final int HIGH = 16;

    private Selection() {}

    /**
     * What would stand at a place if the values were sorted as {@link Arrays#sort(float[])} does.
     *
     * @param rank from 0
     */
    public static float of(float[] values, int rank) {
        int[] counts = new int[1 << HIGH];
        for (float v : values) {
            counts[high(v)]++;
        }
        int bin = 0;
        int left = rank;
        while (left >= counts[bin]) {
            left -= counts[bin++];
        }
        float[] same = new float[counts[bin]];
        int n = 0;
        for (float v : values) {
            if (high(v) == bin) {
                same[n++] = v;
            }
        }
        Arrays.sort(same);
        return same[left];
    }

    /** The upper bits of a whole number that goes up with the value. */
    private static int high(float v) {
        int bits = Float.floatToIntBits(v);
        return (bits ^ bits >> 31 & 0x7fffffff ^ 0x80000000) >>> HIGH;
    }
}
