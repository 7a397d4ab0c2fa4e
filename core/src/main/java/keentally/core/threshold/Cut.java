package keentally.core.threshold;

import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
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
    private static final VarHandle BYTES = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.LITTLE_ENDIAN);

    /** Four shorts as they lie in memory, the first lowest. */
    private static final ValueLayout.OfLong SHORTS = ValueLayout.JAVA_LONG_UNALIGNED.withOrder(ByteOrder.LITTLE_ENDIAN);

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
        int width = plane.width();
        int stride = Mask.stride(width);
        long[] words = new long[stride * plane.height()];
        long[] inside = field.inside().map(Mask::words).orElse(null);
        work.bands(plane.height(), (from, to) -> {
            for (int y = from; y < to; y++) {
                row(plane, y * width, words, y * stride);
                if (inside != null) {
                    for (int i = y * stride; i < (y + 1) * stride; i++) {
                        words[i] &= inside[i];
                    }
                }
            }
        });
        return Mask.of(width, plane.height(), words);
    }

    private void row(Plane plane, int base, long[] words, int first) {
        switch (plane) {
            case Plane8 p -> row(p.values(), base, p.width(), words, first, whole(low) + 1, whole(high));
            case Plane16 p -> row(p.values(), base, p.width(), words, first, whole(low) + 1, whole(high));
            case PlaneF p -> row(p.values(), base, p.width(), words, first, floor(low), floor(high));
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

    /** Eight values at a time, held in one long. */
    private static void row(byte[] values, int base, int width, long[] words, int first, int least, int most) {
        if (least > 255 || most < 0 || least > most) {
            return;
        }
        int low = Math.max(0, least);
        int above = Math.min(255, most) + 1;
        int whole = width & -64;
        for (int x = 0; x < whole; x += 64) {
            long word = 0;
            for (int i = 0; i < 64; i += 8) {
                long v = (long) BYTES.get(values, base + x + i);
                long in = atLeast(v, low, EIGHT, 8);
                in = above > 255 ? in : in & ~atLeast(v, above, EIGHT, 8);
                word |= (in & EIGHT) * GATHER_EIGHT >>> 56 << i;
            }
            words[first + (x >>> 6)] = word;
        }
        for (int x = whole; x < width; x++) {
            words[first + (x >>> 6)] |= within(values[base + x] & 0xff, least, most) << x;
        }
    }

    /** Four values at a time. */
    private static void row(short[] values, int base, int width, long[] words, int first, int least, int most) {
        if (least > 0xffff || most < 0 || least > most) {
            return;
        }
        int low = Math.max(0, least);
        int above = Math.min(0xffff, most) + 1;
        MemorySegment side = MemorySegment.ofArray(values);
        int whole = width & -64;
        for (int x = 0; x < whole; x += 64) {
            long word = 0;
            for (int i = 0; i < 64; i += 4) {
                long v = side.get(SHORTS, (base + x + i) * 2L);
                long in = atLeast(v, low, FOUR, 16);
                in = above > 0xffff ? in : in & ~atLeast(v, above, FOUR, 16);
                word |= (in & FOUR) * GATHER_FOUR >>> 60 << i;
            }
            words[first + (x >>> 6)] = word;
        }
        for (int x = whole; x < width; x++) {
            words[first + (x >>> 6)] |= within(values[base + x] & 0xffff, least, most) << x;
        }
    }

    /** Of numbers of so many bits that lie side by side: the top bit of each becomes whether it was at least {@code b}; other bits say nothing. */
    private static long atLeast(long side, int b, long tops, int bits) {
        int half = 1 << bits - 1;
        long rest = (side & ~tops) + (tops >>> bits - 1) * (half - (b & half - 1));
        return b >= half ? side & rest : side | rest;
    }

    private static long within(int v, int least, int most) {
        return ~(v - least | most - v) >>> 31;
    }

    private static void row(float[] values, int base, int width, long[] words, int first, float low, float high) {
        for (int x = 0; x < width; x += 64) {
            int n = Math.min(64, width - x);
            long word = 0;
            for (int i = 0; i < n; i++) {
                float v = values[base + x + i];
                word |= (v > low & v <= high ? 1L : 0L) << i;
            }
            words[first + (x >>> 6)] = word;
        }
    }
}
