package keentally.core.geometry;

import java.util.Arrays;

/** The pixels of one row whose centres lie in or on a shape, as runs; the same as asking {@link Shape#contains} for each. */
public final class ShapeRow {
    private ShapeRow() {}

    /** Told [from, to) of each run; runs may touch or overlap. */
    @FunctionalInterface
    public interface Runs {
        void run(int from, int to);
    }

    /** Pixels [left, right) of the row whose centres are at height {@code y}. */
    public static void runs(Shape shape, double y, int left, int right, Runs into) {
        switch (shape) {
            case Polygon p -> polygon(p, y, left, right, into);
            case Rectangle r -> convex(r, y, r.x() + r.width() / 2, left, right, into);
            case Ellipse e -> convex(e, y, middle(e, y), left, right, into);
        }
    }

    /** Where a level line is deepest inside an ellipse. */
    private static double middle(Ellipse e, double y) {
        double t = StrictMath.toRadians(e.angleDegrees());
        double c = StrictMath.cos(t);
        double s = StrictMath.sin(t);
        double p = c * c / (e.a() * e.a()) + s * s / (e.b() * e.b());
        double q = c * s * (1 / (e.b() * e.b()) - 1 / (e.a() * e.a()));
        return e.cx() - q * (y - e.cy()) / p;
    }

    /** One run at most; its ends are found by halving. */
    private static void convex(Shape shape, double y, double deepest, int left, int right, Runs into) {
        int seed = Math.clamp((int) Math.floor(deepest), left, right - 1);
        for (int near = seed - 1; near <= seed + 1; near++) {
            if (near >= left && near < right && shape.contains(near + 0.5, y)) {
                into.run(edge(shape, y, near, left - 1) + 1, edge(shape, y, near, right));
                return;
            }
        }
    }

    /** The first pixel outside from {@code inside} towards {@code limit}, which counts as outside. */
    private static int edge(Shape shape, double y, int inside, int limit) {
        int in = inside;
        int out = limit;
        while (Math.abs(out - in) > 1) {
            int middle = (in + out) >> 1;
            if (shape.contains(middle + 0.5, y)) {
                in = middle;
            } else {
                out = middle;
            }
        }
        return out;
    }

    private static void polygon(Polygon polygon, double y, int left, int right, Runs into) {
        double[] crossings = new double[polygon.corners().size()];
        int n = 0;
        Point p = polygon.corners().getLast();
        for (Point q : polygon.corners()) {
            if ((p.y() > y) != (q.y() > y)) {
                crossings[n++] = p.x() + (y - p.y()) / (q.y() - p.y()) * (q.x() - p.x());
            }
            onEdge(polygon, p, q, y, left, right, into);
            p = q;
        }
        Arrays.sort(crossings, 0, n);
        for (int i = 0; i + 1 < n; i += 2) {
            // inside are centres at or right of the first crossing and left of the second
            int from = Math.max(left, (int) Math.ceil(crossings[i] - 0.5));
            int to = Math.min(right, (int) Math.ceil(crossings[i + 1] - 0.5));
            if (from < to) {
                into.run(from, to);
            }
        }
    }

    /** Centres that lie on the edge itself, which the crossings may leave out. */
    private static void onEdge(Polygon polygon, Point p, Point q, double y, int left, int right, Runs into) {
        if (Math.min(p.y(), q.y()) > y || Math.max(p.y(), q.y()) < y) {
            return;
        }
        boolean level = p.y() == q.y();
        double x = level ? Math.min(p.x(), q.x()) : p.x() + (y - p.y()) / (q.y() - p.y()) * (q.x() - p.x());
        double end = level ? Math.max(p.x(), q.x()) : x;
        int from = Math.max(left, (int) Math.floor(x) - 1);
        int to = Math.min(right, (int) Math.floor(end) + 2);
        for (int i = from; i < to; i++) {
            if (polygon.contains(i + 0.5, y)) {
                into.run(i, i + 1);
            }
        }
    }
}
