package keentally.core.hand;

import java.util.Arrays;
import java.util.Base64;
import java.util.HashMap;
import java.util.Map;
import java.util.zip.DataFormatException;
import java.util.zip.Deflater;
import java.util.zip.Inflater;
import keentally.core.picture.Mask;
import keentally.core.region.Regions;

/**
 * A value for each pixel, 0 for none, kept as the runs of equal values; these are told as one text. The text is base 64 of a deflated
 * list of numbers, each of seven bits a byte, the lowest first: for every row the number of its runs, then for each run the pixels left out
 * before it, its length and its value.
 */
public final class LabelRuns {
    private static final int SEVEN_BITS = 7;
    private static final int MORE = 0x80;

    private final int width;
    private final int height;
    private final String text;

    private LabelRuns(int width, int height, String text) {
        this.width = width;
        this.height = height;
        this.text = text;
    }

    /** Of a value a pixel, from 0. @param values row by row */
    public static LabelRuns of(int width, int height, int[] values) {
        Bytes bytes = new Bytes();
        Bytes row = new Bytes();
        for (int y = 0; y < height; y++) {
            row.size = 0;
            int runs = 0;
            int behind = 0;
            for (int x = 0; x < width; ) {
                int value = values[y * width + x];
                int to = x + 1;
                while (to < width && values[y * width + to] == value) {
                    to++;
                }
                if (value != 0) {
                    put(row, x - behind);
                    put(row, to - x);
                    put(row, value);
                    behind = to;
                    runs++;
                }
                x = to;
            }
            put(bytes, runs);
            bytes.add(row.bytes, row.size);
        }
        return new LabelRuns(width, height, Base64.getEncoder().encodeToString(deflated(bytes)));
    }

    /**
     * Of {@link #text}.
     *
     * @throws IllegalArgumentException where it is not the text of runs of that size
     */
    public static LabelRuns of(int width, int height, String text) {
        LabelRuns runs = new LabelRuns(width, height, text);
        runs.walk((y, from, to, value) -> {});
        return runs;
    }

    private static void put(Bytes into, int number) {
        int left = number;
        while (left >= MORE) {
            into.add(left & (MORE - 1) | MORE);
            left >>>= SEVEN_BITS;
        }
        into.add(left);
    }

    private static byte[] deflated(Bytes bytes) {
        try (Deflater deflater = new Deflater(Deflater.BEST_COMPRESSION)) {
            deflater.setInput(bytes.bytes, 0, bytes.size);
            deflater.finish();
            Bytes out = new Bytes();
            byte[] buffer = new byte[1 << 14];
            while (!deflater.finished()) {
                out.add(buffer, deflater.deflate(buffer));
            }
            return Arrays.copyOf(out.bytes, out.size);
        }
    }

    /** Bytes that become more. */
    private static final class Bytes {
        private byte[] bytes = new byte[1 << 10];
        private int size;

        void add(int one) {
            room(1);
            bytes[size++] = (byte) one;
        }

        void add(byte[] more, int count) {
            room(count);
            System.arraycopy(more, 0, bytes, size, count);
            size += count;
        }

        private void room(int more) {
            if (size + more > bytes.length) {
                bytes = Arrays.copyOf(bytes, Math.max(size + more, 2 * bytes.length));
            }
        }
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    public String text() {
        return text;
    }

    /** Told a run. */
    @FunctionalInterface
    public interface Visitor {
        void run(int y, int from, int to, int value);
    }

    /** All runs in reading order. */
    public void walk(Visitor visitor) {
        try (Inflater inflater = new Inflater()) {
            Numbers numbers = new Numbers(inflater);
            for (int y = 0; y < height; y++) {
                int runs = numbers.next();
                int x = 0;
                for (int r = 0; r < runs; r++) {
                    int from = x + numbers.next();
                    int length = numbers.next();
                    int value = numbers.next();
                    if (from < x || length < 1 || length > width - from || value < 1) {
                        throw new IllegalArgumentException("a run lies outside its row");
                    }
                    x = from + length;
                    visitor.run(y, from, x, value);
                }
            }
        } catch (DataFormatException e) {
            throw new IllegalArgumentException("the runs of a mask are torn", e);
        }
    }

    /** The numbers of the text, one after the other; never more in memory than a buffer. */
    private final class Numbers {
        private final Inflater inflater;
        private final byte[] buffer = new byte[1 << 14];
        private int at;
        private int filled;

        Numbers(Inflater inflater) {
            this.inflater = inflater;
            inflater.setInput(Base64.getDecoder().decode(text));
        }

        int next() throws DataFormatException {
            int number = 0;
            for (int shift = 0; shift < Integer.SIZE; shift += SEVEN_BITS) {
                int b = read();
                number |= (b & (MORE - 1)) << shift;
                if (b < MORE) {
                    return number;
                }
            }
            throw new DataFormatException("a number without an end");
        }

        private int read() throws DataFormatException {
            if (at == filled) {
                filled = inflater.inflate(buffer);
                at = 0;
                if (filled == 0) {
                    throw new DataFormatException("the text ends too early");
                }
            }
            return buffer[at++] & 0xff;
        }
    }

    /** The pixels that have any value. */
    public Mask mask() {
        int stride = Mask.stride(width);
        long[] words = new long[stride * height];
        walk((y, from, to, value) -> Mask.setRun(words, y * stride, from, to));
        return Mask.of(width, height, words);
    }

    /** A region for each value, numbered by their first pixels; without what lies outside. @param inside of the same size */
    public Regions regions(Mask inside) {
        int[] count = new int[2];
        walkInside(inside, (y, from, to, value) -> count[0]++);
        int[] from = new int[count[0]];
        int[] to = new int[count[0]];
        int[] owner = new int[count[0]];
        int[] rowStart = new int[height + 1];
        Map<Integer, Integer> numbers = new HashMap<>();
        walkInside(inside, (y, left, right, value) -> {
            int run = count[1]++;
            from[run] = left;
            to[run] = right;
            owner[run] = numbers.computeIfAbsent(value, v -> numbers.size());
            rowStart[y + 1] = run + 1;
        });
        for (int y = 0; y < height; y++) {
            rowStart[y + 1] = Math.max(rowStart[y + 1], rowStart[y]);
        }
        return new Regions(width, height, rowStart, from, to, owner, numbers.size());
    }

    private void walkInside(Mask inside, Visitor visitor) {
        walk((y, from, to, value) -> {
            for (int x = inside.nextSet(y, from); x < to; ) {
                int end = Math.min(to, inside.nextClear(y, x));
                visitor.run(y, x, end, value);
                x = end < to ? inside.nextSet(y, end) : to;
            }
        });
    }

    /** A byte a pixel: its value, or another where it has none. */
    public byte[] bytes(int without) {
        byte[] bytes = new byte[width * height];
        Arrays.fill(bytes, (byte) without);
        walk((y, from, to, value) -> Arrays.fill(bytes, y * width + from, y * width + to, (byte) value));
        return bytes;
    }

    /** Of the highest value; 0 where no pixel has one. */
    public int most() {
        int[] most = new int[1];
        walk((y, from, to, value) -> most[0] = Math.max(most[0], value));
        return most[0];
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof LabelRuns r && r.width == width && r.height == height && r.text.equals(text);
    }

    @Override
    public int hashCode() {
        return text.hashCode();
    }

    @Override
    public String toString() {
        return "LabelRuns[" + width + " × " + height + "]";
    }
}
