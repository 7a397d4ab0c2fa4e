package keentally.core.hand;

import java.util.List;
import keentally.core.geometry.Point;

/** One thing that says of some pixels which class they are. Positions and widths are in pixels of the picture. */
public sealed interface ClassStroke {
    /**
     * A round brush along a path.
     *
     * @param as the name of the class; empty for rubbing out what was painted there
     */
    record Brush(List<Point> path, double width, String as) implements ClassStroke {
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

    /**
     * A painted picture that was brought in.
     *
     * @param runs which pixel is which class: 0 for not painted, else 1 and up
     * @param classes the name of each value from 1
     * @param origin its file, for a person
     */
    record Painted(LabelRuns runs, List<String> classes, String origin) implements ClassStroke {
        public Painted {
            classes = List.copyOf(classes);
        }
    }
}
