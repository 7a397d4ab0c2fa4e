package keentally.core.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.run.Progress;
import keentally.core.run.Run;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.step.State;
import keentally.core.view.StepFrames.Kind;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;

class StepFramesTest {
    private static final int WIDTH = 80;
    private static final int HEIGHT = 60;
    private static final int SIDE = 160;

    /** A square with a hole, and one pixel far from it. */
    private static Picture picture() {
        byte[] values = new byte[SIDE * SIDE];
        Arrays.fill(values, (byte) 30);
        for (int y = 100; y < 140; y++) {
            Arrays.fill(values, y * SIDE + 100, y * SIDE + 140, (byte) 200);
        }
        for (int y = 115; y < 121; y++) {
            Arrays.fill(values, y * SIDE + 115, y * SIDE + 121, (byte) 30);
        }
        values[10 * SIDE + 10] = (byte) 200;
        values[150 * SIDE + 20] = (byte) 90; // a third shade
        return Picture.grey(Plane8.of(SIDE, SIDE, values));
    }

    /** The frames of the last step of a method, and how they came about. */
    private static StepFrames last(Method method) throws Exception {
        Picture picture = picture();
        Sample sample = new Sample("", picture, List.of(), Field.whole(SIDE, SIDE), Optional.empty(), Map.of());
        Run run = new Runner(Workers.alone(), new StateCache(0))
                .run(method, sample, Integer.MAX_VALUE, new Cancel(), Progress.SILENT);
        int n = run.stations().size();
        State before = n > 1
                ? run.stations().get(n - 2).after()
                : State.of(picture, Field.whole(SIDE, SIDE), Optional.empty());
        Work work = Work.alone();
        return StepFrames.of(before, run.stations().getLast().after(), Pyramid.of(picture, work), WIDTH, HEIGHT, work);
    }

    private static Method method(String... steps) {
        Method method = Method.empty("", LengthUnit.PX);
        for (String step : steps) {
            method = method.then(step);
        }
        return method;
    }

    @Test
    void eachKindOfStepIsShownInItsWay() throws Exception {
        assertThat(last(method("smooth")).kind()).isEqualTo(Kind.VALUES);
        assertThat(last(method("threshold")).kind()).isEqualTo(Kind.CUT);
        assertThat(last(method("threshold", "fill-holes")).kind()).isEqualTo(Kind.CHANGE);
        assertThat(last(method("levels")).kind()).isEqualTo(Kind.PHASES);
        assertThat(last(method("threshold", "label")).kind()).isEqualTo(Kind.OBJECTS);
    }

    @Test
    void theFramesAreOfOnePartAndDiffer() throws Exception {
        StepFrames frames = last(method("threshold", "fill-holes"));
        assertThat(frames.frames()).hasSize(3).allMatch(f -> f.length == WIDTH * HEIGHT);
        assertThat(frames.frames().get(0)).isNotEqualTo(frames.frames().get(2));
        long added = Arrays.stream(frames.frames().get(1))
                .filter(c -> (c & 0xff) > (c >> 16 & 0xff) + 60) // blue
                .count();
        assertThat(added).as("the hole is in sight and marked as added").isGreaterThan(20);
    }

    @Test
    void thePartLiesWhereMostIsChanged() throws Exception {
        StepFrames specks = last(method("threshold", "remove-specks"));
        long removed = Arrays.stream(specks.frames().get(1))
                .filter(c -> (c >> 16 & 0xff) > (c & 0xff) + 60) // amber
                .count();
        assertThat(removed).as("the speck at the other end is in sight").isPositive();
    }

    @Test
    void valuesStandBesideEachOther() throws Exception {
        StepFrames smooth = last(method("smooth"));
        int[] both = smooth.frames().get(1);
        for (int y = 0; y < HEIGHT; y++) {
            assertThat(both[y * WIDTH + 3]).isEqualTo(smooth.frames().get(0)[y * WIDTH + 3]);
            assertThat(both[y * WIDTH + WIDTH - 3]).isEqualTo(smooth.frames().get(2)[y * WIDTH + WIDTH - 3]);
        }
    }

    @Test
    void aPictureOfOnePixelHasFramesToo() throws Exception {
        Picture one = Picture.grey(Plane8.of(1, 1, new byte[] {7}));
        State state = State.of(one, Field.whole(1, 1), Optional.empty());
        StepFrames frames = StepFrames.of(state, state, Pyramid.of(one, Work.alone()), WIDTH, HEIGHT, Work.alone());
        assertThat(frames.frames()).allMatch(f -> f.length == WIDTH * HEIGHT);
    }
}
