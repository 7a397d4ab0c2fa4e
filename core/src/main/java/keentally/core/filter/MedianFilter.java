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
 * <p>Cost: for 8 bits the same for any radius, by histograms of columns; otherwise growing with the radius, by a histogram that
 * slides along the row.
 *
 * <p>Sources: S. Perreault and P. Hébert (2007), "Median filtering in constant time", IEEE Transactions on Image Processing 16(9),
 * 2389–2394; T. S. Huang, G. J. Yang and G. Y. Tang (1979), "A fast two-dimensional median filtering algorithm", IEEE Transactions
 * on Acoustics, Speech, and Signal Processing 27(1), 13–18.
 */
public final class MedianFilter {
    private static final int STEPS = 65535;
    private static final int MOST_RADIUS = 127;

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
        work.bands(plane.height(), (from, to) -> new ByteColumns(plane, radius).run(from, to, out, work));
        return out;
    }

    /** A histogram a column and one of the square, each with a coarse one of 16 bins above it. */
    private static final class ByteColumns {
        private final byte[] values;
        private final int width;
        private final int height;
        private final int radius;
        private final short[] coarse;
        private final short[] fine;
        private final int[] square = new int[16];
        private final int[] squareFine = new int[256];
        private final int[] fineUpTo = new int[16];

        ByteColumns(Plane8 plane, int radius) {
            this.values = plane.values();
            this.width = plane.width();
            this.height = plane.height();
            this.radius = radius;
            this.coarse = new short[width * 16];
            this.fine = new short[width * 256];
        }

        void run(int from, int to, byte[] out, Work work) {
            for (int y = from - radius; y < from + radius; y++) {
                change(y, 1);
            }
            for (int y = from; y < to; y++) {
                work.cancel().check();
                change(y + radius, 1);
                row(y, out);
                change(y - radius, -1);
            }
        }

        private void change(int y, int by) {
            int base = Border.mirror(y, height) * width;
            for (int x = 0; x < width; x++) {
                int v = values[base + x] & 0xff;
                coarse[x * 16 + (v >> 4)] += (short) by;
                fine[x * 256 + v] += (short) by;
            }
        }

        private void row(int y, byte[] out) {
            Arrays.fill(square, 0);
            Arrays.fill(fineUpTo, Integer.MIN_VALUE);
            for (int i = -radius; i <= radius; i++) {
                addCoarse(Border.mirror(i, width), 1);
            }
            int half = (2 * radius + 1) * (2 * radius + 1) / 2;
            for (int x = 0; x < width; x++) {
                int below = 0;
                int c = 0;
                while (below + square[c] <= half) {
                    below += square[c++];
                }
                bringFine(c, x);
                int v = c * 16;
                while (below + squareFine[v] <= half) {
                    below += squareFine[v++];
                }
                out[y * width + x] = (byte) v;
                addCoarse(Border.mirror(x + radius + 1, width), 1);
                addCoarse(Border.mirror(x - radius, width), -1);
            }
        }

        private void addCoarse(int column, int sign) {
            int base = column * 16;
            for (int i = 0; i < 16; i++) {
                square[i] += sign * coarse[base + i];
            }
        }

        /** The fine bins of one coarse bin, brought from where they were last to the square around {@code x}. */
        private void bringFine(int c, int x) {
            int at = fineUpTo[c];
            if (at < x - 2 * radius) {
                Arrays.fill(squareFine, c * 16, c * 16 + 16, 0);
                for (int i = x - radius; i <= x + radius; i++) {
                    addFine(c, Border.mirror(i, width), 1);
                }
            } else {
                for (int i = at + 1; i <= x; i++) {
                    addFine(c, Border.mirror(i + radius, width), 1);
                    addFine(c, Border.mirror(i - radius - 1, width), -1);
                }
            }
            fineUpTo[c] = x;
        }

        private void addFine(int c, int column, int sign) {
            int base = column * 256 + c * 16;
            for (int i = 0; i < 16; i++) {
                squareFine[c * 16 + i] += sign * fine[base + i];
            }
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
        private final int[] fine = new int[65536];
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
            Arrays.fill(fine, 0);
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
                fine[v] += by;
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
