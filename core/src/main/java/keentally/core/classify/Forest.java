package keentally.core.classify;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import keentally.core.work.Deadline;
import keentally.core.work.Work;

/**
 * A forest of decision trees that tells classes apart by features.
 *
 * <p>Definition: each tree is grown on as many examples as there are, drawn with replacement, classes weighed so that each counts as much as any
 * other. At every decision √F of the F features, drawn anew, are looked at, and the edge between two bins ({@link Bins}) is taken that lowers
 * the Gini impurity most, of all those features; then, of all places midway between two values that lie in the bins at both sides of it, the one that does. Of equals the feature that was drawn first and its lowest place. Without the second
 * look, examples that are alike leave a whole bin undecided between classes. A leaf says how its examples are shared out to the classes; the forest says the mean of
 * its trees' leaves, and the class with the greatest part, of equals the first.
 *
 * <p>Edge cases: examples that are all alike make one leaf; values beyond those of the examples go with the outermost. Cost: trees × depth × examples
 * × √F to grow; trees × depth a pixel to ask. Threads: trees are grown side by side, each with a chance of its own, so the same bytes come out
 * with any number.
 *
 * <p>Source: L. Breiman (2001), Random forests, Machine Learning 45, 5–32.
 */
public final class Forest implements Learnt {
    private static final int BLOCK = 2048;
    private static final int MOST_FEATURES = 128;
    private static final int MOST_BINS = 256;
    private static final int CLASS_BITS = 8;
    private static final int ABREAST = 8;

    /** What is gained less is lost in rounding. */
    private static final double LEAST_GAIN = 1e-9;

    private final int classes;
    private final int features;
    private final List<Tree> trees;
    private final List<Ways> ways;

    /** @param features how many it asks about */
    public Forest(int classes, int features, List<Tree> trees) {
        if (features > MOST_FEATURES) {
            throw new IllegalArgumentException("a forest asks about at most 128 features, but not about " + features);
        }
        this.classes = classes;
        this.features = features;
        this.trees = List.copyOf(trees);
        this.ways = this.trees.stream().map(Ways::of).toList();
    }

    /**
     * Decisions and leaves, numbered; the first is the root.
     *
     * @param feature that a decision asks about; −1 for a leaf
     * @param edge at most this goes left
     * @param left the left follower of a decision, the right one being the next; of a leaf, where its shares begin
     * @param shares of the classes, leaf by leaf
     */
    public record Tree(int[] feature, float[] edge, int[] left, float[] shares) {}

    /**
     * A tree laid out to be asked quickly: a node is one number, and leaves lead to themselves, so that several pixels go down abreast. Values are whole numbers in the order of
     * what they stand for, so that which way to go is a difference's sign: of a comparison the machine would have to guess the outcome.
     *
     * @param nodes the edge above, below the feature and the left follower
     * @param shares where the shares of a leaf begin
     * @param depth decisions on the longest way
     */
    private record Ways(long[] nodes, int[] shares, int depth) {
        private static final int FOLLOWER_BITS = 24;
        private static final int FOLLOWER = (1 << FOLLOWER_BITS) - 1;

        static Ways of(Tree tree) {
            int count = tree.feature().length;
            long[] nodes = new long[count];
            int[] shares = new int[count];
            int[] depth = new int[count];
            int deepest = 0;
            for (int n = 0; n < count; n++) { // followers stand behind their decision
                boolean leaf = tree.feature()[n] < 0;
                long edge = leaf ? Integer.MAX_VALUE : ascending(tree.edge()[n]);
                int way = leaf ? n : tree.feature()[n] << FOLLOWER_BITS | tree.left()[n];
                nodes[n] = edge << Integer.SIZE | Integer.toUnsignedLong(way);
                shares[n] = leaf ? tree.left()[n] : 0;
                deepest = Math.max(deepest, depth[n]);
                if (!leaf) {
                    depth[tree.left()[n]] = depth[n] + 1;
                    depth[tree.left()[n] + 1] = depth[n] + 1;
                }
            }
            return new Ways(nodes, shares, deepest);
        }

        /** For so many pixels, whose features stand beside each other, where the shares of their leaves begin; there is room for a multiple of eight. */
        void leaves(int[] rows, int features, int count, int[] into) {
            for (int i = 0; i < count; i += ABREAST) {
                int first = i * features;
                int a = 0;
                int b = 0;
                int c = 0;
                int d = 0;
                int e = 0;
                int f = 0;
                int g = 0;
                int h = 0;
                for (int level = 0;
                        level < depth;
                        level++) { // by name: a list of eight would be read and written at every step
                    a = next(nodes[a], rows, first);
                    b = next(nodes[b], rows, first + features);
                    c = next(nodes[c], rows, first + 2 * features);
                    d = next(nodes[d], rows, first + 3 * features);
                    e = next(nodes[e], rows, first + 4 * features);
                    f = next(nodes[f], rows, first + 5 * features);
                    g = next(nodes[g], rows, first + 6 * features);
                    h = next(nodes[h], rows, first + 7 * features);
                }
                into[i] = shares[a];
                into[i + 1] = shares[b];
                into[i + 2] = shares[c];
                into[i + 3] = shares[d];
                into[i + 4] = shares[e];
                into[i + 5] = shares[f];
                into[i + 6] = shares[g];
                into[i + 7] = shares[h];
            }
        }

        private static int next(long node, int[] rows, int pixel) {
            int way = (int) node;
            int value = rows[pixel + (way >>> FOLLOWER_BITS)];
            return (way & FOLLOWER) + (int) (((node >> Integer.SIZE) - value) >>> (Long.SIZE - 1));
        }
    }

    /** A whole number for each number, in the same order; what is no number comes first. */
    private static int ascending(float value) {
        int bits = Float.floatToIntBits(value + 0f); // -0 is 0
        return value != value ? Integer.MIN_VALUE : bits ^ bits >> (Integer.SIZE - 1) & Integer.MAX_VALUE;
    }

    private static float number(int ascending) {
        return Float.intBitsToFloat(ascending ^ ascending >> (Integer.SIZE - 1) & Integer.MAX_VALUE);
    }

    public List<Tree> trees() {
        return trees;
    }

    @Override
    public int classes() {
        return classes;
    }

    @Override
    public int features() {
        return features;
    }

    /** Grows one. */
    public static Forest grown(Examples examples, ForestPlan plan, Work work) {
        return grown(examples, plan, work, Deadline.NEVER);
    }

    /** Grows one, of the first trees alone where there is no time for all: at least a few. */
    static Forest grown(Examples examples, ForestPlan plan, Work work, Deadline until) {
        Bins bins = Bins.of(examples.features(), work);
        List<Tree> trees = new ArrayList<>();
        do {
            int first = trees.size();
            trees.addAll(work.map(
                    Math.min(ABREAST, plan.trees() - first),
                    t -> new Growing(examples, bins, plan, new SplittableRandom(plan.seed() * 1_000_003 + first + t))
                            .tree()));
        } while (trees.size() < plan.trees() && !until.isPast());
        return new Forest(examples.classes(), examples.features().length, trees);
    }

    @Override
    public float[] probabilities(float[][] values, int count) {
        float[] sums = new float[count * classes];
        int[] leaves = new int[BLOCK];
        int[] rows = new int[BLOCK * features];
        for (int from = 0; from < count; from += BLOCK) { // a block's values stay near while all trees ask about them
            int many = Math.min(BLOCK, count - from);
            for (int f = 0; f < features; f++) {
                for (int i = 0; i < many; i++) {
                    rows[i * features + f] = ascending(values[f][from + i]);
                }
            }
            for (int t = 0; t < trees.size(); t++) {
                ways.get(t).leaves(rows, features, many, leaves);
                float[] shares = trees.get(t).shares();
                for (int i = 0; i < many; i++) {
                    int leaf = leaves[i];
                    int sum = (from + i) * classes;
                    for (int c = 0; c < classes; c++) {
                        sums[sum + c] += shares[leaf + c];
                    }
                }
            }
        }
        for (int i = 0; i < sums.length; i++) {
            sums[i] /= trees.size();
        }
        return sums;
    }

    /** One tree, from its root down. */
    private static final class Growing {
        private final Examples examples;
        private final Bins bins;
        private final ForestPlan plan;
        private final SplittableRandom chance;
        private final int classes;
        private final byte[] classOf;
        private final int tried;
        private final double[] weight;
        private final int[] order;
        private final int[] drawn;
        private final int[] counts;
        private final long[] filled = new long[MOST_BINS / 64];
        private final double[] below;
        private final long[] near;
        private final double[] none;
        private int[] feature = new int[64];
        private float[] edge = new float[64];
        private int[] left = new int[64];
        private float[] shares = new float[64];
        private int nodes;
        private int used;

        Growing(Examples examples, Bins bins, ForestPlan plan, SplittableRandom chance) {
            this.examples = examples;
            this.bins = bins;
            this.plan = plan;
            this.chance = chance;
            this.classes = examples.classes();
            this.classOf = new byte[examples.count()];
            for (int i = 0; i < classOf.length; i++) {
                classOf[i] = (byte) examples.classOf()[i]; // a class picture has at most 64
            }
            this.tried = Math.max(1, (int) Math.round(Math.sqrt(examples.features().length)));
            this.weight = weights(examples);
            this.order = new int[examples.count()];
            this.near = new long[examples.count()];
            for (int i = 0; i < order.length; i++) {
                order[i] = chance.nextInt(order.length);
            }
            this.drawn = new int[examples.features().length];
            Arrays.setAll(drawn, i -> i);
            this.counts = new int[MOST_BINS * classes];
            this.below = new double[classes];
            this.none = new double[classes];
        }

        private static double[] weights(Examples examples) {
            double[] weights = new double[examples.classes()];
            for (int c : examples.classOf()) {
                weights[c]++;
            }
            for (int c = 0; c < weights.length; c++) {
                weights[c] = (double) examples.count() / (weights.length * weights[c]);
            }
            return weights;
        }

        Tree tree() {
            grow(node(1), 0, order.length, 0);
            return new Tree(
                    Arrays.copyOf(feature, nodes),
                    Arrays.copyOf(edge, nodes),
                    Arrays.copyOf(left, nodes),
                    Arrays.copyOf(shares, used));
        }

        private int node(int count) {
            while (nodes + count > feature.length) {
                feature = Arrays.copyOf(feature, 2 * feature.length);
                edge = Arrays.copyOf(edge, 2 * edge.length);
                left = Arrays.copyOf(left, 2 * left.length);
            }
            nodes += count;
            return nodes - count;
        }

        private void grow(int node, int from, int to, int depth) {
            double[] parts = new double[classes];
            for (int i = from; i < to; i++) {
                int c = classOf[order[i]] & 0xff;
                parts[c] += weight[c];
            }
            Split best = depth < plan.depth() && to - from >= 2 * plan.leastLeaf() && !isPure(parts)
                    ? split(from, to, parts)
                    : null;
            if (best == null) {
                leaf(node, parts);
                return;
            }
            int middle = part(from, to, best);
            int followers = node(2);
            feature[node] = best.feature();
            edge[node] = best.edge();
            left[node] = followers;
            grow(followers, from, middle, depth + 1);
            grow(followers + 1, middle, to, depth + 1);
        }

        private static boolean isPure(double[] parts) {
            return Arrays.stream(parts).filter(p -> p > 0).count() < 2;
        }

        private void leaf(int node, double[] parts) {
            while (used + classes > shares.length) {
                shares = Arrays.copyOf(shares, 2 * shares.length);
            }
            double sum = Arrays.stream(parts).sum();
            feature[node] = -1;
            left[node] = used;
            for (int c = 0; c < classes; c++) {
                shares[used + c] = (float) (parts[c] / sum);
            }
            used += classes;
        }

        /**
         * @param edge what is at most that goes left
         * @param gain how much the impurity falls
         */
        private record Split(int feature, float edge, double gain) {}

        /** The best edge of some features drawn anew; null where none parts the examples. */
        private Split split(int from, int to, double[] parts) {
            Parting best = null;
            for (int t = 0; t < tried; t++) {
                int with = t + chance.nextInt(drawn.length - t);
                int f = drawn[with];
                drawn[with] = drawn[t];
                drawn[t] = f;
                Parting found = parting(f, from, to, parts);
                if (found != null && (best == null || found.gain() > best.gain() + LEAST_GAIN)) {
                    best = found;
                }
            }
            return best == null ? null : bestPlace(best, from, to, parts);
        }

        /**
         * An edge between two bins.
         *
         * @param bin the last that goes left
         * @param next the first that goes right and holds any example here
         * @param gain how much the impurity falls
         */
        private record Parting(int feature, int bin, int next, double gain) {}

        private Parting parting(int f, int from, int to, double[] parts) {
            if (bins.edges()[f].length == 0) {
                return null;
            }
            byte[] of = bins.of()[f];
            for (int i = from; i < to; i++) {
                int b = of[order[i]] & 0xff;
                counts[b * classes + (classOf[order[i]] & 0xff)]++;
                filled[b >>> 6] |= 1L << b;
            }
            Parting best = bestEdge(f, parts, to - from);
            for (int b = nextFilled(0); b >= 0; b = nextFilled(b + 1)) {
                Arrays.fill(counts, b * classes, (b + 1) * classes, 0);
            }
            Arrays.fill(filled, 0);
            return best;
        }

        /** −1 where there is none. */
        private int nextFilled(int from) {
            for (int word = from >>> 6; word < filled.length; word++) {
                long left = filled[word] & (word == from >>> 6 ? -1L << from : -1L);
                if (left != 0) {
                    return (word << 6) + Long.numberOfTrailingZeros(left);
                }
            }
            return -1;
        }

        private Parting bestEdge(int f, double[] parts, int all) {
            Arrays.fill(below, 0);
            int count = 0;
            Parting best = null;
            double whole = purity(parts, none);
            for (int b = nextFilled(0); b >= 0; b = nextFilled(b + 1)) {
                for (int c = 0; c < classes; c++) {
                    below[c] += counts[b * classes + c] * weight[c];
                    count += counts[b * classes + c];
                }
                if (count < plan.leastLeaf() || all - count < Math.max(1, plan.leastLeaf())) {
                    continue;
                }
                double gain = purity(below, none) + purity(parts, below) - whole;
                if (gain > LEAST_GAIN && (best == null || gain > best.gain() + LEAST_GAIN)) {
                    best = new Parting(f, b, nextFilled(b + 1), gain);
                }
            }
            return best;
        }

        /** Between two values of the bins at both sides of an edge. */
        private Split bestPlace(Parting edge, int from, int to, double[] parts) {
            byte[] of = bins.of()[edge.feature()];
            float[] values = examples.features()[edge.feature()];
            Arrays.fill(below, 0);
            int count = 0;
            int found = 0;
            for (int i = from; i < to; i++) {
                int b = of[order[i]] & 0xff;
                if (b < edge.bin()) {
                    below[classOf[order[i]] & 0xff] += weight[classOf[order[i]] & 0xff];
                    count++;
                } else if (b <= edge.next()) {
                    near[found] = (long) ascending(values[order[i]]) << CLASS_BITS | classOf[order[i]] & 0xff;
                    found++;
                }
            }
            Arrays.sort(near, 0, found);
            Split best = null;
            double whole = purity(parts, none);
            for (int i = 0; i + 1 < found; i++) {
                int c = (int) (near[i] & (1 << CLASS_BITS) - 1);
                below[c] += weight[c];
                count++;
                long value = near[i] >> CLASS_BITS;
                if (value == near[i + 1] >> CLASS_BITS
                        || count < plan.leastLeaf()
                        || to - from - count < plan.leastLeaf()) {
                    continue;
                }
                double gain = purity(below, none) + purity(parts, below) - whole;
                if (gain > LEAST_GAIN && (best == null || gain > best.gain() + LEAST_GAIN)) {
                    best = new Split(
                            edge.feature(),
                            midway(number((int) value), number((int) (near[i + 1] >> CLASS_BITS))),
                            gain);
                }
            }
            return best;
        }

        /** The lower one where no number lies between. */
        private static float midway(float low, float high) {
            float middle = low + (high - low) / 2;
            return middle >= high ? low : middle;
        }

        /** Σ p² over Σ p of what is left without some: the sum of both sides is greatest where the Gini impurity is least. */
        private double purity(double[] parts, double[] without) {
            double squares = 0;
            double sum = 0;
            for (int c = 0; c < classes; c++) {
                double p = parts[c] - without[c];
                squares += p * p;
                sum += p;
            }
            return sum > 0 ? squares / sum : 0;
        }

        /** Those that go left first; the order on either side stays. */
        private int part(int from, int to, Split split) {
            float[] values = examples.features()[split.feature()];
            int[] right = new int[to - from];
            int rights = 0;
            int at = from;
            for (int i = from; i < to; i++) {
                if (values[order[i]] <= split.edge()) {
                    order[at] = order[i];
                    at++;
                } else {
                    right[rights] = order[i];
                    rights++;
                }
            }
            System.arraycopy(right, 0, order, at, rights);
            return at;
        }
    }
}
