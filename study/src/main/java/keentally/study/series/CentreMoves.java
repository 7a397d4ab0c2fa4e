package keentally.study.series;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import keentally.study.run.SampleRecord.CentresAt;
import keentally.study.run.SampleRecord.Numbers;

/**
 * How far the centres of clusters that are found anew on each sample lie apart from sample to sample.
 *
 * @param method its name
 * @param step its place in the method, from 1
 * @param samples that were held together
 * @param percent the greatest distance of a centre from the mean of that centre over all samples, in per cent of the least distance between
 *     two such means: from 50 on, what one sample calls one phase another may call the next
 */
public record CentreMoves(String method, int step, int samples, double percent) {
    /** The farthest, of those that moved at all. */
    public static Optional<CentreMoves> farthest(List<LedgerEntry> entries) {
        Map<String, List<List<List<Double>>>> alike = new TreeMap<>();
        for (LedgerEntry entry : entries) {
            if (entry.counts()) {
                for (CentresAt centres : entry.row()
                        .flatMap(r -> r.record().numbers())
                        .map(Numbers::centres)
                        .orElse(List.of())) {
                    String key = centres.step() + "\n" + centres.places().size() + "\n"
                            + centres.places().getFirst().size() + "\n" + entry.method();
                    alike.computeIfAbsent(key, k -> new ArrayList<>()).add(centres.places());
                }
            }
        }
        return alike.entrySet().stream()
                .filter(e -> e.getValue().stream().distinct().count() > 1)
                .map(e -> moves(e.getKey().split("\n", 4), e.getValue()))
                .max((a, b) -> Double.compare(a.percent(), b.percent()));
    }

    private static CentreMoves moves(String[] key, List<List<List<Double>>> samples) {
        int k = samples.getFirst().size();
        double[][] means = new double[k][samples.getFirst().getFirst().size()];
        for (List<List<Double>> places : samples) {
            for (int c = 0; c < k; c++) {
                for (int d = 0; d < means[c].length; d++) {
                    means[c][d] += places.get(c).get(d) / samples.size();
                }
            }
        }
        double least = Double.POSITIVE_INFINITY;
        for (int a = 0; a < k; a++) {
            for (int b = a + 1; b < k; b++) {
                least = Math.min(least, apart(means[a], means[b]));
            }
        }
        double most = 0;
        for (List<List<Double>> places : samples) {
            for (int c = 0; c < k; c++) {
                double[] at = places.get(c).stream().mapToDouble(v -> v).toArray();
                most = Math.max(most, apart(at, means[c]));
            }
        }
        return new CentreMoves(key[3], Integer.parseInt(key[0]), samples.size(), 100 * most / least);
    }

    private static double apart(double[] a, double[] b) {
        double sum = 0;
        for (int d = 0; d < a.length; d++) {
            sum += (a[d] - b[d]) * (a[d] - b[d]);
        }
        return Math.sqrt(sum);
    }
}
