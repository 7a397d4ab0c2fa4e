package keentally.core.stats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.geometry.Point;
import keentally.core.geometry.Segment;
import keentally.core.picture.Depth;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class SummaryTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(80);
    }

    private static Plane plane(Chance chance, int width, int height) {
        int n = width * height;
        return switch (chance.below(3)) {
            case 0 -> {
                byte[] values = new byte[n];
                for (int i = 0; i < n; i++) {
                    values[i] = (byte) chance.below(256);
                }
                yield Plane8.of(width, height, values);
            }
            case 1 -> {
                short[] values = new short[n];
                for (int i = 0; i < n; i++) {
                    values[i] = (short) chance.below(65536);
                }
                yield Plane16.of(width, height, values);
            }
            default -> {
                float[] values = new float[n];
                for (int i = 0; i < n; i++) {
                    values[i] = chance.toss(0.05) ? Float.NaN : (float) chance.between(-9.0, 9);
                }
                yield PlaneF.of(width, height, values);
            }
        };
    }

    private static double[] sorted(Plane plane, Mask mask) {
        double[] values = new double[(int) mask.count()];
        int n = 0;
        for (int y = 0; y < plane.height(); y++) {
            for (int x = 0; x < plane.width(); x++) {
                if (mask.at(x, y) && Float.isFinite(plane.at(x, y))) {
                    values[n++] = plane.at(x, y);
                }
            }
        }
        double[] kept = Arrays.copyOf(values, n);
        Arrays.sort(kept);
        return kept;
    }

    private static double percentile(double[] sorted, double share) {
        double at = share * (sorted.length - 1);
        int below = (int) at;
        int above = Math.min(below + 1, sorted.length - 1);
        return sorted[below] + (at - below) * (sorted[above] - sorted[below]);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aSummaryIsThatOfTheSortedValues(long seed) {
        Chance chance = new Chance(seed);
        Plane plane = plane(chance, chance.between(3, 40), chance.between(3, 20));
        Mask mask = chance.mask(plane.width(), plane.height());
        ValueSummary found = ValueSummary.of(plane, Field.of(mask), Work.alone());
        double[] values = sorted(plane, mask);
        assertThat(found.count()).isEqualTo(values.length);
        if (values.length == 0) {
            assertThat(found.mean()).isNaN();
            assertThat(found.median()).isNaN();
            return;
        }
        double mean = Arrays.stream(values).average().orElseThrow();
        double sd = Math.sqrt(Arrays.stream(values)
                .map(v -> (v - mean) * (v - mean))
                .average()
                .orElseThrow());
        assertThat(found.mean()).isCloseTo(mean, within(1e-6 * (1 + Math.abs(mean))));
        assertThat(found.sd()).isCloseTo(sd, within(1e-6 * (1 + sd)));
        assertThat(found.median()).isCloseTo(percentile(values, 0.5), within(1e-6));
        assertThat(found.p1()).isCloseTo(percentile(values, 0.01), within(1e-6));
        assertThat(found.p99()).isCloseTo(percentile(values, 0.99), within(1e-6));
        assertThat(found.least()).isEqualTo(values[0]);
        assertThat(found.most()).isEqualTo(values[values.length - 1]);
        double most = plane.depth() == Depth.FLOAT
                ? Double.POSITIVE_INFINITY
                : plane.depth().most();
        double clipped = plane.depth() == Depth.FLOAT
                ? 0
                : 100.0 * Arrays.stream(values).filter(v -> v == 0 || v == most).count() / values.length;
        assertThat(found.clippedPercent()).isCloseTo(clipped, within(1e-9));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void binsHoldEveryPixelOnce(long seed) {
        Chance chance = new Chance(seed);
        Plane plane = plane(chance, chance.between(3, 40), chance.between(3, 20));
        Field whole = Field.whole(plane.width(), plane.height());
        Histogram histogram = Histogram.of(plane, whole, Work.alone());
        ValueSummary summary = ValueSummary.of(plane, whole, Work.alone());
        int wanted = chance.between(1, 300);
        boolean isWhole = plane.depth().isWhole();
        Bins bins = Bins.of(histogram, summary.least(), summary.most(), isWhole, wanted);
        assertThat(bins.total()).isEqualTo(histogram.total());
        assertThat(bins.counts().length).isLessThanOrEqualTo(wanted);
        if (isWhole) {
            assertThat(bins.width()).isEqualTo(Math.rint(bins.width()));
            int bin = bins.counts().length / 2;
            long expected = Arrays.stream(sorted(plane, whole.mask()))
                    .filter(v -> v >= bins.from(bin) && v < bins.from(bin + 1))
                    .count();
            assertThat(bins.counts()[bin]).isEqualTo(expected);
        }
    }

    @Test
    void aProfileRunsAlongTheLineAndStaysAtTheBorder() {
        byte[] values = new byte[40];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) (10 * (i % 8));
        }
        Plane8 ramp = Plane8.of(8, 5, values);
        LineProfile along = LineProfile.of(ramp, new Segment(new Point(0.5, 2.5), new Point(7.5, 2.5)));
        assertThat(along.values()).containsExactly(0, 10, 20, 30, 40, 50, 60, 70);
        assertThat(along.step()).isEqualTo(1);
        LineProfile between = LineProfile.of(ramp, new Segment(new Point(1, 1), new Point(1, 4)));
        assertThat(between.values()).containsOnly(5);
        LineProfile beyond = LineProfile.of(ramp, new Segment(new Point(-9, 2), new Point(20, 2)));
        assertThat(beyond.values()[0]).isZero();
        assertThat(beyond.values()[beyond.values().length - 1]).isEqualTo(70);
    }

    /** Reds lie on both sides of 0: their mean is no green. The one place for averages says the same. */
    @ParameterizedTest
    @MethodSource("seeds")
    void anglesAreSummedUpRoundTheirMean(long seed) {
        Chance chance = new Chance(seed);
        int n = 1 + chance.below(60);
        double middle = chance.between(0.0, 360);
        float[] values = new float[n];
        for (int i = 0; i < n; i++) {
            values[i] = (float) Averaging.CIRCULAR.told(middle + chance.between(-80.0, 80));
        }
        Averages expected = Averages.of(
                Stream.iterate(0, i -> i + 1)
                        .limit(n)
                        .mapToDouble(i -> values[i])
                        .toArray(),
                Averaging.CIRCULAR);
        ValueSummary found = ValueSummary.ofAngles(PlaneF.of(n, 1, values), Field.whole(n, 1));
        assertThat(found.count()).isEqualTo(n);
        assertThat(Averaging.CIRCULAR.apart(expected.mean(), found.mean())).isCloseTo(0, within(1e-3));
        assertThat(Averaging.CIRCULAR.apart(expected.median(), found.median())).isCloseTo(0, within(1e-3));
        assertThat(found.sd()).isCloseTo(expected.sd(), within(1e-3));
        assertThat(Averaging.CIRCULAR.apart(found.least(), found.most())).isBetween(-1e-3, 180.0);
    }

    @Test
    void redsOnBothSidesOfNothingAreRed() {
        float[] reds = {350, 355, 0, 5, 10, Float.NaN};
        ValueSummary found = ValueSummary.ofAngles(PlaneF.of(6, 1, reds), Field.whole(6, 1));
        assertThat(found.count()).isEqualTo(5);
        assertThat(Averaging.CIRCULAR.apart(0, found.mean())).isCloseTo(0, within(1e-6));
        assertThat(found.least()).isCloseTo(350, within(1e-4));
        assertThat(found.most()).isCloseTo(10, within(1e-4));
        float[] everywhere = {0, 90, 180, 270};
        assertThat(ValueSummary.ofAngles(PlaneF.of(4, 1, everywhere), Field.whole(4, 1))
                        .mean())
                .isNaN();
    }
}
