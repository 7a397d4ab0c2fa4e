package keentally.core.threshold;

import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.ByteOrder;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/**
 * The pixels whose value lies in (low, high]. Dark is (−∞, cut], bright (cut, ∞): together they are every pixel of the field
 * that holds a number, and none is in both.
 *
 * @param low left out itself; −∞ for no lower end
 * @param high included; +∞ for no upper end
 */
public record Cut(double low, double high) {
    /** Numbers as they lie in memory, the first lowest. */
    private static final ValueLayout.OfLong ABREAST =
            ValueLayout.JAVA_LONG_UNALIGNED.withOrder(ByteOrder.LITTLE_ENDIAN);

    /** The top bit of each of eight bytes, and what brings these bits together in the highest byte of a product. */
    private static final long EIGHT = 0x8080_8080_8080_8080L;

    private static final long GATHER_EIGHT = 0x0002_0408_1020_4081L;

    /** The same of four numbers of 16 bits; these bits come together in the four highest. */
    private static final long FOUR = 0x8000_8000_8000_8000L;

    private static final long GATHER_FOUR = 0x0000_2000_4000_8001L;

    public Cut {
        if (Double.isNaN(low) || Double.isNaN(high)) {
            throw new IllegalArgumentException("a cut must be a number");
        }
    }

    /** Values of at most {@code cut}. */
    public static Cut dark(double cut) {
        return new Cut(Double.NEGATIVE_INFINITY, cut);
    }

    /** Values above {@code cut}. */
    public static Cut bright(double cut) {
        return new Cut(cut, Double.POSITIVE_INFINITY);
    }

    /** The pixels of the field that qualify. Cost: one pass, one bit a pixel. */
    public Mask mask(Plane plane, Field field, Work work) {
        return mask(plane, field, 1, work);
    }

    /** As {@link #mask(Plane, Field, Work)}, but only one in so many rows is read, and what qualifies in it does so in those below up to the next. */
    public Mask mask(Plane plane, Field field, int every, Work work) {
        int width = plane.width();
        int stride = Mask.stride(width);
        long[] words = new long[stride * plane.height()];
        long[] inside = field.inside().map(Mask::words).orElse(null);
        work.bands(plane.height(), (from, to) -> {
            for (int y = from; y < to; y++) {
                if (y % every == 0 || y == from) {
                    row(plane, y - y % every, words, y * stride);
                } else {
                    System.arraycopy(words, (y - 1) * stride, words, y * stride, stride);
                }
            }
            for (int i = from * stride; inside != null && i < to * stride; i++) {
                words[i] &= inside[i];
            }
        });
        return Mask.of(width, plane.height(), words);
    }

    private void row(Plane plane, int y, long[] words, int first) {
        int width = plane.width();
        int base = y * width;
        int last = first + (width >> 6);
        switch (plane) {
            case Plane8 p -> row(MemorySegment.ofArray(p.values()), 8, base, words, first, last);
            case Plane16 p -> row(MemorySegment.ofArray(p.values()), 16, base, words, first, last);
            case PlaneF p -> row(p.values(), base, words, first, last);
        }
        for (int x = width & -64; x < width; x++) {
            float v = plane.at(x, y);
            words[last] |= (v > low && v <= high ? 1L : 0L) << x;
        }
    }

    /** The whole number at or below, kept within what differences of values can hold. */
    private static int whole(double value) {
        return (int) Math.clamp(Math.floor(value), -1 << 20, 1 << 20);
    }

    /** The float at or below: a float compares to it as to the double itself. */
    private static float floor(double value) {
        float near = (float) value;
        return near > value ? Math.nextDown(near) : near;
    }

    /** Whole numbers of 8 or 16 bits, as many at a time as one long holds. */
    private void row(MemorySegment values, int bits, int base, long[] words, int first, int last) {
        int most = (1 << bits) - 1;
        int least = Math.max(0, whole(low) + 1);
        int above = Math.min(most, whole(high)) + 1;
        if (least >= above) {
            return;
        }
        long tops = bits == 8 ? EIGHT : FOUR;
        long gather = bits == 8 ? GATHER_EIGHT : GATHER_FOUR;
        int abreast = 64 / bits;
        long at = base * (bits / 8L);
        for (int to = first; to < last; to++) {
            long word = 0;
            for (int i = 0; i < 64; i += abreast, at += 8) {
                long v = values.get(ABREAST, at);
                long in = atLeast(v, least, tops, bits);
                in = above > most ? in : in & ~atLeast(v, above, tops, bits);
                word |= (in & tops) * gather >>> 64 - abreast << i;
            }
            words[to] = word;
        }
    }

    /** Of numbers of so many bits that lie side by side: the top bit of each becomes whether it was at least {@code b}; other bits say nothing. */
    private static long atLeast(long side, int b, long tops, int bits) {
        int half = 1 << bits - 1;
        long rest = (side & ~tops) + (tops >>> bits - 1) * (half - (b & half - 1));
        return b >= half ? side & rest : side | rest;
    }

    private void row(float[] values, int base, long[] words, int first, int last) {
        float above = floor(low);
        float most = floor(high);
        int at = base;
        for (int to = first; to < last; to++) {
            long word = 0;
            for (int i = 0; i < 64; i++, at++) {
                word |= (values[at] > above & values[at] <= most ? 1L : 0L) << i;
            }
            words[to] = word;
        }
    }
}
