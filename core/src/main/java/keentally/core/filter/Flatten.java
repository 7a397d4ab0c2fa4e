package keentally.core.filter;

import java.util.Optional;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/**
 * Takes a background out of a picture and keeps the field's mean where it was.
 *
 * <p>Definition: v − b, or v ÷ b, then moved or scaled as a whole so that the mean over the field is that of v. Division is right
 * for light that falls unevenly, subtraction for light that is added.
 */
public final class Flatten {
    private Flatten() {}

    /** The plane less its background, raised by the background's mean inside the field, so that the grey stays where it was. */
    public static PlaneF subtract(Plane plane, Plane background, Field field, Work work) {
        PlaneF flat = EachValue.of(plane, background, (v, b) -> v - b, work);
        float shift = (float) (mean(plane, field, work) - mean(flat, field, work));
        return EachValue.of(flat, v -> v + shift, work);
    }

    /** Empty where the background is not above 0 everywhere in the field, or the result has no mean to scale by. */
    public static Optional<PlaneF> divide(Plane plane, Plane background, Field field, Work work) {
        if (!(least(background, field) > 0)) {
            return Optional.empty();
        }
        PlaneF flat = EachValue.of(plane, background, (v, b) -> v / b, work);
        double now = mean(flat, field, work);
        if (now == 0 || Double.isNaN(now)) {
            return Optional.empty();
        }
        float factor = (float) (mean(plane, field, work) / now);
        return Optional.of(EachValue.of(flat, v -> v * factor, work));
    }

    /** Mean of the finite values in the field, summed row by row. */
    static double mean(Plane plane, Field field, Work work) {
        Mask inside = field.mask();
        int width = plane.width();
        double[] sums = new double[plane.height()];
        long[] counts = new long[plane.height()];
        work.bands(plane.height(), (from, to) -> {
            float[] row = new float[width];
            for (int y = from; y < to; y++) {
                plane.readRow(y, 0, width, row, 0);
                for (int x = inside.nextSet(y, 0); x < width; x = inside.nextSet(y, x + 1)) {
                    if (Float.isFinite(row[x])) {
                        sums[y] += row[x];
                        counts[y]++;
                    }
                }
            }
        });
        double sum = 0;
        long count = 0;
        for (int y = 0; y < sums.length; y++) {
            sum += sums[y];
            count += counts[y];
        }
        return sum / count;
    }

    private static float least(Plane plane, Field field) {
        Mask inside = field.mask();
        float least = Float.POSITIVE_INFINITY;
        for (int y = 0; y < plane.height(); y++) {
            for (int x = inside.nextSet(y, 0); x < plane.width(); x = inside.nextSet(y, x + 1)) {
                least = Math.min(least, plane.at(x, y));
            }
        }
        return least;
    }
}
