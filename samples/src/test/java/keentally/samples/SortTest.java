package keentally.samples;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.geometry.Point;
import keentally.core.hand.Correction;
import keentally.core.hand.Corrections;
import keentally.core.hand.Mark;
import keentally.core.hand.Marks;
import keentally.core.method.Method;
import keentally.core.region.ObjectSet;
import keentally.core.run.Progress;
import keentally.core.run.Run;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.step.SortObjectsStep;
import keentally.core.step.Steps;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;

class SortTest {
    private static final DemoSample TRAY = GrainTray.draw(Work.alone());
    private static final Marks TRUE = TRAY.beside().tallies().get(TrayCount.FIRST);

    private static Run run(Corrections given) throws Exception {
        Method method = GrainTray.sorting();
        Sample sample = Sample.of(TRAY.id(), TRAY.picture(), TRAY.field(), Optional.of(TRAY.scale()))
                .with(Map.of("sort-objects-1", given));
        return new Runner(Workers.alone(), new StateCache(0)).run(method, sample, 99, new Cancel(), Progress.SILENT);
    }

    /** The first three seeds of each kind that lie in the tray as the eye goes over it. */
    private static Corrections clicks(int ofEach) {
        Map<String, Integer> counts = new HashMap<>();
        List<Correction> clicks = new ArrayList<>();
        for (Mark mark : TRUE.list()) {
            if (counts.merge(mark.kind(), 1, Integer::sum) <= ofEach) {
                clicks.add(new Correction.Sort(List.of(mark.at()), mark.kind()));
            }
        }
        return new Corrections(clicks);
    }

    @Test
    void twelveClicksSortTheSeedsOfATray() throws Exception {
        Corrections twelve = clicks(3);
        assertThat(twelve.list()).hasSize(12);
        Run run = run(twelve);
        ObjectSet objects = run.last().needObjects();
        int wrong = 0;
        for (Mark mark : TRUE.list()) {
            int region =
                    objects.regions().at((int) mark.at().x(), (int) mark.at().y());
            wrong += region >= 0 && objects.classOf(region).equals(mark.kind()) ? 0 : 1;
        }
        assertThat(wrong)
                .as("of %d seeds", TRUE.list().size())
                .isLessThanOrEqualTo(TRUE.list().size() * 3 / 100);
        assertThat(run.last().phases().orElseThrow().names()).containsExactly("rest", "c1", "c2", "c3", "c4");
        assertThat(run.stations()
                        .getLast()
                        .findings()
                        .find(SortObjectsStep.HELD_OUT)
                        .orElseThrow())
                .isBetween(50.0, 100.0);
        assertThat(run.stations().getLast().findings().places(SortObjectsStep.LEAST_CERTAIN))
                .hasSize(60)
                .isSortedAccordingTo((a, b) -> Double.compare(a.get(2), b.get(2)));
    }

    /** Classes that a station before gave are examples, and are not lost where nothing follows from them. */
    @Test
    void whatAnEarlierStationSortedCounts() throws Exception {
        Method method = GrainTray.sorting().add(5, Steps.find("edit-objects").orElseThrow());
        Corrections pumpkin = new Corrections(
                List.of(new Correction.Sort(List.of(TRUE.list().getFirst().at()), "pumpkin")));
        Sample sample = Sample.of(TRAY.id(), TRAY.picture(), TRAY.field(), Optional.of(TRAY.scale()));
        Runner runner = new Runner(Workers.alone(), new StateCache(0));
        Run alone = runner.run(
                method,
                sample.with(Map.of("edit-objects-1", pumpkin, "sort-objects-1", Corrections.NONE)),
                99,
                new Cancel(),
                Progress.SILENT);
        assertThat(alone.stations().getLast().findings().find(SortObjectsStep.IN_CLASS + "pumpkin"))
                .hasValue(1);
        Corrections linseed = new Corrections(
                List.of(new Correction.Sort(List.of(TRUE.list().getLast().at()), "linseed")));
        Run both = runner.run(
                method,
                sample.with(Map.of("edit-objects-1", pumpkin, "sort-objects-1", linseed)),
                99,
                new Cancel(),
                Progress.SILENT);
        assertThat(both.last().phases().orElseThrow().names()).containsExactly("rest", "pumpkin", "linseed");
        assertThat(both.stations().getLast().findings().find("classes")).hasValue(2);
    }

    @Test
    void withoutTwoClassesOnlyWhatWasSaidHasOne() throws Exception {
        Run none = run(Corrections.NONE);
        assertThat(none.last().needObjects().isSorted()).isFalse();
        Corrections one = new Corrections(List.of(
                new Correction.Sort(List.of(TRUE.list().getFirst().at()), "pumpkin"),
                new Correction.Sort(List.of(new Point(3, 3)), "nothing")));
        Run alone = run(one);
        assertThat(alone.last().phases().orElseThrow().names()).containsExactly("rest", "pumpkin");
        assertThat(alone.stations().getLast().findings().unfit()).containsExactly(1);
    }
}
