package keentally.core.step;

import java.util.List;

/** One thing that a step has to tell about what it did. */
public sealed interface Finding {
    /** What patterns of headlines call it. */
    String name();

    /** It as one number: how many, or how much. */
    double value();

    /** So many of something. */
    record Count(String name, long counted) implements Finding {
        @Override
        public double value() {
            return counted;
        }
    }

    /** A share, in per cent of a whole that the name tells. */
    record Percent(String name, double value) implements Finding {}

    /** An area in square pixels. */
    record Area(String name, double value) implements Finding {}

    /** A length in pixels. */
    record Distance(String name, double value) implements Finding {}

    /** Where values were parted; a step that parts several times tells each, from low to high. */
    record Cut(String name, double value) implements Finding {}

    /** Where something lies, such as the centres of clusters among colours. */
    record Places(String name, List<List<Double>> places) implements Finding {
        public Places {
            places = places.stream().map(List::copyOf).toList();
        }

        @Override
        public double value() {
            return places.size();
        }
    }

    /**
     * Pixels that something begins at.
     *
     * @param width of the picture
     * @param pixels row times width, and column
     */
    record Marks(String name, int width, int[] pixels) implements Finding {
        @Override
        public double value() {
            return pixels.length;
        }
    }

    /**
     * What was done by hand and changes nothing any more.
     *
     * @param done which of the things done, from 0
     */
    record Unfit(List<Integer> done) implements Finding {
        public Unfit {
            done = List.copyOf(done);
        }

        @Override
        public String name() {
            return "unfit";
        }

        @Override
        public double value() {
            return done.size();
        }
    }
}
