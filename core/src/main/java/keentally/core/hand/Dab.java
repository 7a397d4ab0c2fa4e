package keentally.core.hand;

import java.util.List;
import keentally.core.geometry.Point;

/** One thing a hand painted on a mask. Positions and widths are in pixels of the picture. */
public sealed interface Dab {
    /** Whether it adds pixels; else it takes them away. */
    boolean adds();

    /** A round brush along a path; a straight line is a path of two points. */
    record Brush(List<Point> path, double width, boolean adds) implements Dab {
        public Brush {
            path = List.copyOf(path);
            if (path.isEmpty()) {
                throw new IllegalArgumentException("a brush needs a point");
            }
            if (!(width > 0)) {
                throw new IllegalArgumentException("a brush must have a width above 0, found " + width);
            }
        }
    }

    /** All that lies inside an outline. */
    record Outline(List<Point> path, boolean adds) implements Dab {
        public Outline {
            path = List.copyOf(path);
            if (path.size() < 3) {
                throw new IllegalArgumentException("an outline needs three points, found " + path.size());
            }
        }
    }

    /** The piece at a place: a gap of background is filled, or a piece of the mask is emptied. */
    record Fill(Point at, boolean adds) implements Dab {}
}
