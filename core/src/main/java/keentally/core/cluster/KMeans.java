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
        Nearest nearest = new Nearest(centres);
        boolean moved = nearest.assign();
        for (int round = 0; moved && round < MOST_ROUNDS; round++) {
            work.cancel().check();
            nearest.settle();
            moved = nearest.assign();
        }
        return Optional.of(new Partition(centres, nearest.groups, nearest.within()));
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
        return between(points.at(), point, centres, c);
    }

    /**
     * The centre nearest to each point, of those that tie the first. Bounds that grow by what the centres moved spare the points that
     * cannot have changed theirs: one at most so far from its own as any other is at least, and one nearer to its own than half of
     * what lies between that and the next. They are wider than rounding could be, so that the answer is that of looking at every pair.
     *
     * <p>Source: G. Hamerly (2010), "Making k-means even faster", Proc. SIAM International Conference on Data Mining, 130–140.
     */
    private final class Nearest {
        final double[] centres;
        final int[] groups = new int[points.count()];
        private final double[] own = new double[points.count()]; // at most so far is the point from its own centre
        private final double[] other = new double[points.count()]; // at least so far from every other
        private final double[] half = new double[k];
        private final double slack;

        Nearest(double[] centres) {
            this.centres = centres;
            Arrays.fill(groups, -1);
            double most = 0;
            for (double at : points.at()) {
                most = Math.max(most, Math.abs(at));
            }
            slack = 1e-9 * d * most;
        }

        /** @return whether any point changed its centre */
        boolean assign() {
            halve();
            boolean moved = false;
            for (int i = 0; i < groups.length; i++) {
                moved |= !stays(i) && look(i);
            }
            return moved;
        }

        private void halve() {
            for (int c = 0; c < k; c++) {
                double least = Double.POSITIVE_INFINITY;
                for (int b = 0; b < k; b++) {
                    least = b == c ? least : Math.min(least, between(centres, b, centres, c));
                }
                half[c] = Math.sqrt(least) / 2 - slack;
            }
        }

        private boolean stays(int i) {
            int group = groups[i];
            if (group < 0) {
                return false;
            }
            double far = Math.max(other[i], half[group]);
            if (own[i] >= far) {
                own[i] = Math.sqrt(square(i, centres, group)) + slack;
            }
            return own[i] < far;
        }

        private boolean look(int i) {
            int best = 0;
            double least = Double.POSITIVE_INFINITY;
            double second = Double.POSITIVE_INFINITY;
            for (int c = 0; c < k; c++) {
                double now = square(i, centres, c);
                if (now < least) {
                    second = least;
                    least = now;
                    best = c;
                } else if (now < second) {
                    second = now;
                }
            }
            own[i] = Math.sqrt(least) + slack;
            other[i] = Math.sqrt(second) - slack;
            boolean moved = groups[i] != best;
            groups[i] = best;
            return moved;
        }

        /** Every centre to the mean of its points. */
        void settle() {
            double[] before = centres.clone();
            double[] weight = new double[k];
            double[] sums = new double[k * d];
            for (int i = 0; i < groups.length; i++) {
                double w = points.weights()[i];
                weight[groups[i]] += w;
                for (int j = 0; j < d; j++) {
                    sums[groups[i] * d + j] += w * points.at()[i * d + j];
                }
            }
            double[] square = null; // looked at only where a centre lost all its points
            for (int c = 0; c < k; c++) {
                if (weight[c] > 0) {
                    for (int j = 0; j < d; j++) {
                        centres[c * d + j] = sums[c * d + j] / weight[c];
                    }
                } else {
                    square = square == null ? squares(before) : square;
                    int far = farthest(square);
                    square[far] = 0;
                    System.arraycopy(points.at(), far * d, centres, c * d, d);
                }
            }
            widen(before);
        }

        private void widen(double[] before) {
            double[] shift = new double[k];
            double most = 0;
            for (int c = 0; c < k; c++) {
                shift[c] = Math.sqrt(between(before, c, centres, c)) + slack;
                most = Math.max(most, shift[c]);
            }
            for (int i = 0; i < groups.length; i++) {
                own[i] += shift[groups[i]];
                other[i] -= most;
            }
        }

        private double[] squares(double[] from) {
            double[] square = new double[groups.length];
            for (int i = 0; i < square.length; i++) {
                square[i] = square(i, from, groups[i]);
            }
            return square;
        }

        double within() {
            double within = 0;
            for (int i = 0; i < groups.length; i++) {
                within += points.weights()[i] * square(i, centres, groups[i]);
            }
            return within;
        }
    }

    private double between(double[] some, int a, double[] others, int b) {
        double sum = 0;
        for (int j = 0; j < d; j++) {
            double off = some[a * d + j] - others[b * d + j];
            sum += off * off;
        }
        return sum;
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
        Nearest nearest = new KMeans(points, centres.length / points.dimensions()).new Nearest(centres);
        nearest.assign();
        return nearest.within();
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
