package keentally.core.filter;

import java.util.Arrays;
import keentally.core.picture.Border;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/**
 * The middle value of the square around each pixel, |dx| ≤ r and |dy| ≤ r, the picture mirrored at its border.
 *
 * <p>Accuracy: exact for whole numbers. Floating point is taken in 65,535 equal steps from the least to the greatest value of the
 * picture, so it is good to 1e-5 of that range; not-a-number counts as the least.
 *
 * <p>Cost: nearly the same for any radius, by histograms of columns; of more than 8 bits on the ranks of tiles.
 *
 * <p>Source: S. Perreault and P. Hébert (2007), "Median filtering in constant time", IEEE Transactions on Image Processing 16(9),
 * 2389–2394.
 */
public final class MedianFilter {
    private static final int STEPS = 65535;
    private static final int MOST_RADIUS = 127;

    /** Rows done together at least: each part begins by counting the rows around its first one. */
    private static final int LEAST_ROWS = 256;

    /** Side of what is ranked together. */
    private static final int LEAST_TILE = 64;

    /** Columns done together: their histograms stay in the cache of a core. */
    private static final int STRIPE = 256;

    private MedianFilter() {}

    /** @param radius in pixels, 0 to {@value #MOST_RADIUS} */
    public static Plane of(Plane plane, int radius, Work work) {
        if (radius < 0 || radius > MOST_RADIUS) {
            throw new IllegalArgumentException(
                    "the radius of a median must be from 0 to " + MOST_RADIUS + " px, was " + radius);
        }
        if (radius == 0) {
            return plane;
        }
        if (radius == 1 && !(plane instanceof PlaneF)) {
            return nearest(plane, work);
        }
        return switch (plane) {
            case Plane8 p -> Plane8.of(p.width(), p.height(), bytes(p, radius, work));
            case Plane16 p -> Plane16.of(p.width(), p.height(), shorts(p, radius, work));
            case PlaneF p -> floats(p, radius, work);
        };
    }

    /** Of a pixel and its eight neighbours, which is asked for most. */
    private static Plane nearest(Plane plane, Work work) {
        int width = plane.width();
        int height = plane.height();
        return switch (plane) {
            case Plane8 p -> {
                byte[] values = p.values();
                byte[] out = new byte[values.length];
                MedianOfNine.of(
                        width,
                        height,
                        (y, row) -> {
                            for (int x = 0; x < width; x++) {
                                row[x] = values[y * width + x] & 0xff;
                            }
                        },
                        (y, row) -> {
                            for (int x = 0; x < width; x++) {
                                out[y * width + x] = (byte) row[x];
                            }
                        },
                        work);
                yield Plane8.of(width, height, out);
            }
            case Plane16 p -> {
                short[] values = p.values();
                short[] out = new short[values.length];
                MedianOfNine.of(
                        width,
                        height,
                        (y, row) -> {
                            for (int x = 0; x < width; x++) {
                                row[x] = values[y * width + x] & 0xffff;
                            }
                        },
                        (y, row) -> {
                            for (int x = 0; x < width; x++) {
                                out[y * width + x] = (short) row[x];
                            }
                        },
                        work);
                yield Plane16.of(width, height, out);
            }
            case PlaneF p -> p;
        };
    }

    private static byte[] bytes(Plane8 plane, int radius, Work work) {
        byte[] out = new byte[plane.width() * plane.height()];
        int height = plane.height();
        int parts = Math.clamp(height / Math.max(LEAST_ROWS, 16 * radius), 1, height);
        work.map(parts, part -> {
            int from = (int) ((long) height * part / parts);
            int to = (int) ((long) height * (part + 1) / parts);
            for (int left = 0; left < plane.width(); left += STRIPE) {
                int right = Math.min(plane.width(), left + STRIPE);
                new ByteColumns(plane.values(), plane.width(), height, radius, left, right)
                        .run(from, to, (y, x, bin, rank) -> out[y * plane.width() + x] = (byte) bin, work);
            }
            return to - from;
        });
        return out;
    }

    /** Told the median of each square. */
    private interface Found {
        /** @param bin the median's, and {@code rank} how many of that bin come before it */
        void at(int y, int x, int bin, int rank);
    }

    /**
     * A histogram a column of a stripe and one of the square, each with a coarse one of 16 bins above it. Four counts of 16 bits
     * share a long: no count passes 65,535, so that sums and differences of longs are those of the counts.
     */
    private static final class ByteColumns {
        private static final long EACH = 0x0001_0001_0001_0001L;

        private final byte[] values;
        private final int width;
        private final int height;
        private final int radius;
        private final int left;
        private final int right;

        /** The picture's column, mirrored at its border, of each column of histograms. */
        private final int[] columns;

        private final long[] coarse;
        private final long[] fine;
        private final long[] squareFine = new long[64];
        private final int[] fineUpTo = new int[16];
        private int found;

        /** @param left the stripe's first column */
        ByteColumns(byte[] values, int width, int height, int radius, int left, int right) {
            this.values = values;
            this.width = width;
            this.height = height;
            this.radius = radius;
            this.left = left;
            this.right = right;
            this.columns = new int[right - left + 2 * radius + 1];
            for (int i = 0; i < columns.length; i++) {
                columns[i] = Border.mirror(left - radius + i, width);
            }
            this.coarse = new long[columns.length * 4];
            this.fine = new long[columns.length * 64];
        }

        void run(int from, int to, Found median, Work work) {
            for (int y = from - radius; y <= from + radius; y++) {
                int base = Border.mirror(y, height) * width;
                for (int i = 0; i < columns.length; i++) {
                    count(i, values[base + columns[i]] & 0xff, 1);
                }
            }
            row(from, median);
            for (int y = from + 1; y < to; y++) {
                work.cancel().check();
                int gone = Border.mirror(y - radius - 1, height) * width;
                int come = Border.mirror(y + radius, height) * width;
                for (int i = 0; i < columns.length; i++) {
                    count(i, values[gone + columns[i]] & 0xff, -1);
                    count(i, values[come + columns[i]] & 0xff, 1);
                }
                row(y, median);
            }
        }

        private void count(int column, int v, long by) {
            coarse[column * 4 + (v >> 6)] += by << (v >> 4 & 3) * 16;
            fine[column * 64 + (v >> 2)] += by << (v & 3) * 16;
        }

        /** The coarse counts of the square stay in four variables. */
        private void row(int y, Found median) {
            Arrays.fill(fineUpTo, Integer.MIN_VALUE);
            long c0 = 0;
            long c1 = 0;
            long c2 = 0;
            long c3 = 0;
            for (int i = 0; i < 2 * radius; i++) {
                c0 += coarse[i * 4];
                c1 += coarse[i * 4 + 1];
                c2 += coarse[i * 4 + 2];
                c3 += coarse[i * 4 + 3];
            }
            int half = (2 * radius + 1) * (2 * radius + 1) / 2;
            for (int x = 0; x < right - left; x++) {
                int in = (x + 2 * radius) * 4;
                c0 += coarse[in];
                c1 += coarse[in + 1];
                c2 += coarse[in + 2];
                c3 += coarse[in + 3];
                int rank = first(c0, c1, c2, c3, half);
                int bin = found;
                bringFine(bin, x);
                int f = bin * 4;
                int within = first(squareFine[f], squareFine[f + 1], squareFine[f + 2], squareFine[f + 3], rank);
                median.at(y, left + x, bin * 16 + found, within);
                int gone = x * 4;
                c0 -= coarse[gone];
                c1 -= coarse[gone + 1];
                c2 -= coarse[gone + 2];
                c3 -= coarse[gone + 3];
            }
        }

        /**
         * Finds the first of sixteen counts that takes their sum over a rank, and leaves it in {@link #found}. Without a branch, since
         * noise makes every one of them a surprise.
         *
         * @return the rank within it
         */
        private int first(long a, long b, long c, long d, int rank) {
            int n0 = sum(a);
            int n1 = n0 + sum(b);
            int n2 = n1 + sum(c);
            int past0 = past(n0, rank);
            int past1 = past(n1, rank);
            int past2 = past(n2, rank);
            long counts = a & past0 - 1L | b & -(past0 - past1) | c & -(past1 - past2) | d & -past2;
            int left = rank - (n0 & -(past0 - past1) | n1 & -(past1 - past2) | n2 & -past2);
            long sums = counts * EACH;
            int s0 = (int) sums & 0xffff;
            int s1 = (int) (sums >>> 16) & 0xffff;
            int s2 = (int) (sums >>> 32) & 0xffff;
            int lane0 = past(s0, left);
            int lane1 = past(s1, left);
            int lane2 = past(s2, left);
            found = (past0 + past1 + past2) * 4 + lane0 + lane1 + lane2;
            return left - (s0 & -(lane0 - lane1) | s1 & -(lane1 - lane2) | s2 & -lane2);
        }

        /** 1 where a sum is at most the rank, else 0. */
        private static int past(int sum, int rank) {
            return (sum - rank - 1) >>> 31;
        }

        /** Sum of the four counts of a long. */
        private static int sum(long counts) {
            return (int) (counts * EACH >>> 48);
        }

        /** The fine counts of one coarse bin, brought from where they were last to the square that begins at {@code x}. */
        private void bringFine(int bin, int x) {
            int at = fineUpTo[bin];
            int to = bin * 4;
            long a = 0;
            long b = 0;
            long c = 0;
            long d = 0;
            int first = x;
            if (at >= x - radius) {
                a = squareFine[to];
                b = squareFine[to + 1];
                c = squareFine[to + 2];
                d = squareFine[to + 3];
                for (int i = at; i < x; i++) {
                    int base = i * 64 + to;
                    a -= fine[base];
                    b -= fine[base + 1];
                    c -= fine[base + 2];
                    d -= fine[base + 3];
                }
                first = at + 2 * radius + 1;
            }
            for (int i = first; i <= x + 2 * radius; i++) {
                int base = i * 64 + to;
                a += fine[base];
                b += fine[base + 1];
                c += fine[base + 2];
                d += fine[base + 3];
            }
            squareFine[to] = a;
            squareFine[to + 1] = b;
            squareFine[to + 2] = c;
            squareFine[to + 3] = d;
            fineUpTo[bin] = x;
        }
    }

    private static short[] shorts(Plane16 plane, int radius, Work work) {
        short[] out = new short[plane.width() * plane.height()];
        int side = Math.max(LEAST_TILE, 2 * radius);
        work.each((plane.height() + side - 1) / side, i -> {
            int top = i * side;
            Tile tile = new Tile(plane, radius, side, out);
            for (int left = 0; left < plane.width(); left += side) {
                tile.run(left, top, work);
            }
        });
        return out;
    }

    /**
     * A part of a picture with what is within the radius of it. Its values are ranked, and the ranks parted into 256 bins of one size: the
     * median's bin is found as in a picture of 8 bits, and in it, among so few, the median itself by going through them in order.
     */
    private static final class Tile implements Found {
        private static final int BINS = 256;

        private final Plane16 plane;
        private final int radius;
        private final int side;
        private final short[] out;
        private final short[] values;
        private final byte[] bins;

        /** Places in the tile, from the least value to the greatest, and where each lies. */
        private int[] order;

        private int[] spare;
        private final int[] xs;
        private final int[] ys;
        private int left;
        private int top;
        private int width;
        private int count;

        Tile(Plane16 plane, int radius, int side, short[] out) {
            this.plane = plane;
            this.radius = radius;
            this.side = side;
            this.out = out;
            int most = (side + 2 * radius) * (side + 2 * radius);
            this.values = new short[most];
            this.bins = new byte[most];
            this.order = new int[most];
            this.spare = new int[most];
            this.xs = new int[most];
            this.ys = new int[most];
        }

        void run(int fromX, int fromY, Work work) {
            left = fromX - radius;
            top = fromY - radius;
            int columns = Math.min(side, plane.width() - fromX);
            int rows = Math.min(side, plane.height() - fromY);
            width = columns + 2 * radius;
            int height = rows + 2 * radius;
            count = width * height;
            for (int y = 0; y < height; y++) {
                int base = Border.mirror(top + y, plane.height()) * plane.width();
                for (int x = 0; x < width; x++) {
                    values[y * width + x] = plane.values()[base + Border.mirror(left + x, plane.width())];
                }
            }
            rank();
            new ByteColumns(bins, width, height, radius, radius, radius + columns)
                    .run(radius, radius + rows, this, work);
        }

        /** Places in the order of their values, by the lower byte and then by the upper one. */
        private void rank() {
            for (int i = 0; i < count; i++) {
                order[i] = i;
            }
            for (int shift = 0; shift < 16; shift += 8) {
                int[] start = new int[257];
                for (int i = 0; i < count; i++) {
                    start[(values[i] >> shift & 0xff) + 1]++;
                }
                for (int d = 0; d < 256; d++) {
                    start[d + 1] += start[d];
                }
                for (int i = 0; i < count; i++) {
                    spare[start[values[order[i]] >> shift & 0xff]++] = order[i];
                }
                int[] swap = order;
                order = spare;
                spare = swap;
            }
            for (int b = 0; b < BINS; b++) {
                for (int i = first(b); i < first(b + 1); i++) {
                    bins[order[i]] = (byte) b;
                    xs[i] = order[i] % width;
                    ys[i] = order[i] / width;
                }
            }
        }

        /** Where a bin begins in the order. */
        private int first(int bin) {
            return (int) ((long) count * bin / BINS);
        }

        @Override
        public void at(int y, int x, int bin, int rank) {
            int x0 = x - radius;
            int y0 = y - radius;
            int passed = 0;
            int i = first(bin) - 1;
            while (passed <= rank) {
                i++;
                int beyond = xs[i] - x0 | 2 * radius - xs[i] + x0 | ys[i] - y0 | 2 * radius - ys[i] + y0;
                passed += ~beyond >>> 31;
            }
            out[(top + y) * plane.width() + left + x] = values[order[i]];
        }
    }

    private static PlaneF floats(PlaneF plane, int radius, Work work) {
        float[] values = plane.values();
        float least = Float.POSITIVE_INFINITY;
        float most = Float.NEGATIVE_INFINITY;
        for (float v : values) {
            if (Float.isFinite(v)) {
                least = Math.min(least, v);
                most = Math.max(most, v);
            }
        }
        if (!(most > least)) {
            return plane;
        }
        float low = least;
        double step = ((double) most - least) / STEPS;
        short[] steps = new short[values.length];
        work.bands(values.length, (from, to) -> {
            for (int i = from; i < to; i++) {
                steps[i] = (short) Math.round(Math.clamp((values[i] - low) / step, 0, STEPS));
            }
        });
        short[] middles = shorts(Plane16.of(plane.width(), plane.height(), steps), radius, work);
        float[] out = new float[values.length];
        work.bands(values.length, (from, to) -> {
            for (int i = from; i < to; i++) {
                out[i] = (float) (low + (middles[i] & 0xffff) * step);
            }
        });
        return PlaneF.of(plane.width(), plane.height(), out);
    }
}
