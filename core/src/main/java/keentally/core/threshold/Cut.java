package keentally.core.threshold;

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
    private static final VarHandle EIGHT = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.LITTLE_ENDIAN);

    private static final long EACH = 0x0101_0101_0101_0101L;
    private static final long TOPS = 0x8080_8080_8080_8080L;

    /** Brings the lowest bits of eight bytes together in the highest byte of a product. */
    private static final long GATHER = 0x0102_0408_1020_4080L;

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
        long low = EACH * Math.max(0, least);
        long high = EACH * Math.min(255, most);
        int x = 0;
        for (; x + 8 <= width; x += 8) {
            long v = (long) EIGHT.get(values, base + x);
            long both = atLeast(v, low) & atLeast(high, v) & TOPS;
            words[first + (x >>> 6)] |= (both >>> 7) * GATHER >>> 56 << x;
        }
        for (; x < width; x++) {
            int v = values[base + x] & 0xff;
            words[first + (x >>> 6)] |= (long) (~(v - least | most - v) >>> 31) << x;
        }
    }

    /** The top bit of each byte says whether that of {@code a} is as high as that of {@code b}, or higher; other bits say nothing. */
    private static long atLeast(long a, long b) {
        long lower = (a | TOPS) - (b & ~TOPS);
        return a & ~b | ~(a ^ b) & lower;
    }

    private static void row(short[] values, int base, int width, long[] words, int first, int least, int most) {
        for (int x = 0; x < width; x += 64) {
            int n = Math.min(64, width - x);
            long word = 0;
            for (int i = 0; i < n; i++) {
                int v = values[base + x + i] & 0xffff;
                word |= (long) (~(v - least | most - v) >>> 31) << i;
            }
            words[first + (x >>> 6)] = word;
        }
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
