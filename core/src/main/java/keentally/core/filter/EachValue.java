package keentally.core.filter;

import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/** Planes made pixel by pixel from one or two others. */
public final class EachValue {
    private EachValue() {}

    /** A value from a value. */
    @FunctionalInterface
    public interface One {
        float of(float value);
    }

    /** A value from two at the same place. */
    @FunctionalInterface
    public interface Two {
        float of(float a, float b);
    }

    /** A plane of the same size with {@code each} applied to every value. */
    public static PlaneF of(Plane plane, One each, Work work) {
        int width = plane.width();
        float[] out = new float[width * plane.height()];
        work.bands(plane.height(), (from, to) -> {
            for (int y = from; y < to; y++) {
                plane.readRow(y, 0, width, out, y * width);
            }
            for (int i = from * width; i < to * width; i++) {
                out[i] = each.of(out[i]);
            }
        });
        return PlaneF.of(width, plane.height(), out);
    }

    /** A plane in which every value comes from the values of two planes at the same place; both have one size. */
    public static PlaneF of(Plane a, Plane b, Two each, Work work) {
        int width = a.width();
        float[] out = new float[width * a.height()];
        work.bands(a.height(), (from, to) -> {
            float[] other = new float[width];
            for (int y = from; y < to; y++) {
                int base = y * width;
                a.readRow(y, 0, width, out, base);
                b.readRow(y, 0, width, other, 0);
                for (int x = 0; x < width; x++) {
                    out[base + x] = each.of(out[base + x], other[x]);
                }
            }
        });
        return PlaneF.of(width, a.height(), out);
    }
}
