package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Labeled;
import keentally.desk.trial.TrialModel;
import keentally.study.run.SampleRecord.OwnNumber;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A number of the sample: written, typed for, read in the panel, on the method line and under the summary, and taken away again. */
class NumbersWindowTest {
    @TempDir
    Path folder;

    private DeskDriver desk;

    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.smallDemo(folder, "Flour dispersion");
    }

    @AfterEach
    void stop() {
        desk.close();
    }

    private List<OwnNumber> own() {
        return desk.onFx(() -> desk.model()
                .shown()
                .get()
                .orElseThrow()
                .record()
                .numbers()
                .orElseThrow()
                .own());
    }

    private String says() {
        return desk.onFx(() -> ((Labeled) desk.asked().orElseThrow().lookup("#number-says")).getText());
    }

    private void write(String name, String formula) {
        desk.fire("add-number");
        desk.fill("number-name", name);
        desk.fill("number-formula", formula);
    }

    @Test
    void aNumberIsWrittenAndReadEverywhere() {
        desk.press("card-numbers", 0.5, 0.5);
        desk.release();
        desk.quiet();
        write("per-dose", "count * dose");
        assertThat(says()).isEqualTo("A plain number, without a unit.");
        desk.fill("number-formula", "count + field-area");
        assertThat(says()).contains("a plain number meets an area");
        desk.answer(true);
        assertThat(desk.asked()).as("it still asks").isPresent();
        desk.fill("number-formula", "count * dose");
        desk.answer(true);
        desk.settle();
        assertThat(own().getFirst().why()).contains("no number \"dose\" was typed for the sample");
        assertThat(desk.text("number-per-dose")).isEqualTo("–");
        desk.type("typed-dose", "2");
        desk.settle();
        assertThat(own().getFirst().px()).isEqualTo(2.0 * desk.count());
        assertThat(desk.texts("card-numbers")).contains("per-dose", desk.text("number-per-dose"));
        desk.type("typed-dose", "two");
        assertThat(own().getFirst().px()).as("nothing is lost").isEqualTo(2.0 * desk.count());
        desk.fire("change-number-per-dose");
        desk.fill("number-most", "1");
        desk.answer(true);
        desk.settle();
        assertThat(desk.texts("numbers-list")).contains("Outside of – to 1 .");
        desk.click("view-objects");
        desk.fire("together-summary");
        assertThat(desk.texts("summary-pane")).contains("per-dose");
    }

    /** Tiles of a trial can be told and sorted by it. */
    @Test
    void aNumberIsTriedInTheTrialSheet() {
        desk.press("card-numbers", 0.5, 0.5);
        desk.release();
        write("cover", "kept-area / field-area");
        desk.answer(true);
        desk.settle();
        write("bare", "1 - kept-area / field-area");
        desk.answer(true);
        desk.settle();
        desk.press("card-2", 0.5, 0.5);
        desk.release();
        desk.settle();
        desk.click("station-trial");
        desk.quiet();
        desk.choose("trial-number", "cover");
        desk.quiet();
        List<Double> covers = desk.onFx(() -> desk.trials().tiles().get().stream()
                .map(t -> t.number(TrialModel.Number.OWN))
                .filter(v -> !v.isNaN())
                .toList());
        assertThat(covers)
                .hasSizeGreaterThan(3)
                .isSorted()
                .allSatisfy(c -> assertThat(c).isBetween(0.0, 1.0));
        desk.choose("trial-number", "bare");
        desk.quiet();
        assertThat(desk.onFx(() -> desk.trials().tiles().get().stream()
                        .map(t -> t.number(TrialModel.Number.OWN))
                        .filter(v -> !v.isNaN())
                        .map(v -> 1 - v)
                        .sorted()
                        .toList()))
                .as("another number of the sample")
                .usingElementComparator((x, y) -> Math.abs(x - y) < 1e-12 ? 0 : Double.compare(x, y))
                .isEqualTo(covers);
    }

    @Test
    void aNumberIsTakenAwayByEmptyingItAndComesBackByUndo() {
        desk.press("card-numbers", 0.5, 0.5);
        desk.release();
        write("cover", "kept-area / field-area");
        desk.answer(true);
        desk.settle();
        assertThat(own()).hasSize(1);
        desk.fire("change-number-cover");
        desk.fill("number-formula", "");
        assertThat(says()).isEqualTo("The number is taken away.");
        desk.answer(true);
        desk.settle();
        assertThat(own()).isEmpty();
        desk.command("undo");
        desk.settle();
        assertThat(own()).hasSize(1);
        desk.press("card-1", 0.5, 0.5);
        desk.release();
        assertThat(desk.has("numbers-panel"))
                .as("a station takes the panel back")
                .isFalse();
    }
}
