package keentally.core.cluster;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import keentally.core.work.Work;

/**
 * A picture parted into 2, 3, ... groups, and which number of groups the points themselves speak for.
 *
 * @param tried one for each number of groups that the points allow, upwards
 */
public record ClusterTrials(List<Trial> tried) {
    public ClusterTrials {
        tried = List.copyOf(tried);
    }

    /**
     * @param within weighed sum of squared distances from the centres
     * @param explainedPercent of the points' spread
     */
    public record Trial(int k, double within, double explainedPercent, Silhouette silhouette) {}

    /** @param most greatest number of groups to try */
    public static ClusterTrials of(Points points, int most, int starts, long seed, Work work) {
        List<KMeans.Partition> partitions = new ArrayList<>();
        for (int k = 2; k <= most; k++) {
            work.cancel().check();
            KMeans.of(points, k, starts, seed, work).ifPresent(partitions::add);
        }
        List<Silhouette> silhouettes = Silhouette.of(
                points, partitions.stream().map(KMeans.Partition::groups).toList(), seed, work);
        double spread = points.spread();
        return new ClusterTrials(IntStream.range(0, partitions.size())
                .mapToObj(i -> {
                    KMeans.Partition parted = partitions.get(i);
                    double explained = 100 * (1 - parted.within() / spread);
                    int k = parted.centres().length / points.dimensions();
                    return new Trial(k, parted.within(), explained, silhouettes.get(i));
                })
                .toList());
    }

    /** The smallest k whose silhouette comes within one standard error of the best; 0 where none was tried. */
    public int suggested() {
        Trial best = null;
        for (Trial t : tried) {
            best = best == null || t.silhouette().mean() > best.silhouette().mean() ? t : best;
        }
        for (Trial t : tried) {
            double enough = best.silhouette().mean() - best.silhouette().standardError();
            if (t.silhouette().mean() >= enough) {
                return t.k();
            }
        }
        return 0;
    }
}
