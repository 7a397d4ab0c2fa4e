package keentally.desk.stage;

import java.util.ArrayList;
import java.util.List;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Rectangle;
import keentally.core.geometry.Shape;

/** The points by which shapes are taken hold of, and what becomes of a shape when one is moved. */
final class ShapeHandles {
    private static final int ROUND = 120;
    private static final int MOST_CORNERS = 80;
    private static final double LEAST = 1;

    private ShapeHandles() {}

    /** Rectangle: corners and middles of sides, clockwise from the upper left. Ellipse: the ends of its axes. Polygon: its corners. */
    static List<Point> of(Shape shape) {
        return switch (shape) {
            case Rectangle r -> {
                double mx = r.x() + r.width() / 2;
                double my = r.y() + r.height() / 2;
                yield List.of(
                        new Point(r.x(), r.y()),
                        new Point(mx, r.y()),
                        new Point(r.right(), r.y()),
                        new Point(r.right(), my),
                        new Point(r.right(), r.bottom()),
                        new Point(mx, r.bottom()),
                        new Point(r.x(), r.bottom()),
                        new Point(r.x(), my));
            }
            case Ellipse e -> List.of(at(e, 0), at(e, 90), at(e, 180), at(e, 270));
            case Polygon p -> p.corners().size() <= MOST_CORNERS ? p.corners() : List.of();
        };
    }

    private static Point at(Ellipse e, double degrees) {
        double t = StrictMath.toRadians(degrees);
        double u = e.a() * StrictMath.cos(t);
        double v = e.b() * StrictMath.sin(t);
        double turn = StrictMath.toRadians(e.angleDegrees());
        return new Point(
                e.cx() + u * StrictMath.cos(turn) + v * StrictMath.sin(turn),
                e.cy() - u * StrictMath.sin(turn) + v * StrictMath.cos(turn));
    }

    static Shape moved(Shape shape, int handle, Point to) {
        return switch (shape) {
            case Rectangle r -> rectangle(r, handle, to);
            case Ellipse e -> ellipse(e, handle, to);
            case Polygon p -> {
                List<Point> corners = new ArrayList<>(p.corners());
                corners.set(handle, to);
                yield new Polygon(corners);
            }
        };
    }

    private static Rectangle rectangle(Rectangle r, int handle, Point to) {
        boolean left = handle == 0 || handle >= 6;
        boolean right = handle >= 2 && handle <= 4;
        boolean top = handle <= 2;
        boolean bottom = handle >= 4 && handle <= 6;
        return spanned(
                new Point(left ? to.x() : r.x(), top ? to.y() : r.y()),
                new Point(right ? to.x() : r.right(), bottom ? to.y() : r.bottom()));
    }

    /** From any corner to the opposite one; a side is never shorter than a pixel. */
    static Rectangle spanned(Point a, Point b) {
        double x = Math.min(a.x(), b.x());
        double y = Math.min(a.y(), b.y());
        return new Rectangle(x, y, Math.max(LEAST, Math.abs(a.x() - b.x())), Math.max(LEAST, Math.abs(a.y() - b.y())));
    }

    private static Ellipse ellipse(Ellipse e, int handle, Point to) {
        double turn = StrictMath.toRadians(e.angleDegrees());
        double dx = to.x() - e.cx();
        double dy = to.y() - e.cy();
        double u = Math.abs(dx * StrictMath.cos(turn) - dy * StrictMath.sin(turn));
        double v = Math.abs(dx * StrictMath.sin(turn) + dy * StrictMath.cos(turn));
        return handle % 2 == 0
                ? new Ellipse(e.cx(), e.cy(), Math.max(LEAST, u), e.b(), e.angleDegrees())
                : new Ellipse(e.cx(), e.cy(), e.a(), Math.max(LEAST, v), e.angleDegrees());
    }

    static Shape shifted(Shape shape, double dx, double dy) {
        return switch (shape) {
            case Rectangle r -> new Rectangle(r.x() + dx, r.y() + dy, r.width(), r.height());
            case Ellipse e -> new Ellipse(e.cx() + dx, e.cy() + dy, e.a(), e.b(), e.angleDegrees());
            case Polygon p ->
                new Polygon(p.corners().stream()
                        .map(c -> new Point(c.x() + dx, c.y() + dy))
                        .toList());
        };
    }

    /** The outline as corners, close enough to be drawn. */
    static List<Point> outline(Shape shape) {
        return switch (shape) {
            case Rectangle r -> {
                List<Point> h = of(r);
                yield List.of(h.get(0), h.get(2), h.get(4), h.get(6));
            }
            case Ellipse e -> {
                List<Point> points = new ArrayList<>();
                for (int i = 0; i < ROUND; i++) {
                    points.add(at(e, 360.0 * i / ROUND));
                }
                yield points;
            }
            case Polygon p -> p.corners();
        };
    }

    /**
     * A hand-drawn line with the points left out that lie within {@code slack} of what remains. Source: D. H. Douglas and T. K.
     * Peucker (1973), "Algorithms for the reduction of the number of points required to represent a digitized line",
     * Cartographica 10(2), 112–122.
     */
    static List<Point> simplified(List<Point> line, double slack) {
        if (line.size() < 3) {
            return line;
        }
        Point a = line.getFirst();
        Point b = line.getLast();
        int farthest = 0;
        double most = slack;
        for (int i = 1; i < line.size() - 1; i++) {
            double off = distance(line.get(i), a, b);
            if (off > most) {
                most = off;
                farthest = i;
            }
        }
        if (farthest == 0) {
            return List.of(a, b);
        }
        List<Point> kept = new ArrayList<>(simplified(line.subList(0, farthest + 1), slack));
        List<Point> rest = simplified(line.subList(farthest, line.size()), slack);
        kept.addAll(rest.subList(1, rest.size()));
        return kept;
    }

    private static double distance(Point p, Point a, Point b) {
        double dx = b.x() - a.x();
        double dy = b.y() - a.y();
        double length = StrictMath.hypot(dx, dy);
        return length == 0
                ? StrictMath.hypot(p.x() - a.x(), p.y() - a.y())
                : Math.abs(dx * (p.y() - a.y()) - dy * (p.x() - a.x())) / length;
    }
}
