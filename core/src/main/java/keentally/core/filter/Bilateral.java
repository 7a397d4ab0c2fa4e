package keentally.core.filter;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/**
 * Smoothing that stops at edges: neighbours count by how near they are and by how alike.
 *
 * <p>Definition: the mean of the pixels within 2.5 σ of place, weighed by exp(−d²/2σ²) of the distance in place and of that in
 * value, the latter over all channels together; the picture mirrored at its border.
 *
 * <p>Accuracy: exp(−t) of the value is taken as (1 − t/256)²⁵⁶, which moves a mean by at most 0.008 σ of value, and never by as much as one
 * of 256 grey levels. Edge cases: what is not finite has no weight, and stays. Cost: 20 σ² products a pixel.
 *
 * <p>Method: one offset after another over a whole stripe of a row, every array read at the same place, so that the compiler can do many
 * pixels at a time.
 *
 * <p>Source: C. Tomasi and R. Manduchi (1998), "Bilateral filtering for gray and color images", Proc. ICCV, 839–846.
 */
public final class Bilateral {
    private static final double REACH = 2.5;
    private static final int SQUARINGS = 8;

    /** Pixels done together: what is asked of them stays in the nearest cache. */
    private static final int STRIPE = 960;

    /** In the place of a value that is not finite: too far from any to have a weight. */
    private static final float NOWHERE = 1e18f;

    private final int radius;
    private final float[] byPlace;
    private final float perSquare;

    private Bilateral(double sigmaSpace, double sigmaValue) {
        this.radius = (int) Math.ceil(REACH * sigmaSpace);
        int side = 2 * radius + 1;
        this.byPlace = new float[side * side];
        for (int i = 0; i < byPlace.length; i++) {
            double dx = i % side - radius;
            double dy = (i - i % side) / (double) side - radius;
            double square = dx * dx + dy * dy;
            boolean within = square <= REACH * REACH * sigmaSpace * sigmaSpace;
            byPlace[i] = within ? (float) StrictMath.exp(-square / (2 * sigmaSpace * sigmaSpace)) : 0;
        }
        this.perSquare = (float) (1 / (2 * sigmaValue * sigmaValue * (1 << SQUARINGS)));
    }

    /**
     * @param planes the channels, of one size
     * @param sigmaSpace in pixels, above 0
     * @param sigmaValue in the picture's values, above 0
     */
    public static List<Plane> of(List<Plane> planes, double sigmaSpace, double sigmaValue, Work work) {
        if (!(sigmaSpace > 0) || !(sigmaValue > 0)) {
            throw new IllegalArgumentException(
                    "both sigmas must be above 0, were " + sigmaSpace + " and " + sigmaValue);
        }
        int width = planes.getFirst().width();
        int height = planes.getFirst().height();
        Bilateral filter = new Bilateral(sigmaSpace, sigmaValue);
        float[][] out = new float[planes.size()][width * height];
        work.bands(height, (from, to) -> filter.new Band(planes).run(from, to, out, work));
        List<Plane> smoothed = new ArrayList<>();
        for (float[] values : out) {
            smoothed.add(PlaneF.of(width, height, values));
        }
        return smoothed;
    }

    /** The rows in reach, and what a stripe of one of them needs. */
    private final class Band {
        private final List<Plane> planes;
        private final int channels;
        private final int width;
        private final List<RowWindow> windows;
        private final float[][][] ring;
        private final float[][] centre;
        private final float[][] near;
        private final float[][] sums;
        private final float[] weight = new float[STRIPE];
        private final float[] weights = new float[STRIPE];

        Band(List<Plane> planes) {
            this.planes = planes;
            channels = planes.size();
            width = planes.getFirst().width();
            windows = planes.stream().map(p -> RowWindow.mirrored(p, radius)).toList();
            ring = new float[2 * radius + 1][channels][width + 2 * radius];
            centre = new float[channels][STRIPE];
            near = new float[channels][STRIPE];
            sums = new float[channels][STRIPE];
        }

        void run(int from, int to, float[][] out, Work work) {
            for (int y = from - radius; y < from + radius; y++) {
                load(y);
            }
            for (int y = from; y < to; y++) {
                work.cancel().check();
                load(y + radius);
                for (int x = 0; x < width; x += STRIPE) {
                    stripe(y, x, Math.min(STRIPE, width - x), out);
                }
            }
        }

        private void load(int y) {
            for (int c = 0; c < channels; c++) {
                windows.get(c).read(y, row(y)[c]);
                float[] row = row(y)[c];
                for (int x = 0; x < row.length; x++) {
                    row[x] = Float.isFinite(row[x]) ? row[x] : NOWHERE;
                }
            }
        }

        private float[][] row(int y) {
            return ring[Math.floorMod(y, ring.length)];
        }

        private void stripe(int y, int left, int n, float[][] out) {
            copy(row(y), left + radius, centre, n);
            Arrays.fill(weights, 0);
            for (float[] sum : sums) {
                Arrays.fill(sum, 0);
            }
            int side = 2 * radius + 1;
            for (int i = 0; i < byPlace.length; i++) {
                if (byPlace[i] > 0) {
                    copy(row(y + i / side - radius), left + i % side, near, n);
                    weigh(byPlace[i]);
                    for (int c = 0; c < channels; c++) {
                        add(sums[c], near[c]);
                    }
                }
            }
            for (int c = 0; c < channels; c++) {
                for (int x = 0; x < n; x++) {
                    sums[c][x] = isSomewhere(x)
                            ? sums[c][x] / weights[x]
                            : planes.get(c).at(left + x, y);
                }
                System.arraycopy(sums[c], 0, out[c], y * width + left, n);
            }
        }

        private boolean isSomewhere(int x) {
            for (float[] values : centre) {
                if (values[x] == NOWHERE) {
                    return false;
                }
            }
            return true;
        }

        private void copy(float[][] from, int at, float[][] to, int n) {
            for (int c = 0; c < channels; c++) {
                System.arraycopy(from[c], at, to[c], 0, n);
            }
        }

        private void weigh(float place) {
            squares(weight, near[0], centre[0]);
            for (int c = 1; c < channels; c++) {
                addSquares(weight, near[c], centre[c]);
            }
            bells(weight, perSquare, place, weights);
        }

        private static void bells(float[] w, float per, float place, float[] all) {
            for (int x = 0; x < STRIPE; x++) {
                float v = Math.max(0, 1 - w[x] * per);

                v *= v;
                v *= v;
                v *= v;
                v *= v;
                v *= v;
                v *= v;
                v *= v;
                v *= v; // as often as SQUARINGS says
                v *= place;
                w[x] = v;
                all[x] += v;
            }
        }

        private static void squares(float[] to, float[] a, float[] b) {
            for (int x = 0; x < STRIPE; x++) {
                float off = a[x] - b[x];
                to[x] = off * off;
            }
        }

        private static void addSquares(float[] to, float[] a, float[] b) {
            for (int x = 0; x < STRIPE; x++) {
                float off = a[x] - b[x];
                to[x] += off * off;
            }
        }

        private void add(float[] sum, float[] values) {
            float[] w = weight;
            for (int x = 0; x < STRIPE; x++) {
                sum[x] += w[x] * values[x];
            }
        }
    }
}
