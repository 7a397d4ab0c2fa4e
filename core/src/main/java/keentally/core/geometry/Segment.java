package keentally.core.geometry;

/** A straight line from one point to another. */
public record Segment(Point from, Point to) {
    public double length() {
        return StrictMath.hypot(to.x() - from.x(), to.y() - from.y());
    }

    /** In degrees from +x, counter-clockwise as seen, in (−90, 90]; 0 for a line without length. */
    public double angleDegrees() {
        double angle = StrictMath.toDegrees(StrictMath.atan2(from.y() - to.y(), to.x() - from.x()));
        double folded = angle > 90 ? angle - 180 : angle <= -90 ? angle + 180 : angle;
        return folded == 0 ? 0 : folded;
    }
}
