package keentally.core.stats;

import java.util.Arrays;
import java.util.Comparator;

/**
 * Numbers summed up: the one place where a mean, a median and a spread are worked out.
 *
 * <p>Definition: of numbers on a line the mean is their sum over their number, summed in their order; the median the middle one, midway
 * between the two middle ones where their number is even; the standard deviation is over n. Of directions the mean is that of unit
 * vectors: for lines at twice the angle, halved again, so that −89° and 89° give 90°; {@code vector} is how long the mean vector is, 1
 * where all point the same way and 0 where they point everywhere. Their median is the middle one in the order in which they lie round the
 * mean, by at most half a turn to either side, and their standard deviation that of these angles.
 *
 * <p>Edge cases: values that are all the same have that as their mean and no deviation; values that are no number are left out; without values all is not-a-number, and so are mean, median and deviation of
 * directions that cancel each other out. Cost: a sort.
 *
 * <p>Source: K. V. Mardia and P. E. Jupp (2000), Directional Statistics, sections 2.2 and 2.3 (means and medians of angles), 1.1 (axes at
 * twice the angle).
 *
 * @param count of the values that are numbers
 * @param sd over n
 * @param vector length of the mean vector of directions, 0 to 1; not-a-number for numbers on a line
 */
public record Averages(
        long count, double mean, double median, double sd, double least, double greatest, double vector) {
    /** Mean vectors shorter than this point nowhere: rounding alone makes them. */
    static final double NOWHERE = 1e-9;

    /** Mean and median of values of one unit; values that are no number are left out. */
    public static Averages of(double[] values, Averaging how) {
        double[] known = Arrays.stream(values).filter(v -> !Double.isNaN(v)).toArray();
        if (known.length == 0) {
            double nan = Double.NaN;
            return new Averages(0, nan, nan, nan, nan, nan, nan);
        }
        return how == Averaging.PLAIN ? plain(known) : round(known, how);
    }

    private static Averages plain(double[] known) {
        double[] sorted = known.clone();
        Arrays.sort(sorted);
        int n = known.length;
        if (sorted[0] == sorted[n - 1]) { // whose sum, rounded, would make a deviation
            return new Averages(n, sorted[0], sorted[0], 0, sorted[0], sorted[0], Double.NaN);
        }
        double mean = mean(known);
        double squares = 0;
        for (double v : known) {
            squares += (v - mean) * (v - mean);
        }
        double median = (sorted[(n - 1) / 2] + sorted[n / 2]) / 2;
        return new Averages(n, mean, median, Math.sqrt(squares / n), sorted[0], sorted[n - 1], Double.NaN);
    }

    private static double mean(double[] known) {
        double sum = 0;
        for (double v : known) {
            sum += v;
        }
        return sum / known.length;
    }

    private static Averages round(double[] known, Averaging how) {
        int n = known.length;
        double perDegree = 2 * Math.PI / how.turn();
        double x = 0;
        double y = 0;
        for (double v : known) {
            x += StrictMath.cos(v * perDegree);
            y += StrictMath.sin(v * perDegree);
        }
        double vector = Math.min(1, StrictMath.hypot(x, y) / n);
        double least = Arrays.stream(known).min().orElseThrow();
        double greatest = Arrays.stream(known).max().orElseThrow();
        if (vector < NOWHERE) {
            return new Averages(n, Double.NaN, Double.NaN, Double.NaN, least, greatest, 0);
        }
        double mean = StrictMath.atan2(y, x) / perDegree;
        double[] round = Arrays.stream(known)
                .boxed()
                .sorted(Comparator.comparingDouble(v -> how.apart(mean, v)))
                .mapToDouble(v -> v)
                .toArray();
        double lower = round[(n - 1) / 2];
        double median = lower + how.apart(lower, round[n / 2]) / 2;
        double squares = 0;
        for (double v : known) {
            double off = how.apart(mean, v);
            squares += off * off;
        }
        return new Averages(n, how.told(mean), how.told(median), Math.sqrt(squares / n), least, greatest, vector);
    }
}
