package keentally.core.stats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalLong;
import org.junit.jupiter.api.Test;

class FieldStatisticsTest {
    /**
     * Worked by hand after ASTM E562. Points of a grid of 100 that hit the phase in ten fields: 12, 8, 10, 14, 6, 11, 9, 13, 7, 10 per
     * cent. Their sum is 100, the mean 10. Squared distances from it: 4, 4, 0, 16, 16, 1, 1, 9, 9, 0, together 60; s = √(60/9) = 2.58199.
     * t for 9 degrees of freedom is 2.262157; CI = 2.262157 · 2.58199 / √10 = 1.84704; RA = 18.4704 %. For 10 % are needed
     * (200/10 · 0.258199)² = 5.16398² = 26.67, so 27 fields.
     */
    @Test
    void pointCountsOfTenFields() {
        FieldStatistics fields = FieldStatistics.of(new double[] {12, 8, 10, 14, 6, 11, 9, 13, 7, 10});
        assertThat(fields.count()).isEqualTo(10);
        assertThat(fields.mean()).isEqualTo(10);
        assertThat(fields.sd()).isCloseTo(2.58199, within(5e-6));
        assertThat(fields.halfWidth()).isCloseTo(1.84704, within(5e-6));
        assertThat(fields.relativeAccuracy()).isCloseTo(18.4704, within(5e-5));
        assertThat(fields.needed(10)).isEqualTo(OptionalLong.of(27));
    }

    /**
     * Worked by hand after ASTM E1245. Area fractions of five fields: 0.52, 0.47, 0.61, 0.55, 0.45 per cent. Sum 2.60, mean 0.52. Squared
     * distances: 0, 0.0025, 0.0081, 0.0009, 0.0049, together 0.0164; s = √(0.0164/4) = 0.0640312. t for 4 degrees of freedom is 2.776445;
     * CI = 2.776445 · 0.0640312 / 2.236068 = 0.0795055; RA = 15.2895 %.
     */
    @Test
    void areaFractionsOfFiveFields() {
        FieldStatistics fields = FieldStatistics.of(new double[] {0.52, 0.47, 0.61, 0.55, 0.45});
        assertThat(fields.mean()).isCloseTo(0.52, within(1e-12));
        assertThat(fields.sd()).isCloseTo(0.0640312, within(5e-8));
        assertThat(fields.halfWidth()).isCloseTo(0.0795055, within(5e-7));
        assertThat(fields.relativeAccuracy()).isCloseTo(15.2895, within(5e-4));
    }

    @Test
    void fewFieldsSayLess() {
        assertThat(FieldStatistics.of(new double[] {Double.NaN}).mean()).isNaN();
        FieldStatistics one = FieldStatistics.of(new double[] {3, Double.NaN});
        assertThat(one.count()).isEqualTo(1);
        assertThat(one.mean()).isEqualTo(3);
        assertThat(one.halfWidth()).isNaN();
        assertThat(one.needed(10)).isEmpty();
        assertThat(FieldStatistics.of(new double[] {-1, 1}).relativeAccuracy()).isNaN();
    }

    /**
     * Worked by hand. Points (1, 2), (2, 3), (3, 5), (4, 6): means 2.5 and 4; Σ(x−x̄)² = 5, Σ(x−x̄)(y−ȳ) = 7, Σ(y−ȳ)² = 10. Slope 1.4; left
     * over 10 − 49/5 = 0.2, s = √0.1 = 0.316228; t for 2 degrees of freedom is 4.302653; slope ± 4.302653 · 0.316228 / √5 = 0.608487; at
     * x = 4 the line is 6.1 ± 4.302653 · 0.316228 · √(1/4 + 2.25/5) = 1.138378; r² = 0.98.
     */
    @Test
    void aLineThroughFourPoints() {
        LinearTrend line = LinearTrend.of(new double[] {1, 2, 3, 4, 9}, new double[] {2, 3, 5, 6, Double.NaN})
                .orElseThrow();
        assertThat(line.slope()).isCloseTo(1.4, within(1e-12));
        assertThat(line.intercept()).isCloseTo(0.5, within(1e-12));
        assertThat(line.slopeHalfWidth()).isCloseTo(0.608487, within(5e-6));
        assertThat(line.at(4)).isCloseTo(6.1, within(1e-12));
        assertThat(line.halfWidth(4)).isCloseTo(1.138378, within(5e-6));
        assertThat(line.rSquared()).isCloseTo(0.98, within(1e-12));
        assertThat(LinearTrend.of(new double[] {1, 1}, new double[] {2, 3})).isEmpty();
        assertThat(LinearTrend.of(new double[] {1, 2}, new double[] {2, 3})
                        .orElseThrow()
                        .halfWidth(1))
                .isNaN();
    }

    /** Median 11, distances 2, 1, 0, 1, 29: their median is 1; 3.5 · 1.4826 = 5.19, so that 40 alone is far. */
    @Test
    void whatIsFarFromTheMiddle() {
        assertThat(Outliers.of(new double[] {9, 10, 11, 12, 40, Double.NaN}))
                .containsExactly(false, false, false, false, true, false);
        assertThat(Outliers.of(new double[] {1, 1, 1, 90})).containsOnly(false);
        assertThat(Outliers.of(new double[] {5, 5, 5, 5, 90})).containsOnly(false);
    }
}
