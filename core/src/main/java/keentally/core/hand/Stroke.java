package keentally.core.hand;

import java.util.List;
import keentally.core.geometry.Point;

/**
 * What a hand drew over places it wants, or does not want.
 *
 * @param path at least one point
 * @param loop whether it goes round what is meant instead of over it
 * @param unwanted drawn with the other button
 */
public record Stroke(List<Point> path, boolean loop, boolean unwanted) {
    public Stroke {
        path = List.copyOf(path);
        if (path.isEmpty()) {
            throw new IllegalArgumentException("a stroke needs a point");
        }
    }
}
