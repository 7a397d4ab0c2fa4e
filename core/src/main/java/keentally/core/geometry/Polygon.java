package keentally.core.geometry;

import java.util.Arrays;
import java.util.List;

/**
 * A polygon of at least three corners, closed by itself. Where it crosses itself, points wound round an odd number of times
 * are inside; its {@link #area} and {@link #coverage} are exact only where it does not.
 */
public record Polygon(List<Point> corners) implements Shape {
    public Polygon {
        corners = List.copyOf(corners);
        if (corners.size() < 3) {
            throw new IllegalArgumentException("a polygon needs at least three corners, found " + corners.size());
        }
    }

    /** From x, y, x, y, ... */
    public static Polygon of(double... xy) {
        if (xy.length % 2 != 0) {
            throw new IllegalArgumentException(
                    "a polygon needs an x and a y for every corner, found " + xy.length + " numbers");
        }
        Point[] corners = new Point[xy.length / 2];
        for (int i = 0; i < corners.length; i++) {
            corners[i] = new Point(xy[2 * i], xy[2 * i + 1]);
        }
        return new Polygon(List.of(corners));
    }

    @Override
    public boolean contains(double x, double y) {
        boolean inside = false;
        Point p = corners.getLast();
        for (Point q : corners) {
            if (onSegment(p, q, x, y)) {
                return true;
            }
            if ((p.y() > y) != (q.y() > y) && x < p.x() + (y - p.y()) / (q.y() - p.y()) * (q.x() - p.x())) {
                inside = !inside;
            }
            p = q;
        }
        return inside;
    }

    private static boolean onSegment(Point p, Point q, double x, double y) {
        double cross = (q.x() - p.x()) * (y - p.y()) - (q.y() - p.y()) * (x - p.x());
        return cross == 0
                && x >= Math.min(p.x(), q.x())
                && x <= Math.max(p.x(), q.x())
                && y >= Math.min(p.y(), q.y())
                && y <= Math.max(p.y(), q.y());
    }

    @Override
    public double coverage(int left, int top) {
        return meets(left, top) ? clipped(left, top) : whole(left, top);
    }

    /** Between two edges a row's pixels are all inside or all outside, so that one of them is asked. */
    @Override
    public void cover(int left, int top, double[] row) {
        boolean[] met = met(left, top, row.length);
        for (int x = 0; x < row.length; x++) {
            if (met[x]) {
                row[x] = clipped(left + x, top);
            } else {
                row[x] = x > 0 && !met[x - 1] ? row[x - 1] : whole(left + x, top);
            }
        }
    }

    private double whole(int left, int top) {
        return contains(left + 0.5, top + 0.5) ? 1 : 0;
    }

    private double clipped(int left, int top) {
        Clip clip = new Clip(corners.size() + 8);
        corners.forEach(c -> clip.add(c.x(), c.y()));
        return Math.clamp(
                clip.side(1, 0, left)
                        .side(-1, 0, -(left + 1))
                        .side(0, 1, top)
                        .side(0, -1, -(top + 1))
                        .area(),
                0,
                1);
    }

    /** Whether any edge may run through the pixel; never wrongly false. */
    private boolean meets(int left, int top) {
        return met(left, top, 1)[0];
    }

    private boolean[] met(int left, int top, int pixels) {
        boolean[] met = new boolean[pixels];
        Point p = corners.getLast();
        for (Point q : corners) {
            if (Math.max(p.y(), q.y()) >= top && Math.min(p.y(), q.y()) <= top + 1) {
                int from = (int) Math.max(left, Math.ceil(Math.min(p.x(), q.x()) - 1));
                int to = (int) Math.min(left + pixels - 1.0, Math.floor(Math.max(p.x(), q.x())));
                for (int x = from; x <= to; x++) {
                    met[x - left] = true;
                }
            }
            p = q;
        }
        return met;
    }

    @Override
    public Rectangle bounds() {
        return Rectangle.round(corners);
    }

    /** Whether any two of its edges cross, so that nobody could say what is inside. */
    public boolean crossesItself() {
        int n = corners.size();
        for (int i = 0; i < n; i++) {
            for (int j = i + 2; j < n; j++) {
                boolean neighbours = i == 0 && j == n - 1;
                if (!neighbours
                        && cross(corners.get(i), corners.get(i + 1), corners.get(j), corners.get((j + 1) % n))) {
                    return true;
                }
            }
        }
        return false;
    }

    private static boolean cross(Point a, Point b, Point c, Point d) {
        return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
    }

    private static double side(Point a, Point b, Point p) {
        return Math.signum((b.x() - a.x()) * (p.y() - a.y()) - (b.y() - a.y()) * (p.x() - a.x()));
    }

    /** The centre of the area; exact where the polygon does not cross itself. */
    public Point centroid() {
        double twice = 0;
        double x = 0;
        double y = 0;
        Point o = corners.getFirst();
        Point p = corners.getLast();
        for (Point q : corners) {
            double cross = (p.x() - o.x()) * (q.y() - o.y()) - (p.y() - o.y()) * (q.x() - o.x());
            twice += cross;
            x += cross * (p.x() + q.x() - 2 * o.x());
            y += cross * (p.y() + q.y() - 2 * o.y());
            p = q;
        }
        return new Point(o.x() + x / (3 * twice), o.y() + y / (3 * twice));
    }

    @Override
    public double area() {
        Clip all = new Clip(corners.size());
        corners.forEach(c -> all.add(c.x(), c.y()));
        return all.area();
    }

    /**
     * A corner list cut by one half plane after another. Source: I. E. Sutherland and G. W. Hodgman (1974), "Reentrant
     * polygon clipping", Communications of the ACM 17(1), 32–42. Doubled edges along the border cancel in the area.
     */
    private static final class Clip {
        private double[] xs;
        private double[] ys;
        private int size;

        Clip(int room) {
            xs = new double[room];
            ys = new double[room];
        }

        void add(double x, double y) {
            if (size == xs.length) {
                xs = Arrays.copyOf(xs, 2 * size);
                ys = Arrays.copyOf(ys, 2 * size);
            }
            xs[size] = x;
            ys[size++] = y;
        }

        /** What lies where nx·x + ny·y ≥ limit. */
        Clip side(double nx, double ny, double limit) {
            Clip kept = new Clip(2 * size + 2);
            for (int i = 0; i < size; i++) {
                int j = i + 1 < size ? i + 1 : 0;
                double from = nx * xs[i] + ny * ys[i] - limit;
                double to = nx * xs[j] + ny * ys[j] - limit;
                if (from >= 0) {
                    kept.add(xs[i], ys[i]);
                }
                if ((from >= 0) != (to >= 0)) {
                    double share = from / (from - to);
                    kept.add(xs[i] + share * (xs[j] - xs[i]), ys[i] + share * (ys[j] - ys[i]));
                }
            }
            return kept;
        }

        double area() {
            double twice = 0;
            for (int i = 0; i < size; i++) {
                int j = i + 1 < size ? i + 1 : 0;
                twice += xs[i] * ys[j] - ys[i] * xs[j];
            }
            return Math.abs(twice) / 2;
        }
    }
}
