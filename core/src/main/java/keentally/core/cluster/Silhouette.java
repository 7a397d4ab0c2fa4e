package keentally.core.cluster;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import java.util.stream.Stream;
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

    /**
     * One for each way of grouping the points; all are taken over the same draw.
     *
     * @param groupings for each way the group of each point, from 0
     */
    public static List<Silhouette> of(Points points, List<int[]> groupings, long seed, Work work) {
        if (groupings.isEmpty()) {
            return List.of();
        }
        int[] drawn = drawn(points, new SplittableRandom(seed));
        double[] places = new double[SAMPLE * points.dimensions()];
        for (int i = 0; i < SAMPLE; i++) {
            System.arraycopy(
                    points.at(), drawn[i] * points.dimensions(), places, i * points.dimensions(), points.dimensions());
        }
        List<Grouping> groups =
                groupings.stream().map(g -> Grouping.of(g, drawn)).toList();
        double[][] widths = new double[groupings.size()][SAMPLE];
        work.bands(SAMPLE, (from, to) -> {
            double[] distances = new double[SAMPLE];
            for (int i = from; i < to; i++) {
                distances(places, points.dimensions(), i, distances);
                for (int g = 0; g < widths.length; g++) {
                    widths[g][i] = groups.get(g).width(i, distances);
                }
            }
        });
        return Stream.of(widths).map(Silhouette::of).toList();
    }

    private static Silhouette of(double[] each) {
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

    private static void distances(double[] places, int d, int i, double[] distances) {
        for (int j = 0; j < distances.length; j++) {
            double square = 0;
            for (int c = 0; c < d; c++) {
                double off = places[i * d + c] - places[j * d + c];
                square += off * off;
            }
            distances[j] = Math.sqrt(square);
        }
    }

    /** @param of the group of each drawn point */
    private record Grouping(int[] of, int k) {
        static Grouping of(int[] groups, int[] drawn) {
            int[] of = IntStream.of(drawn).map(i -> groups[i]).toArray();
            return new Grouping(of, IntStream.of(of).max().orElseThrow() + 1);
        }

        double width(int i, double[] distances) {
            double[] sums = new double[k];
            int[] counts = new int[k];
            for (int j = 0; j < of.length; j++) {
                sums[of[j]] += distances[j]; // 0 from itself
                counts[of[j]]++;
            }
            int own = of[i];
            if (counts[own] == 1) {
                return 0;
            }
            double a = sums[own] / (counts[own] - 1);
            double b = Double.POSITIVE_INFINITY;
            for (int g = 0; g < k; g++) {
                if (g != own && counts[g] > 0) {
                    b = Math.min(b, sums[g] / counts[g]);
                }
            }
            return b == Double.POSITIVE_INFINITY ? Double.NaN : Math.max(a, b) > 0 ? (b - a) / Math.max(a, b) : 0;
        }
    }
}
