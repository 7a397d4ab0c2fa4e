package keentally.core.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import keentally.core.colour.Rgb;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.Probabilities;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

/** What is seen while a learner is taught. */
class TaughtLayersTest {
    private static final int SIDE = 20;
    private static final int GREY = 0xff808080;
    private static final int TEAL = 0xff006070;
    private static final int OCHRE = 0xffc09020;

    private static PhaseMap halves(int leftUntil, int outside) {
        byte[] map = new byte[SIDE * SIDE];
        for (int i = 0; i < map.length; i++) {
            map[i] = (byte) (i % SIDE < leftUntil ? 0 : i % SIDE < outside ? 1 : PhaseMap.OUTSIDE);
        }
        return new PhaseMap(Plane8.of(SIDE, SIDE, map), List.of("crust", "crumb"), List.of(0x006070, 0xc09020));
    }

    private static int[] seen(Look.Overlay overlay, Layer... on) {
        byte[] grey = new byte[SIDE * SIDE];
        Arrays.fill(grey, (byte) 0x80);
        Pyramid pyramid = Pyramid.of(Picture.grey(Plane8.of(SIDE, SIDE, grey)), Work.alone());
        Layers layers = Layers.of(pyramid, Field.whole(SIDE, SIDE), new Look(overlay, 0.5));
        for (Layer layer : on) {
            layers = layers.with(layer);
        }
        return StageComposer.compose(layers, new Viewport(0, 0, 1, SIDE, SIDE), Work.alone());
    }

    private static PhasePaint paint(PhaseMap map) {
        return new PhasePaint(map, PhaseInks.flat(map, Map.of()), false);
    }

    @Test
    void aMapsOwnColoursAreItsInksUnlessSomebodyGaveAPhaseAnother() {
        assertThat(PhaseInks.flat(halves(10, 20), Map.of())).containsExactly(TEAL, OCHRE);
        assertThat(PhaseInks.flat(halves(10, 20), Map.of("crumb", Rgb.from(0x102030))))
                .containsExactly(TEAL, 0xff102030);
    }

    @Test
    void whatIsLearntIsMixedInOrFilledOrItsBordersAloneAndNeverOnTheBarePicture() {
        Layer learnt = new Layer.Learnt(paint(halves(10, 20)));
        int middle = 5 * SIDE + 5;
        assertThat(seen(Look.Overlay.TINT, learnt)[middle]).isNotIn(GREY, TEAL);
        assertThat(seen(Look.Overlay.FILL, learnt)[middle]).isEqualTo(TEAL);
        assertThat(seen(Look.Overlay.BARE, learnt)[middle]).isEqualTo(GREY);
        int[] outlined = seen(Look.Overlay.OUTLINES, learnt);
        assertThat(outlined[middle]).isEqualTo(GREY);
        assertThat(outlined[5 * SIDE + 9]).isEqualTo(TEAL);
        assertThat(outlined[5 * SIDE + 10]).isEqualTo(OCHRE);
    }

    @Test
    void strokesHaveARimOnAnyGroundAndWhatIsWrongIsCrossedOut() {
        int[] seen = seen(Look.Overlay.OUTLINES, new Layer.Scribbles(paint(halves(0, 8))));
        assertThat(seen[5 * SIDE + 4]).isEqualTo(OCHRE);
        assertThat(seen[5 * SIDE + 7]).isEqualTo(Inks.RIM);
        assertThat(seen[5 * SIDE + 8]).isEqualTo(Inks.RIM_SHADE);
        assertThat(seen[5 * SIDE + 12]).isEqualTo(GREY);
        int[] crossed = seen(Look.Overlay.TINT, new Layer.Wrong(Mask.full(SIDE, SIDE)));
        assertThat(IntStream.of(crossed).distinct().toArray())
                .containsExactlyInAnyOrder(GREY, Inks.RIM, Inks.RIM_SHADE);
    }

    @Test
    void whatIsUnsureFadesToPaper() {
        byte[] left = new byte[SIDE * SIDE];
        byte[] right = new byte[SIDE * SIDE];
        for (int i = 0; i < left.length; i++) {
            left[i] = (byte) (i % SIDE < 5 ? 255 : i % SIDE < 10 ? 191 : 128);
            right[i] = (byte) (255 - (left[i] & 0xff));
        }
        Probabilities sure = new Probabilities(
                List.of(Plane8.of(SIDE, SIDE, left), Plane8.of(SIDE, SIDE, right)), List.of("crust", "crumb"));
        int[] seen = seen(Look.Overlay.TINT, paint(halves(20, 20)), new Layer.Doubt(sure));
        assertThat(seen[5 * SIDE + 2]).as("certain").isEqualTo(TEAL);
        assertThat(seen[5 * SIDE + 7]).as("three to one").isNotIn(TEAL, Inks.RIM);
        int red = seen[5 * SIDE + 15] >> 16 & 0xff;
        assertThat(red).as("even: paper").isGreaterThan((Inks.RIM >> 16 & 0xff) - 3);
    }
}
