package keentally.core.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ChannelPlaneTest {
    private static Plane8 of(int value) {
        return Plane8.of(2, 1, new byte[] {(byte) value, (byte) value});
    }

    private static double at(Picture picture, String word) {
        return ChannelPlane.of(picture, word, Work.alone()).orElseThrow().at(1, 0);
    }

    /** L*, a*, b* computed beforehand by the formulas of CIE 15 from linear sRGB under D65. */
    @ParameterizedTest
    @CsvSource({
        "255, 0, 0, 0, 1, 1, 53.24, 80.09, 67.20",
        "0, 255, 0, 120, 1, 1, 87.73, -86.18, 83.18",
        "0, 0, 255, 240, 1, 1, 32.30, 79.19, -107.86",
        "255, 255, 255, 0, 0, 1, 100, 0, 0",
        "0, 0, 0, 0, 0, 0, 0, 0, 0",
        "128, 128, 128, 0, 0, 0.50196, 53.585, 0, 0",
        "255, 128, 0, 30.118, 1, 1, 67.05, 42.83, 74.03",
    })
    void wordsAreMadeFromRedGreenAndBlue(
            int red, int green, int blue, double hue, double saturation, double value, double l, double a, double b) {
        Picture picture = Picture.colour(of(red), of(green), of(blue));
        assertThat(at(picture, "hue")).isCloseTo(hue, within(0.01));
        assertThat(at(picture, "saturation")).isCloseTo(saturation, within(1e-4));
        assertThat(at(picture, "value")).isCloseTo(value, within(1e-4));
        assertThat(at(picture, "lightness")).isCloseTo(l, within(0.02));
        assertThat(at(picture, "a")).isCloseTo(a, within(0.06));
        assertThat(at(picture, "b")).isCloseTo(b, within(0.06));
        assertThat(at(picture, "green")).isEqualTo(green);
    }

    @Test
    void sixteenBitsGiveTheSameColourAsEight() {
        Plane[] deep = new Plane[3];
        Plane[] plain = new Plane[3];
        int[] values = {200, 90, 31};
        for (int i = 0; i < 3; i++) {
            short v = (short) (values[i] * 257);
            deep[i] = Plane16.of(2, 1, new short[] {v, v});
            plain[i] = of(values[i]);
        }
        for (String word : ChannelPlane.WORDS.subList(4, 10)) {
            assertThat(at(Picture.colour(deep[0], deep[1], deep[2]), word))
                    .isCloseTo(at(Picture.colour(plain[0], plain[1], plain[2]), word), within(1e-3));
        }
    }

    @Test
    void ownNamesGoFirstAndNumbersCountFromOne() {
        Picture stains = new Picture(List.of(new Channel("b", of(7)), new Channel("walls", of(9))));
        assertThat(at(stains, "b")).isEqualTo(7);
        assertThat(at(stains, "2")).isEqualTo(9);
        assertThat(ChannelPlane.of(stains, "3", Work.alone())).isEmpty();
        assertThat(ChannelPlane.of(stains, "0", Work.alone())).isEmpty();
        assertThat(ChannelPlane.of(stains, "hue", Work.alone())).isEmpty();
        assertThat(ChannelPlane.of(stains, "grey", Work.alone())).isEmpty();
        assertThat(ChannelPlane.of(Picture.grey(of(5)), "grey", Work.alone())).isPresent();
    }
}
