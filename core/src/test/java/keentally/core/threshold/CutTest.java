package keentally.core.threshold;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane8;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class CutTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(150);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void takesLowExclusiveHighInclusive(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 140);
        Field field = chance.field(width, 3);
        for (Plane plane : List.of(chance.plane8(width, 3), chance.plane16(width, 3), chance.planeF(width, 3, true))) {
            double cut = chance.toss(0.5) ? plane.at(chance.below(width), 1) : chance.between(-70000.0, 70000);
            double other = chance.toss(0.5) ? plane.at(chance.below(width), 2) : chance.between(-500.0, 500);
            if (Double.isNaN(cut) || Double.isNaN(other)) {
                continue;
            }
            for (Cut c : List.of(Cut.dark(cut), Cut.bright(cut), new Cut(Math.min(cut, other), Math.max(cut, other)))) {
                Mask mask = c.mask(plane, field, Work.alone());
                for (int y = 0; y < 3; y++) {
                    for (int x = 0; x < width; x++) {
                        double v = plane.at(x, y);
                        assertThat(mask.at(x, y)).isEqualTo(field.contains(x, y) && v > c.low() && v <= c.high());
                    }
                }
            }
        }
    }

    @Test
    void everyValueMeetsEveryCut() {
        byte[] each = new byte[257];
        for (int i = 0; i < each.length; i++) {
            each[i] = (byte) i;
        }
        Plane8 values = Plane8.of(each.length, 1, each);
        for (int low = -2; low < 258; low++) {
            Mask bright = Cut.bright(low).mask(values, Field.whole(257, 1), Work.alone());
            Mask dark = Cut.dark(low).mask(values, Field.whole(257, 1), Work.alone());
            for (int x = 0; x < 257; x++) {
                assertThat(bright.at(x, 0)).isEqualTo(x % 256 > low);
                assertThat(dark.at(x, 0)).isEqualTo(x % 256 <= low);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {2, 3, 7, 100})
    void aMaskOfSomeRowsIsThatOfTheRowAbove(int every) {
        for (Plane plane : List.of(new Chance(6).plane8(70, 23), new Chance(6).planeF(70, 23, true))) {
            Mask inside = Cut.dark(plane.at(9, 9)).mask(plane, Field.whole(70, 23), Work.alone());
            for (Field field : List.of(Field.whole(70, 23), Field.of(inside))) {
                Cut cut = Cut.bright(plane.at(5, 5));
                Mask soon = cut.mask(plane, field, every, Work.alone());
                for (int y = 0; y < 23; y++) {
                    for (int x = 0; x < 70; x++) {
                        assertThat(soon.at(x, y))
                                .isEqualTo(field.contains(x, y) && plane.at(x, y - y % every) > cut.low());
                    }
                }
            }
        }
    }

    @Test
    void darkAndBrightShareTheFieldOut() {
        Plane plane = new Chance(4).planeF(70, 20, true);
        Field field = Field.whole(70, 20);
        double cut = plane.at(3, 3);
        Mask dark = Cut.dark(cut).mask(plane, field, Work.alone());
        Mask bright = Cut.bright(cut).mask(plane, field, Work.alone());
        long numbers = Cut.dark(Double.POSITIVE_INFINITY)
                .mask(plane, field, Work.alone())
                .count();
        assertThat(dark.and(bright).count()).isZero();
        assertThat(dark.or(bright).count()).isEqualTo(numbers);
        assertThatThrownBy(() -> Cut.dark(Double.NaN)).hasMessage("a cut must be a number");
    }
}
