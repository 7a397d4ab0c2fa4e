package keentally.core.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

class ViewportTest {
    @Test
    void zoomingKeepsWhatIsUnderThePointer() {
        Viewport before = new Viewport(13, 7, 2, 400, 300);
        Viewport after = before.zoomedAt(120, 80, 1.7);
        assertThat(after.pictureX(120)).isCloseTo(before.pictureX(120), within(1e-9));
        assertThat(after.pictureY(80)).isCloseTo(before.pictureY(80), within(1e-9));
        assertThat(after.zoom()).isCloseTo(3.4, within(1e-9));
        assertThat(before.zoomedAt(0, 0, 1e9).zoom()).isEqualTo(Viewport.MOST_ZOOM);
        assertThat(before.zoomedAt(0, 0, 1e-9).zoom()).isEqualTo(Viewport.LEAST_ZOOM);
    }

    @Test
    void fittingShowsTheWholePictureInTheMiddle() {
        Viewport fit = Viewport.fit(1000, 500, 400, 400);
        assertThat(fit.zoom()).isEqualTo(0.4);
        assertThat(fit.windowX(0)).isCloseTo(0, within(1e-9));
        assertThat(fit.windowY(250)).isCloseTo(200, within(1e-9));
    }

    @Test
    void movingFollowsTheHandButNeverLosesThePicture() {
        Viewport view = new Viewport(0, 0, 2, 400, 300);
        assertThat(view.moved(10, -4).windowX(0)).isCloseTo(10, within(1e-9));
        Viewport far = view.moved(1e6, -1e6).held(100, 100);
        assertThat(far.windowX(0)).isCloseTo(320, within(1e-9));
        assertThat(far.windowY(100)).isCloseTo(60, within(1e-9));
        assertThat(view.resized(200, 100).pictureX(100)).isCloseTo(view.pictureX(200), within(1e-9));
        assertThatThrownBy(() -> new Viewport(0, 0, 0, 1, 1)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void halvesAreAveragesDownToASmallOne() {
        byte[] values = new byte[600 * 3];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) (i % 600 % 2 == 0 ? 100 : 50);
        }
        Pyramid pyramid = Pyramid.of(Picture.grey(Plane8.of(600, 3, values)), Work.alone());
        assertThat(pyramid.top()).isEqualTo(2);
        assertThat(pyramid.level(1).getFirst().at(17, 0)).isEqualTo(75);
        assertThat(pyramid.level(2).getFirst().width()).isEqualTo(150);
        assertThat(pyramid.level(2).getFirst().height()).isEqualTo(1);
    }

    @Test
    void toneSpansTheValuesThatOccur() {
        assertThat(Tone.of(Picture.grey(Plane8.of(2, 1, new byte[] {9, 10})), Work.alone()))
                .isEqualTo(new Tone(0, 255));
        Tone tone = Tone.of(Picture.grey(PlaneF.of(3, 1, new float[] {-4, 0, 8})), Work.alone());
        assertThat(new Tone(10, 240).like(new Tone(0, 255))).isEqualTo(new Tone(0, 255));
        assertThat(new Tone(-90, 90).like(new Tone(0, 255))).isEqualTo(new Tone(-90, 90));
        assertThat(tone.white()).isEqualTo(8);
        assertThat(tone.black()).isBetween(-4.0, -3.9);
    }
}
