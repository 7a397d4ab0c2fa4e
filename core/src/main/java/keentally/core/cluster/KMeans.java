package keentally.core.cluster;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import keentally.core.work.Work;

/**
 * Parts points into k groups around k centres.
 *
 * <p>Definition: from several starts, each k points drawn one after another with a chance that grows with the square of the distance
 * from those drawn before (k-means++), every point goes to the nearest centre and every centre to the mean of its points, until none
 * moves or {@value #MOST_ROUNDS} rounds are done. The start that ends with the least sum of squared distances wins; ties take the
 * first. A centre that loses all its points moves to the point farthest from its own.
 *
 * <p>Deterministic: the same points, seed and starts give the same centres, whatever the number of threads. Edge cases: there is no
 * answer for fewer than k points that differ. Cost: rounds · points · k for each start.
 *
 * <p>Sources: S. P. Lloyd (1982), "Least squares quantization in PCM", IEEE Transactions on Information Theory 28(2), 129–137;
 * D. Arthur and S. Vassilvitskii (2007), "k-means++: the advantages of careful seeding", Proc. SODA, 1027–1035.
 */
public final class KMeans {
    private static final int MOST_ROUNDS = 200;

    private final Points points;
    private final int k;
    private final int d;

    private KMeans(Points points, int k) {
        this.points = points;
        this.k = k;
        this.d = points.dimensions();
    }

    /**
     * @param centres coordinates, centre by centre
     * @param groups the centre of each point
     * @param within weighed sum of squared distances from the centres
     */
    public record Partition(double[] centres, int[] groups, double within) {}

    /** @return empty where fewer than {@code k} points differ */
    public static Optional<Partition> of(Points points, int k, int starts, long seed, Work work) {
        if (k < 1 || starts < 1) {
            throw new IllegalArgumentException("k and starts must be 1 or more, were " + k + " and " + starts);
        }
        KMeans means = new KMeans(points, k);
        List<Optional<Partition>> tried =
                work.map(starts, s -> means.run(new SplittableRandom(seed * 1_000_003 + s), work));
        Optional<Partition> best = Optional.empty();
        for (Optional<Partition> each : tried) {
            if (each.isPresent()
                    && (best.isEmpty() || each.get().within() < best.get().within())) {
                best = each;
            }
        }
        return best;
    }

    private Optional<Partition> run(SplittableRandom random, Work work) {
        double[] centres = new double[k * d];
        if (!start(centres, random)) {
            return Optional.empty();
        }
        int[] groups = new int[points.count()];
        Arrays.fill(groups, -1);
        double[] square = new double[points.count()];
        for (int round = 0; round < MOST_ROUNDS; round++) {
            work.cancel().check();
            boolean moved = assign(centres, groups, square);
            if (!moved) {
                break;
            }
            settle(centres, groups, square);
        }
        assign(centres, groups, square);
        double within = 0;
        for (int i = 0; i < square.length; i++) {
            within += points.weights()[i] * square[i];
        }
        return Optional.of(new Partition(centres, groups, within));
    }

    private boolean start(double[] centres, SplittableRandom random) {
        double[] chance = points.weights().clone();
        double[] nearest = new double[points.count()];
        Arrays.fill(nearest, Double.POSITIVE_INFINITY);
        for (int c = 0; c < k; c++) {
            int drawn = draw(chance, random);
            if (drawn < 0) {
                return false;
            }
            System.arraycopy(points.at(), drawn * d, centres, c * d, d);
            for (int i = 0; i < nearest.length; i++) {
                nearest[i] = Math.min(nearest[i], square(i, centres, c));
                chance[i] = points.weights()[i] * nearest[i];
            }
        }
        return true;
    }

    /** A point by its chance; −1 where none has any. */
    private static int draw(double[] chance, SplittableRandom random) {
        double sum = 0;
        for (double c : chance) {
            sum += c;
        }
        if (!(sum > 0)) {
            return -1;
        }
        double at = random.nextDouble() * sum;
        int last = -1;
        for (int i = 0; i < chance.length; i++) {
            if (chance[i] > 0) {
                last = i;
                at -= chance[i];
                if (at < 0) {
                    return i;
                }
            }
        }
        return last;
    }

    private double square(int point, double[] centres, int c) {
        double sum = 0;
        for (int j = 0; j < d; j++) {
            double off = points.at()[point * d + j] - centres[c * d + j];
            sum += off * off;
        }
        return sum;
    }

    private boolean assign(double[] centres, int[] groups, double[] square) {
        boolean moved = false;
        for (int i = 0; i < groups.length; i++) {
            int best = 0;
            double least = Double.POSITIVE_INFINITY;
            for (int c = 0; c < k; c++) {
                double now = square(i, centres, c);
                if (now < least) {
                    least = now;
                    best = c;
                }
            }
            square[i] = least;
            moved |= groups[i] != best;
            groups[i] = best;
        }
        return moved;
    }

    private void settle(double[] centres, int[] groups, double[] square) {
        double[] weight = new double[k];
        double[] sums = new double[k * d];
        for (int i = 0; i < groups.length; i++) {
            double w = points.weights()[i];
            weight[groups[i]] += w;
            for (int j = 0; j < d; j++) {
                sums[groups[i] * d + j] += w * points.at()[i * d + j];
            }
        }
        for (int c = 0; c < k; c++) {
            if (weight[c] > 0) {
                for (int j = 0; j < d; j++) {
                    centres[c * d + j] = sums[c * d + j] / weight[c];
                }
            } else {
                int far = farthest(square);
                square[far] = 0;
                System.arraycopy(points.at(), far * d, centres, c * d, d);
            }
        }
    }

    private static int farthest(double[] square) {
        int far = 0;
        for (int i = 1; i < square.length; i++) {
            far = square[i] > square[far] ? i : far;
        }
        return far;
    }

    /** Weighed sum of squared distances of points from the nearest of some centres. */
    public static double within(Points points, double[] centres) {
        KMeans means = new KMeans(points, centres.length / points.dimensions());
        double[] square = new double[points.count()];
        means.assign(centres, new int[points.count()], square);
        double within = 0;
        for (int i = 0; i < square.length; i++) {
            within += points.weights()[i] * square[i];
        }
        return within;
    }

    /** The centre nearest to a place; the first of those that tie. */
    public static int nearest(double[] centres, int dimensions, double[] place) {
        int best = 0;
        double least = Double.POSITIVE_INFINITY;
        for (int c = 0; c < centres.length / dimensions; c++) {
            double sum = 0;
            for (int j = 0; j < dimensions; j++) {
                double off = place[j] - centres[c * dimensions + j];
                sum += off * off;
            }
            if (sum < least) {
                least = sum;
                best = c;
            }
        }
        return best;
    }
}
