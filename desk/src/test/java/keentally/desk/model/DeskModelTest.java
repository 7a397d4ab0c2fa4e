package keentally.desk.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.colour.Rgb;
import keentally.core.geometry.Point;
import keentally.core.hand.HandWork;
import keentally.core.hand.Seeds;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.run.Readings;
import keentally.core.setting.Values;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.study.document.Calibration;
import keentally.study.document.PhaseNote;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.result.TakenAway;
import keentally.study.run.SampleRun;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The desk without a window: this thread stands for the interface thread. */
class DeskModelTest {
    private final InterfaceThread ui = new InterfaceThread();
    private final List<Throwable> crashes = new ArrayList<>();
    private final DeskModel desk = new DeskModel(ui, crashes::add);
    private final SampleActions actions = new SampleActions(desk, ui);

    @TempDir
    private Path folder;

    @BeforeEach
    void layOut() throws FileFault {
        Study study = Study.empty();
        Method method = Method.empty("Discs", LengthUnit.UM);
        for (String step : List.of("threshold", "gate")) {
            method = method.add(method.steps().size(), Steps.find(step).orElseThrow());
        }
        study = study.with(Study.FIRST_METHOD, method);
        for (int discs = 1; discs <= 3; discs++) {
            study = study.with("s" + discs, sample(discs));
        }
        desk.begin(study);
        ui.settle(() -> desk.shown().get().isPresent());
    }

    private SampleThing sample(int discs) throws FileFault {
        return Discs.sample(folder, discs).with(Optional.of(Calibration.typed(Scale.of("2 um/px"))));
    }

    @Test
    void aRefusedMethodLeavesTheRestOfItsActionUndoneToo() {
        Optional<HandWork> seeds = Optional.of(new Seeds(List.of(new Point(1, 2))));
        boolean done = desk.change(
                "gate first", m -> m.remove("threshold-1"), s -> s.withHand("s1", Study.FIRST_METHOD, "gate-1", seeds));
        assertThat(done).isFalse();
        assertThat(desk.study().get().hand("s1", Study.FIRST_METHOD)).isEmpty();
        assertThat(desk.message().get()).contains("needs objects");
        assertThat(desk.change(
                        "cut",
                        m -> m.with("threshold-1", handCut(50)),
                        s -> s.withHand("s1", Study.FIRST_METHOD, "gate-1", seeds)))
                .isTrue();
        assertThat(desk.study().get().hand("s1", Study.FIRST_METHOD)).hasSize(1);
        desk.undo();
        assertThat(desk.study().get().hand("s1", Study.FIRST_METHOD)).isEmpty();
    }

    @Test
    void phasesAreColouredAndWeighedForTheirMethodAlone() {
        PhaseActions phases = new PhaseActions(desk);
        phases.colour("chosen", Optional.of(Rgb.of("#102030")));
        phases.density("chosen", Optional.of(1.5));
        assertThat(desk.phaseColours()).containsEntry("chosen", Rgb.of("#102030"));
        assertThat(desk.phaseNotes().get("chosen").density()).contains(1.5);
        assertThatThrownBy(() -> phases.density("chosen", Optional.of(-1.0))).hasMessageContaining("above 0");
        phases.density("chosen", Optional.empty());
        phases.colour("chosen", Optional.empty());
        assertThat(desk.phaseNotes()).isEmpty();
        desk.undo();
        desk.undo();
        assertThat(desk.phaseNotes().get("chosen"))
                .isEqualTo(new PhaseNote(Optional.of(Rgb.of("#102030")), Optional.of(1.5)));
    }

    @AfterEach
    void close() {
        desk.close();
        assertThat(crashes).isEmpty();
    }

    private Optional<Readings> readings() {
        return desk.shown().get().flatMap(SampleRun::readings);
    }

    private int count() {
        return readings().orElseThrow().objects().orElseThrow().rows();
    }

    private static Values handCut(double cut) {
        StepDescription step = Steps.find("threshold").orElseThrow();
        return Values.NONE
                .withTree(step.setting("rule").orElseThrow(), "manual")
                .withTree(step.setting("cut").orElseThrow(), cut);
    }

    @Test
    void theFirstSampleIsShownAndCounted() {
        assertThat(desk.sampleId().get()).isEqualTo("s1");
        assertThat(count()).isEqualTo(1);
        assertThat(desk.unit()).isEqualTo(LengthUnit.UM);
        assertThat(desk.reached("threshold-1")).isPresent();
        assertThat(desk.reached("nobody")).isEmpty();
    }

    @Test
    void tryingOutShowsAndCountsButKeepsNothing() {
        Study before = desk.study().get();
        desk.tryOut("threshold-1", handCut(500));
        ui.settle(() -> desk.preview().get().isPresent());
        ui.settle(() -> readings().isPresent() && count() == 0);
        assertThat(desk.study().get()).isSameAs(before);
        assertThat(desk.undoable()).isEmpty();
        desk.change("move the cut", m -> m.with("threshold-1", handCut(50)));
        ui.settle(() -> desk.preview().get().isEmpty() && count() == 1);
        assertThat(desk.undoable()).contains("move the cut");
    }

    @Test
    void whatWasAskedOfTheSampleBeforeNeverShowsOnTheNext() {
        desk.tryOut("threshold-1", handCut(500));
        desk.show("s3");
        desk.show("s2");
        ui.settle(() -> readings().isPresent());
        assertThat(count()).isEqualTo(2);
        assertThat(desk.shown().get().orElseThrow().run().sample().picture())
                .isSameAs(desk.open().get().orElseThrow().file().picture());
        desk.showNext(1);
        ui.settle(() -> readings().isPresent());
        assertThat(count()).isEqualTo(3);
        desk.showNext(1);
        assertThat(desk.sampleId().get()).isEqualTo("s3");
    }

    @Test
    void aFaultLeavesTheStationsBeforeIt() {
        StepDescription gate = Steps.find("gate").orElseThrow();
        Values limit = Values.NONE.withTree(gate.setting("atLeast").orElseThrow(), "3 um2");
        desk.change("limit", m -> m.with("gate-1", limit));
        actions.calibrate(Optional.empty());
        ui.settle(() -> desk.shown().get().flatMap(SampleRun::fault).isPresent());
        assertThat(desk.shown().get().orElseThrow().fault().orElseThrow()).hasMessageContaining("Step 2 (gate)");
        assertThat(desk.reached("threshold-1")).isPresent();
        assertThat(readings()).isEmpty();
        desk.undo();
        ui.settle(() -> readings().isPresent());
        assertThat(count()).isEqualTo(1);
    }

    @Test
    void aMethodThatCannotWorkIsRefused() {
        Study before = desk.study().get();
        assertThat(desk.change("remove threshold", m -> m.remove("threshold-1")))
                .isFalse();
        assertThat(desk.message().get()).startsWith("Station 1, Gate, needs objects");
        assertThat(desk.study().get()).isSameAs(before);
    }

    @Test
    void removingTheSampleOnTheStageShowsTheNextAndUndoBringsItBack() {
        actions.remove("s1");
        assertThat(desk.sampleId().get()).isEqualTo("s2");
        actions.remove("s2");
        actions.remove("s3");
        assertThat(desk.sampleId().get()).isEmpty();
        assertThat(desk.open().get()).isEmpty();
        desk.undo();
        assertThat(desk.sampleId().get()).isEqualTo("s3");
        ui.settle(() -> readings().isPresent());
        assertThat(count()).isEqualTo(3);
    }

    @Test
    void aSampleWhosePictureIsGoneIsSaid() throws IOException {
        Files.delete(folder.resolve("2.tif"));
        desk.show("s2");
        ui.settle(() -> !desk.message().get().isEmpty());
        assertThat(desk.message().get()).contains("2.tif is missing");
        desk.show("s1");
        ui.settle(() -> readings().isPresent());
        assertThat(count()).isEqualTo(1);
    }

    @Test
    void aFirstScaleGivesTheMethodItsUnit() {
        actions.calibrate(Optional.empty());
        desk.change("in pixels", m -> m.in(LengthUnit.PX));
        actions.calibrate(Optional.of(Calibration.typed(Scale.of("3 mm/px"))));
        assertThat(desk.method().unit()).isEqualTo(LengthUnit.MM);
        assertThat(desk.scale()).contains(Scale.of("3 mm/px"));
    }

    @Test
    void filesAreWrittenWholeOrTheReasonIsSaid() {
        DeskFiles files = new DeskFiles(desk, ui);
        Path table = folder.resolve("t.csv");
        files.take(table, TakenAway::table);
        ui.settle(() -> desk.message().get().startsWith("Written"));
        assertThat(table).content().startsWith("sample,object,phase,area_um2").contains("\r\ndiscs 1,1,1,");
        files.saveMethod(folder.resolve("none/m.method.json"));
        ui.settle(() -> desk.message().get().contains("cannot be written"));
        Path method = folder.resolve("m.method.json");
        files.saveMethod(method);
        ui.settle(() -> desk.message().get().equals("Written: " + method));
        desk.change("mute", m -> m.mute("gate-1", true));
        files.openMethod(method);
        ui.settle(() -> !desk.method().steps().get(1).muted());
        assertThat(desk.undoable()).contains("open the method Discs 2");
    }
}
