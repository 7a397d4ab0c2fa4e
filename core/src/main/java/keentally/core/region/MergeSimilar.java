package keentally.core.region;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.TreeSet;
import keentally.core.work.Cancel;

/**
 * Makes one region of neighbours that are alike.
 *
 * <p>Definition: kept regions that touch by eight neighbours are neighbours. Again and again the two neighbours that differ least become
 * one, as long as they differ by no more than {@code most}; of pairs that differ alike the one whose first region comes first, then the
 * one whose second does. What was merged has the mean of both, weighed by their pixels, and the neighbours of both. A region without a
 * mean has no difference from any other and stays.
 *
 * <p>A merged object is numbered where the first of its parts was; dropped objects stay as they are. Edge cases: no objects, one
 * object: nothing happens. Cost: O(pairs · log pairs) for what a picture of regions usually is; one thread.
 */
public final class MergeSimilar {
    private final double[][] mean;
    private final double[] weight;
    private final int[] version;
    private final int[] into;
    private final List<Set<Integer>> around = new ArrayList<>();
    private final Difference difference;
    private final double most;
    private final PriorityQueue<Pair> waiting = new PriorityQueue<>(
            Comparator.comparingDouble(Pair::apart).thenComparingInt(Pair::a).thenComparingInt(Pair::b));

    /** How much two means differ. */
    @FunctionalInterface
    public interface Difference {
        double of(double[] mean, double[] other);
    }

    private record Pair(double apart, int a, int b, int versionA, int versionB) {}

    private MergeSimilar(ObjectSet objects, double[][] means, Difference difference, double most) {
        int n = objects.regions().count();
        this.difference = difference;
        this.most = most;
        this.mean = new double[n][];
        this.weight = new double[n];
        this.version = new int[n];
        this.into = new int[n];
        for (int i = 0; i < n; i++) {
            mean[i] = means[i].clone();
            weight[i] = objects.regions().pixels(i);
            into[i] = i;
            around.add(new TreeSet<>());
        }
        for (int[] pair : objects.regions().touching(objects::isKept)) {
            around.get(pair[0]).add(pair[1]);
            around.get(pair[1]).add(pair[0]);
            look(pair[0], pair[1]);
        }
    }

    /**
     * @param means for each region, kept or not
     * @param most the largest difference at which neighbours still become one
     */
    public static ObjectSet of(ObjectSet objects, double[][] means, Difference difference, double most, Cancel cancel) {
        MergeSimilar merging = new MergeSimilar(objects, means, difference, most);
        merging.merge(cancel);
        return merging.merged(objects);
    }

    private void look(int i, int j) {
        int a = Math.min(i, j);
        int b = Math.max(i, j);
        double apart = difference.of(mean[a], mean[b]);
        if (apart <= most) {
            waiting.add(new Pair(apart, a, b, version[a], version[b]));
        }
    }

    private void merge(Cancel cancel) {
        while (!waiting.isEmpty()) {
            cancel.check();
            Pair pair = waiting.remove();
            if (pair.versionA == version[pair.a] && pair.versionB == version[pair.b]) {
                merge(pair.a, pair.b);
            }
        }
    }

    /** The second becomes part of the first. */
    private void merge(int a, int b) {
        double sum = weight[a] + weight[b];
        for (int c = 0; c < mean[a].length; c++) {
            mean[a][c] = (mean[a][c] * weight[a] + mean[b][c] * weight[b]) / sum;
        }
        weight[a] = sum;
        into[b] = a;
        version[a]++;
        version[b]++;
        for (int other : around.get(b)) {
            around.get(other).remove(b);
            if (other != a) {
                around.get(other).add(a);
                around.get(a).add(other);
            }
        }
        around.get(a).remove(a);
        around.get(b).clear();
        for (int other : around.get(a)) {
            look(a, other);
        }
    }

    private int last(int region) {
        int at = region;
        while (into[at] != at) {
            at = into[at];
        }
        return at;
    }

    /** A merged region takes the index of its first part, so that the order of first pixels stays. */
    private ObjectSet merged(ObjectSet objects) {
        Regions regions = objects.regions();
        RegionBuilder builder = new RegionBuilder(regions.width(), regions.height());
        int[] made = new int[into.length];
        List<String> fates = new ArrayList<>();
        for (int i = 0; i < into.length; i++) {
            if (into[i] == i) {
                made[i] = builder.next();
                fates.add(objects.droppedBy(i));
            }
        }
        for (int i = 0; i < into.length; i++) {
            int owner = made[last(i)];
            regions.runs(i, (y, from, to) -> builder.add(owner, y, from, to));
        }
        int[] order = new int[fates.size()];
        boolean[] placed = new boolean[fates.size()];
        int next = 0;
        for (int region : objects.order()) {
            int owner = made[last(region)];
            if (!placed[owner]) {
                placed[owner] = true;
                order[next++] = owner;
            }
        }
        return ObjectSet.of(builder.regions(), fates, order);
    }
}
