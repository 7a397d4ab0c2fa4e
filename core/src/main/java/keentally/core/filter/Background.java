package keentally.core.filter;

import java.util.Optional;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.stats.Surface;
import keentally.core.work.Work;

/**
 * What the light alone would give, guessed from the picture; only the field takes part.
 *
 * <ul>
 *   <li>{@link #gaussian}: the mean of the surroundings under a bell.
 *   <li>{@link #opening}, {@link #closing}: a disk rolled under bright things, or over dark ones, then calmed by a bell a quarter as wide.
 *   <li>{@link #polynomial}: a surface of a few bends fitted by least squares to at most {@value #SAMPLED} pixels on a grid, twice,
 *       the second time without those further off than two standard deviations.
 * </ul>
 *
 * Pixels outside the field have values of no meaning.
 */
public final class Background {
    private static final int SAMPLED = 40_000;
    private static final double FAR = 2;
    private static final double LEAST_WEIGHT = 1e-6;

    private Background() {}

    /** @param sigma in pixels, above 0 */
    public static PlaneF gaussian(Plane plane, Field field, double sigma, Work work) {
        if (field.isWhole()) {
            return Gaussian.of(plane, sigma, work);
        }
        int width = plane.width();
        Mask inside = field.mask();
        float[] ones = new float[width * plane.height()];
        float[] values = new float[ones.length];
        work.bands(plane.height(), (from, to) -> {
            float[] row = new float[width];
            for (int y = from; y < to; y++) {
                plane.readRow(y, 0, width, row, 0);
                for (int x = inside.nextSet(y, 0); x < width; x = inside.nextSet(y, x + 1)) {
                    boolean number = Float.isFinite(row[x]);
                    ones[y * width + x] = number ? 1 : 0;
                    values[y * width + x] = number ? row[x] : 0;
                }
            }
        });
        Plane weight = Gaussian.of(PlaneF.of(width, plane.height(), ones), sigma, work);
        Plane sum = Gaussian.of(PlaneF.of(width, plane.height(), values), sigma, work);
        return EachValue.of(sum, weight, (s, w) -> w > LEAST_WEIGHT ? s / w : 0, work);
    }

    /** @param radius in pixels */
    public static PlaneF opening(Plane plane, Field field, double radius, Work work) {
        return calmed(GreyMorphology.disk(radius, inside(field)).opening(plane, work), field, radius, work);
    }

    /** @param radius in pixels */
    public static PlaneF closing(Plane plane, Field field, double radius, Work work) {
        return calmed(GreyMorphology.disk(radius, inside(field)).closing(plane, work), field, radius, work);
    }

    private static Optional<Field> inside(Field field) {
        return Optional.of(field);
    }

    private static PlaneF calmed(PlaneF rolled, Field field, double radius, Work work) {
        return gaussian(rolled, field, radius / 4, work);
    }

    /**
     * @param order 1 to 4
     * @return empty where the field has too few places to tell the surface by
     */
    public static Optional<PlaneF> polynomial(Plane plane, Field field, int order, Work work) {
        if (order < 1 || order > 4) {
            throw new IllegalArgumentException("the order must be from 1 to 4, was " + order);
        }
        Surface.Fit all = fit(plane, field, order, Optional.empty(), 0);
        Optional<Surface> first = all.surface();
        Optional<Surface> best = first.flatMap(f -> fit(plane, field, order, first, FAR * all.left(f) + 1e-9)
                        .surface())
                .or(() -> first);
        return best.map(surface -> drawn(surface, plane, work));
    }

    private static PlaneF drawn(Surface surface, Plane plane, Work work) {
        int width = plane.width();
        float[] out = new float[width * plane.height()];
        work.bands(plane.height(), (from, to) -> {
            for (int y = from; y < to; y++) {
                for (int x = 0; x < width; x++) {
                    out[y * width + x] = (float) surface.at(2.0 * x / width - 1, 2.0 * y / plane.height() - 1);
                }
            }
        });
        return PlaneF.of(width, plane.height(), out);
    }

    /** Fitted to the field's values on a grid that lie within {@code limit} of a surface before, or to all where there is none. */
    private static Surface.Fit fit(Plane plane, Field field, int order, Optional<Surface> before, double limit) {
        Surface.Fit fit = new Surface.Fit(order);
        int step = (int) Math.max(1, Math.ceil(Math.sqrt((double) plane.width() * plane.height() / SAMPLED)));
        Mask inside = field.mask();
        for (int y = step / 2; y < plane.height(); y += step) {
            for (int x = step / 2; x < plane.width(); x += step) {
                float v = plane.at(x, y);
                double px = 2.0 * x / plane.width() - 1;
                double py = 2.0 * y / plane.height() - 1;
                boolean near = before.isEmpty() || Math.abs(v - before.get().at(px, py)) <= limit;
                if (near && inside.at(x, y) && Float.isFinite(v)) {
                    fit.add(px, py, v);
                }
            }
        }
        return fit;
    }
}
