package keentally.core.threshold;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import keentally.core.stats.Histogram;
import keentally.core.stats.Modes;
import org.junit.jupiter.api.Test;

class StabilityTest {
    private static Histogram bells(double... meanSdShare) {
        long[] counts = new long[256];
        for (int i = 0; i < counts.length; i++) {
            for (int b = 0; b < meanSdShare.length; b += 3) {
                double off = (i - meanSdShare[b]) / meanSdShare[b + 1];
                counts[i] += Math.round(1e5 * meanSdShare[b + 2] / meanSdShare[b + 1] * Math.exp(-off * off / 2));
            }
        }
        return Histogram.ofLevels(counts);
    }

    @Test
    void aCutInAWideValleyIsSteadyAndOneOnAFlankIsSteep() {
        Histogram h = bells(60, 10, 0.7, 190, 12, 0.3);
        Stability valley = Stability.of(h, 125, false);
        assertThat(valley.isSteep()).isFalse();
        assertThat(valley.at()).hasSize(7);
        assertThat(valley.percent(0)).isCloseTo(30, within(0.5));
        Stability flank = Stability.of(h, 72, false);
        assertThat(flank.percent(-5)).isGreaterThan(flank.percent(5));
        assertThat(Stability.of(bells(100, 20, 1), 130, false).isSteep()).isTrue();
    }

    @Test
    void peaksThatAreNoRippleAreCounted() {
        assertThat(Modes.count(bells(60, 10, 0.7, 190, 12, 0.3))).isEqualTo(2);
        assertThat(Modes.count(bells(100, 25, 1))).isEqualTo(1);
        assertThat(Modes.count(bells(50, 8, 0.5, 120, 9, 0.3, 200, 9, 0.2))).isEqualTo(3);
        assertThat(Modes.count(Histogram.ofLevels(0, 5, 0))).isEqualTo(1);
    }

    /** Of three bells, a cut in the valley is steady and one on a flank is steep, whatever lies beyond the other cut. */
    @Test
    void eachOfSeveralCutsIsHeldAgainstTheSmallerPhaseBesideIt() {
        Histogram h = bells(50, 8, 0.4, 120, 8, 0.3, 200, 8, 0.3);
        double[] valleys = {85, 160};
        assertThat(Stability.of(h, valleys, 0).isSteep()).isFalse();
        double[] flank = {54, 85};
        Stability steep = Stability.of(h, flank, 0);
        assertThat(steep.isSteep()).isTrue();
        double upTo54 = 100.0 * h.atMost(54) / h.total();
        double between = 100.0 * (h.atMost(85) - h.atMost(54)) / h.total();
        assertThat(steep.whole()).isEqualTo(Math.min(upTo54, between));
    }
}
