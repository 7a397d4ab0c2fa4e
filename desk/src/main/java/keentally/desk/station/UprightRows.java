package keentally.desk.station;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;

/** The rows of a histogram that stands upright as one shape, of which a part is seen: while that is moved, no corner is. */
final class UprightRows extends Polygon {
    private final Rectangle seen = new Rectangle();
    private Drawn drawn = new Drawn(0, 0, 0, new double[0]);

    /** Where the shape begins, how tall a row is and how long each one, from the lowest. */
    private record Drawn(double left, double bottom, double step, double[] lengths) {
        boolean isLike(Drawn other) {
            return left == other.left
                    && bottom == other.bottom
                    && step == other.step
                    && Arrays.equals(lengths, other.lengths);
        }
    }

    UprightRows(String style) {
        setFill(null); // until its style has come
        getStyleClass().add(style);
        setClip(seen);
    }

    /** Gives it another style, where it has another. */
    void style(String style) {
        if (!getStyleClass().contains(style)) {
            getStyleClass().setAll(style);
        }
    }

    /** @param lengths of the rows, from the lowest */
    void rows(double left, double bottom, double step, double[] lengths) {
        Drawn wanted = new Drawn(left, bottom, step, lengths);
        if (wanted.isLike(drawn)) {
            return;
        }
        drawn = wanted;
        List<Double> corners = new ArrayList<>(List.of(left, bottom));
        for (int i = 0; i < lengths.length; i++) {
            double y = bottom - i * step;
            corners.addAll(List.of(left + lengths[i], y, left + lengths[i], y - step));
        }
        corners.addAll(List.of(left, bottom - lengths.length * step));
        getPoints().setAll(corners);
    }

    /** Shows what lies between two heights. */
    void see(double top, double bottom, double right) {
        seen.setY(top);
        seen.setWidth(right);
        seen.setHeight(Math.max(0, bottom - top));
    }

    /** A row as long as the square root of its count, so that a small hump beside a large one can be seen. */
    static double length(double count, double most, double room) {
        return count == 0 ? 0 : Math.max(1, room * Math.sqrt(count / most));
    }
}
