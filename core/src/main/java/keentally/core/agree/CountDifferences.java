package keentally.core.agree;

import java.util.List;

/**
 * Two ways to count, held together over several samples: how much the second is above the first, against the mean of the two.
 *
 * <p>Definition: the limits of agreement are the mean difference ± 1.96 standard deviations of the differences (over n − 1); about 95 % of
 * samples lie between them where the differences are normal. Not-a-number below two samples.
 *
 * <p>Source: J. M. Bland and D. G. Altman (1986), "Statistical methods for assessing agreement between two methods of clinical
 * measurement", The Lancet 327(8476), 307–310.
 *
 * @param mean of the differences
 * @param sd of the differences
 */
public record CountDifferences(List<Pair> pairs, double mean, double sd) {
    private static final double NORMAL_95 = 1.96;

    public CountDifferences {
        pairs = List.copyOf(pairs);
    }

    /** What the two ways counted on one sample. */
    public record Pair(String sample, int first, int second) {
        public double mean() {
            return (first + second) / 2.0;
        }

        public int difference() {
            return second - first;
        }
    }

    /** Of at least one sample. */
    public static CountDifferences of(List<Pair> pairs) {
        double mean = pairs.stream().mapToInt(Pair::difference).average().orElse(Double.NaN);
        double squares = pairs.stream()
                .mapToDouble(p -> (p.difference() - mean) * (p.difference() - mean))
                .sum();
        double sd = pairs.size() < 2 ? Double.NaN : Math.sqrt(squares / (pairs.size() - 1));
        return new CountDifferences(pairs, mean, sd);
    }

    /** The lower limit of agreement. */
    public double lower() {
        return mean - NORMAL_95 * sd;
    }

    /** The upper limit of agreement. */
    public double upper() {
        return mean + NORMAL_95 * sd;
    }
}
