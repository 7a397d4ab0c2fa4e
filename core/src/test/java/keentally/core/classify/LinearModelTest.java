package keentally.core.classify;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.SplittableRandom;
import keentally.core.classify.HeldOut.Importance;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;

class LinearModelTest {
    /** Three heaps in a plane, ten times as wide one way; the third feature never changes, the fourth is noise. */
    private static Examples heaps(int count, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[][] features = new float[4][count];
        int[] classOf = new int[count];
        int[] groups = new int[count];
        for (int i = 0; i < count; i++) {
            int c = i % 3;
            features[0][i] = (float) (10 * (c == 1 ? 3 : 0) + 10 * random.nextGaussian());
            features[1][i] = (float) ((c == 2 ? 3 : 0) + random.nextGaussian());
            features[2][i] = 7;
            features[3][i] = (float) random.nextGaussian();
            classOf[i] = c;
            groups[i] = i / 3 % 6;
        }
        return new Examples(features, classOf, 3, groups);
    }

    private static double right(Learnt learnt, Examples examples) {
        byte[] called = learnt.classOf(examples.features(), examples.count());
        int right = 0;
        for (int i = 0; i < called.length; i++) {
            right += called[i] == examples.classOf()[i] ? 1 : 0;
        }
        return (double) right / called.length;
    }

    @Test
    void heapsThatPlanesPartAreToldApartInTheirOwnWidths() {
        LinearModel learnt = LinearModel.trained(heaps(900, 1), LinearPlan.USUAL, Work.alone());
        assertThat(learnt.converged()).isTrue();
        assertThat(right(learnt, heaps(900, 2))).isGreaterThan(0.85);
        assertThat(learnt.spreads()[2]).isEqualTo(1);
        float[] sure = learnt.probabilities(heaps(30, 3).features(), 30);
        for (int i = 0; i < 30; i++) {
            assertThat(sure[3 * i] + sure[3 * i + 1] + sure[3 * i + 2]).isBetween(0.999f, 1.001f);
        }
    }

    @Test
    void tooFewRoundsAreSaid() {
        assertThat(LinearModel.trained(heaps(900, 1), new LinearPlan(100, 1), Work.alone())
                        .converged())
                .isFalse();
        assertThatThrownBy(() -> new LinearPlan(0, 10)).hasMessageContaining("a cost is above 0");
        assertThatThrownBy(() -> new LinearPlan(1, 0)).hasMessageContaining("1 to 10,000 rounds");
    }

    @Test
    void theSameBytesComeOutWithAnyNumberOfThreads() {
        LinearModel alone = LinearModel.trained(heaps(600, 4), LinearPlan.USUAL, Work.alone());
        try (Workers workers = Workers.of(3)) {
            LinearModel shared = LinearModel.trained(heaps(600, 4), LinearPlan.USUAL, new Work(workers, new Cancel()));
            assertThat(shared.weights()).isDeepEqualTo(alone.weights());
        }
    }

    /** One class inside the other: no plane parts them, trees do. */
    @Test
    void whatNoPlanePartsIsLeftToTheForest() {
        SplittableRandom random = new SplittableRandom(5);
        float[][] features = new float[2][800];
        int[] classOf = new int[800];
        int[] groups = new int[800];
        for (int i = 0; i < 800; i++) {
            features[0][i] = (float) random.nextDouble(-1, 1);
            features[1][i] = (float) random.nextDouble(-1, 1);
            classOf[i] = Math.hypot(features[0][i], features[1][i]) < 0.6 ? 1 : 0;
            groups[i] = i % 5;
        }
        Examples ring = new Examples(features, classOf, 2, groups);
        double planes =
                HeldOut.of(ring, LinearPlan.USUAL, Work.alone()).confusion().meanF1();
        double trees = HeldOut.of(ring, new ForestPlan(24, 12, 2, 1), Work.alone())
                .confusion()
                .meanF1();
        assertThat(planes).isLessThan(0.75);
        assertThat(trees).isGreaterThan(0.93);
    }

    @Test
    void whatAFeatureIsForIsWhatIsLostWithoutIt() {
        FeatureSet set = new FeatureSet(List.of(FeatureGroup.GAUSSIAN), false, 1); // four features
        HeldOut held = HeldOut.of(heaps(900, 6), LinearPlan.USUAL, Work.alone());
        List<Importance> each = held.byFeature(set, 1, Work.alone());
        assertThat(each).hasSize(4);
        assertThat(each.subList(0, 2))
                .extracting(Importance::name)
                .containsExactlyInAnyOrder("gaussian-0-1-0", "gaussian-0-2-0");
        assertThat(each.get(1).lost()).isGreaterThan(0.15);
        assertThat(each.get(2).lost()).isLessThan(0.05);
        List<Importance> groups = held.byGroup(set, 1, Work.alone());
        assertThat(groups).hasSize(1);
        assertThat(groups.getFirst().lost()).isGreaterThan(each.getFirst().lost());
    }
}
