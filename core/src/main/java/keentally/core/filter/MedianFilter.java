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
 * <p>Cost: for 8 bits nearly the same for any radius, by histograms of columns; otherwise growing with the radius, by a histogram that
 * slides along the row.
 *
 * <p>Sources: S. Perreault and P. Hébert (2007), "Median filtering in constant time", IEEE Transactions on Image Processing 16(9),
 * 2389–2394; T. S. Huang, G. J. Yang and G. Y. Tang (1979), "A fast two-dimensional median filtering algorithm", IEEE Transactions
 * on Acoustics, Speech, and Signal Processing 27(1), 13–18.
 */
public final class MedianFilter {
    private static final int STEPS = 65535;
    private static final int MOST_RADIUS = 127;

    /** Rows done together at least: each part begins by counting the rows around its first one. */
    private static final int LEAST_ROWS = 256;

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
        return switch (plane) {
            case Plane8 p -> Plane8.of(p.width(), p.height(), bytes(p, radius, work));
            case Plane16 p -> Plane16.of(p.width(), p.height(), shorts(p, radius, work));
            case PlaneF p -> floats(p, radius, work);
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
                new ByteColumns(plane, radius, left, right).run(from, to, out, work);
            }
            return to - from;
        });
        return out;
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
        ByteColumns(Plane8 plane, int radius, int left, int right) {
            this.values = plane.values();
            this.width = plane.width();
            this.height = plane.height();
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

        void run(int from, int to, byte[] out, Work work) {
            for (int y = from - radius; y <= from + radius; y++) {
                int base = Border.mirror(y, height) * width;
                for (int i = 0; i < columns.length; i++) {
                    count(i, values[base + columns[i]] & 0xff, 1);
                }
            }
            row(from, out);
            for (int y = from + 1; y < to; y++) {
                work.cancel().check();
                int gone = Border.mirror(y - radius - 1, height) * width;
                int come = Border.mirror(y + radius, height) * width;
                for (int i = 0; i < columns.length; i++) {
                    count(i, values[gone + columns[i]] & 0xff, -1);
                    count(i, values[come + columns[i]] & 0xff, 1);
                }
                row(y, out);
            }
        }

        private void count(int column, int v, long by) {
            coarse[column * 4 + (v >> 6)] += by << (v >> 4 & 3) * 16;
            fine[column * 64 + (v >> 2)] += by << (v & 3) * 16;
        }

        /** The coarse counts of the square stay in four variables. */
        private void row(int y, byte[] out) {
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
                first(squareFine[f], squareFine[f + 1], squareFine[f + 2], squareFine[f + 3], rank);
                out[y * width + left + x] = (byte) (bin * 16 + found);
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
        work.bands(plane.height(), (from, to) -> {
            Sliding sliding = new Sliding(plane, radius);
            for (int y = from; y < to; y++) {
                work.cancel().check();
                sliding.row(y, out);
            }
        });
        return out;
    }

    /** One histogram that slides along a row, with a coarse one of 256 bins above it and the number below the middle. */
    private static final class Sliding {
        private final short[] values;
        private final int width;
        private final int height;
        private final int radius;
        private final char[] fine = new char[65536];
        private final int[] coarse = new int[256];
        private int middle;
        private int below;

        Sliding(Plane16 plane, int radius) {
            this.values = plane.values();
            this.width = plane.width();
            this.height = plane.height();
            this.radius = radius;
        }

        void row(int y, short[] out) {
            Arrays.fill(fine, (char) 0);
            Arrays.fill(coarse, 0);
            middle = 0;
            below = 0;
            int[] bases = new int[2 * radius + 1];
            for (int i = 0; i < bases.length; i++) {
                bases[i] = Border.mirror(y + i - radius, height) * width;
            }
            for (int i = -radius; i <= radius; i++) {
                change(bases, Border.mirror(i, width), 1);
            }
            int half = bases.length * bases.length / 2;
            for (int x = 0; x < width; x++) {
                settle(half);
                out[y * width + x] = (short) middle;
                change(bases, Border.mirror(x - radius, width), -1);
                change(bases, Border.mirror(x + radius + 1, width), 1);
            }
        }

        private void change(int[] bases, int column, int by) {
            for (int base : bases) {
                int v = values[base + column] & 0xffff;
                fine[v] += (char) by;
                coarse[v >> 8] += by;
                below += v < middle ? by : 0;
            }
        }

        /** Moves the middle until at most half lie below it and more than half up to it. */
        private void settle(int half) {
            while (below > half) {
                if ((middle & 0xff) == 0 && below - coarse[(middle >> 8) - 1] > half) {
                    middle -= 256;
                    below -= coarse[middle >> 8];
                } else {
                    below -= fine[--middle];
                }
            }
            while (below + fine[middle] <= half) {
                if ((middle & 0xff) == 0 && below + coarse[middle >> 8] <= half) {
                    below += coarse[middle >> 8];
                    middle += 256;
                } else {
                    below += fine[middle++];
                }
            }
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
