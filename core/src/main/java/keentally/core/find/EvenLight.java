package keentally.core.find;

import java.util.Arrays;
import java.util.Optional;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.stats.Histogram;
import keentally.core.stats.Surface;
import keentally.core.threshold.rule.Otsu;
import keentally.core.work.Work;

/**
 * How even the light is over a field.
 *
 * <p>Definition. The field's values are parted in two by Otsu's rule; of the larger part, the ground, the median is taken in
 * each of {@value #TILES} × {@value #TILES} tiles in which it fills at least a tenth. A surface of second order is fitted to
 * these by least squares, twice, the second time without tiles that lie further off than three standard deviations. The
 * variation is the surface's greatest less its least value over the tiles, in per cent of its mean. It is 0 where the tiles lie off the
 * surface by more than {@value #ROUGH} of it (root mean square): what changes as light does not is the sample itself.
 *
 * <p>Edge cases: empty where fewer than {@value #LEAST_TILES} tiles can be told, where the ground's mean is not above 0, and for
 * a field of one value. Cost: two passes over the field.
 */
public final class EvenLight {
    /** From here on one cut does not do for the whole field. */
    public static final double UNEVEN_PERCENT = 10;

    private static final int TILES = 16;
    private static final int LEAST_TILES = 20;
    private static final int LEAST_PIXELS = 24;
    private static final double ROUGH = 0.28;
    private static final int SAMPLED = 400;

    private EvenLight() {}

    /** The variation in per cent. */
    public static Optional<Double> variation(Plane plane, Field field, Work work) {
        Histogram histogram = Histogram.of(plane, field, work);
        if (histogram.total() == 0 || histogram.firstOccupied() == histogram.lastOccupied()) {
            return Optional.empty();
        }
        double cut = Otsu.cut(histogram).orElseThrow();
        boolean dark = 2 * histogram.atMost(cut) >= histogram.total();
        double[][] tiles = tiles(plane, field, cut, dark);
        return fit(tiles, 0, Optional.empty())
                .flatMap(first -> fit(tiles, 3 * spread(tiles, first) + 1e-9, Optional.of(first)))
                .flatMap(surface -> variation(surface, tiles));
    }

    private static Optional<Double> variation(Surface surface, double[][] tiles) {
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        double sum = 0;
        for (double[] tile : tiles) {
            double at = surface.at(tile[0], tile[1]);
            least = Math.min(least, at);
            most = Math.max(most, at);
            sum += at;
        }
        double mean = sum / tiles.length;
        boolean rough = spread(tiles, surface) > ROUGH * (most - least);
        return mean > 0 ? Optional.of(rough ? 0 : 100 * (most - least) / mean) : Optional.empty();
    }

    /** x, y from −1 to 1, and the median of the ground. */
    private static double[][] tiles(Plane plane, Field field, double cut, boolean dark) {
        Mask mask = field.mask();
        double[][] found = new double[TILES * TILES][];
        int n = 0;
        for (int t = 0; t < TILES * TILES; t++) {
            int left = t % TILES * plane.width() / TILES;
            int right = (t % TILES + 1) * plane.width() / TILES;
            int top = t / TILES * plane.height() / TILES;
            int bottom = (t / TILES + 1) * plane.height() / TILES;
            int step = Math.max(1, (int) Math.sqrt((double) (right - left) * (bottom - top) / SAMPLED));
            float[] ground = new float[((right - left) / step + 1) * ((bottom - top) / step + 1)];
            int inside = 0;
            int kept = 0;
            for (int y = top; y < bottom; y += step) {
                for (int x = left; x < right; x += step) {
                    if (mask.at(x, y)) {
                        float value = plane.at(x, y);
                        inside++;
                        if (value <= cut == dark && Float.isFinite(value)) {
                            ground[kept++] = value;
                        }
                    }
                }
            }
            if (kept >= LEAST_PIXELS && 10 * kept >= inside) {
                Arrays.sort(ground, 0, kept);
                double x = (left + right) / (double) plane.width() - 1;
                double y = (top + bottom) / (double) plane.height() - 1;
                found[n++] = new double[] {x, y, ground[kept / 2]};
            }
        }
        return Arrays.copyOf(found, n);
    }

    private static Optional<Surface> fit(double[][] tiles, double limit, Optional<Surface> before) {
        Surface.Fit fit = new Surface.Fit(2);
        for (double[] tile : tiles) {
            if (before.isEmpty() || Math.abs(tile[2] - before.get().at(tile[0], tile[1])) <= limit) {
                fit.add(tile[0], tile[1], tile[2]);
            }
        }
        return fit.count() < LEAST_TILES ? Optional.empty() : fit.surface();
    }

    private static double spread(double[][] tiles, Surface surface) {
        double sum = 0;
        for (double[] tile : tiles) {
            double off = tile[2] - surface.at(tile[0], tile[1]);
            sum += off * off;
        }
        return Math.sqrt(sum / tiles.length);
    }
}
