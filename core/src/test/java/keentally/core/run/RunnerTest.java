package keentally.core.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.Chance;
import keentally.core.draw.ShapeRenderer;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Rectangle;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.setting.Setting;
import keentally.core.step.Slot;
import keentally.core.step.Steps;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;

class RunnerTest {
    private static final Picture PICTURE = Picture.grey(new Chance(11).plane8(90, 70));
    private static final Sample SAMPLE = Sample.of("one", PICTURE, List.of(), Optional.of(Scale.of("2 um/px")));

    private static Method method(String... steps) {
        Method method = Method.empty("Test", LengthUnit.UM);
        for (String step : steps) {
            method = method.add(method.steps().size(), Steps.find(step).orElseThrow());
        }
        return method;
    }

    private static Method set(Method method, String stepId, String setting, Object tree) {
        var step = method.step(stepId).orElseThrow();
        Setting<?> found = step.description().setting(setting).orElseThrow();
        return method.with(stepId, step.values().withTree(found, tree));
    }

    private static Runner runner(long budget) {
        return new Runner(Workers.alone(), new StateCache(budget));
    }

    private static Run run(Runner runner, Method method, Sample sample) throws RunFault {
        return runner.run(method, sample, Integer.MAX_VALUE, new Cancel(), Progress.SILENT);
    }

    @Test
    void aCacheChangesNothingButTheWork() throws RunFault {
        Method base = method("smooth", "threshold", "fill-holes", "edge-objects", "gate");
        Runner cached = runner(1 << 24);
        for (String sigma : List.of("1 px", "2 px", "1 px", "0.5 px")) {
            for (String area : List.of("20 um2", "60 um2")) {
                Method method = set(set(base, "smooth-1", "sigma", sigma), "gate-1", "atLeast", area);
                Readings with = cached.readings(run(cached, method, SAMPLE), new Cancel());
                Runner bare = runner(0);
                Readings without = bare.readings(run(bare, method, SAMPLE), new Cancel());
                assertThat(with.state().needMask()).isEqualTo(without.state().needMask());
                assertThat(with.fractions()).isEqualTo(without.fractions());
                assertThat(with.objects().orElseThrow().column(0))
                        .isEqualTo(without.objects().orElseThrow().column(0));
            }
        }
    }

    @Test
    void onlyWhatComesAfterAChangeIsRunAgain() throws RunFault {
        Runner runner = runner(1 << 24);
        Method method = method("smooth", "threshold", "gate");
        Run first = run(runner, method, SAMPLE);
        Run second = run(runner, set(method, "gate-1", "atLeast", "60 um2"), SAMPLE);
        assertThat(second.stations().get(1).after().needMask())
                .isSameAs(first.stations().get(1).after().needMask());
        Run third = run(runner, set(method, "smooth-1", "sigma", "3 px"), SAMPLE);
        assertThat(third.stations().get(1).after().needMask())
                .isNotSameAs(first.stations().get(1).after().needMask());
    }

    @Test
    void fieldAndScaleCountOnlyWhereTheyAreUsed() throws RunFault {
        Runner runner = runner(1 << 24);
        Method method = method("smooth", "threshold");
        Run whole = run(runner, method, SAMPLE);
        Field.Part half = new Field.Part(new Rectangle(0, 0, 45, 70), false);
        Sample fenced = Sample.of("one", PICTURE, List.of(half), SAMPLE.scale());
        Run part = run(runner, method, fenced);
        assertThat(part.stations().get(0).after().current())
                .isSameAs(whole.stations().get(0).after().current());
        assertThat(part.last().field()).isEqualTo(fenced.field());
        assertThat(part.last().needMask().minus(fenced.field().mask()).count()).isZero();
        assertThat(whole.last().needMask().minus(fenced.field().mask()).count()).isPositive();
    }

    /** Discs that touch in pairs, on more pixels than a split answers by itself while it is dragged. */
    private static Sample pairs() {
        ShapeRenderer discs = new ShapeRenderer(1600, 1300);
        for (int y = 40; y < 1260; y += 80) {
            for (int x = 40; x < 1560; x += 80) {
                discs.add(Ellipse.disc(x + x % 160 / 8, y, 24 + y % 3));
            }
        }
        return Sample.of("discs", Picture.grey(discs.plane(40, 200)), List.of(), Optional.empty());
    }

    @Test
    void whatADragBeginsWithIsMadeReady() throws Exception {
        Sample sample = pairs();
        Method method = method("threshold", "split-touching");
        MethodStep split = method.step("split-touching-1").orElseThrow();
        StateCache cache = new StateCache(1 << 28);
        Runner runner = new Runner(Workers.alone(), cache);
        runner.ready(method, sample, 1, new Cancel()); // a threshold has nothing to prepare
        runner.ready(method, sample, 2, new Cancel());
        Object beside = split.description()
                .make()
                .apply(split.values())
                .nimble(sample.start(), 1)
                .orElseThrow()
                .beside();
        StateKey key = StateKey.of(sample)
                .then(method.steps().getFirst(), sample, method.signal())
                .thenReady(split, beside, sample, method.signal());
        assertThat(cache.find(key).orElseThrow().state().find(Slot.DIVIDES)).isPresent();
        Run dragged = runner.dragged(method, sample, 2, 1, new Cancel());
        assertThat(dragged.last().needObjects().count()).isPositive();
    }

    @Test
    void aDragOfASplitCountsWhatTheSplitCountsAndKeepsNothingOfIt() throws RunFault {
        Sample sample = pairs();
        Method base = method("threshold", "split-touching");
        Runner runner = runner(1 << 28);
        for (String depth : List.of("0.5 px", "3 px", "20 px")) {
            Method method = set(base, "split-touching-1", "depth", depth);
            Run soon = runner.dragged(method, sample, 2, 1, new Cancel());
            Run exact = run(runner, method, sample);
            assertThat(exact.last().needObjects())
                    .as("what the drag worked out is not kept as the step's own")
                    .isNotSameAs(soon.last().needObjects());
            assertThat(soon.last().needObjects().count())
                    .isEqualTo(exact.last().needObjects().count());
            assertThat(soon.last().needMask()).isEqualTo(exact.last().needMask());
            assertThat(markers(soon)).isEqualTo(markers(exact));
            assertThat(runner.dragged(method, sample, 2, 1, new Cancel()).last().needObjects())
                    .as("what is there already is shown as it is")
                    .isSameAs(exact.last().needObjects());
        }
    }

    /** A large picture seen from afar is cut by the rows that are looked at while the cut is dragged; small ones as they are. */
    @Test
    void aDragOfACutReadsTheRowsThatAreLookedAt() throws RunFault {
        byte[] steps = new byte[25_000_000];
        for (int i = 0; i < steps.length; i++) {
            steps[i] = (byte) (i / 5000);
        }
        Sample large = Sample.of("rows", Picture.grey(Plane8.of(5000, 5000, steps)), List.of(), Optional.empty());
        Method method = set(set(method("threshold"), "threshold-1", "rule", "manual"), "threshold-1", "cut", 101.0);
        Runner runner = runner(1 << 28);
        Run soon = runner.dragged(method, large, 1, 5, new Cancel());
        assertThat(soon.last().needMask().at(7, 102))
                .as("102, but row 100 was read")
                .isFalse();
        assertThat(soon.last().needMask().at(7, 105)).isTrue();
        Run exact = run(runner, method, large);
        assertThat(exact.last().needMask().at(7, 102)).isTrue();
        assertThat(runner.dragged(method, large, 1, 5, new Cancel()).last().needMask())
                .as("what is there already is shown as it is")
                .isSameAs(exact.last().needMask());
        assertThat(runner.dragged(method("threshold"), SAMPLE, 1, 5, new Cancel())
                        .last()
                        .needMask())
                .isEqualTo(run(runner, method("threshold"), SAMPLE).last().needMask());
    }

    private static int[] markers(Run run) {
        return run.stations().getLast().findings().markers().orElseThrow().pixels();
    }

    @Test
    void labellingIsImpliedWhereObjectsAreAskedFor() throws RunFault {
        Runner runner = runner(1 << 24);
        Readings implied = runner.readings(run(runner, method("threshold"), SAMPLE), new Cancel());
        Readings stated = runner.readings(run(runner, method("threshold", "label"), SAMPLE), new Cancel());
        assertThat(implied.objects().orElseThrow().rows())
                .isPositive()
                .isEqualTo(stated.objects().orElseThrow().rows());
        assertThat(run(runner, method("threshold"), SAMPLE).stations()).hasSize(1);
        Readings nothing = runner.readings(run(runner, method("smooth"), SAMPLE), new Cancel());
        assertThat(nothing.objects()).isEmpty();
        assertThat(nothing.fractions()).isEmpty();
    }

    @Test
    void mutedStepsAreLeftOut() throws RunFault {
        Runner runner = runner(0);
        Method method = method("smooth", "threshold", "gate");
        Run muted = run(runner, method.mute("smooth-1", true), SAMPLE);
        assertThat(muted.stations()).hasSize(2);
        assertThat(muted.last().needMask())
                .isEqualTo(
                        run(runner, method("threshold", "gate"), SAMPLE).last().needMask());
    }

    @Test
    void phasesShareTheFieldOut() throws RunFault {
        Runner runner = runner(0);
        Field.Part half = new Field.Part(new Rectangle(0, 0, 45, 70), false);
        Sample fenced = Sample.of("one", PICTURE, List.of(half), Optional.empty());
        Readings readings = runner.readings(run(runner, method("threshold"), fenced), new Cancel());
        assertThat(readings.fractions()).hasSize(2);
        assertThat(readings.fractions().stream().mapToLong(PhaseReading::pixels).sum())
                .isEqualTo(45 * 70);
        double percent =
                readings.fractions().stream().mapToDouble(PhaseReading::percent).sum();
        assertThat(percent).isEqualTo(100, within(1e-9));
        assertThat(readings.keptPixels()).isEqualTo(readings.fractions().get(1).pixels());
        assertThat(readings.objectPhases()).containsOnly(1);
    }

    @Test
    void faultsNameTheStep() {
        Runner runner = runner(0);
        Sample bare = SAMPLE.with(Optional.empty());
        Method real = set(method("threshold", "remove-specks"), "remove-specks-1", "below", "30 um2");
        assertThatThrownBy(() -> run(runner, real, bare))
                .isInstanceOf(RunFault.class)
                .hasMessageStartingWith("Step 2 (remove-specks) cannot be done: 30 um2 is in a real unit");
        Sample colour = Sample.of("c", Picture.colour(plane(), plane(), plane()), List.of(), Optional.empty());
        assertThatThrownBy(() -> run(runner, method("smooth", "threshold"), colour))
                .hasMessageStartingWith("Step 2 (threshold) needs one channel")
                .satisfies(e -> assertThat(((RunFault) e).step()).isEqualTo(2));
        assertThatThrownBy(() -> run(runner, method("gate"), bare)).hasMessageContaining("Step 1 (gate) needs objects");
    }

    private static Plane plane() {
        return PICTURE.channels().getFirst().plane();
    }

    @Test
    void progressAndCancel() throws RunFault {
        Runner runner = runner(0);
        List<String> told = new ArrayList<>();
        runner.run(method("smooth", "threshold"), SAMPLE, 9, new Cancel(), (done, of) -> told.add(done + "/" + of));
        assertThat(told).containsExactly("0/2", "1/2", "2/2");
        Cancel cancel = new Cancel();
        cancel.ask();
        assertThatThrownBy(() -> runner.run(method("smooth"), SAMPLE, 9, cancel, Progress.SILENT))
                .isInstanceOf(CancelledException.class);
    }

    @Test
    void theCacheKeepsToItsBudget() throws RunFault {
        Method method = method("smooth", "threshold", "gate");
        StateCache roomy = new StateCache(1 << 30);
        run(new Runner(Workers.alone(), roomy), method, SAMPLE);
        long chain = roomy.held();
        StateCache cache = new StateCache(3 * chain);
        Runner runner = new Runner(Workers.alone(), cache);
        for (int i = 1; i < 30; i++) {
            run(runner, set(method, "smooth-1", "sigma", i / 5.0 + " px"), SAMPLE);
            assertThat(cache.held()).isBetween(1L, 3 * chain);
        }
        // what goes is at most one run at a time
        assertThat(cache.held()).isGreaterThan(2 * chain - chain / 2);
    }

    /** A chain of filters, each of which hands pictures on: what a descendant can reach is held, and must be counted. */
    @Test
    void memoryStaysWithinTheBudgetAsTheHeapSeesIt() throws RunFault {
        long budget = 24_000_000;
        int side = 500;
        Plane plane = Plane8.of(side, side, new byte[side * side]);
        Sample sample = Sample.of("large", Picture.grey(plane), List.of(), Optional.empty());
        StateCache cache = new StateCache(budget);
        Runner runner = new Runner(Workers.alone(), cache);
        Method method = method("smooth", "invert", "smooth", "invert");
        run(runner, method, sample);
        long before = usedHeap();
        for (int i = 1; i <= 500; i++) {
            String step = "smooth-" + (i % 2 + 1);
            method = set(method, method.steps().get(i % 2 * 2).id(), "sigma", 0.3 + i / 200.0 + " px");
            run(runner, method, sample);
            assertThat(cache.held()).as(step).isLessThanOrEqualTo(budget);
        }
        assertThat(usedHeap() - before).isLessThan(budget + 4_000_000);
        assertThat(cache.size()).isPositive();
    }

    private static long usedHeap() {
        Runtime runtime = Runtime.getRuntime();
        long least = Long.MAX_VALUE;
        for (int i = 0; i < 4; i++) {
            System.gc();
            least = Math.min(least, runtime.totalMemory() - runtime.freeMemory());
        }
        return least;
    }

    @Test
    void whatOthersHoldIsCountedUntilTheyLetGo() throws RunFault {
        StateCache cache = new StateCache(1_000_000);
        Runner runner = new Runner(Workers.alone(), cache);
        run(runner, method("smooth", "threshold"), SAMPLE);
        long own = cache.held();
        assertThat(cache.size()).isEqualTo(2);
        Plane large = PlaneF.of(600, 400, new float[240_000]);
        StateCache.Hold one = cache.hold(large);
        StateCache.Hold again = cache.hold(large);
        assertThat(cache.held()).isEqualTo(own + 960_000).isLessThanOrEqualTo(1_000_000);
        StateCache.Hold more = cache.hold(PlaneF.of(600, 400, new float[240_000]));
        assertThat(cache.size()).as("outcomes went for what is held").isZero();
        assertThat(cache.held()).isEqualTo(1_920_000);
        one.close();
        one.close();
        assertThat(cache.held()).isEqualTo(1_920_000);
        again.close();
        more.close();
        assertThat(cache.held()).isZero();
    }
}
