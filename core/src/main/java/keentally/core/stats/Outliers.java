package keentally.core.stats;

import java.util.Arrays;

/**
 * Values that lie far from the rest.
 *
 * <p>Definition: those whose distance from the median is more than {@value #FAR} times 1.4826 times the median of all such distances (the
 * median absolute deviation, which for a normal distribution is then its standard deviation). Fewer than {@value #FEWEST} values have no
 * outliers; where more than half of the values are the same there is no scale to tell by, and none is called far.
 *
 * <p>Source: B. Iglewicz and D. C. Hoaglin (1993), How to Detect and Handle Outliers, ASQC, chapter 3.
 */
public final class Outliers {
    public static final double FAR = 3.5;
    public static final int FEWEST = 5;
    private static final double NORMAL = 1.4826;

    private Outliers() {}

    /** Which of the values are far; those that are no number are not. */
    public static boolean[] of(double[] values) {
        boolean[] far = new boolean[values.length];
        double[] known = Arrays.stream(values).filter(v -> !Double.isNaN(v)).toArray();
        if (known.length < FEWEST) {
            return far;
        }
        double median = median(known);
        double scale = NORMAL
                * median(Arrays.stream(known).map(v -> Math.abs(v - median)).toArray());
        for (int i = 0; i < far.length; i++) {
            far[i] = scale > 0 && Math.abs(values[i] - median) > FAR * scale;
        }
        return far;
    }

    private static double median(double[] values) {
        return Averages.of(values, Averaging.PLAIN).median();
    }
}
