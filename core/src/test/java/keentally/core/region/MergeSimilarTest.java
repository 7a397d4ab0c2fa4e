package keentally.core.region;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.work.Cancel;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class MergeSimilarTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(1000);
    }

    /** A picture of labels, some of them none, as regions that need not hang together. */
    private static ObjectSet drawn(int[] labels, int width) {
        RegionBuilder builder = new RegionBuilder(width, labels.length / width);
        TreeMap<Integer, Integer> numbers = new TreeMap<>();
        for (int i = 0; i < labels.length; i++) {
            if (labels[i] > 0) {
                int owner = numbers.computeIfAbsent(labels[i], l -> builder.next());
                builder.add(owner, i / width, i % width, i % width + 1);
            }
        }
        return ObjectSet.of(builder.regions());
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void mergingAgreesWithLookingAtAllPairsAgainAndAgain(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 12);
        int height = chance.between(1, 10);
        int kinds = chance.between(1, 14);
        int[] labels = new int[width * height];
        for (int i = 0; i < labels.length; i++) {
            labels[i] = i > 0 && chance.toss(0.6) ? labels[i - 1] : chance.between(0, kinds);
        }
        ObjectSet all = drawn(labels, width);
        ObjectSet objects = all.drop("gate-1", r -> r % 5 == 3);
        int n = objects.regions().count();
        double[][] means = new double[n][1];
        for (double[] mean : means) {
            mean[0] = chance.toss(0.05) ? Double.NaN : chance.between(0, 20);
        }
        double most = chance.between(0.0, 6);
        ObjectSet merged = MergeSimilar.of(objects, means, (a, b) -> Math.abs(a[0] - b[0]), most, new Cancel());
        int[] slow = slow(objects, means, most);
        assertThat(groups(merged, width, height)).isEqualTo(groups(slow, objects, width, height));
        for (int region = 0; region < merged.regions().count(); region++) {
            int before = objects.regions().find(merged.regions(), region);
            assertThat(merged.droppedBy(region)).isEqualTo(objects.droppedBy(before));
        }
    }

    /** For each region the lowest one that it ended up with. */
    private static int[] slow(ObjectSet objects, double[][] means, double most) {
        int n = objects.regions().count();
        int[] group = new int[n];
        double[] sum = new double[n];
        double[] weight = new double[n];
        for (int i = 0; i < n; i++) {
            group[i] = i;
            weight[i] = objects.regions().pixels(i);
            sum[i] = means[i][0];
        }
        while (true) {
            double best = Double.POSITIVE_INFINITY;
            int a = -1;
            int b = -1;
            for (int i = 0; i < n; i++) {
                for (int j = i + 1; j < n; j++) {
                    double apart = Math.abs(sum[i] - sum[j]);
                    if (group[i] == i && group[j] == j && apart < best && touch(objects, group, i, j)) {
                        best = apart;
                        a = i;
                        b = j;
                    }
                }
            }
            if (!(best <= most)) {
                return group;
            }
            sum[a] = (sum[a] * weight[a] + sum[b] * weight[b]) / (weight[a] + weight[b]);
            weight[a] += weight[b];
            for (int i = 0; i < n; i++) {
                group[i] = group[i] == b ? a : group[i];
            }
        }
    }

    private static boolean touch(ObjectSet objects, int[] group, int a, int b) {
        Regions regions = objects.regions();
        for (int y = 0; y < regions.height(); y++) {
            for (int x = 0; x < regions.width(); x++) {
                int own = regions.at(x, y);
                for (int d = 0; own >= 0 && group[own] == a && objects.isKept(own) && d < 9; d++) {
                    int other = regions.at(x + d % 3 - 1, y + d / 3 - 1);
                    if (other >= 0 && group[other] == b && objects.isKept(other)) {
                        return true;
                    }
                }
            }
        }
        return false;
    }

    private static List<Integer> groups(ObjectSet merged, int width, int height) {
        List<Integer> at = new ArrayList<>();
        for (int i = 0; i < width * height; i++) {
            at.add(merged.regions().at(i % width, i / width));
        }
        return at;
    }

    private static List<Integer> groups(int[] group, ObjectSet objects, int width, int height) {
        int[] leaders = Arrays.stream(group).distinct().sorted().toArray();
        List<Integer> at = new ArrayList<>();
        for (int i = 0; i < width * height; i++) {
            int region = objects.regions().at(i % width, i / width);
            at.add(region < 0 ? -1 : Arrays.binarySearch(leaders, group[region]));
        }
        return at;
    }

    @Test
    void aMergedObjectIsNumberedWhereItsFirstPartWas() {
        ObjectSet three = drawn(new int[] {1, 2, 3}, 3);
        ObjectSet backwards = ObjectSet.of(three.regions(), new int[] {2, 1, 0});
        ObjectSet merged = MergeSimilar.of(
                backwards, new double[][] {{9}, {5}, {5}}, (a, b) -> Math.abs(a[0] - b[0]), 1, new Cancel());
        assertThat(merged.count()).isEqualTo(2);
        assertThat(merged.number(1)).isEqualTo(1);
        assertThat(merged.number(0)).isEqualTo(2);
    }
}
