package keentally.core.starter;

import java.util.Optional;
import java.util.OptionalDouble;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Plane;
import keentally.core.stats.Histogram;
import keentally.core.threshold.rule.Otsu;
import keentally.core.work.Work;

/**
 * The two sides of Otsu's cut.
 *
 * @param dark the mean of the dark side
 * @param apart how far the mean of the bright side is from it
 * @param explained the share of the variance that lies between them
 */
record TwoSides(double cut, double dark, double apart, double explained) {
    /** Of noise, in the distance of the sides: from here on Otsu's cut takes single pixels to the wrong side. */
    private static final double NOISY = 0.06;

    /** Empty where all values are the same, or none is a number. */
    static Optional<TwoSides> of(Plane plane, Field field, Work work) {
        Histogram histogram = Histogram.of(plane, field, work);
        OptionalDouble cut = histogram.total() == 0 ? OptionalDouble.empty() : Otsu.cut(histogram);
        if (cut.isEmpty()) {
            return Optional.empty();
        }
        double[] n = new double[2];
        double[] sum = new double[2];
        double squares = 0;
        for (int i = histogram.firstOccupied(); i <= histogram.lastOccupied(); i++) {
            double value = histogram.upperEdge(i);
            int side = value <= cut.getAsDouble() ? 0 : 1;
            n[side] += histogram.count(i);
            sum[side] += histogram.count(i) * value;
            squares += histogram.count(i) * value * value;
        }
        double all = n[0] + n[1];
        double mean = (sum[0] + sum[1]) / all;
        double apart = sum[1] / n[1] - sum[0] / n[0];
        double explained = n[0] / all * (n[1] / all) * apart * apart / (squares / all - mean * mean);
        return Optional.of(new TwoSides(cut.getAsDouble(), sum[0] / n[0], apart, explained));
    }

    /** The cut moved by a share of their distance, as far as it still parts their means. */
    double moved(double share) {
        return Math.clamp(cut + share * apart, dark, dark + apart);
    }

    /** Whether the noise of single pixels is more than a small part of what lies between the sides. */
    boolean areNoisy(Plane plane, Field field) {
        return noise(plane, field) > NOISY * apart;
    }

    /**
     * The standard deviation of the noise, from how a pixel differs from its eight neighbours.
     *
     * <p>Source: J. Immerkær, Fast noise variance estimation, Computer Vision and Image Understanding 64 (1996).
     */
    private static double noise(Plane plane, Field field) {
        Mask inner = field.inner(Neighbours.EIGHT);
        int width = plane.width();
        float[][] rows = new float[3][width];
        double sum = 0;
        long seen = 0;
        for (int y = 1; y < plane.height() - 1; y++) {
            for (int j = 0; j < 3; j++) {
                plane.readRow(y - 1 + j, 0, width, rows[j], 0);
            }
            for (int x = 1; x < width - 1; x++) {
                if (inner.at(x, y)) {
                    float corners = rows[0][x - 1] + rows[0][x + 1] + rows[2][x - 1] + rows[2][x + 1];
                    float sides = rows[0][x] + rows[2][x] + rows[1][x - 1] + rows[1][x + 1];
                    sum += Math.abs(corners - 2 * sides + 4 * rows[1][x]);
                    seen++;
                }
            }
        }
        return Math.sqrt(Math.PI / 2) * sum / (6 * Math.max(1, seen));
    }
}
