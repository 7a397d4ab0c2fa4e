package keentally.core.stats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.Stream;
import keentally.core.Chance;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Least squares, equations, and what is read off a histogram. */
class SurfaceTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(80);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aSurfaceIsFoundAgainFromItsOwnValues(long seed) {
        Chance chance = new Chance(seed);
        int order = chance.between(1, 4);
        double[] factors = new double[(order + 1) * (order + 2) / 2];
        for (int i = 0; i < factors.length; i++) {
            factors[i] = chance.between(-50.0, 50);
        }
        Surface drawn = new Surface(order, factors);
        Surface.Fit fit = new Surface.Fit(order);
        for (int i = 0; i < 200; i++) {
            double x = chance.between(-1.0, 1);
            double y = chance.between(-1.0, 1);
            fit.add(x, y, drawn.at(x, y));
        }
        Surface found = fit.surface().orElseThrow();
        assertThat(found.c()).containsExactly(factors, within(1e-6));
        assertThat(fit.left(found)).isLessThan(1e-2);
        assertThat(fit.count()).isEqualTo(200);
    }

    @Test
    void tooFewPlacesDetermineNone() {
        Surface.Fit few = new Surface.Fit(1);
        for (int i = 0; i < 5; i++) {
            few.add(i / 5.0, i * i / 25.0, 3);
        }
        assertThat(few.surface()).isEmpty();
        Surface.Fit line = new Surface.Fit(1);
        for (int i = 0; i < 50; i++) {
            line.add(i / 50.0, i / 50.0, 3);
        }
        assertThat(line.surface()).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void equationsAreSolvedOrHaveNoAnswer(long seed) {
        Chance chance = new Chance(seed);
        int n = chance.between(1, 6);
        double[] x = new double[n];
        double[][] m = new double[n][n + 1];
        for (int i = 0; i < n; i++) {
            x[i] = chance.between(-5.0, 5);
        }
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                m[i][j] = chance.between(-9.0, 9);
                m[i][n] += m[i][j] * x[j];
            }
        }
        LinearSystem.solve(m).ifPresent(found -> assertThat(found).containsExactly(x, within(1e-5)));
        assertThat(LinearSystem.solve(new double[][] {{1, 2, 3}, {2, 4, 6}})).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void sharesAndPercentilesAreThoseOfTheSortedPixels(long seed) {
        Chance chance = new Chance(seed);
        long[] counts = new long[chance.between(1, 50)];
        for (int i = 0; i < counts.length; i++) {
            counts[i] = chance.toss(0.4) ? 0 : chance.below(6);
        }
        Histogram h = Histogram.ofLevels(counts);
        int[] sorted = new int[(int) h.total()];
        int n = 0;
        for (int level = 0; level < counts.length; level++) {
            for (int i = 0; i < counts[level]; i++) {
                sorted[n++] = level;
            }
        }
        for (double cut = -1; cut <= counts.length; cut += 0.5) {
            double at = cut;
            assertThat(h.atMost(cut))
                    .isEqualTo(
                            java.util.Arrays.stream(sorted).filter(v -> v <= at).count());
        }
        if (sorted.length == 0) {
            assertThat(Percentiles.of(h, 0.5)).isNaN();
            return;
        }
        for (double share : new double[] {0, 0.01, 0.37, 0.5, 0.99, 1}) {
            double place = share * (sorted.length - 1);
            int below = (int) Math.floor(place);
            int above = (int) Math.ceil(place);
            double expected = sorted[below] + (place - below) * (sorted[above] - sorted[below]);
            assertThat(Percentiles.of(h, share)).isCloseTo(expected, within(1e-9));
        }
        assertThatThrownBy(() -> Percentiles.of(h, 1.5)).hasMessageContaining("from 0 to 1");
    }
}
