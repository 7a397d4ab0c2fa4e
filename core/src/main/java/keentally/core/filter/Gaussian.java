package keentally.core.filter;

import keentally.core.picture.Border;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/**
 * Smoothing by a Gaussian of any width.
 *
 * <p>Definition: the convolution with g(i) ∝ exp(−i² / 2σ²), sampled at whole pixels and normalised to sum 1, along x and
 * then along y, the picture mirrored at its border. The field plays no part: smoothing reads the whole picture.
 *
 * <p>Edge cases: σ = 0 gives the values unchanged. Not-a-number spreads to every pixel whose surroundings hold it.
 *
 * <p>Accuracy: within 3e-4 of the picture's range. Up to σ = 4 px the sum is taken directly, out to 4σ; beyond, on a picture made small
 * ({@link ReducedGaussian}).
 *
 * <p>Cost: one pass, (8σ + 1) products a pixel and direction when direct, about 12 otherwise; 4 bytes a pixel for the result. Bands are
 * independent, so any number of threads gives the same bytes.
 */
public final class Gaussian {
    private static final double MOST_DIRECT = 4;

    private Gaussian() {}

    /** @param sigma in pixels, at least 0 */
    public static PlaneF of(Plane in, double sigma, Work work) {
        if (!(sigma >= 0) || !Double.isFinite(sigma)) {
            throw new IllegalArgumentException("sigma must be 0 px or more, was " + sigma);
        }
        return sigma <= MOST_DIRECT
                ? direct(in, kernel(sigma), kernel(sigma), work)
                : ReducedGaussian.of(in, sigma, work);
    }

    /** The right half of the kernel, its centre first. */
    static float[] kernel(double sigma) {
        int radius = (int) Math.ceil(4 * sigma);
        double[] half = new double[radius + 1];
        double sum = 0;
        for (int i = 0; i <= radius; i++) {
            half[i] = i == 0 ? 1 : StrictMath.exp(-i * (double) i / (2 * sigma * sigma));
            sum += i == 0 ? half[i] : 2 * half[i];
        }
        float[] kernel = new float[radius + 1];
        for (int i = 0; i <= radius; i++) {
            kernel[i] = (float) (half[i] / sum);
        }
        return kernel;
    }

    /** The sum taken directly. @param across the right half of the kernel along x, and {@code down} that along y */
    static PlaneF direct(Plane in, float[] across, float[] down, Work work) {
        float[] out = new float[in.width() * in.height()];
        work.bands(in.height(), (from, to) -> new DirectBand(in, across, down, out).run(from, to));
        return PlaneF.of(in.width(), in.height(), out);
    }

    /**
     * Rows smoothed along x are kept in a ring as long as the kernel needs them for the pass along y. Every sum reads all its rows at the
     * same place, shifted ones from a copy: so the compiler can do many places at a time.
     */
    private static final class DirectBand {
        private final Plane in;
        private final float[] across;
        private final float[] down;
        private final float[] out;
        private final int width;
        private final float[] padded;
        private final float[][] shifted;
        private final float[] sum;
        private final float[][] ring;

        DirectBand(Plane in, float[] across, float[] down, float[] out) {
            this.in = in;
            this.across = across;
            this.down = down;
            this.out = out;
            this.width = in.width();
            this.padded = new float[width + 2 * (across.length - 1)];
            this.shifted = new float[4][width];
            this.sum = new float[width];
            this.ring = new float[2 * down.length - 1][width];
        }

        void run(int from, int to) {
            int radius = down.length - 1;
            for (int y = from - radius; y < from + radius; y++) {
                smoothRow(y);
            }
            for (int y = from; y < to; y++) {
                smoothRow(y + radius);
                gather(y);
            }
        }

        private float[] row(int y) {
            return ring[Math.floorMod(y, ring.length)];
        }

        private void smoothRow(int y) {
            int radius = across.length - 1;
            in.readRow(Border.mirror(y, in.height()), 0, width, padded, radius);
            for (int i = 0; i < radius; i++) {
                padded[i] = padded[radius + Border.mirror(i - radius, width)];
                padded[radius + width + i] = padded[radius + Border.mirror(width + i, width)];
            }
            float[] row = row(y);
            begin(row, shifted(0, radius), across[0]);
            int k = 1;
            for (; k < radius; k += 2) {
                addPairs(
                        row,
                        shifted(0, radius - k),
                        shifted(1, radius + k),
                        shifted(2, radius - k - 1),
                        shifted(3, radius + k + 1),
                        across[k],
                        across[k + 1]);
            }
            if (k == radius) {
                addPair(row, shifted(0, radius - k), shifted(1, radius + k), across[k]);
            }
        }

        private float[] shifted(int which, int by) {
            System.arraycopy(padded, by, shifted[which], 0, width);
            return shifted[which];
        }

        private void gather(int y) {
            int radius = down.length - 1;
            begin(sum, row(y), down[0]);
            int k = 1;
            for (; k < radius; k += 2) {
                addPairs(sum, row(y - k), row(y + k), row(y - k - 1), row(y + k + 1), down[k], down[k + 1]);
            }
            if (k == radius) {
                addPair(sum, row(y - k), row(y + k), down[k]);
            }
            System.arraycopy(sum, 0, out, y * width, width);
        }

        private static void begin(float[] sum, float[] a, float weight) {
            for (int x = 0; x < sum.length; x++) {
                sum[x] = weight * a[x];
            }
        }

        /** Two pairs at once halve the trips to the sum. */
        private static void addPairs(float[] sum, float[] a, float[] b, float[] c, float[] d, float near, float far) {
            for (int x = 0; x < sum.length; x++) {
                sum[x] += near * (a[x] + b[x]) + far * (c[x] + d[x]);
            }
        }

        private static void addPair(float[] sum, float[] a, float[] b, float weight) {
            for (int x = 0; x < sum.length; x++) {
                sum[x] += weight * (a[x] + b[x]);
            }
        }
    }
}
