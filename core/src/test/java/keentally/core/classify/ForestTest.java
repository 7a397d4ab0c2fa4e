package keentally.core.classify;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ForestTest {
    /** Classes by the quarter that the first two features lie in, with noise in the others: no single cut tells them apart. */
    private static Examples quarters(int count, int features, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[][] values = new float[features][count];
        int[] classOf = new int[count];
        int[] groups = new int[count];
        for (int i = 0; i < count; i++) {
            for (int f = 0; f < features; f++) {
                values[f][i] = (float) random.nextDouble();
            }
            classOf[i] = values[0][i] > 0.5 ^ values[1][i] > 0.5 ? 1 : 0;
            groups[i] = i / 10;
        }
        return new Examples(values, classOf, 2, groups);
    }

    private static double right(Forest forest, Examples of) {
        byte[] called = forest.classOf(of.features(), of.count());
        int right = 0;
        for (int i = 0; i < called.length; i++) {
            right += called[i] == of.classOf()[i] ? 1 : 0;
        }
        return (double) right / called.length;
    }

    @Test
    void whatNoSingleCutTellsApartIsLearnt() {
        Forest forest = Forest.grown(quarters(2000, 5, 1), ForestPlan.USUAL, Work.alone());
        assertThat(right(forest, quarters(2000, 5, 2))).isGreaterThan(0.97);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 4})
    void theSameForestComesOutWithAnyNumberOfThreads(int threads) {
        Examples examples = quarters(500, 6, 3);
        ForestPlan plan = new ForestPlan(9, 12, 1, 42);
        Forest alone = Forest.grown(examples, plan, Work.alone());
        try (Workers workers = Workers.of(threads)) {
            Forest shared = Forest.grown(examples, plan, new Work(workers, new Cancel()));
            for (int t = 0; t < 9; t++) {
                assertThat(shared.trees().get(t).feature())
                        .isEqualTo(alone.trees().get(t).feature());
                assertThat(shared.trees().get(t).edge())
                        .isEqualTo(alone.trees().get(t).edge());
                assertThat(shared.trees().get(t).shares())
                        .isEqualTo(alone.trees().get(t).shares());
            }
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void itEqualsAPlainSlowTwin(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int count = 20 + random.nextInt(60);
        int features = 1 + random.nextInt(6);
        int classes = 2 + random.nextInt(3);
        float[][] values = new float[features][count];
        int[] classOf = new int[count];
        for (int i = 0; i < count; i++) {
            classOf[i] = i < classes ? i : random.nextInt(classes);
            for (int f = 0; f < features; f++) {
                values[f][i] = random.nextInt(9) / 8f + (f == 0 ? classOf[i] * 0.3f : 0); // many values occur twice
            }
        }
        Examples examples = new Examples(values, classOf, classes, new int[count]);
        ForestPlan plan = new ForestPlan(5, 1 + random.nextInt(6), 1 + random.nextInt(3), seed);
        Forest forest = Forest.grown(examples, plan, Work.alone());
        float[] found = forest.probabilities(values, count);
        double[] slow = SlowForest.probabilities(examples, plan);
        for (int i = 0; i < found.length; i++) {
            assertThat((double) found[i]).as("seed " + seed + ", at " + i).isCloseTo(slow[i], within(1e-5));
        }
    }

    @Test
    void sureAddsUpToOneAndRareClassesCountAsMuch() {
        SplittableRandom random = new SplittableRandom(9);
        int count = 1000;
        float[][] values = new float[1][count];
        int[] classOf = new int[count];
        for (int i = 0; i < count; i++) {
            classOf[i] = i % 50 == 0 ? 1 : 0;
            values[0][i] = (float) (classOf[i] + random.nextDouble() * 1.2);
        }
        Forest forest = Forest.grown(
                new Examples(values, classOf, 2, new int[count]), new ForestPlan(32, 1, 1, 1), Work.alone());
        float[] sure = forest.probabilities(new float[][] {{0.5f, 1.1f, 1.9f}}, 3);
        for (int i = 0; i < 3; i++) {
            assertThat(sure[2 * i] + sure[2 * i + 1]).isCloseTo(1, within(1e-5f));
        }
        assertThat(sure[0]).isGreaterThan(0.99f);
        assertThat(sure[5]).as("two in a hundred are not drowned by the others").isGreaterThan(0.6f);
    }

    @Test
    void examplesThatAreAllAlikeMakeOneLeaf() {
        Forest forest = Forest.grown(
                new Examples(new float[][] {new float[8]}, new int[] {0, 1, 0, 1, 0, 1, 0, 1}, 2, new int[8]),
                ForestPlan.USUAL,
                Work.alone());
        assertThat(forest.trees()).allMatch(t -> t.feature().length == 1);
    }

    @Test
    void whatCannotBeLearntIsRefused() {
        assertThatThrownBy(() -> new Examples(new float[1][2], new int[2], 1, new int[2]))
                .hasMessageContaining("at least two classes");
        assertThatThrownBy(() -> new Examples(new float[1][2], new int[2], 2, new int[2]))
                .hasMessageContaining("class 2 has no example");
        assertThatThrownBy(() -> new ForestPlan(0, 3, 1, 1)).hasMessageContaining("1 to 1,000 trees");
        assertThatThrownBy(() -> new ForestPlan(1, 41, 1, 1)).hasMessageContaining("1 to 40 decisions");
        assertThatThrownBy(() -> new ForestPlan(1, 4, 0, 1)).hasMessageContaining("at least one example");
    }

    /** Every group has a value of its own that says nothing of the class: a score from neighbours would be perfect, this one is chance. */
    @Test
    void scoresComeFromGroupsThatWereHeldOut() {
        int count = 1200;
        float[][] values = new float[1][count];
        int[] classOf = new int[count];
        int[] groups = new int[count];
        SplittableRandom random = new SplittableRandom(11);
        float[] of = new float[60];
        int[] what = new int[60];
        for (int g = 0; g < 60; g++) {
            of[g] = (float) random.nextDouble();
            what[g] = g % 2;
        }
        for (int i = 0; i < count; i++) {
            groups[i] = i / 20;
            values[0][i] = of[groups[i]];
            classOf[i] = what[groups[i]];
        }
        Examples examples = new Examples(values, classOf, 2, groups);
        ForestPlan plan = new ForestPlan(16, 20, 1, 1);
        assertThat(right(Forest.grown(examples, plan, Work.alone()), examples)).isEqualTo(1.0);
        Confusion held = HeldOut.of(examples, plan, Work.alone()).confusion();
        assertThat(held.examples(0) + held.examples(1))
                .as("each was held out once")
                .isEqualTo(count);
        assertThat(held.f1(0)).isBetween(0.2, 0.8);
    }

    @Test
    void scoresAreWorkedOutByHand() {
        Confusion confusion = new Confusion(new long[][] {{8, 2}, {1, 9}});
        assertThat(confusion.precision(0)).isEqualTo(8.0 / 9);
        assertThat(confusion.recall(0)).isEqualTo(0.8);
        assertThat(confusion.f1(0)).isEqualTo(16.0 / 19);
        assertThat(confusion.overlap(0)).isEqualTo(8.0 / 11);
        assertThat(new Confusion(new long[][] {{0, 0}, {0, 3}}).f1(0)).isNaN();
    }

    /** As {@link Forest} says, without bins that are counted and without sharing out: every edge is tried on every example. */
    private static final class SlowForest {
        private SlowForest() {}

        static double[] probabilities(Examples examples, ForestPlan plan) {
            int n = examples.count();
            double[] sums = new double[n * examples.classes()];
            float[][] edges = Bins.of(examples.features(), Work.alone()).edges();
            double[] weight = new double[examples.classes()];
            for (int c = 0; c < weight.length; c++) {
                int of = c;
                long count =
                        Arrays.stream(examples.classOf()).filter(k -> k == of).count();
                weight[c] = (double) n / (weight.length * count);
            }
            for (int t = 0; t < plan.trees(); t++) {
                SplittableRandom chance = new SplittableRandom(plan.seed() * 1_000_003 + t);
                List<Integer> drawn = new ArrayList<>();
                for (int i = 0; i < n; i++) {
                    drawn.add(chance.nextInt(n));
                }
                int[] features = new int[examples.features().length];
                Arrays.setAll(features, i -> i);
                List<Integer> asked = new ArrayList<>();
                for (int i = 0; i < n; i++) {
                    asked.add(i);
                }
                grow(examples, plan, edges, weight, chance, features, drawn, asked, 0, sums);
            }
            for (int i = 0; i < sums.length; i++) {
                sums[i] /= plan.trees();
            }
            return sums;
        }

        private static double[] parts(Examples examples, double[] weight, List<Integer> of) {
            double[] parts = new double[examples.classes()];
            of.forEach(i -> parts[examples.classOf()[i]] += weight[examples.classOf()[i]]);
            return parts;
        }

        private static double purity(double[] parts) {
            double sum = Arrays.stream(parts).sum();
            return sum > 0 ? Arrays.stream(parts).map(p -> p * p).sum() / sum : 0;
        }

        private static void grow(
                Examples examples,
                ForestPlan plan,
                float[][] edges,
                double[] weight,
                SplittableRandom chance,
                int[] features,
                List<Integer> drawn,
                List<Integer> asked,
                int depth,
                double[] sums) {
            double[] parts = parts(examples, weight, drawn);
            boolean pure = Arrays.stream(parts).filter(p -> p > 0).count() < 2;
            int bestFeature = -1;
            float bestEdge = 0;
            double bestGain = 0;
            if (depth < plan.depth() && drawn.size() >= 2 * plan.leastLeaf() && !pure) {
                int tried = Math.max(1, (int) Math.round(Math.sqrt(features.length)));
                for (int k = 0; k < tried; k++) {
                    int with = k + chance.nextInt(features.length - k);
                    int f = features[with];
                    features[with] = features[k];
                    features[k] = f;
                    float[] coarse = best(examples, plan, weight, drawn, f, edges[f], 0);
                    double gain = coarse.length == 0 ? 0 : gain(examples, weight, drawn, f, coarse[0]);
                    if (coarse.length > 0 && gain > bestGain + 1e-9) {
                        bestFeature = f;
                        bestEdge = coarse[0];
                        bestGain = gain;
                    }
                }
            }
            if (bestFeature >= 0) {
                float[] near = near(examples, drawn, bestFeature, bestEdge, edges[bestFeature]);
                float[] places = new float[near.length - 1];
                for (int i = 0; i < places.length; i++) {
                    places[i] = near[i] + (near[i + 1] - near[i]) / 2;
                }
                bestEdge = best(examples, plan, weight, drawn, bestFeature, places, 0)[0];
            }
            if (bestFeature < 0) {
                double sum = Arrays.stream(parts).sum();
                for (int i : asked) {
                    for (int c = 0; c < parts.length; c++) {
                        sums[i * parts.length + c] += parts[c] / sum;
                    }
                }
                return;
            }
            for (boolean low : new boolean[] {true, false}) {
                grow(
                        examples,
                        plan,
                        edges,
                        weight,
                        chance,
                        features,
                        at(examples, drawn, bestFeature, bestEdge, low),
                        at(examples, asked, bestFeature, bestEdge, low),
                        depth + 1,
                        sums);
            }
        }

        /** The lowest of some edges that gains most; none where none gains anything. */
        private static float[] best(
                Examples examples,
                ForestPlan plan,
                double[] weight,
                List<Integer> of,
                int f,
                float[] edges,
                double least) {
            float[] best = {};
            double most = least;
            for (float edge : edges) {
                int low = at(examples, of, f, edge, true).size();
                double gain = gain(examples, weight, of, f, edge);
                if (low >= plan.leastLeaf() && of.size() - low >= plan.leastLeaf() && gain > most + 1e-9) {
                    best = new float[] {edge};
                    most = gain;
                }
            }
            return best;
        }

        private static double gain(Examples examples, double[] weight, List<Integer> of, int f, float edge) {
            return purity(parts(examples, weight, at(examples, of, f, edge, true)))
                    + purity(parts(examples, weight, at(examples, of, f, edge, false)))
                    - purity(parts(examples, weight, of));
        }

        /** The values of the examples in the bins at both sides of an edge, each once, ascending. */
        private static float[] near(Examples examples, List<Integer> of, int f, float edge, float[] edges) {
            double above = of.stream()
                    .mapToDouble(i -> examples.features()[f][i])
                    .filter(v -> v > edge)
                    .min()
                    .orElseThrow();
            int low = Bins.bin(edges, edge);
            int high = Bins.bin(edges, (float) above);
            double[] values = of.stream()
                    .mapToDouble(i -> examples.features()[f][i])
                    .filter(v -> Bins.bin(edges, (float) v) == low || Bins.bin(edges, (float) v) == high)
                    .sorted()
                    .distinct()
                    .toArray();
            float[] near = new float[values.length];
            for (int i = 0; i < near.length; i++) {
                near[i] = (float) values[i];
            }
            return near;
        }

        private static List<Integer> at(Examples examples, List<Integer> of, int f, float edge, boolean low) {
            return of.stream()
                    .filter(i -> examples.features()[f][i] <= edge == low)
                    .toList();
        }
    }
}
