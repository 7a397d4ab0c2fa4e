package keentally.desk.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.geometry.Point;
import keentally.core.hand.Seeds;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.core.step.Steps;
import keentally.study.document.PhaseNote;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.method.MethodFile;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Several methods in one study. */
class MethodActionsTest {
    private final InterfaceThread ui = new InterfaceThread();
    private final List<Throwable> crashes = new ArrayList<>();
    private final DeskModel desk = new DeskModel(ui, crashes::add);
    private final MethodActions methods = new MethodActions(desk);

    @TempDir
    private Path folder;

    @BeforeEach
    void layOut() throws FileFault {
        Method method = Method.empty("Discs", LengthUnit.PX)
                .add(0, Steps.find("threshold").orElseThrow());
        Study study = Study.empty().with(Study.FIRST_METHOD, method);
        for (int i = 1; i <= 3; i++) {
            study = study.with("s" + i, Discs.sample(folder, i));
        }
        desk.begin(study.withHand("s1", "m1", "threshold-1", Optional.of(new Seeds(List.of(new Point(1, 2)))))
                .withPhaseNotes("m1", Map.of("chosen", new PhaseNote(Optional.empty(), Optional.of(2.0)))));
        ui.settle(() -> desk.shown().get().isPresent());
    }

    @AfterEach
    void close() {
        desk.close();
        assertThat(crashes).isEmpty();
    }

    private Study study() {
        return desk.study().get();
    }

    private String used(String sample) {
        return study().method(study().sample(sample).map(SampleThing::method).orElseThrow())
                .name();
    }

    @Test
    void aCopyIsForThisSampleAloneAndTakesTheHandWorkAlong() {
        methods.copy();
        assertThat(study().methods()).containsExactly("m1", "m2");
        assertThat(used("s1")).isEqualTo("Discs 2");
        assertThat(used("s2")).isEqualTo("Discs");
        assertThat(study().method("m2").steps()).isEqualTo(study().method("m1").steps());
        assertThat(study().hand("s1", "m2")).containsKey("threshold-1");
        assertThat(study().phaseNotes("m2")).isEqualTo(study().phaseNotes("m1"));
        assertThat(methods.users("m1")).containsExactly("s2", "s3");
        desk.change("mute", m -> m.mute("threshold-1", true));
        assertThat(study().method("m1").steps().getFirst().muted()).isFalse();
        desk.undo();
        desk.undo();
        assertThat(study().methods()).containsExactly("m1");
        assertThat(used("s1")).isEqualTo("Discs");
    }

    @Test
    void namesAreNeverTwiceThere() {
        methods.copy();
        methods.copy();
        assertThat(study().methods().stream().map(id -> study().method(id).name()))
                .containsExactly("Discs", "Discs 2", "Discs 3");
        assertThatThrownBy(() -> methods.rename("m2", " Discs 3 ")).hasMessage("there is a method Discs 3 already");
        assertThatThrownBy(() -> methods.rename("m2", "  ")).hasMessage("a method needs a name");
        methods.rename("m2", "Rounder");
        assertThat(study().method("m2").name()).isEqualTo("Rounder");
        desk.undo();
        assertThat(study().method("m2").name()).isEqualTo("Discs 2");
    }

    @Test
    void aNewMethodIsEmptyAndIsGivenToOthersInOneAction() {
        methods.add();
        assertThat(used("s1")).isEqualTo("Untitled method");
        assertThat(desk.method().steps()).isEmpty();
        methods.assign("m2", List.of("s1", "s3"));
        assertThat(methods.users("m2")).containsExactly("s1", "s3");
        assertThat(desk.undoable()).contains("use Untitled method on samples: 1");
        desk.undo();
        assertThat(methods.users("m2")).containsExactly("s1");
        methods.assign("m2", List.of("s1"));
        assertThat(desk.redoable()).as("nothing was done").isPresent();
    }

    @Test
    void aMethodInUseIsNotTakenOutAndNothingIsLost() {
        methods.copy();
        Study before = study();
        methods.remove(List.of("m1"));
        assertThat(desk.message().get())
                .isEqualTo("Discs is used on discs 2, discs 3: use another method there first.");
        assertThat(study()).isSameAs(before);
        methods.assign("m2", List.of("s2", "s3"));
        methods.remove(List.of("m1"));
        assertThat(study().methods()).containsExactly("m2");
        assertThat(study().hand("s1", "m1")).isEmpty();
        assertThat(study().phaseNotes("m1")).isEmpty();
        methods.remove(List.of("m2"));
        assertThat(desk.message().get()).startsWith("Discs 2 is used on");
        desk.undo();
        assertThat(study().hand("s1", "m1")).hasSize(1);
        methods.add();
        assertThat(study().methods()).containsExactly("m1", "m2", "m3");
    }

    @Test
    void theOnlyMethodStays() {
        desk.begin(Study.empty());
        methods.remove(List.of(Study.FIRST_METHOD));
        assertThat(desk.message().get()).isEqualTo("A study keeps one method at least.");
        assertThatThrownBy(() -> Study.empty().withoutMethod(Study.FIRST_METHOD))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** Whoever opens a method first and adds the pictures then means it for them. */
    @Test
    void aMethodThatIsOpenedBeforeAnyPictureIsUsedOnThem() throws Exception {
        desk.begin(Study.empty());
        Path file = folder.resolve("cells.method.json");
        MethodFile.write(
                file,
                Method.empty("Cells", LengthUnit.PX).add(0, Steps.find("smooth").orElseThrow()));
        new DeskFiles(desk, ui).openMethod(file);
        ui.settle(() -> desk.method().name().equals("Cells"));
        new SampleActions(desk, ui).add(List.of(folder.resolve("1.tif")), survey -> List.of());
        ui.settle(() -> study().samples().size() == 1);
        assertThat(used("s1")).isEqualTo("Cells");
    }

    /** Ids are counted up: the tenth comes behind the ninth, and one that is gone is not used again while there are younger ones. */
    @Test
    void theNewestMethodIsTheLast() {
        for (int i = 0; i < 11; i++) {
            methods.add();
        }
        assertThat(study().methods()).endsWith("m9", "m10", "m11", "m12");
        methods.remove(List.of("m3", "m7"));
        assertThat(study().methods()).hasSize(10);
        methods.add();
        assertThat(study().methods()).endsWith("m12", "m13");
        desk.undo();
        desk.undo();
        assertThat(study().methods()).as("both came back at once").hasSize(12);
    }

    private Optional<Object> rule(Method method) {
        return Optional.of(method.steps()
                .getFirst()
                .values()
                .tree(method.steps().getFirst().description().settings())
                .get("rule"));
    }

    private void rule(String word) {
        desk.change(
                "rule",
                m -> m.with(
                        "threshold-1",
                        m.steps()
                                .getFirst()
                                .values()
                                .withTree(
                                        m.steps()
                                                .getFirst()
                                                .description()
                                                .setting("rule")
                                                .orElseThrow(),
                                        word)));
    }

    @Test
    void oneSampleDepartsAndTheOthersKeepTheirMethod() {
        desk.onlyHere().set(true);
        rule("triangle");
        assertThat(rule(desk.method())).contains("triangle");
        assertThat(rule(study().method("m1"))).contains("otsu");
        assertThat(desk.undoable()).contains("rule, only this sample");
        ui.settle(() -> desk.followed()
                && desk.shown()
                        .get()
                        .filter(r -> rule(r.run().method()).equals(Optional.of("triangle")))
                        .isPresent());
        assertThat(desk.shown().get().orElseThrow().cautions()).anyMatch(c -> c.id().equals("departures"));
        desk.show("s2");
        assertThat(desk.onlyHere().get()).isFalse();
        assertThat(rule(desk.method())).contains("otsu");
        rule("moments");
        desk.show("s1");
        assertThat(rule(desk.method())).contains("triangle");
        desk.takeBack(desk.departures().list());
        assertThat(rule(desk.method())).contains("moments");
        assertThat(desk.departures().list()).isEmpty();
        desk.undo();
        assertThat(rule(desk.method())).contains("triangle");
    }

    /** A copy is made of what goes on the sample; a file of what the method says. */
    @Test
    void aCopyOfADepartingSamplesMethodHasItsSettings() throws Exception {
        desk.onlyHere().set(true);
        rule("triangle");
        Path file = folder.resolve("saved.method.json");
        new DeskFiles(desk, ui).saveMethod(file);
        ui.settle(desk::quiet);
        assertThat(rule(MethodFile.read(file))).contains("otsu");
        methods.copy();
        assertThat(rule(study().method("m2"))).contains("triangle");
        assertThat(desk.departures().list()).isEmpty();
    }

    /** Nothing is lost with the station: when it is back, the sample departs again. */
    @Test
    void aSettingOfAStationThatIsGoneRests() {
        desk.onlyHere().set(true);
        rule("triangle");
        desk.onlyHere().set(false);
        desk.change("remove", m -> m.remove("threshold-1"));
        assertThat(desk.departures().list()).hasSize(1);
        assertThat(desk.method().steps()).isEmpty();
        desk.change("add", m -> m.add(0, Steps.find("threshold").orElseThrow()));
        assertThat(rule(desk.method())).contains("triangle");
    }
}
