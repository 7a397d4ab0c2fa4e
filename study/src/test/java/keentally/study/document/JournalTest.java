package keentally.study.document;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.step.Steps;
import keentally.study.document.Thing.SampleThing;
import org.junit.jupiter.api.Test;

class JournalTest {
    private static SampleThing sample(String name) {
        return SampleThing.of(name, PictureRef.of(Path.of("/" + name + ".png"), 1), Study.FIRST_METHOD);
    }

    @Test
    void undoAndRedoWalkThroughEveryState() {
        Journal journal = new Journal(Study.empty());
        List<Study> states = new ArrayList<>(List.of(journal.study()));
        SplittableRandom random = new SplittableRandom(3);
        for (int i = 0; i < 200; i++) {
            int n = i;
            boolean changed = journal.act("step " + i, s -> switch (random.nextInt(4)) {
                case 0 -> s.with(s.newSampleId(), sample("a" + n));
                case 1 -> s.samples().isEmpty() ? s : s.without(s.samples().getFirst());
                case 2 ->
                    s.with(
                            Study.FIRST_METHOD,
                            s.method(Study.FIRST_METHOD).add(0, Steps.all().getFirst()));
                default ->
                    s.samples().isEmpty()
                            ? s
                            : s.with(
                                    s.samples().getLast(),
                                    sample("a" + n).with(Optional.of(Calibration.typed(Scale.of(n + 1 + " um/px")))));
            });
            if (changed) {
                states.add(journal.study());
            }
        }
        for (int i = states.size() - 2; i >= 0; i--) {
            assertThat(journal.undo()).isTrue();
            assertThat(journal.study()).isEqualTo(states.get(i));
        }
        assertThat(journal.undo()).isFalse();
        for (int i = 1; i < states.size(); i++) {
            assertThat(journal.redo()).isTrue();
            assertThat(journal.study()).isEqualTo(states.get(i));
        }
        assertThat(journal.redo()).isFalse();
    }

    @Test
    void aNewActionDropsWhatWasUndone() {
        Journal journal = new Journal(Study.empty());
        journal.act("one", s -> s.with("s1", sample("a")));
        journal.act("two", s -> s.with("s2", sample("b")));
        journal.undo();
        assertThat(journal.redoable()).contains("two");
        journal.act("three", s -> s.with("s3", sample("c")));
        assertThat(journal.redoable()).isEmpty();
        assertThat(journal.undoable()).contains("three");
        assertThat(journal.study().samples()).containsExactly("s1", "s3");
    }

    @Test
    void nothingChangedIsNoAction() {
        Journal journal = new Journal(Study.empty());
        assertThat(journal.act("nothing", s -> s)).isFalse();
        assertThat(journal.act("the same again", s -> s.with(Study.FIRST_METHOD, s.method(Study.FIRST_METHOD))))
                .isFalse();
        assertThat(journal.undoable()).isEmpty();
    }

    @Test
    void atLeastFiveHundredActionsAreKept() {
        Journal journal = new Journal(Study.empty());
        for (int i = 0; i < 3000; i++) {
            LengthUnit unit = i % 2 == 0 ? LengthUnit.UM : LengthUnit.MM;
            journal.act(
                    "unit",
                    s -> s.with(Study.FIRST_METHOD, s.method(Study.FIRST_METHOD).in(unit)));
        }
        int undone = 0;
        while (journal.undo()) {
            undone++;
        }
        assertThat(undone).isBetween(500, 2000);
    }

    @Test
    void samplesKeepTheirOrderAndIds() {
        Study study =
                Study.empty().with("s1", sample("a")).with("s2", sample("b")).without("s1");
        assertThat(study.newSampleId()).isNotEqualTo("s2");
        assertThat(study.with("s2", sample("c")).samples()).containsExactly("s2");
        assertThat(study.sample("s1")).isEmpty();
        assertThat(study.methods()).containsExactly(Study.FIRST_METHOD);
    }
}
