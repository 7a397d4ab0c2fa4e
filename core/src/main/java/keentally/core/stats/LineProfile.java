package keentally.core.stats;

import keentally.core.geometry.Segment;
import keentally.core.picture.Plane;

/**
 * Values along a line, a step of one pixel apart, between pixel centres by bilinear interpolation; beyond the picture the
 * nearest pixel's.
 *
 * @param step distance between two values, in pixels; a hair under 1 so that both ends are met
 */
public record LineProfile(double step, float[] values) {
    /** Values along a line whose ends are in px, so many that two of them are at most a px apart. */
    public static LineProfile of(Plane plane, Segment line) {
        int steps = Math.max(1, (int) Math.ceil(line.length()));
        float[] values = new float[steps + 1];
        for (int i = 0; i <= steps; i++) {
            double t = (double) i / steps;
            double x = line.from().x() + t * (line.to().x() - line.from().x());
            double y = line.from().y() + t * (line.to().y() - line.from().y());
            values[i] = at(plane, x - 0.5, y - 0.5);
        }
        return new LineProfile(line.length() / steps, values);
    }

    private static float at(Plane plane, double x, double y) {
        double cx = Math.clamp(x, 0, plane.width() - 1.0);
        double cy = Math.clamp(y, 0, plane.height() - 1.0);
        int x0 = (int) cx;
        int y0 = (int) cy;
        int x1 = Math.min(x0 + 1, plane.width() - 1);
        int y1 = Math.min(y0 + 1, plane.height() - 1);
        double tx = cx - x0;
        double ty = cy - y0;
        double upper = tx == 0 ? plane.at(x0, y0) : (1 - tx) * plane.at(x0, y0) + tx * plane.at(x1, y0);
        double lower = tx == 0 ? plane.at(x0, y1) : (1 - tx) * plane.at(x0, y1) + tx * plane.at(x1, y1);
        return (float) (ty == 0 ? upper : (1 - ty) * upper + ty * lower);
    }
}
