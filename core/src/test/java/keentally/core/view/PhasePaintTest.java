package keentally.core.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import keentally.core.colour.ColourSpace;
import keentally.core.picture.Channel;
import keentally.core.picture.Field;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

/** Phases and dyes as they are painted. */
class PhasePaintTest {
    private static final int SIDE = 8;

    /** The left half in phase 0, the right in phase 1, the lowest row outside. */
    private static PhaseMap halves() {
        byte[] map = new byte[SIDE * SIDE];
        for (int i = 0; i < map.length; i++) {
            map[i] = (byte) (i / SIDE == SIDE - 1 ? PhaseMap.OUTSIDE : i % SIDE < 4 ? 0 : 1);
        }
        return new PhaseMap(Plane8.of(SIDE, SIDE, map), List.of("left", "right"));
    }

    private static Pyramid ground() {
        byte[] values = new byte[SIDE * SIDE];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) (i % SIDE < 4 ? 40 : 180);
        }
        return Pyramid.of(Picture.grey(Plane8.of(SIDE, SIDE, values)), Work.alone());
    }

    private static int[] painted(PhasePaint paint, Look.Overlay overlay) {
        Layers bare = Layers.of(ground(), Field.whole(SIDE, SIDE), new Look(overlay, 1));
        return StageComposer.compose(bare.with(paint), Viewport.fit(SIDE, SIDE, SIDE, SIDE), Work.alone());
    }

    @Test
    void phasesAreFilledOffOnesLetTheGroundThroughAndBareShowsNone() {
        PhasePaint paint = new PhasePaint(halves(), new int[] {0xff112233, 0xff445566}, false);
        int[] all = painted(paint, Look.Overlay.TINT);
        assertThat(all[0]).isEqualTo(0xff112233);
        assertThat(all[7]).isEqualTo(0xff445566);
        assertThat(all[7 * SIDE]).isEqualTo(0xff282828);
        int[] off = painted(paint.without(Set.of(1)), Look.Overlay.TINT);
        assertThat(off[0]).isEqualTo(0xff112233);
        assertThat(off[7]).isEqualTo(0xffb4b4b4);
        assertThat(painted(paint, Look.Overlay.BARE)[0]).isEqualTo(0xff282828);
        assertThatThrownBy(() -> new PhasePaint(halves(), new int[1], false)).hasMessageContaining("as many inks");
    }

    @Test
    void outlinesRunAlongTheBorderOnly() {
        PhasePaint paint = new PhasePaint(halves(), new int[] {0xff112233, 0xff445566}, true);
        int[] lines = painted(paint, Look.Overlay.TINT);
        assertThat(lines[3]).isEqualTo(0xff112233);
        assertThat(lines[4]).isEqualTo(0xff445566);
        assertThat(lines[1]).isEqualTo(0xff282828);
    }

    @Test
    void inksAreEvenMeanOrInOrder() {
        assertThat(PhaseInks.greys(3)).containsExactly(0xff000000, 0xff808080, 0xffffffff);
        assertThat(PhaseInks.mean(halves(), ground(), Work.alone())).containsExactly(0xff282828, 0xffb4b4b4);
        for (int n = 1; n <= 32; n++) {
            int[] flat = PhaseInks.flat(n);
            assertThat(Arrays.stream(flat).distinct()).hasSize(n);
            for (int p = 1; p < n; p++) {
                assertThat(light(flat[p])).isGreaterThan(light(flat[p - 1]));
            }
        }
    }

    private static double light(int ink) {
        return 0.2126 * (ink >> 16 & 0xff) + 0.7152 * (ink >> 8 & 0xff) + 0.0722 * (ink & 0xff);
    }

    @Test
    void dyesTakeLightAway() {
        float[] density = new float[SIDE * SIDE];
        density[0] = 1;
        float[] none = new float[SIDE * SIDE];
        none[0] = 2;
        Picture dyes = new Picture(List.of(
                new Channel("dye1", PlaneF.of(SIDE, SIDE, density), OptionalInt.of(0x204080)),
                new Channel("dye3", PlaneF.of(SIDE, SIDE, none))));
        Pyramid pyramid = Pyramid.of(dyes, Work.alone());
        Viewport view = Viewport.fit(SIDE, SIDE, SIDE, SIDE);
        int[] seen = StageComposer.compose(Layers.bare(pyramid, Field.whole(SIDE, SIDE)), view, Work.alone());
        assertThat(seen[0]).isEqualTo(0xff204080);
        assertThat(seen[1]).isEqualTo(0xffffffff);
        int[] other = StageComposer.compose(Layers.bare(pyramid.alone(1), Field.whole(SIDE, SIDE)), view, Work.alone());
        assertThat(other[0]).isEqualTo(0xffffffff);
    }

    @Test
    void faintPicturesKeepTheirOwnTone() {
        Tone bytes = new Tone(0, 255);
        assertThat(new Tone(20, 200).like(bytes)).isEqualTo(bytes);
        assertThat(new Tone(0, 0.8).like(bytes)).isEqualTo(new Tone(0, 0.8));
        assertThat(new Tone(-90, 200).like(bytes)).isEqualTo(new Tone(-90, 200));
    }

    /** G. M. Machado, M. M. Oliveira, L. A. F. Fernandes (2009), IEEE Trans. Vis. Comput. Graph. 15(6), 1291–1298: whole loss of one kind of cone. */
    private static final double[][][] EYES = {
        {{1, 0, 0}, {0, 1, 0}, {0, 0, 1}},
        {{0.152286, 1.052583, -0.204868}, {0.114503, 0.786281, 0.099216}, {-0.003882, -0.048116, 1.051998}},
        {{0.367322, 0.860646, -0.227968}, {0.280085, 0.672501, 0.047413}, {-0.011820, 0.042940, 0.968881}},
        {{1.255528, -0.076749, -0.178779}, {-0.078411, 0.930809, 0.147602}, {0.004733, 0.691367, 0.303900}},
    };

    private static double[] seen(int ink, double[][] eye) {
        double[] linear = new double[3];
        for (int c = 0; c < 3; c++) {
            double v = (ink >> 16 - 8 * c & 0xff) / 255.0;
            linear[c] = v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
        }
        double[] rgb = new double[3];
        for (int c = 0; c < 3; c++) {
            double v = Math.clamp(eye[c][0] * linear[0] + eye[c][1] * linear[1] + eye[c][2] * linear[2], 0, 1);
            rgb[c] = 255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * Math.pow(v, 1 / 2.4) - 0.055);
        }
        double[] lab = new double[3];
        ColourSpace.LAB.of(rgb, lab);
        return lab;
    }

    @Test
    void phasesRunFromDarkToLightAndNeighboursAreToldApartByEverybody() {
        for (double[][] eye : EYES) {
            for (int n = 2; n <= 8; n++) {
                int[] inks = PhaseInks.flat(n);
                for (int p = 1; p < n; p++) {
                    double[] below = seen(inks[p - 1], eye);
                    double[] above = seen(inks[p], eye);
                    assertThat(Math.sqrt(ColourSpace.LAB.squareDistance(below, above)))
                            .as(n + " phases, " + p)
                            .isGreaterThan(8);
                    assertThat(above[0]).isGreaterThan(below[0]);
                }
            }
            for (int i = 1; i <= 10; i++) {
                assertThat(seen(MeasureInks.at(i / 10.0), eye)[0])
                        .isGreaterThan(seen(MeasureInks.at((i - 1) / 10.0), eye)[0]);
            }
        }
    }
}
