package keentally.core.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import keentally.core.colour.ChannelPlane;
import keentally.core.picture.Channel;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

/** How channels, contrast and values are seen. */
class ShadeTest {
    private static final Field FIELD = Field.whole(4, 2);
    private static final Viewport REAL = new Viewport(0, 0, 1, 4, 2);

    private static Plane8 bytes(int... values) {
        byte[] out = new byte[8];
        for (int i = 0; i < out.length; i++) {
            out[i] = (byte) values[i % values.length];
        }
        return Plane8.of(4, 2, out);
    }

    private static int[] seen(Pyramid pyramid) {
        return StageComposer.compose(Layers.bare(pyramid, FIELD), REAL, Work.alone());
    }

    private static int red(int colour) {
        return colour >> 16 & 255;
    }

    private static int blue(int colour) {
        return colour & 255;
    }

    @Test
    void namedChannelsAreSeenInColoursOfTheirOwnThatAddUp() {
        Plane8 starch = bytes(255, 0, 255, 0);
        Plane8 protein = bytes(0, 255, 255, 0);
        Picture stains = new Picture(List.of(new Channel("starch", starch), new Channel("protein", protein)));
        int[] together = seen(Pyramid.of(stains, Work.alone()));
        assertThat(blue(together[0])).isGreaterThan(red(together[0]));
        assertThat(red(together[1])).isGreaterThan(blue(together[1]));
        assertThat(red(together[2])).isEqualTo(255);
        assertThat(blue(together[2])).isEqualTo(255);
        assertThat(together[3]).isEqualTo(0xff000000);
        int[] alone = seen(Pyramid.of(protein, stains, Work.alone()));
        assertThat(alone[0]).isEqualTo(0xff000000);
        assertThat(alone[1]).isEqualTo(together[1]);
    }

    @Test
    void aChannelOfAColourPictureIsSeenInGrey() {
        Picture colour = Picture.colour(bytes(10), bytes(200), bytes(90));
        int[] green = seen(Pyramid.of(colour.channel("green").orElseThrow(), colour, Work.alone()));
        assertThat(green).containsOnly(0xffc8c8c8);
    }

    @Test
    void contrastChangesWhatIsSeenAndNothingElse() {
        Plane8 plane = bytes(100, 150, 125, 90);
        Pyramid pyramid = Pyramid.of(Picture.grey(plane), Work.alone());
        int[] stretched = seen(pyramid.seen(new Contrast(100 / 255.0, 150 / 255.0)));
        assertThat(stretched[0]).isEqualTo(0xff000000);
        assertThat(stretched[1]).isEqualTo(0xffffffff);
        assertThat(red(stretched[2])).isBetween(127, 128);
        assertThat(stretched[3]).isEqualTo(0xff000000);
        assertThat(pyramid.tone()).isEqualTo(new Tone(0, 255));
        assertThat(plane.at(1, 0)).isEqualTo(150);
    }

    @Test
    void contrastMeansTheSameForChannelsOfAnyRange() {
        Picture colour = Picture.colour(bytes(255, 255, 0, 0), bytes(0, 128, 0, 0), bytes(0));
        Plane saturation = ChannelPlane.of(colour, "saturation", Work.alone()).orElseThrow();
        Pyramid pyramid = Pyramid.of(saturation, colour, Work.alone());
        assertThat(seen(pyramid.seen(Contrast.AS_IT_IS))).isEqualTo(seen(pyramid));
        int[] brighter = seen(pyramid.seen(new Contrast(0, 0.5)));
        assertThat(brighter[0]).isEqualTo(0xffffffff);
        assertThat(brighter[2]).isEqualTo(0xff000000);
        assertThatThrownBy(() -> new Contrast(0.5, 0.5)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void valuesAreWrittenOnlyWhereTheyFit() {
        assertThat(ValuePainter.leastZoom(List.of(bytes(1)))).isEqualTo(22);
        assertThat(ValuePainter.leastZoom(List.of(Plane16.of(1, 1, new short[1]))))
                .isEqualTo(34);
        assertThat(ValuePainter.leastZoom(List.of(bytes(1), bytes(1), bytes(1))))
                .isEqualTo(31);
        Pyramid pyramid = Pyramid.of(Picture.grey(bytes(7, 123)), Work.alone());
        assertThat(inked(pyramid, 21)).isZero();
        assertThat(inked(pyramid, 24)).isGreaterThan(100);
        Pyramid floats = Pyramid.of(
                Picture.grey(PlaneF.of(4, 2, new float[] {-1.5f, 0, 1e9f, Float.NaN, 12.25f, 3, 4, 5})), Work.alone());
        assertThat(inked(floats, 60)).isGreaterThan(100);
    }

    private static long inked(Pyramid pyramid, double zoom) {
        Viewport near = new Viewport(0, 0, zoom, 96, 48);
        int[] out = StageComposer.compose(Layers.bare(pyramid, FIELD), near, Work.alone());
        return Arrays.stream(out).filter(c -> c == 0xff101418).count();
    }
}
