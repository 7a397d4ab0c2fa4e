package keentally.core.geometry;

/**
 * An ellipse.
 *
 * @param cx centre
 * @param cy centre
 * @param a half the axis that lies along {@code angleDegrees}, above 0
 * @param b half the other axis, above 0
 * @param angleDegrees counter-clockwise as seen
 */
public record Ellipse(double cx, double cy, double a, double b, double angleDegrees) implements Shape {
    /** Half the diagonal of a pixel, with a hair to spare. */
    private static final double HALF_DIAGONAL = 0.7072;

    public Ellipse {
        if (!(a > 0 && b > 0) || !Double.isFinite(cx + cy + a + b + angleDegrees)) {
            throw new IllegalArgumentException("an ellipse needs two half axes above 0, was " + a + " and " + b);
        }
    }

    /** A circle; centre and radius in px. */
    public static Ellipse disc(double cx, double cy, double radius) {
        return new Ellipse(cx, cy, radius, radius, 0);
    }

    /** Along the axes, in the ellipse's own units: the outline is the unit circle. */
    private double u(double x, double y) {
        return ((x - cx) * cos() - (y - cy) * sin()) / a;
    }

    private double v(double x, double y) {
        return ((x - cx) * sin() + (y - cy) * cos()) / b;
    }

    private double cos() {
        return angleDegrees == 0 ? 1 : StrictMath.cos(StrictMath.toRadians(angleDegrees));
    }

    private double sin() {
        return angleDegrees == 0 ? 0 : StrictMath.sin(StrictMath.toRadians(angleDegrees));
    }

    @Override
    public boolean contains(double x, double y) {
        double u = u(x, y);
        double v = v(x, y);
        return u * u + v * v <= 1;
    }

    @Override
    public double coverage(int left, int top) {
        double u = u(left + 0.5, top + 0.5);
        double v = v(left + 0.5, top + 0.5);
        double centre = Math.sqrt(u * u + v * v);
        double reach = HALF_DIAGONAL / Math.min(a, b);
        if (centre >= 1 + reach) {
            return 0;
        }
        if (centre <= 1 - reach) {
            return 1;
        }
        double[] xs = {left, left + 1, left + 1, left};
        double[] ys = {top, top, top + 1, top + 1};
        double sum = 0;
        for (int i = 0; i < 4; i++) {
            int j = (i + 1) % 4;
            sum += wedge(u(xs[i], ys[i]), v(xs[i], ys[i]), u(xs[j], ys[j]), v(xs[j], ys[j]));
        }
        return Math.clamp(Math.abs(sum) * a * b, 0, 1);
    }

    /** Signed area that the triangle (origin, p, q) shares with the unit disc: triangles inside it, sectors outside. */
    private static double wedge(double px, double py, double qx, double qy) {
        double dx = qx - px;
        double dy = qy - py;
        double length2 = dx * dx + dy * dy;
        if (length2 == 0) {
            return 0;
        }
        double middle = -(px * dx + py * dy) / length2;
        double nx = px + middle * dx;
        double ny = py + middle * dy;
        double inside = 1 - (nx * nx + ny * ny);
        if (inside <= 0) {
            return sector(px, py, qx, qy);
        }
        double half = Math.sqrt(inside / length2);
        double enter = Math.clamp(middle - half, 0, 1);
        double leave = Math.clamp(middle + half, 0, 1);
        double ex = px + enter * dx;
        double ey = py + enter * dy;
        double lx = px + leave * dx;
        double ly = py + leave * dy;
        return sector(px, py, ex, ey) + (ex * ly - ey * lx) / 2 + sector(lx, ly, qx, qy);
    }

    private static double sector(double px, double py, double qx, double qy) {
        return StrictMath.atan2(px * qy - py * qx, px * qx + py * qy) / 2;
    }

    @Override
    public Rectangle bounds() {
        double c = cos();
        double s = sin();
        double halfX = Math.sqrt(a * a * c * c + b * b * s * s);
        double halfY = Math.sqrt(a * a * s * s + b * b * c * c);
        return new Rectangle(cx - halfX, cy - halfY, 2 * halfX, 2 * halfY);
    }

    @Override
    public double area() {
        return Math.PI * a * b;
    }
}
