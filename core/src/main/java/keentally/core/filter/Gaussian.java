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
 * <p>Edge cases: σ = 0 gives the values unchanged. Not-a-number spreads to every pixel whose surroundings hold it, by the
 * recursive way along its whole row and column.
 *
 * <p>Accuracy: within 1e-3 of the picture's range. Up to σ = 4 px the sum is taken directly, out to 4σ; beyond, by a
 * recursive filter; where σ is more than 1.6 times a side, everything along it is its mean (what is left of the slowest
 * wave is below 1e-5).
 *
 * <p>Cost: one pass, (8σ + 1) products a pixel and direction when direct, 16 otherwise; 4 bytes a pixel for the result and
 * 4 more when recursive. Bands are independent, so any number of threads gives the same bytes.
 *
 * <p>Source of the recursion and its constants: R. Deriche (1993), "Recursively implementing the Gaussian and its
 * derivatives", INRIA research report 1893, fourth order.
 */
public final class Gaussian {
    private static final double MOST_DIRECT = 4;
    private static final double MEAN_FROM = 1.6;

    private Gaussian() {}

    /** @param sigma in pixels, at least 0 */
    public static PlaneF of(Plane in, double sigma, Work work) {
        if (!(sigma >= 0) || !Double.isFinite(sigma)) {
            throw new IllegalArgumentException("sigma must be 0 px or more, was " + sigma);
        }
        return sigma <= MOST_DIRECT
                ? direct(in, kernel(sigma), work)
                : RecursiveGaussian.of(in, sigma, MEAN_FROM, work);
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

    private static PlaneF direct(Plane in, float[] kernel, Work work) {
        float[] out = new float[in.width() * in.height()];
        work.bands(in.height(), (from, to) -> new DirectBand(in, kernel, out).run(from, to));
        return PlaneF.of(in.width(), in.height(), out);
    }

    /** Rows smoothed along x are kept in a ring as long as the kernel needs them for the pass along y. */
    private static final class DirectBand {
        private final Plane in;
        private final float[] kernel;
        private final float[] out;
        private final int radius;
        private final int width;
        private final float[] padded;
        private final float[][] ring;

        DirectBand(Plane in, float[] kernel, float[] out) {
            this.in = in;
            this.kernel = kernel;
            this.out = out;
            this.radius = kernel.length - 1;
            this.width = in.width();
            this.padded = new float[width + 2 * radius];
            this.ring = new float[2 * radius + 1][width];
        }

        void run(int from, int to) {
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
            in.readRow(Border.mirror(y, in.height()), 0, width, padded, radius);
            for (int i = 0; i < radius; i++) {
                padded[i] = padded[radius + Border.mirror(i - radius, width)];
                padded[radius + width + i] = padded[radius + Border.mirror(width + i, width)];
            }
            float[] row = row(y);
            float centre = kernel[0];
            for (int x = 0; x < width; x++) {
                row[x] = centre * padded[x + radius];
            }
            int k = 1;
            for (; k < radius; k += 2) {
                addPairs(
                        row,
                        0,
                        padded,
                        radius - k,
                        padded,
                        radius + k,
                        padded,
                        radius - k - 1,
                        padded,
                        radius + k + 1,
                        k);
            }
            if (k == radius) {
                addPair(row, 0, padded, radius - k, padded, radius + k, kernel[k], width);
            }
        }

        private void gather(int y) {
            int base = y * width;
            float[] middle = row(y);
            float centre = kernel[0];
            for (int x = 0; x < width; x++) {
                out[base + x] = centre * middle[x];
            }
            int k = 1;
            for (; k < radius; k += 2) {
                addPairs(out, base, row(y - k), 0, row(y + k), 0, row(y - k - 1), 0, row(y + k + 1), 0, k);
            }
            if (k == radius) {
                addPair(out, base, row(y - k), 0, row(y + k), 0, kernel[k], width);
            }
        }

        /** Two pairs at once halve the trips to the sum. */
        private void addPairs(
                float[] sum, int s, float[] a, int i, float[] b, int j, float[] c, int l, float[] d, int m, int k) {
            float near = kernel[k];
            float far = kernel[k + 1];
            for (int x = 0; x < width; x++) {
                sum[s + x] += near * (a[i + x] + b[j + x]) + far * (c[l + x] + d[m + x]);
            }
        }

        private static void addPair(float[] sum, int s, float[] a, int i, float[] b, int j, float weight, int n) {
            for (int x = 0; x < n; x++) {
                sum[s + x] += weight * (a[i + x] + b[j + x]);
            }
        }
    }
}
