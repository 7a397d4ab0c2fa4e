package keentally.core.hand;

import java.util.List;
import keentally.core.geometry.Point;

/** One thing a hand did to objects. Objects are known by a place in them, never by a number. Positions are in pixels. */
public sealed interface Correction {

    /** Several objects become one. */
    record Join(List<Point> on) implements Correction {
        public Join {
            on = List.copyOf(on);
        }
    }

    /** Every object that the line parts becomes several; no pixel is lost. */
    record Cut(List<Point> line) implements Correction {
        public Cut {
            line = List.copyOf(line);
        }
    }

    /** Objects are no objects. */
    record Drop(List<Point> on) implements Correction {
        public Drop {
            on = List.copyOf(on);
        }
    }

    /** Objects that a station dropped are kept after all. */
    record Restore(List<Point> on) implements Correction {
        public Restore {
            on = List.copyOf(on);
        }
    }

    /** Every other object is dropped. */
    record KeepOnly(List<Point> on) implements Correction {
        public KeepOnly {
            on = List.copyOf(on);
        }
    }

    /** A new object inside an outline, as far as no kept one lies there. */
    record Draw(List<Point> outline) implements Correction {
        public Draw {
            outline = List.copyOf(outline);
        }
    }

    /** Objects are of a class. @param as its name; empty for of none */
    record Sort(List<Point> on, String as) implements Correction {
        public Sort {
            on = List.copyOf(on);
        }
    }

    /** What lies under a round brush is taken from objects. */
    record Erase(List<Point> path, double width) implements Correction {
        public Erase {
            path = List.copyOf(path);
            if (!(width > 0)) {
                throw new IllegalArgumentException("a brush must have a width above 0, found " + width);
            }
        }
    }
}
