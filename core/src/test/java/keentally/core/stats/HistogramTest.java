package keentally.core.stats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.picture.Field;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class HistogramTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(120);
    }

    private static Plane plane(Chance chance, int width, int height) {
        return switch (chance.below(3)) {
            case 0 -> chance.plane8(width, height);
            case 1 -> chance.plane16(width, height);
            default -> chance.planeF(width, height, true);
        };
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyBinHoldsTheValuesUpToItsUpperEdge(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 90);
        int height = chance.between(1, 12);
        Plane plane = plane(chance, width, height);
        Field field = chance.field(width, height);
        Histogram histogram = Histogram.of(plane, field, Work.alone());
        long numbers = 0;
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                numbers += field.contains(x, y) && !Float.isNaN(plane.at(x, y)) ? 1 : 0;
            }
        }
        assertThat(histogram.total()).isEqualTo(numbers);
        assertThat(histogram.left()).isEqualTo(plane instanceof PlaneF ? field.pixels() - numbers : 0);
        for (int i = 0; i < 10; i++) {
            int bin = chance.below(histogram.bins());
            assertThat(histogram.atMost(histogram.upperEdge(bin)))
                    .isEqualTo(slowAtMost(plane, field, histogram.upperEdge(bin)));
        }
    }

    private static long slowAtMost(Plane plane, Field field, double cut) {
        long sum = 0;
        for (int y = 0; y < plane.height(); y++) {
            for (int x = 0; x < plane.width(); x++) {
                sum += field.contains(x, y) && plane.at(x, y) <= cut ? 1 : 0;
            }
        }
        return sum;
    }

    @Test
    void wholeNumbersHaveABinALevel() {
        assertThat(Histogram.of(new Chance(1).plane8(9, 9), Field.whole(9, 9), Work.alone())
                        .bins())
                .isEqualTo(256);
        assertThat(Histogram.of(new Chance(1).plane16(9, 9), Field.whole(9, 9), Work.alone())
                        .bins())
                .isEqualTo(65536);
    }

    @Test
    void othersHaveEqualBinsFromTheLeastToTheGreatest() {
        Histogram h = Histogram.of(PlaneF.of(3, 1, new float[] {-2, 0, 6}), Field.whole(3, 1), Work.alone());
        assertThat(h.bins()).isEqualTo(Histogram.FLOAT_BINS);
        assertThat(h.low()).isEqualTo(-2);
        assertThat(h.high()).isEqualTo(6);
        assertThat(h.upperEdge(2047)).isEqualTo(2);
        assertThat(h.count(0)).isEqualTo(1);
        assertThat(h.count(1023)).isEqualTo(1);
        assertThat(h.count(4095)).isEqualTo(1);
    }

    @Test
    void degenerateFields() {
        Histogram same = Histogram.of(PlaneF.of(2, 1, new float[] {7, 7}), Field.whole(2, 1), Work.alone());
        assertThat(same.bins()).isEqualTo(1);
        assertThat(same.upperEdge(0)).isEqualTo(7);
        assertThat(same.count(0)).isEqualTo(2);
        Histogram none =
                Histogram.of(PlaneF.of(2, 1, new float[] {Float.NaN, Float.NaN}), Field.whole(2, 1), Work.alone());
        assertThat(none.total()).isZero();
        assertThat(none.left()).isEqualTo(2);
        assertThatThrownBy(() -> Histogram.of(new Chance(1).plane8(3, 3), Field.whole(2, 3), Work.alone()))
                .hasMessageContaining("does not fit");
    }

    @Test
    void threadsMakeNoDifference() {
        PlaneF plane = new Chance(8).planeF(211, 97, true);
        Field field = new Chance(9).field(211, 97);
        Histogram alone = Histogram.of(plane, field, Work.alone());
        try (Workers workers = Workers.of(3)) {
            Histogram many = Histogram.of(plane, field, new Work(workers, new Cancel()));
            for (int i = 0; i < alone.bins(); i++) {
                assertThat(many.count(i)).isEqualTo(alone.count(i));
            }
        }
    }
}
