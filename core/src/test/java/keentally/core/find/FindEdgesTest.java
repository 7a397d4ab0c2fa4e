package keentally.core.find;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import keentally.core.Chance;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

/** Pictures that hold next to nothing: tiny ones, ones of one value, ones without a value. */
class FindEdgesTest {
    private static final int[] SIDES = {1, 2, 3, 4, 7, 8, 9, 26, 27, 31, 32, 33, 64};

    private static PlaneF filled(int width, int height, float value) {
        float[] values = new float[width * height];
        Arrays.fill(values, value);
        return PlaneF.of(width, height, values);
    }

    @Test
    void nothingIsFoundInNothing() {
        for (int width : SIDES) {
            for (int height : SIDES) {
                Chance chance = new Chance(width * 100L + height);
                for (Plane plane : List.of(
                        chance.plane8(width, height), filled(width, height, 7), filled(width, height, Float.NaN))) {
                    Picture picture = Picture.grey(plane);
                    assertThat(CaptionFinder.find(picture, Work.alone()).isThere())
                            .as("%d × %d", width, height)
                            .isFalse();
                    assertThat(RoundField.find(picture, Work.alone()))
                            .as("%d × %d", width, height)
                            .isEmpty();
                }
            }
        }
    }

    @Test
    void theLightOfNothingCannotBeTold() {
        for (int width : SIDES) {
            for (int height : SIDES) {
                for (float value : new float[] {0, 7, Float.NaN}) {
                    assertThat(EvenLight.variation(
                                    filled(width, height, value), Field.whole(width, height), Work.alone()))
                            .isEmpty();
                }
            }
        }
        assertThat(EvenLight.variation(new Chance(1).plane8(3, 2), Field.whole(3, 2), Work.alone()))
                .isEmpty();
    }
}
