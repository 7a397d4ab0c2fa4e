package keentally.core.geometry;

/** A point of the plane, in pixels. */
public record Point(double x, double y) {
    public Point {
        if (!Double.isFinite(x) || !Double.isFinite(y)) {
            throw new IllegalArgumentException("a point needs finite coordinates, was (" + x + ", " + y + ")");
        }
    }
}
