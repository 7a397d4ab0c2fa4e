package keentally.core.step;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.Probabilities;
import keentally.core.setting.Values;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

/** A bright box on dark ground, and masks of it that are off. */
class RefineEdgesStepTest {
    private static final int WIDTH = 120;
    private static final int HEIGHT = 90;

    private static Picture picture(int width, int height, Rectangle box) {
        Random noise = new Random(3);
        byte[] values = new byte[width * height];
        for (int i = 0; i < values.length; i++) {
            boolean in = box.contains(i % width + 0.5, i / width + 0.5);
            values[i] = (byte) ((in ? 170 : 90) + 6 * noise.nextGaussian());
        }
        return Picture.grey(Plane8.of(width, height, values));
    }

    private static Mask mask(int width, int height, Rectangle box) {
        byte[] set = new byte[width * height];
        for (int i = 0; i < set.length; i++) {
            set[i] = (byte) (box.contains(i % width + 0.5, i / width + 0.5) ? 1 : 0);
        }
        return Mask.from(set, width, height);
    }

    private static final Rectangle BOX = new Rectangle(30, 20, 60, 50);
    private static final Picture PICTURE = picture(WIDTH, HEIGHT, BOX);
    private static final State START = State.of(PICTURE, Field.whole(WIDTH, HEIGHT), Optional.empty());

    private static Outcome refined(State before, Map<String, ?> settings) throws StepFault {
        Values values = Values.NONE;
        for (Map.Entry<String, ?> setting : settings.entrySet()) {
            values = values.withTree(
                    RefineEdgesStep.DESCRIPTION.setting(setting.getKey()).orElseThrow(), setting.getValue());
        }
        return RefineEdgesStep.DESCRIPTION
                .make()
                .apply(values)
                .apply(before, Site.of("refine-edges-1", "grey", Work.alone()));
    }

    private static long off(Mask a, Mask b) {
        return a.minus(b).count() + b.minus(a).count();
    }

    @Test
    void aMaskThatIsTooLargeOrTooSmallEndsAtTheEdge() throws StepFault {
        Mask truth = mask(WIDTH, HEIGHT, BOX);
        for (double by : new double[] {-3, 4}) {
            Mask rough = mask(
                    WIDTH,
                    HEIGHT,
                    new Rectangle(BOX.x() - by, BOX.y() - by, BOX.width() + 2 * by, BOX.height() + 2 * by));
            Outcome outcome = refined(START.give(rough), Map.of());
            assertThat(off(outcome.state().needMask(), truth))
                    .as("off by %s px", by)
                    .isLessThan(off(rough, truth) / 20);
            assertThat(outcome.findings()
                            .find(by < 0 ? Findings.ADDED : Findings.REMOVED)
                            .orElseThrow())
                    .isCloseTo(off(rough, truth), withinPercentage(5));
        }
    }

    @Test
    void thePlaneMayBeOfAnyDepthAndPhasesKeepTheirNames() throws StepFault {
        PhaseMap given = PhaseMap.of(mask(WIDTH, HEIGHT, new Rectangle(26, 17, 66, 56)), START.field())
                .changed(identity(), List.of("ground", "grain"), Work.alone());
        Outcome outcome = refined(START.give(given), Map.of("of", "phases"));
        PhaseMap after = outcome.state().phases().orElseThrow();
        assertThat(after.names()).containsExactly("ground", "grain");
        assertThat(after.counts(Work.alone())[1]).isBetween(2980L, 3020L);
        assertThat(outcome.findings().find("moved-percent").orElseThrow()).isBetween(6.0, 7.0);
    }

    private static byte[] identity() {
        byte[] to = new byte[256];
        for (int i = 0; i < to.length; i++) {
            to[i] = (byte) i;
        }
        return to;
    }

    /** Sure inside, not sure around: the picture decides. */
    @Test
    void whatALearnerWasNotSureOfIsDecidedByThePicture() throws StepFault {
        byte[] sure = new byte[WIDTH * HEIGHT];
        byte[] other = new byte[WIDTH * HEIGHT];
        for (int i = 0; i < sure.length; i++) {
            int x = i % WIDTH;
            int y = i / WIDTH;
            boolean middle = x > 40 && x < 80 && y > 30 && y < 60;
            boolean far = x < 15 || x > 105 || y < 8 || y > 82;
            sure[i] = (byte) (middle ? 250 : far ? 5 : 128);
            other[i] = (byte) (255 - (sure[i] & 0xff));
        }
        Probabilities probabilities = new Probabilities(
                List.of(Plane8.of(WIDTH, HEIGHT, other), Plane8.of(WIDTH, HEIGHT, sure)), List.of("ground", "grain"));
        PhaseMap rough = PhaseMap.of(mask(WIDTH, HEIGHT, BOX), START.field());
        PhaseMap after = refined(
                        START.give(rough, probabilities),
                        Map.of("of", "probabilities", "trust", 0.9, "positionSigma", "30 px"))
                .state()
                .needPhases();
        boolean[] grain = new boolean[256];
        grain[1] = true;
        assertThat(off(after.mask(grain, Work.alone()), mask(WIDTH, HEIGHT, BOX)))
                .isLessThan(60);
        assertThatThrownBy(() -> refined(START.give(rough), Map.of("of", "probabilities")))
                .hasMessageContaining("the phases before it have none");
    }

    @Test
    void whatLiesOutsideTheFieldTakesNoPart() throws StepFault {
        Field left = Field.of(WIDTH, HEIGHT, List.of(new Field.Part(new Rectangle(0, 0, 70, HEIGHT), false)));
        State start = State.of(PICTURE, left, Optional.empty());
        Mask rough = mask(WIDTH, HEIGHT, new Rectangle(26, 17, 40, 56));
        Mask after = refined(start.give(rough), Map.of()).state().needMask();
        assertThat(off(after, left.clip(mask(WIDTH, HEIGHT, BOX)))).isLessThan(20);
    }

    /** Above two megapixels the work is done in strips. */
    @Test
    void aLargePictureHasNoSeams() throws StepFault {
        Rectangle box = new Rectangle(100, 150, 900, 1700);
        Picture large = picture(1100, 2000, box);
        State start = State.of(large, Field.whole(1100, 2000), Optional.empty());
        Mask rough = mask(1100, 2000, new Rectangle(95, 144, 911, 1711));
        Mask after = refined(start.give(rough), Map.of("rounds", 3.0)).state().needMask();
        assertThat(off(after, mask(1100, 2000, box))).isLessThan(off(rough, mask(1100, 2000, box)) / 20);
    }

    @Test
    void whatHasNoEdgeIsRefused() {
        assertThatThrownBy(() -> refined(START.give(Mask.empty(WIDTH, HEIGHT)), Map.of()))
                .hasMessageContaining("needs a mask with an edge, but nothing is chosen");
        assertThatThrownBy(() -> refined(START.give(Mask.full(WIDTH, HEIGHT)), Map.of()))
                .hasMessageContaining("all of the field is chosen");
        Mask rough = mask(WIDTH, HEIGHT, BOX);
        assertThatThrownBy(() -> refined(START.give(rough), Map.of("smoothSigma", "0.2 px")))
                .hasMessageContaining("less than half a pixel far with 'smoothSigma' 0.2 px");
    }

    @Test
    void itTakesAndGivesTheKindThatItIsToldTo() {
        Values mask = Values.NONE;
        Values phases = mask.with(RefineEdgesStep.OF, RefineEdgesStep.Of.PHASES);
        assertThat(RefineEdgesStep.DESCRIPTION.needs(mask)).isEqualTo(Flow.MASK);
        assertThat(RefineEdgesStep.DESCRIPTION.gives(mask)).isEqualTo(Flow.MASK);
        assertThat(RefineEdgesStep.DESCRIPTION.needs(phases)).isEqualTo(Flow.PHASES);
        assertThat(RefineEdgesStep.DESCRIPTION.gives(phases)).isEqualTo(Flow.PHASES);
    }
}
