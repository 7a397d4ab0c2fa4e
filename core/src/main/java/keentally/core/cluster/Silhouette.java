package keentally.core.cluster;

import java.util.Arrays;
import java.util.SplittableRandom;
import keentally.core.work.Work;

/**
 * How well groups stand apart: 1 where every point is far nearer to its own group than to any other, 0 where it makes no difference,
 * below 0 where points are in the wrong group.
 *
 * <p>Definition: for a point, (b − a) ÷ max(a, b), a being the mean distance to the others of its group and b the least mean distance
 * to another group; 0 for a point alone in its group. Taken over {@value #SAMPLE} points drawn with replacement by weight from a
 * stated seed; the standard error is that of their mean.
 *
 * <p>Source: P. J. Rousseeuw (1987), "Silhouettes: a graphical aid to the interpretation and validation of cluster analysis", Journal
 * of Computational and Applied Mathematics 20, 53–65.
 *
 * @param mean −1 to 1; not-a-number where there is one group only
 * @param standardError of the mean
 */
public record Silhouette(double mean, double standardError) {
    public static final int SAMPLE = 1500;

    /** @param groups the group of each point */
    public static Silhouette of(Points points, int[] groups, int k, long seed, Work work) {
        int[] drawn = drawn(points, new SplittableRandom(seed));
        double[] each = new double[SAMPLE];
        work.bands(SAMPLE, (from, to) -> {
            double[] sums = new double[k];
            int[] counts = new int[k];
            for (int i = from; i < to; i++) {
                each[i] = width(points, groups, drawn, i, sums, counts);
            }
        });
        double sum = 0;
        int n = 0;
        for (double s : each) {
            if (!Double.isNaN(s)) {
                sum += s;
                n++;
            }
        }
        double mean = sum / n;
        double squares = 0;
        for (double s : each) {
            squares += Double.isNaN(s) ? 0 : (s - mean) * (s - mean);
        }
        return new Silhouette(mean, Math.sqrt(squares / (n - 1.0) / n));
    }

    private static int[] drawn(Points points, SplittableRandom random) {
        double[] upTo = points.weights().clone();
        for (int i = 1; i < upTo.length; i++) {
            upTo[i] += upTo[i - 1];
        }
        int[] drawn = new int[SAMPLE];
        for (int i = 0; i < SAMPLE; i++) {
            int at = Arrays.binarySearch(upTo, random.nextDouble() * upTo[upTo.length - 1]);
            drawn[i] = Math.min(upTo.length - 1, at < 0 ? -at - 1 : at + 1);
        }
        return drawn;
    }

    private static double width(Points points, int[] groups, int[] drawn, int i, double[] sums, int[] counts) {
        Arrays.fill(sums, 0);
        Arrays.fill(counts, 0);
        int d = points.dimensions();
        for (int j = 0; j < drawn.length; j++) {
            if (j == i) {
                continue;
            }
            double square = 0;
            for (int c = 0; c < d; c++) {
                double off = points.at()[drawn[i] * d + c] - points.at()[drawn[j] * d + c];
                square += off * off;
            }
            sums[groups[drawn[j]]] += Math.sqrt(square);
            counts[groups[drawn[j]]]++;
        }
        int own = groups[drawn[i]];
        if (counts[own] == 0) {
            return 0;
        }
        double a = sums[own] / counts[own];
        double b = Double.POSITIVE_INFINITY;
        for (int g = 0; g < sums.length; g++) {
            if (g != own && counts[g] > 0) {
                b = Math.min(b, sums[g] / counts[g]);
            }
        }
        return b == Double.POSITIVE_INFINITY ? Double.NaN : Math.max(a, b) > 0 ? (b - a) / Math.max(a, b) : 0;
    }
}
