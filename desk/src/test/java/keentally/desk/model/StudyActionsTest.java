package keentally.desk.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.desk.model.OpenStudy.Keeping.How;
import keentally.study.document.SlideLabel;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import keentally.study.store.StudyFile;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Studies as files: begun, opened, kept under a name, copied, packed; and everything that can be in the way. */
class StudyActionsTest {
    @TempDir
    private Path folder;

    private final InterfaceThread ui = new InterfaceThread();
    private final List<Throwable> crashes = new ArrayList<>();
    private final DeskModel desk = new DeskModel(ui, crashes::add);
    private final List<Path> opened = new ArrayList<>();
    private StudyActions studies;
    private Path home;

    @BeforeEach
    void begin() {
        home = folder.resolve("home");
        studies = new StudyActions(desk, ui, home, opened::add);
    }

    @AfterEach
    void close() {
        desk.close();
        assertThat(crashes).isEmpty();
    }

    private Path path() {
        return desk.holding().get().path().orElseThrow();
    }

    private void draft() {
        Optional<Path> before = desk.holding().get().path();
        studies.draft(() -> {});
        ui.settle(() -> !desk.holding().get().path().equals(before));
    }

    private void create(String name) {
        Path file = folder.resolve(name);
        studies.create(file);
        ui.settle(() -> opened.stream().anyMatch(p -> p.toString().startsWith(file.toString())));
    }

    private void said(String part) {
        ui.settle(() -> desk.message().get().contains(part));
    }

    private void addDiscs() throws FileFault {
        var sample = Discs.sample(folder, 2);
        desk.act("add discs", s -> s.with("s1", sample));
        ui.settle(() -> desk.holding().get().keeping().get().how() == How.KEPT);
    }

    @Test
    void theLastDraftIsGoneOnWithAndANewOneIsAnother() throws FileFault {
        draft();
        Path first = path();
        assertThat(studies.isDraft(first)).isTrue();
        addDiscs();
        create("named");
        draft();
        assertThat(path()).isEqualTo(first);
        assertThat(desk.study().get().samples()).containsExactly("s1");
        studies.newDraft(() -> {});
        ui.settle(() -> !path().equals(first));
        assertThat(studies.isDraft(path())).isTrue();
        assertThat(desk.study().get().samples()).isEmpty();
        assertThat(opened).containsExactly(folder.resolve("named.tally"));
    }

    /** Somebody else holds it: nothing of theirs is touched, and there is somewhere to work. */
    @Test
    void aDraftThatAnotherDeskHoldsIsLeftAlone() throws FileFault {
        draft();
        Path first = path();
        try (DeskModel other = new DeskModel(ui, crashes::add)) {
            new StudyActions(other, ui, home, p -> {}).draft(() -> {});
            ui.settle(() -> other.holding().get().path().isPresent());
            assertThat(other.holding().get().path()).isNotEqualTo(Optional.of(first));
            assertThat(other.holding().get().isReadOnly()).isFalse();
        }
    }

    @Test
    void whatIsOnTheDeskIsNotOpenedTwice() {
        create("one.tally");
        studies.open(folder.resolve("one.tally"));
        assertThat(desk.message().get()).isEqualTo("one.tally is on the desk already.");
        assertThat(desk.holding().get().isReadOnly()).isFalse();
    }

    @Test
    void aFileThatIsNoStudyIsSaidAndTheDeskStaysAsItIs() throws IOException {
        create("one");
        Path before = path();
        Path no = Files.writeString(folder.resolve("no.tally"), "this is no study at all, only words");
        Path empty = Files.createFile(folder.resolve("empty.tally"));
        Path directory = Files.createDirectory(folder.resolve("folder.tally"));
        for (Path file : List.of(no, empty, directory, folder.resolve("gone.tally"))) {
            desk.say("");
            studies.open(file);
            said(file.getFileName().toString());
            assertThat(desk.message().get()).doesNotContain("Exception");
            assertThat(path()).isEqualTo(before);
        }
        assertThat(no).hasContent("this is no study at all, only words");
        assertThat(empty).isEmptyFile();
        assertThat(opened).containsExactly(before);
    }

    /** Read-only is said when it is opened; looking is allowed, changing is not, and a copy can be changed. */
    @Test
    void aStudyThatAnotherDeskHoldsIsOnlyLookedAt() throws FileFault {
        create("shared");
        addDiscs();
        Path file = path();
        try (DeskModel other = new DeskModel(ui, crashes::add)) {
            StudyActions theirs = new StudyActions(other, ui, folder.resolve("other"), p -> {});
            theirs.open(file);
            ui.settle(() -> other.holding().get().path().isPresent());
            assertThat(other.holding().get().isReadOnly()).isTrue();
            assertThat(other.holding().get().keeping().get().how()).isEqualTo(How.READ_ONLY);
            new SampleActions(other, ui).label("s1", SlideLabel.of("theirs"));
            assertThat(other.message().get())
                    .isEqualTo("This study is read-only here: save a copy of it to change things.");
            assertThat(other.undoable()).isEmpty();
            theirs.pack();
            assertThat(other.message().get()).startsWith("This study is read-only");
            Path copy = folder.resolve("copy.tally");
            theirs.keepAs(copy);
            ui.settle(() -> other.holding().get().path().equals(Optional.of(copy)));
            new SampleActions(other, ui).label("s1", SlideLabel.of("theirs"));
            assertThat(other.study().get().sample("s1").orElseThrow().name()).isEqualTo("theirs");
        }
        assertThat(desk.study().get().sample("s1").orElseThrow().name()).isEqualTo("discs 2");
    }

    @Test
    void aCopyHoldsAllAndTheDeskStaysWhereItIs() throws FileFault {
        create("one");
        addDiscs();
        Path before = path();
        Path copy = folder.resolve("two");
        studies.copy(copy);
        said("two.tally");
        assertThat(path()).isEqualTo(before);
        try (StudyFile file = StudyFile.open(folder.resolve("two.tally"), StudyFile.Watch.SILENT)) {
            assertThat(file.history().study()).isEqualTo(desk.study().get());
        }
        studies.copy(folder.resolve("no/such/folder/three.tally"));
        said("three.tally");
        studies.copy(copy);
        said("is there already");
    }

    /** A study in memory alone has no file to pack into, but can be copied into one. */
    @Test
    void aStudyInMemoryIsCopiedIntoAFileOfItsOwn() throws FileFault {
        desk.begin(Study.empty().with("s1", Discs.sample(folder, 1)));
        ui.settle(() -> desk.open().get().isPresent());
        studies.pack();
        assertThat(desk.message().get()).isEqualTo("This study is in no file yet: keep it first.");
        studies.keepAs(folder.resolve("first"));
        ui.settle(() -> desk.holding().get().path().isPresent());
        assertThat(path()).isEqualTo(folder.resolve("first.tally"));
        assertThat(desk.study().get().samples()).containsExactly("s1");
        assertThat(desk.holding().get().keeping().get().how()).isEqualTo(How.KEPT);
    }

    /** A study that is handed on without one of its pictures is of no use to anybody who does not know. */
    @Test
    void packingSaysWhichPicturesAreNotIn() throws Exception {
        create("one");
        new SampleActions(desk, ui)
                .add(
                        List.of(
                                Discs.sample(folder, 1).file(),
                                Discs.sample(folder, 2).file()),
                        survey -> List.of());
        ui.settle(() -> desk.study().get().samples().size() == 2);
        ui.settle(desk::quiet);
        Files.delete(folder.resolve("2.tif"));
        studies.pack();
        said("Pictures in the study file: 1. Not in it");
        assertThat(desk.message().get()).endsWith(" 2.tif.");
        Files.copy(Discs.sample(folder, 3).file(), folder.resolve("2.tif"));
        desk.say("");
        studies.pack();
        said("no longer what they were: 2.tif.");
        Discs.sample(folder, 2);
        desk.say("");
        studies.pack();
        ui.settle(() -> desk.message().get().equals("Pictures in the study file: 2."));
        Files.delete(folder.resolve("1.tif"));
        desk.say("");
        studies.pack();
        ui.settle(() -> desk.message().get().equals("Pictures in the study file: 2."));
    }

    @Test
    void onlyDraftsWithoutASampleAreTidiedAway() throws Exception {
        create("named");
        Path named = path();
        draft();
        Path empty = path();
        desk.begin(Study.empty());
        ui.settle(desk::quiet);
        studies.tidy(Optional.of(named), Study.empty());
        assertThat(named).exists();
        studies.tidy(Optional.of(empty), Study.empty().with("s1", Discs.sample(folder, 1)));
        assertThat(empty).exists();
        studies.tidy(Optional.of(empty), Study.empty());
        assertThat(empty).doesNotExist();
    }

    @Test
    void undoAndRedoGoOnWhereTheStudyWasLeft() throws FileFault {
        create("one");
        addDiscs();
        Path file = path();
        desk.undo();
        assertThat(desk.redoable()).contains("add discs");
        studies.newDraft(() -> {});
        ui.settle(() -> !path().equals(file));
        assertThat(desk.redoable()).isEmpty();
        studies.open(file);
        ui.settle(() -> path().equals(file));
        assertThat(desk.study().get().samples()).isEmpty();
        desk.redo();
        assertThat(desk.study().get().samples()).containsExactly("s1");
        assertThat(desk.undoable()).contains("add discs");
    }
}
