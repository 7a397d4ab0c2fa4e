package keentally.core.geometry;

import java.util.List;

/** An upright rectangle from (x, y), {@code width} to the right and {@code height} down; both at least 0. */
public record Rectangle(double x, double y, double width, double height) implements Shape {
    public Rectangle {
        if (!(width >= 0 && height >= 0) || !Double.isFinite(x + y + width + height)) {
            throw new IllegalArgumentException(
                    "a rectangle needs a width and a height of at least 0, was " + width + " × " + height);
        }
    }

    public double right() {
        return x + width;
    }

    public double bottom() {
        return y + height;
    }

    /** The smallest one that holds some points, at least one. */
    public static Rectangle round(List<Point> points) {
        double left = Double.POSITIVE_INFINITY;
        double top = Double.POSITIVE_INFINITY;
        double right = Double.NEGATIVE_INFINITY;
        double bottom = Double.NEGATIVE_INFINITY;
        for (Point p : points) {
            left = Math.min(left, p.x());
            right = Math.max(right, p.x());
            top = Math.min(top, p.y());
            bottom = Math.max(bottom, p.y());
        }
        return new Rectangle(left, top, right - left, bottom - top);
    }

    /** Whether any place of it may be so near to one of another. */
    public boolean isNear(Rectangle other, double reach) {
        return x - other.right() <= reach
                && other.x - right() <= reach
                && y - other.bottom() <= reach
                && other.y - bottom() <= reach;
    }

    @Override
    public boolean contains(double px, double py) {
        return px >= x && px <= right() && py >= y && py <= bottom();
    }

    @Override
    public double coverage(int left, int top) {
        return overlap(x, right(), left) * overlap(y, bottom(), top);
    }

    private static double overlap(double from, double to, int pixel) {
        return Math.max(0, Math.min(to, pixel + 1) - Math.max(from, pixel));
    }

    @Override
    public Rectangle bounds() {
        return this;
    }

    @Override
    public double area() {
        return width * height;
    }
}
