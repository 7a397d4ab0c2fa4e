package keentally.desk.stage;

import java.util.ArrayList;
import java.util.List;
import keentally.core.geometry.Point;

/** A path while a hand draws it: places that lie far enough from one another to matter. */
final class DrawnPath {
    /** Places nearer than this share of the hand's reach are left out. */
    private static final double FINE = 1 / 8.0;

    private List<Point> path = List.of();
    private double reach;

    boolean isEmpty() {
        return path.isEmpty();
    }

    List<Point> points() {
        return path;
    }

    /** @param within how many pixels the hand may be off */
    void begin(Point at, double within) {
        reach = within;
        path = new ArrayList<>(List.of(at));
    }

    void drag(Point at) {
        if (!path.isEmpty() && distance(path.getLast(), at) >= reach * FINE) {
            path.add(at);
        }
    }

    /** Straight from where it began. */
    void stretch(Point at) {
        if (!path.isEmpty()) {
            path = new ArrayList<>(List.of(path.getFirst(), at));
        }
    }

    /** What was drawn; nothing is any more. */
    List<Point> end() {
        List<Point> done = List.copyOf(path);
        path = List.of();
        return done;
    }

    /** Returns whether there was anything to drop. */
    boolean giveUp() {
        return !end().isEmpty();
    }

    private static double distance(Point a, Point b) {
        return Math.hypot(a.x() - b.x(), a.y() - b.y());
    }
}
