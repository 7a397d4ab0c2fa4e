package keentally.core.picture;

import java.util.Arrays;

/**
 * One bit a pixel, 64 pixels a word, each row starting a new word; pixel x of a row is bit x mod 64 of word x / 64. The
 * spare bits at the end of a row are 0.
 */
public final class Mask implements HoldsBuffers {
    private final int width;
    private final int height;
    private final int stride;
    private final long[] words;

    private Mask(int width, int height, long[] words) {
        this.width = width;
        this.height = height;
        this.stride = stride(width);
        this.words = words;
    }

    /** Words in a row of {@code width} pixels. */
    public static int stride(int width) {
        return (width + 63) >>> 6;
    }

    /** Takes the array over: {@code stride(width) * height} words; spare bits must be 0. */
    public static Mask of(int width, int height, long[] words) {
        Sizes.check(width, height);
        if (words.length != stride(width) * height) {
            throw new IllegalArgumentException("a mask of " + width + " × " + height + " needs "
                    + stride(width) * height + " words, were " + words.length);
        }
        return new Mask(width, height, words);
    }

    /** The pixels whose byte is not 0. */
    public static Mask from(byte[] chosen, int width, int height) {
        Sizes.check(width, height, chosen.length);
        int stride = stride(width);
        long[] words = new long[stride * height];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                if (chosen[y * width + x] != 0) {
                    words[y * stride + (x >>> 6)] |= 1L << x;
                }
            }
        }
        return new Mask(width, height, words);
    }

    /** No place chosen; sides in px. */
    public static Mask empty(int width, int height) {
        Sizes.check(width, height);
        return new Mask(width, height, new long[stride(width) * height]);
    }

    /** Every place chosen; sides in px. */
    public static Mask full(int width, int height) {
        Mask mask = empty(width, height);
        for (int y = 0; y < height; y++) {
            setRun(mask.words, y * mask.stride, 0, width);
        }
        return mask;
    }

    /** Sets bits [from, to) of the row that starts at word {@code row}, in place. */
    public static void setRun(long[] words, int row, int from, int to) {
        if (from >= to) {
            return;
        }
        int first = row + (from >>> 6);
        int last = row + ((to - 1) >>> 6);
        long head = -1L << from;
        long tail = -1L >>> -to;
        if (first == last) {
            words[first] |= head & tail;
            return;
        }
        words[first] |= head;
        Arrays.fill(words, first + 1, last, -1L);
        words[last] |= tail;
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** Words in a row. */
    public int stride() {
        return stride;
    }

    /** The storage itself, for kernels; never written to. */
    public long[] words() {
        return words;
    }

    /** Whether a place is chosen; x from the left, y from the top, both from 0. */
    public boolean at(int x, int y) {
        return (words[y * stride + (x >>> 6)] >>> x & 1) != 0;
    }

    /** Number of pixels set. */
    public long count() {
        long sum = 0;
        for (long word : words) {
            sum += Long.bitCount(word);
        }
        return sum;
    }

    /** Number of pixels set in [fromX, toX) of row {@code y}. */
    public int count(int y, int fromX, int toX) {
        if (fromX >= toX) {
            return 0;
        }
        int first = y * stride + (fromX >>> 6);
        int last = y * stride + ((toX - 1) >>> 6);
        long head = -1L << fromX;
        long tail = -1L >>> -toX;
        if (first == last) {
            return Long.bitCount(words[first] & head & tail);
        }
        int sum = Long.bitCount(words[first] & head) + Long.bitCount(words[last] & tail);
        for (int i = first + 1; i < last; i++) {
            sum += Long.bitCount(words[i]);
        }
        return sum;
    }

    /**
     * How many pixels of some rows together are set left of each of some columns; for many columns faster than one by one.
     *
     * @param top the first of the rows, of which there are at most seven: every {@code skip}th above {@code bottom}
     * @param columns ascending, each from 0 to the width
     * @return whether any pixel of these rows is set; if none, nothing is told
     */
    public boolean countsBefore(int top, int bottom, int skip, int[] columns, int[] into) {
        int before = 0;
        int i = 0;
        if (isClear(top, bottom, skip)) {
            return false;
        }
        for (int word = 0; word < stride; word++) {
            long ones = 0; // of each column the count of the rows, in three digits of two
            long twos = 0;
            long fours = 0;
            for (int y = top; y < bottom; y += skip) {
                long row = words[y * stride + word];
                long carry = ones & row;
                ones ^= row;
                fours |= twos & carry;
                twos ^= carry;
            }
            int end = word + 1 << 6;
            if ((ones | twos | fours) == 0) {
                for (; i < into.length && columns[i] < end; i++) {
                    into[i] = before;
                }
                continue;
            }
            for (; i < into.length && columns[i] < end; i++) {
                into[i] = before + weighed(ones, twos, fours, (1L << columns[i]) - 1);
            }
            before += weighed(ones, twos, fours, -1);
        }
        Arrays.fill(into, i, into.length, before);
        return true;
    }

    private boolean isClear(int top, int bottom, int skip) {
        long any = 0;
        for (int y = top; y < bottom; y += skip) {
            for (int word = y * stride; word < (y + 1) * stride; word++) {
                any |= words[word];
            }
        }
        return any == 0;
    }

    private static int weighed(long ones, long twos, long fours, long of) {
        return Long.bitCount(ones & of) + 2 * Long.bitCount(twos & of) + 4 * Long.bitCount(fours & of);
    }

    /** The first set pixel at or right of {@code x} in row {@code y}; the width where there is none. */
    public int nextSet(int y, int x) {
        return next(y, x, 0);
    }

    /** The first clear pixel at or right of {@code x} in row {@code y}; the width where there is none. */
    public int nextClear(int y, int x) {
        return next(y, x, -1);
    }

    /** What lies in columns [left, right) and rows [top, bottom), which lie within the mask. */
    public Mask crop(int left, int top, int right, int bottom) {
        Mask out = empty(right - left, bottom - top);
        for (int y = top; y < bottom; y++) {
            int x = nextSet(y, left);
            while (x < right) {
                int end = Math.min(right, nextClear(y, x));
                setRun(out.words, (y - top) * out.stride, x - left, end - left);
                x = nextSet(y, end);
            }
        }
        return out;
    }

    /** Laid at (left, top) into a larger mask, which holds it whole. */
    public Mask placed(int left, int top, int wide, int high) {
        Mask out = empty(wide, high);
        for (int y = 0; y < height; y++) {
            int x = nextSet(y, 0);
            while (x < width) {
                int end = nextClear(y, x);
                setRun(out.words, (top + y) * out.stride, left + x, left + end);
                x = nextSet(y, end);
            }
        }
        return out;
    }

    private int next(int y, int x, long flip) {
        if (x >= width) {
            return width;
        }
        int word = x >>> 6;
        long rest = words[y * stride + word] ^ flip;
        if ((rest >>> x & 1) != 0) {
            return x; // the most common answer, since most callers go pixel by pixel
        }
        rest &= -1L << x;
        while (rest == 0) {
            if (++word == stride) {
                return width;
            }
            rest = words[y * stride + word] ^ flip;
        }
        return Math.min(width, (word << 6) + Long.numberOfTrailingZeros(rest));
    }

    /** Where both are; of one size. */
    public Mask and(Mask other) {
        long[] out = words.clone();
        for (int i = 0; i < checked(other); i++) {
            out[i] &= other.words[i];
        }
        return new Mask(width, height, out);
    }

    /** Where at least one is; of one size. */
    public Mask or(Mask other) {
        long[] out = words.clone();
        for (int i = 0; i < checked(other); i++) {
            out[i] |= other.words[i];
        }
        return new Mask(width, height, out);
    }

    /** Where this is and the other is not; of one size. */
    public Mask minus(Mask other) {
        long[] out = words.clone();
        for (int i = 0; i < checked(other); i++) {
            out[i] &= ~other.words[i];
        }
        return new Mask(width, height, out);
    }

    private int checked(Mask other) {
        if (other.width != width || other.height != height) {
            throw new IllegalArgumentException("masks of " + width + " × " + height + " and " + other.width + " × "
                    + other.height + " cannot be combined");
        }
        return words.length;
    }

    public long bytes() {
        return 8L * words.length;
    }

    @Override
    public void addTo(Buffers buffers) {
        buffers.add(words, bytes());
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Mask m && m.width == width && m.height == height && Arrays.equals(words, m.words);
    }

    @Override
    public int hashCode() {
        return 31 * width + Arrays.hashCode(words);
    }

    @Override
    public String toString() {
        return "Mask[" + width + " × " + height + ", " + count() + " set]";
    }
}
