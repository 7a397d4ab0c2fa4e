package keentally.core.stats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keentally.core.Chance;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class DistributionTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(200);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyNumberAgreesWithItsDefinition(long seed) {
        Chance chance = new Chance(seed);
        int n = chance.between(1, 60);
        boolean log = chance.toss(0.5);
        double[] values = IntStream.range(0, n)
                .mapToDouble(i -> chance.toss(0.1) ? Double.NaN : chance.between(-2, 12) + chance.between(0, 4) / 4.0)
                .toArray();
        double[] weights =
                IntStream.range(0, n).mapToDouble(i -> chance.between(0.5, 9)).toArray();
        int[] counted = IntStream.range(0, n)
                .filter(i -> !Double.isNaN(values[i]) && (!log || values[i] > 0))
                .toArray();
        int classes = chance.between(1, 12);
        Distribution found = Distribution.of(values, weights, log, classes);
        assertThat(found.count()).isEqualTo(counted.length);
        if (counted.length == 0) {
            assertThat(found.at(50)).isNaN();
            assertThat(found.mean()).isNaN();
            assertThat(found.classes()).isZero();
            return;
        }
        double total = Arrays.stream(counted).mapToDouble(i -> weights[i]).sum();
        double mean =
                Arrays.stream(counted).mapToDouble(i -> weights[i] * values[i]).sum() / total;
        double square = Arrays.stream(counted)
                .mapToDouble(i -> weights[i] * Math.pow(values[i] - mean, 2))
                .sum();
        assertThat(found.mean()).isCloseTo(mean, within(1e-9));
        assertThat(found.sd()).isCloseTo(Math.sqrt(square / total), within(1e-7));
        double sum = 0;
        for (int c = 0; c < found.classes(); c++) {
            double from = found.edge(c);
            double to = found.edge(c + 1);
            boolean last = c == found.classes() - 1;
            double in = Arrays.stream(counted)
                    .filter(i -> values[i] >= from && (last || values[i] < to))
                    .mapToDouble(i -> weights[i])
                    .sum();
            assertThat(found.percent(c)).isCloseTo(100 * in / total, within(1e-9));
            sum += found.percent(c);
        }
        assertThat(sum).isCloseTo(100, within(1e-9));
        for (int i : counted) {
            double below = Arrays.stream(counted)
                    .filter(j -> values[j] <= values[i])
                    .mapToDouble(j -> weights[j])
                    .sum();
            assertThat(found.percentUpTo(values[i])).isCloseTo(100 * below / total, within(1e-9));
        }
    }

    /** Below every Dp lies about p per cent of the weight: no more than that of the values around it away. */
    @ParameterizedTest
    @MethodSource("seeds")
    void percentilesHaveTheirShareBelowThem(long seed) {
        Chance chance = new Chance(seed);
        int n = chance.between(2, 60);
        double[] values =
                IntStream.range(0, n).mapToDouble(i -> chance.between(1.0, 50)).toArray();
        double[] weights =
                IntStream.range(0, n).mapToDouble(i -> chance.between(0.5, 9)).toArray();
        double total = Arrays.stream(weights).sum();
        double most = Arrays.stream(weights).max().orElseThrow();
        Distribution found = Distribution.of(values, weights, false, 10);
        for (double p : new double[] {10, 25, 50, 90}) {
            double d = found.at(p);
            double below = IntStream.range(0, n)
                    .filter(i -> values[i] < d)
                    .mapToDouble(i -> weights[i])
                    .sum();
            assertThat(Math.abs(100 * below / total - p)).isLessThanOrEqualTo(100 * most / total);
        }
        assertThat(found.at(10)).isLessThanOrEqualTo(found.at(50));
    }

    @Test
    void valuesThatAreAllTheSameAreOneClass() {
        Distribution same = Distribution.of(new double[] {3, 3, 3}, new double[] {1, 2, 3}, true, 20);
        assertThat(same.classes()).isEqualTo(1);
        assertThat(same.percent(0)).isEqualTo(100);
        assertThat(same.at(50)).isEqualTo(3);
        assertThat(same.cv()).isZero();
    }

    @Test
    void knownNumbers() {
        Distribution four = Distribution.of(new double[] {40, 10, 30, 20}, new double[] {1, 1, 1, 1}, false, 3);
        assertThat(four.at(50)).isEqualTo(25);
        assertThat(four.at(10)).isEqualTo(10);
        assertThat(four.at(90)).isEqualTo(40);
        assertThat(four.mean()).isEqualTo(25);
        assertThat(four.percent(2)).isEqualTo(50);
        assertThat(Distribution.of(new double[] {10, 20}, new double[] {1, 3}, false, 2)
                        .at(62.5))
                .isEqualTo(20);
    }
}
