package keentally.core.cluster;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class ClusterTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(40);
    }

    private static Points random(Chance chance, int count, int dimensions) {
        double[] at = new double[count * dimensions];
        double[] weights = new double[count];
        for (int i = 0; i < at.length; i++) {
            at[i] = chance.between(0.0, 10);
        }
        for (int i = 0; i < count; i++) {
            weights[i] = chance.between(1, 9);
        }
        return new Points(dimensions, at, weights);
    }

    /** The least sum of all ways to put points into k groups. */
    private static double best(Points points, int k, int[] groups, int at) {
        if (at == points.count()) {
            return sumWithin(points, k, groups);
        }
        double best = Double.POSITIVE_INFINITY;
        for (int g = 0; g < k; g++) {
            groups[at] = g;
            best = Math.min(best, best(points, k, groups, at + 1));
        }
        return best;
    }

    private static double sumWithin(Points points, int k, int[] groups) {
        int d = points.dimensions();
        double sum = 0;
        for (int g = 0; g < k; g++) {
            for (int c = 0; c < d; c++) {
                double weight = 0;
                double mean = 0;
                for (int i = 0; i < groups.length; i++) {
                    weight += groups[i] == g ? points.weights()[i] : 0;
                    mean += groups[i] == g ? points.weights()[i] * points.at()[i * d + c] : 0;
                }
                mean /= weight == 0 ? 1 : weight;
                for (int i = 0; i < groups.length; i++) {
                    double off = points.at()[i * d + c] - mean;
                    sum += groups[i] == g ? points.weights()[i] * off * off : 0;
                }
            }
        }
        return sum;
    }

    @Test
    void manyStartsFindTheBestOfAllPartitionsNearlyAlways() {
        int found = 0;
        for (long seed = 0; seed < 100; seed++) {
            Chance chance = new Chance(seed);
            Points points = random(chance, chance.between(4, 7), chance.between(1, 3));
            int k = chance.between(2, 3);
            KMeans.Partition parted = KMeans.of(points, k, 60, seed, new Work(Workers.of(3), new Cancel()))
                    .orElseThrow();
            double best = best(points, k, new int[points.count()], 0);
            assertThat(parted.within()).isCloseTo(sumWithin(points, k, parted.groups()), within(1e-6));
            assertThat(parted.within()).isBetween(best - 1e-6, 1.3 * best + 1e-6);
            found += parted.within() < best + 1e-6 ? 1 : 0;
        }
        // a start is made of points, from which a best partition cannot always be reached
        assertThat(found).isGreaterThan(90);
    }

    /** Also where places lie on a lattice, so that many points are as far from one centre as from another. */
    @ParameterizedTest
    @MethodSource("seeds")
    void everyPointIsWithItsNearestCentreAndEveryCentreIsTheMeanOfItsPoints(long seed) {
        Chance chance = new Chance(seed);
        int d = chance.between(1, 4);
        Points random = random(chance, chance.between(50, 900), d);
        double[] at = random.at().clone();
        for (int i = 0; i < at.length && seed % 2 == 0; i++) {
            at[i] = Math.rint(at[i]);
        }
        Points points = new Points(d, at, random.weights());
        KMeans.of(points, chance.between(2, 9), 2, seed, Work.alone()).ifPresent(parted -> {
            for (int i = 0; i < points.count(); i++) {
                double[] place = Arrays.copyOfRange(at, i * d, i * d + d);
                assertThat(parted.groups()[i]).isEqualTo(KMeans.nearest(parted.centres(), d, place));
            }
            int k = parted.centres().length / d;
            assertThat(parted.within()).isCloseTo(sumWithin(points, k, parted.groups()), withinPercentage(1e-6));
        });
    }

    @Test
    void theSameSeedGivesTheSameBytesForAnyNumberOfThreads() {
        Points points = random(new Chance(5), 3000, 3);
        KMeans.Partition one = KMeans.of(points, 6, 8, 11, Work.alone()).orElseThrow();
        KMeans.Partition many = KMeans.of(points, 6, 8, 11, new Work(Workers.of(4), new Cancel()))
                .orElseThrow();
        assertThat(many.centres()).isEqualTo(one.centres());
        assertThat(many.groups()).isEqualTo(one.groups());
    }

    @Test
    void thereIsNoAnswerForMoreGroupsThanPoints() {
        Points three = new Points(1, new double[] {1, 2, 2, 3}, new double[] {1, 1, 1, 1});
        assertThat(KMeans.of(three, 3, 5, 1, Work.alone())).isPresent();
        assertThat(KMeans.of(three, 4, 5, 1, Work.alone())).isEmpty();
        for (double[] at : new double[][] {{}, {7}}) {
            Points alike = new Points(1, at, at);
            assertThat(ClusterTrials.of(alike, 5, 2, 1, Work.alone()).tried()).isEmpty();
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void theSuggestionIsTheNumberOfClouds(long seed) {
        Chance chance = new Chance(seed);
        int clouds = chance.between(2, 6);
        int each = 120;
        double[] at = new double[clouds * each * 2];
        for (int i = 0; i < clouds * each; i++) {
            double angle = 2 * Math.PI * (i / each) / clouds;
            at[2 * i] = 50 * Math.cos(angle) + chance.between(-3.0, 3);
            at[2 * i + 1] = 50 * Math.sin(angle) + chance.between(-3.0, 3);
        }
        double[] weights = new double[clouds * each];
        Arrays.fill(weights, 1);
        ClusterTrials trials = ClusterTrials.of(new Points(2, at, weights), 8, 6, seed, Work.alone());
        assertThat(trials.suggested()).isEqualTo(clouds);
        assertThat(trials.tried()).hasSize(7);
        assertThat(trials.tried().get(clouds - 2).silhouette().mean()).isGreaterThan(0.7);
        assertThat(trials.tried().get(clouds - 2).explainedPercent()).isGreaterThan(95);
    }

    @Test
    void theSilhouetteIsItsDefinition() {
        Points points = new Points(1, new double[] {0, 1, 10, 12}, new double[] {1, 1, 1, 1});
        int[] groups = {0, 0, 1, 1};
        // of each point by hand: (b − a) / max; drawing with replacement doubles points, so only about so much
        double exact = ((11 - 1) / 11.0 + (10 - 1) / 10.0 + (9.5 - 2) / 9.5 + (11.5 - 2) / 11.5) / 4;
        Silhouette drawn =
                Silhouette.of(points, List.of(groups), 3, Work.alone()).getFirst();
        assertThat(drawn.mean()).isBetween(exact, 1.0);
        assertThat(drawn.standardError()).isLessThan(0.01);
    }
}
