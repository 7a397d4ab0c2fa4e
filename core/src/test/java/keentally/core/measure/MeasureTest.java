package keentally.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.label.Labeller;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Plane;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.core.quantity.Scale;
import keentally.core.region.ObjectSet;
import keentally.core.region.SlowRegions;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class MeasureTest {
    private static final List<Measure> ALL = List.of(Measure.values());

    static Stream<Arguments> seeds() {
        return Chance.seeds(200);
    }

    private static ObjectTable table(Mask mask, Plane signal, Field field, Work work) {
        ObjectSet objects = ObjectSet.of(Labeller.regions(mask, Neighbours.EIGHT, work));
        return ObjectTable.of(objects, ALL, Ground.grey(signal, field), work);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyMeasureAgreesWithItsDefinitionPixelByPixel(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, chance.toss(0.2) ? 90 : 16);
        int height = chance.between(1, 16);
        Field field = chance.field(width, height);
        Mask mask = field.clip(chance.mask(width, height));
        Plane signal = chance.toss(0.5) ? chance.plane16(width, height) : chance.plane8(width, height);
        Ground ground = new Ground(signal, chance.colour(width, height), field);
        ObjectSet objects = ObjectSet.of(Labeller.regions(mask, Neighbours.EIGHT, Work.alone()));
        ObjectTable table = ObjectTable.of(objects, ALL, ground, Work.alone());
        int[][] labels = SlowRegions.labels(mask, Neighbours.EIGHT);
        List<List<int[]>> pixels = SlowRegions.pixels(labels);
        assertThat(table.rows()).isEqualTo(pixels.size());
        List<SlowMeasures> slowly = SlowMeasures.of(pixels, ground);
        for (int i = 0; i < table.rows(); i++) {
            SlowMeasures slow = slowly.get(i);
            for (Measure measure : ALL) {
                double expected = slow.of(measure);
                double found = table.at(i, ALL.indexOf(measure));
                if (Double.isNaN(expected)) {
                    assertThat(found).as(measure.id()).isNaN();
                } else {
                    assertThat(found)
                            .as(measure.id())
                            .isCloseTo(expected, within(tolerance(measure) * Math.max(1, Math.abs(expected))));
                }
            }
        }
    }

    /** Planes of a colour are made in single precision, colours of an object in double. */
    private static double tolerance(Measure measure) {
        return measure.group() == Measure.Group.COLOUR ? 1e-4 : 1e-7;
    }

    @Test
    void threadsMakeNoDifference() {
        Chance chance = new Chance(4);
        Mask mask = chance.mask(300, 200);
        Plane signal = chance.planeF(300, 200, true);
        ObjectTable alone = table(mask, signal, Field.whole(300, 200), Work.alone());
        try (Workers workers = Workers.of(4)) {
            ObjectTable many = table(mask, signal, Field.whole(300, 200), new Work(workers, new Cancel()));
            for (int m = 0; m < ALL.size(); m++) {
                assertThat(many.column(m)).isEqualTo(alone.column(m));
            }
        }
    }

    @Test
    void shapesOfVerySmallObjectsAreEmpty() {
        Mask mask = Mask.of(20, 1, new long[] {(1 << 15) - 1});
        ObjectTable table = table(mask, new Chance(1).plane8(20, 1), Field.whole(20, 1), Work.alone());
        assertThat(table.at(0, ALL.indexOf(Measure.AREA))).isEqualTo(15);
        assertThat(table.at(0, ALL.indexOf(Measure.CIRCULARITY))).isNaN();
        assertThat(table.at(0, ALL.indexOf(Measure.FERET_MAX))).isCloseTo(Math.hypot(15, 1), within(1e-12));
    }

    @Test
    void noObjectsMakeAnEmptyTable() {
        ObjectTable table = table(Mask.empty(5, 5), new Chance(1).plane8(5, 5), Field.whole(5, 5), Work.alone());
        assertThat(table.rows()).isZero();
        assertThat(table.column(0)).isEmpty();
    }

    @Test
    void lengthsAndAreasTurnIntoUnits() {
        Mask mask = Mask.of(6, 2, new long[] {0b1111, 0b1111});
        ObjectTable table = table(mask, new Chance(1).plane8(6, 2), Field.whole(6, 2), Work.alone());
        PixelSize half = PixelSize.of(LengthUnit.UM, Optional.of(Scale.of("0.5 um/px")));
        assertThat(table.column(ALL.indexOf(Measure.AREA), half)).containsExactly(2);
        assertThat(table.column(ALL.indexOf(Measure.X), half)).containsExactly(1);
    }

    @Test
    void aSignalOfAnotherSizeIsRefused() {
        ObjectSet none = ObjectSet.of(Labeller.regions(Mask.empty(5, 5), Neighbours.EIGHT, Work.alone()));
        assertThatThrownBy(() -> ObjectTable.of(
                        none, ALL, Ground.grey(new Chance(1).plane8(4, 5), Field.whole(5, 5)), Work.alone()))
                .hasMessage("the signal is 4 × 5 but the objects were found in 5 × 5");
    }
}
