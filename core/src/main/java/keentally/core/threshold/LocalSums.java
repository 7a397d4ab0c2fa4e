package keentally.core.threshold;

import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.work.Work;

/**
 * Mean and deviation of the square around each pixel of a row, over the field's finite values only; rows are asked for in any order,
 * and cheaply one after another. Sums of columns are kept; they are exact for whole numbers, and so do not hang on where one began.
 */
final class LocalSums {
    private final Plane plane;
    private final Mask inside;
    private final int radius;
    private final int width;
    private final double[] count;
    private final double[] sum;
    private final double[] squares;
    private final double[] mean;
    private final double[] deviation;
    private final float[] row;
    private int last = Integer.MIN_VALUE;

    LocalSums(Plane plane, Mask inside, int radius) {
        this.plane = plane;
        this.inside = inside;
        this.radius = radius;
        this.width = plane.width();
        this.count = new double[width];
        this.sum = new double[width];
        this.squares = new double[width];
        this.mean = new double[width];
        this.deviation = new double[width];
        this.row = new float[width];
    }

    static double greatestDeviation(Plane plane, Mask inside, int radius, Work work) {
        double[] greatest = new double[plane.height()];
        work.bands(plane.height(), (from, to) -> {
            LocalSums sums = new LocalSums(plane, inside, radius);
            for (int y = from; y < to; y++) {
                work.cancel().check();
                sums.means(y);
                for (int x = inside.nextSet(y, 0); x < sums.width; x = inside.nextSet(y, x + 1)) {
                    greatest[y] = Math.max(greatest[y], sums.deviation[x]);
                }
            }
        });
        double most = 0;
        for (double g : greatest) {
            most = Math.max(most, g);
        }
        return most;
    }

    /** The means of row {@code y}; 0 where the square holds no value. The array is used again. */
    double[] means(int y) {
        if (y == last + 1 && plane.depth().isWhole()) {
            change(y + radius, 1);
            change(last - radius, -1);
        } else {
            java.util.Arrays.fill(count, 0);
            java.util.Arrays.fill(sum, 0);
            java.util.Arrays.fill(squares, 0);
            for (int r = y - radius; r <= y + radius; r++) {
                change(r, 1);
            }
        }
        last = y;
        slide();
        return mean;
    }

    /** Of the row asked for last. */
    double[] deviations() {
        return deviation;
    }

    private void change(int y, int by) {
        if (y < 0 || y >= plane.height()) {
            return;
        }
        plane.readRow(y, 0, width, row, 0);
        for (int x = inside.nextSet(y, 0); x < width; x = inside.nextSet(y, x + 1)) {
            double v = row[x];
            if (v - v == 0) {
                count[x] += by;
                sum[x] += by * v;
                squares[x] += by * v * v;
            }
        }
    }

    private void slide() {
        double n = 0;
        double s = 0;
        double q = 0;
        for (int x = 0; x < Math.min(radius, width); x++) {
            n += count[x];
            s += sum[x];
            q += squares[x];
        }
        for (int x = 0; x < width; x++) {
            if (x + radius < width) {
                n += count[x + radius];
                s += sum[x + radius];
                q += squares[x + radius];
            }
            if (x - radius - 1 >= 0) {
                n -= count[x - radius - 1];
                s -= sum[x - radius - 1];
                q -= squares[x - radius - 1];
            }
            mean[x] = n > 0 ? s / n : 0;
            deviation[x] = n > 0 ? Math.sqrt(Math.max(0, q / n - mean[x] * mean[x])) : 0;
        }
    }
}
