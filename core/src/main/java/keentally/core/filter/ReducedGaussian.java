package keentally.core.filter;

import keentally.core.picture.Border;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/**
 * The Gaussian of a large width on a picture made small: what it leaves is so smooth that few places tell all of it.
 *
 * <p>Each side is cut into equal cells, {@value #CELLS_PER_SIGMA} for each sigma, so that the small picture is mirrored at its border as the
 * picture itself is. The variance of the Gaussian is shared out: {@value #BESIDE}² cells² for making small, as much for bringing the values
 * back to every pixel, the rest on the small picture.
 *
 * <p>Accuracy: what folds over at the cells' spacing was made at least e⁻⁹ times as small before, and each of the three sums is
 * normalised, so that an even picture stays as it is.
 */
final class ReducedGaussian {
    private static final double CELLS_PER_SIGMA = 1.8;
    private static final double BESIDE = 0.7;

    /** Sigma as a multiple of a side from where on all along it is its mean; what is left of the slowest wave is below 1e-5. */
    private static final double MEAN_FROM = 1.6;

    private final Side across;
    private final Side down;

    private ReducedGaussian(Side across, Side down) {
        this.across = across;
        this.down = down;
    }

    static PlaneF of(Plane in, double sigma, Work work) {
        ReducedGaussian filter = new ReducedGaussian(new Side(in.width(), sigma), new Side(in.height(), sigma));
        PlaneF small = filter.reduced(in, work);
        return filter.enlarged(
                Gaussian.direct(small, filter.across.kernel, filter.down.kernel, work), in.width(), in.height(), work);
    }

    /** The cells of a side, and what is left of the Gaussian to be done on them. */
    private static final class Side {
        private final int cells;
        private final float[] kernel;
        private final Shares reducing;
        private final Shares enlarging;

        Side(int length, double sigma) {
            double s = Math.min(sigma, MEAN_FROM * length);
            cells = (int) Math.ceil(length * CELLS_PER_SIGMA / s);
            double size = (double) length / cells;
            kernel = Gaussian.kernel(Math.sqrt(s * s / (size * size) - 2 * BESIDE * BESIDE));
            reducing = new Shares(cells, length, size, BESIDE * size);
            enlarging = new Shares(length, cells, 1 / size, BESIDE);
        }
    }

    /** What each place of one row of places takes from those of another: from the first that counts on, so much of each. */
    private static final class Shares {
        private final int[] first;
        private final float[][] share;

        /**
         * @param spacing of the places, and {@code sigma} of what they take, in those of the other row
         */
        Shares(int places, int others, double spacing, double sigma) {
            first = new int[places];
            share = new float[places][];
            for (int i = 0; i < places; i++) {
                double middle = (i + 0.5) * spacing - 0.5;
                int from = (int) Math.ceil(middle - 4 * sigma);
                int to = (int) Math.floor(middle + 4 * sigma);
                int least = others;
                int most = 0;
                for (int k = from; k <= to; k++) {
                    least = Math.min(least, Border.mirror(k, others));
                    most = Math.max(most, Border.mirror(k, others));
                }
                double[] sums = new double[most - least + 1];
                double all = 0;
                for (int k = from; k <= to; k++) {
                    double off = (k - middle) / sigma;
                    double bell = StrictMath.exp(-off * off / 2);
                    sums[Border.mirror(k, others) - least] += bell;
                    all += bell;
                }
                first[i] = least;
                share[i] = new float[sums.length];
                for (int k = 0; k < sums.length; k++) {
                    share[i][k] = (float) (sums[k] / all);
                }
            }
        }

        int end(int place) {
            return first[place] + share[place].length;
        }

        /** The sum for each place, from a row of the others. */
        void gather(float[] row, float[] to) {
            for (int i = 0; i < first.length; i++) {
                float[] weights = share[i];
                int from = first[i];
                float sum = 0;
                for (int k = 0; k < weights.length; k++) {
                    sum += weights[k] * row[from + k];
                }
                to[i] = sum;
            }
        }
    }

    private PlaneF reduced(Plane in, Work work) {
        float[] small = new float[across.cells * down.cells];
        work.bands(down.cells, (from, to) -> {
            Shares rows = down.reducing;
            float[] row = new float[in.width()];
            float[][] sums = new float[to][];
            float[] cells = new float[across.cells];
            int open = from;
            for (int cell = from; cell < to; cell++) {
                int y = cell == from ? rows.first[from] : Math.max(rows.first[from], rows.end(cell - 1));
                for (; y < rows.end(cell); y++) {
                    in.readRow(y, 0, row.length, row, 0);
                    while (open < to && rows.first[open] <= y) {
                        sums[open++] = new float[row.length];
                    }
                    for (int c = cell; c < open; c++) {
                        if (y < rows.end(c)) {
                            add(sums[c], row, rows.share[c][y - rows.first[c]]);
                        }
                    }
                }
                across.reducing.gather(sums[cell], cells);
                sums[cell] = null;
                System.arraycopy(cells, 0, small, cell * cells.length, cells.length);
            }
        });
        return PlaneF.of(across.cells, down.cells, small);
    }

    private PlaneF enlarged(PlaneF small, int width, int height, Work work) {
        float[] out = new float[width * height];
        work.bands(height, (from, to) -> {
            Shares rows = down.enlarging;
            float[][] wide = new float[down.cells][];
            float[] sum = new float[width];
            float[] cells = new float[across.cells];
            for (int y = from; y < to; y++) {
                for (int k = 0; k < rows.share[y].length; k++) {
                    int cell = rows.first[y] + k;
                    if (wide[cell] == null) {
                        small.readRow(cell, 0, cells.length, cells, 0);
                        wide[cell] = new float[width];
                        across.enlarging.gather(cells, wide[cell]);
                    }
                    if (k == 0) {
                        fill(sum, wide[cell], rows.share[y][0]);
                    } else {
                        add(sum, wide[cell], rows.share[y][k]);
                    }
                }
                System.arraycopy(sum, 0, out, y * width, width);
            }
        });
        return PlaneF.of(width, height, out);
    }

    private static void fill(float[] sum, float[] row, float weight) {
        for (int x = 0; x < row.length; x++) {
            sum[x] = weight * row[x];
        }
    }

    private static void add(float[] sum, float[] row, float weight) {
        for (int x = 0; x < row.length; x++) {
            sum[x] += weight * row[x];
        }
    }
}
