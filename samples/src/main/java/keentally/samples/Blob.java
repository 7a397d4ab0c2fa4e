package keentally.samples;

import java.util.ArrayList;
import java.util.List;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;

/**
 * An uneven round thing: an ellipse whose radius is ruffled by a few waves. Seen from its centre every direction meets the
 * outline once.
 */
final class Blob {
    private static final int WAVES = 5;
    private static final int CORNERS = 96;

    private final double x;
    private final double y;
    private final double radius;
    private final double stretch;
    private final double angle;
    private final double[] swing = new double[WAVES];
    private final double[] phase = new double[WAVES];

    /**
     * @param radius of the disc that it is near to in area
     * @param stretch long over short axis, 1 or more
     * @param rough how far the waves go, as a share of the radius
     */
    Blob(double x, double y, double radius, double stretch, double rough, Chance chance) {
        this.x = x;
        this.y = y;
        this.radius = radius;
        this.stretch = Math.sqrt(stretch);
        this.angle = chance.between(0, Math.PI);
        for (int k = 0; k < WAVES; k++) {
            swing[k] = rough * chance.between(0.3, 1) / (k + 1.5);
            phase[k] = chance.between(0, 2 * Math.PI);
        }
    }

    /** From the centre to the outline in a direction, in radians. */
    private double reach(double direction) {
        double turned = direction - angle;
        double c = StrictMath.cos(turned) / stretch;
        double s = StrictMath.sin(turned) * stretch;
        double ruffle = 1;
        for (int k = 0; k < WAVES; k++) {
            ruffle += swing[k] * StrictMath.cos((k + 2) * turned + phase[k]);
        }
        return radius * ruffle / Math.sqrt(c * c + s * s);
    }

    /** The outline moved outward by {@code margin}. */
    Polygon outline(double margin) {
        List<Point> corners = new ArrayList<>();
        for (int i = 0; i < CORNERS; i++) {
            double direction = 2 * Math.PI * i / CORNERS;
            double r = reach(direction) + margin;
            corners.add(new Point(x + r * StrictMath.cos(direction), y + r * StrictMath.sin(direction)));
        }
        return new Polygon(corners);
    }
}
