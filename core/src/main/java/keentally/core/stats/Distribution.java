package keentally.core.stats;

import java.util.Arrays;
import java.util.Comparator;
import java.util.stream.IntStream;

/**
 * How values are spread, each with a weight: every object counts as one, or by its area.
 *
 * <p>Definition: classes are equally wide from the least to the greatest value, or equally wide in the logarithm; a value on a border is
 * in the upper class, the greatest in the last. The share of a class is its part of all weights, the cumulative share at a value that of
 * all values up to it. For Dp every value in order stands where the weight of those before it and half of its own lies; between values
 * it runs straight, and below the first and above the last it stands still; Dp is where that comes to p per cent. Mean and standard deviation are weighted, the latter over all weights; CV is their
 * ratio.
 *
 * <p>Edge cases: values that are no number are left out, and with logarithmic classes those of 0 and less; without values every number is
 * not-a-number and there is no class; values that are all the same make one class. Cost: a sort.
 *
 * <p>Source: ISO 9276-1:1998 and 9276-2:2014 (densities, cumulative distributions and their means); the halves are the middle rank of
 * A. Hazen (1914), Transactions of the American Society of Civil Engineers 77, 1539–1640.
 */
public final class Distribution {
    private final double[] values;

    /** Where each value stands among the weights, 0 to 1. */
    private final double[] middle;

    /** The weights of each value and of those before it, 0 to 1. */
    private final double[] upTo;

    private final double[] edges;
    private final double[] percents;
    private final double mean;
    private final double sd;

    private Distribution(double[] values, double[] weights, boolean log, int classes) {
        this.values = values;
        double total = Arrays.stream(weights).sum();
        this.middle = new double[values.length];
        this.upTo = new double[values.length];
        double before = 0;
        double sum = 0;
        for (int i = 0; i < values.length; i++) {
            middle[i] = (before + weights[i] / 2) / total;
            before += weights[i];
            upTo[i] = before / total;
            sum += weights[i] * values[i];
        }
        this.mean = sum / total;
        double squares = 0;
        for (int i = 0; i < values.length; i++) {
            squares += weights[i] * (values[i] - mean) * (values[i] - mean);
        }
        this.sd = Math.sqrt(squares / total);
        this.edges = edges(values, log, classes);
        this.percents = new double[Math.max(0, edges.length - 1)];
        for (int i = 0; i < values.length; i++) {
            percents[classOf(values[i])] += 100 * weights[i] / total;
        }
    }

    /**
     * @param weights above 0, as many as there are values
     * @param log whether classes are equally wide in the logarithm
     * @param classes how many at most
     */
    public static Distribution of(double[] values, double[] weights, boolean log, int classes) {
        int[] order = IntStream.range(0, values.length)
                .filter(i -> !Double.isNaN(values[i]) && (!log || values[i] > 0))
                .boxed()
                .sorted(Comparator.comparingDouble(i -> values[i]))
                .mapToInt(i -> i)
                .toArray();
        return new Distribution(
                Arrays.stream(order).mapToDouble(i -> values[i]).toArray(),
                Arrays.stream(order).mapToDouble(i -> weights[i]).toArray(),
                log,
                classes);
    }

    private static double[] edges(double[] sorted, boolean log, int classes) {
        if (sorted.length == 0) {
            return new double[0];
        }
        double low = sorted[0];
        double high = sorted[sorted.length - 1];
        if (low == high) {
            return new double[] {low, high};
        }
        double[] edges = new double[classes + 1];
        for (int i = 1; i < classes; i++) {
            double share = (double) i / classes;
            edges[i] = log
                    ? StrictMath.exp((1 - share) * StrictMath.log(low) + share * StrictMath.log(high))
                    : low + share * (high - low);
        }
        edges[0] = low;
        edges[classes] = high;
        return edges;
    }

    /** As many classes as are readable for so many values: their square root, from 8 to 40. */
    public static int classesFor(int values) {
        return Math.clamp(Math.round(Math.sqrt(values)), 8, 40);
    }

    /** Number of values that count. */
    public int count() {
        return values.length;
    }

    public int classes() {
        return percents.length;
    }

    /** The border below a class; that above the last goes by {@link #classes}. */
    public double edge(int index) {
        return edges[index];
    }

    /** Per cent of all weights. */
    public double percent(int index) {
        return percents[index];
    }

    /** The class that a value between least and greatest lies in. */
    public int classOf(double value) {
        int found = Arrays.binarySearch(edges, value);
        int at = found >= 0 ? found : -found - 2;
        return Math.clamp(at, 0, percents.length - 1);
    }

    /** So many per cent of the weight lie below it, as below D50 for 50. */
    public double at(double percent) {
        if (values.length == 0) {
            return Double.NaN;
        }
        double share = percent / 100;
        int found = Arrays.binarySearch(middle, share);
        int above = found >= 0 ? found : -found - 1;
        if (above == 0 || above == values.length) {
            return values[Math.min(above, values.length - 1)];
        }
        double part = (share - middle[above - 1]) / (middle[above] - middle[above - 1]);
        return values[above - 1] + part * (values[above] - values[above - 1]);
    }

    /** Per cent of the weight that lie at a value and below. */
    public double percentUpTo(double value) {
        if (values.length == 0) {
            return Double.NaN;
        }
        int low = 0;
        int high = values.length;
        while (low < high) {
            int probe = (low + high) >>> 1;
            if (values[probe] <= value) {
                low = probe + 1;
            } else {
                high = probe;
            }
        }
        return low == 0 ? 0 : low == values.length ? 100 : 100 * upTo[low - 1];
    }

    public double mean() {
        return mean;
    }

    /** Over all weights. */
    public double sd() {
        return sd;
    }

    /** In per cent of the mean. */
    public double cv() {
        return 100 * sd / mean;
    }
}
