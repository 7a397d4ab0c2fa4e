package keentally.core.filter;

import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/**
 * The mean of the square around each pixel, |dx| ≤ r and |dy| ≤ r, the picture mirrored at its border.
 *
 * <p>Edge cases: r = 0 gives the values unchanged; not-a-number spreads to every pixel whose square holds it, and in floating
 * point along what is left of its row and band. Cost: four sums a pixel, whatever the radius.
 */
public final class MeanFilter {
    private MeanFilter() {}

    /** @param radius in pixels, at least 0 */
    public static PlaneF of(Plane plane, int radius, Work work) {
        if (radius < 0) {
            throw new IllegalArgumentException("the radius must be 0 px or more, was " + radius);
        }
        int width = plane.width();
        float[] out = new float[width * plane.height()];
        RowWindow rows = RowWindow.mirrored(plane, radius);
        double pixels = (2.0 * radius + 1) * (2.0 * radius + 1);
        work.bands(plane.height(), (from, to) -> {
            double[] columns = new double[width + 2 * radius];
            float[] row = new float[columns.length];
            for (int y = from - radius; y < from + radius; y++) {
                add(rows, y, 1, row, columns);
            }
            for (int y = from; y < to; y++) {
                add(rows, y + radius, 1, row, columns);
                double sum = 0;
                for (int i = 0; i < 2 * radius; i++) {
                    sum += columns[i];
                }
                for (int x = 0; x < width; x++) {
                    sum += columns[x + 2 * radius];
                    out[y * width + x] = (float) (sum / pixels);
                    sum -= columns[x];
                }
                add(rows, y - radius, -1, row, columns);
            }
        });
        return PlaneF.of(width, plane.height(), out);
    }

    private static void add(RowWindow rows, int y, int sign, float[] row, double[] columns) {
        rows.read(y, row);
        for (int i = 0; i < row.length; i++) {
            columns[i] += sign * row[i];
        }
    }
}
