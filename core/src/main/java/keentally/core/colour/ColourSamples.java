package keentally.core.colour;

import java.util.ArrayList;
import java.util.List;
import keentally.core.geometry.Point;
import keentally.core.picture.Field;

/** Colours taken from places that a person marked, on the 0 to 255 scale; only from the field. */
public final class ColourSamples {
    private static final int MOST = 20_000;

    private ColourSamples() {}

    /** Under a stroke: all pixels whose centre is within {@code radius} of it. */
    public static List<double[]> stroke(ColourRows rows, Field field, List<Point> path, double radius) {
        boolean[] taken = new boolean[rows.width() * rows.height()];
        List<double[]> colours = new ArrayList<>();
        for (int i = 0; i < path.size(); i++) {
            Point a = path.get(Math.max(0, i - 1));
            Point b = path.get(i);
            double length = Math.hypot(b.x() - a.x(), b.y() - a.y());
            int steps = (int) Math.ceil(length) + 1;
            for (int s = 0; s < steps && colours.size() < MOST; s++) {
                double t = steps == 1 ? 1 : (double) s / (steps - 1);
                spot(rows, field, a.x() + t * (b.x() - a.x()), a.y() + t * (b.y() - a.y()), radius, taken, colours);
            }
        }
        return colours;
    }

    private static void spot(
            ColourRows rows, Field field, double cx, double cy, double r, boolean[] taken, List<double[]> into) {
        for (int y = (int) Math.floor(cy - r); y <= cy + r; y++) {
            for (int x = (int) Math.floor(cx - r); x <= cx + r; x++) {
                double dx = x + 0.5 - cx;
                double dy = y + 0.5 - cy;
                boolean near = dx * dx + dy * dy <= r * r || (int) Math.floor(cx) == x && (int) Math.floor(cy) == y;
                if (near && field.contains(x, y) && !taken[y * rows.width() + x]) {
                    taken[y * rows.width() + x] = true;
                    into.add(rows.value(x, y));
                }
            }
        }
    }

    /** The mean colour of the pixels within {@code radius} of a point; that of the pixel itself at least. */
    public static Rgb mean(ColourRows rows, Point at, double radius) {
        Field whole = Field.whole(rows.width(), rows.height());
        List<double[]> colours = stroke(rows, whole, List.of(at), radius);
        double[] sum = new double[3];
        for (double[] colour : colours) {
            for (int c = 0; c < 3; c++) {
                sum[c] += colour[c] / colours.size();
            }
        }
        return Rgb.from(sum[0], sum[1], sum[2]);
    }
}
