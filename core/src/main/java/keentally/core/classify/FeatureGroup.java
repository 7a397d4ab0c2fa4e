package keentally.core.classify;

import java.util.Locale;

/** What of its surroundings a pixel is told by. */
public enum FeatureGroup {
    /** The value itself: grey, or L*, a* and b*. */
    VALUE,
    /** Averages under bells of several widths, of every channel. */
    GAUSSIAN,
    /** How steep the values are. */
    GRADIENT,
    /** Mean, standard deviation, range and entropy of a square. */
    LOCAL,
    /** The middle value of a square. */
    MEDIAN,
    /** What is between two widths of a bell. */
    DIFFERENCE,
    /** How the values bend, along and across. */
    HESSIAN,
    /** How steep the values are around, along and across. */
    STRUCTURE,
    /** Waves of a width and a direction. */
    GABOR;

    /** As in files. */
    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }
}
