package keentally.core.threshold;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import keentally.core.Chance;
import keentally.core.stats.Histogram;
import keentally.core.threshold.rule.Rule;
import org.junit.jupiter.api.Test;

class MultiLevelTest {
    private static double best(Histogram h, int cuts, int from, double[] chosen) {
        if (cuts == chosen.length) {
            return MultiLevel.explainedPercent(h, chosen);
        }
        double best = Double.NEGATIVE_INFINITY;
        for (int k = from; k < h.lastOccupied(); k++) {
            if (h.count(k) > 0) {
                chosen[cuts] = k;
                best = Math.max(best, best(h, cuts + 1, k + 1, chosen));
            }
        }
        return best;
    }

    @Test
    void equalsTryingAllForUpToThreeCuts() {
        for (long seed = 0; seed < 2500; seed++) {
            Chance chance = new Chance(seed);
            long[] counts = new long[chance.between(2, 22)];
            int most = chance.toss(0.5) ? 5 : 100_000;
            for (int i = 0; i < counts.length; i++) {
                counts[i] = chance.toss(0.3) ? 0 : chance.below(most);
            }
            int cuts = chance.between(1, 3);
            Histogram h = Histogram.ofLevels(counts);
            double[] found = MultiLevel.cuts(h, cuts);
            if (Arrays.stream(counts).filter(c -> c > 0).count() <= cuts) {
                assertThat(found).isEmpty();
                continue;
            }
            assertThat(found).as("seed %d", seed).hasSize(cuts).isSorted();
            double best = best(h, 0, 0, new double[cuts]);
            assertThat(MultiLevel.explainedPercent(h, found))
                    .as("seed %d", seed)
                    .isCloseTo(best, within(1e-9));
        }
    }

    @Test
    void oneCutIsOtsus() {
        Chance chance = new Chance(3);
        long[] counts = new long[65536];
        for (int i = 0; i < counts.length; i++) {
            counts[i] = chance.below(1000) + (i > 40_000 ? 900 : 0);
        }
        Histogram h = Histogram.ofLevels(counts);
        assertThat(MultiLevel.cuts(h, 1)[0]).isEqualTo(Rule.OTSU.cut(h).getAsDouble());
    }

    @Test
    void manyCutsOnSixteenBitsExplainMoreAndMore() {
        Chance chance = new Chance(5);
        long[] counts = new long[65536];
        for (int i = 0; i < counts.length; i++) {
            counts[i] = chance.below(50);
        }
        Histogram h = Histogram.ofLevels(counts);
        double before = 0;
        for (int cuts : new int[] {1, 4, 12, 32}) {
            double now = MultiLevel.explainedPercent(h, MultiLevel.cuts(h, cuts));
            // n + 1 even classes of an even spread leave 1/(n + 1)² of it
            assertThat(now).isGreaterThan(before).isCloseTo(100 - 100.0 / ((cuts + 1) * (cuts + 1)), within(0.5));
            before = now;
        }
    }

    @Test
    void refusesMoreCutsThanItCan() {
        assertThatThrownBy(() -> MultiLevel.cuts(Histogram.ofLevels(1, 1), 33)).hasMessageContaining("from 1 to 32");
        assertThat(MultiLevel.explainedPercent(Histogram.ofLevels(0, 5), new double[] {0}))
                .isNaN();
    }
}
