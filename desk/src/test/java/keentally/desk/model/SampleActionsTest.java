package keentally.desk.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.study.document.Calibration;
import keentally.study.document.PictureRef;
import keentally.study.document.SlideLabel;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureReader.Survey;
import keentally.study.picture.PictureWriter;
import keentally.study.store.PictureShelf;
import keentally.study.store.StudyFile;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SampleActionsTest {
    @TempDir
    private Path folder;

    private final InterfaceThread ui = new InterfaceThread();
    private final List<Throwable> crashes = new ArrayList<>();
    private final DeskModel desk = new DeskModel(ui, crashes::add);
    private final SampleActions actions = new SampleActions(desk, ui);
    private final List<Path> opened = new ArrayList<>();
    private StudyActions studies;

    @BeforeEach
    void begin() {
        studies = new StudyActions(desk, ui, folder.resolve("home"), opened::add);
        studies.newDraft(() -> {});
        ui.settle(() -> desk.holding().get().path().isPresent());
    }

    @AfterEach
    void close() {
        desk.close();
        assertThat(crashes).isEmpty();
    }

    private Path picture(String name, int width, int value) throws FileFault {
        Path file = folder.resolve(name);
        byte[] values = new byte[width * 20];
        Arrays.fill(values, (byte) value);
        values[5] = 99;
        PictureWriter.png(file, Plane8.of(width, 20, values));
        return file;
    }

    private void add(List<Path> files) {
        int before = study().samples().size();
        actions.add(files, survey -> List.of());
        ui.settle(
                () -> study().samples().size() > before || !desk.message().get().isEmpty());
    }

    private Study study() {
        return desk.study().get();
    }

    private List<String> names() {
        return study().samples().stream()
                .map(id -> study().sample(id).orElseThrow().name())
                .toList();
    }

    @Test
    void aFolderIsAddedInOneActionAndItsOtherFilesAreLeft() throws IOException, FileFault {
        picture("b.png", 30, 1);
        picture("a.png", 30, 2);
        Files.writeString(folder.resolve("notes.txt"), "no picture");
        add(List.of(folder));
        assertThat(names()).containsExactly("a", "b");
        assertThat(desk.undoable()).contains("add 2 samples");
        assertThat(desk.sampleId().get()).isEqualTo("s1");
        desk.undo();
        assertThat(study().samples()).isEmpty();
        desk.redo();
        assertThat(names()).containsExactly("a", "b");
    }

    @Test
    void whatCannotBeReadIsSaidAndTheRestIsAdded() throws IOException, FileFault {
        Path bad = folder.resolve("bad.png");
        Files.writeString(bad, "no picture at all");
        add(List.of(bad, picture("good.png", 30, 1)));
        assertThat(names()).containsExactly("good");
        assertThat(desk.message().get()).contains("bad.png is no picture that can be read");
    }

    @Test
    void pagesBecomeSamplesOrChannelsAsThePersonSays() throws Exception {
        Path file = PagesFile.write(folder.resolve("pages.tif"), 3);
        List<Survey> asked = new ArrayList<>();
        actions.add(List.of(file), survey -> {
            asked.add(survey);
            return List.of(new SampleActions.NewSample(
                    "stains",
                    new PictureRef(
                            List.of(PictureShelf.source("first", survey, 1), PictureShelf.source("last", survey, 3)))));
        });
        ui.settle(() -> desk.open().get().isPresent());
        assertThat(asked).singleElement().satisfies(s -> assertThat(s.pages()).isEqualTo(3));
        var picture = desk.open().get().orElseThrow().file().picture();
        assertThat(picture.channelNames()).isEqualTo("first, last");
        assertThat(picture.channel("last").orElseThrow().at(3, 3)).isEqualTo(150);
    }

    @Test
    void greySamplesAreJoinedAsChannels() throws FileFault {
        add(List.of(picture("starch.png", 30, 10), picture("protein.png", 30, 20)));
        actions.join(study().samples());
        ui.settle(() -> desk.sampleId().get().equals("s3") && desk.open().get().isPresent());
        var picture = desk.open().get().orElseThrow().file().picture();
        assertThat(picture.channelNames()).isEqualTo("starch, protein");
        assertThat(picture.channel("protein").orElseThrow().at(9, 9)).isEqualTo(20);
    }

    @Test
    void aScaleIsGivenToTheChosenOnesAndSaysWhereItCameFrom() throws FileFault {
        add(List.of(picture("a.png", 30, 1), picture("b.png", 30, 2), picture("c.png", 40, 3)));
        desk.prefer(Optional.of(LengthUnit.MM));
        actions.calibrate(Optional.of(Calibration.typed(Scale.of("2 um/px"))));
        assertThat(desk.method().unit()).isEqualTo(LengthUnit.MM);
        actions.giveScale(List.of("s2"));
        Calibration given =
                study().sample("s2").flatMap(SampleThing::calibration).orElseThrow();
        assertThat(given.scale().umPerPx()).isEqualTo(2);
        assertThat(given.origin()).isEqualTo(Calibration.Origin.GIVEN);
        assertThat(given.how()).isEqualTo("a");
        assertThat(study().sample("s3").flatMap(SampleThing::calibration)).isEmpty();
    }

    @Test
    void labelsTagsAndOrderAreActionsToo() throws FileFault {
        add(List.of(picture("a.png", 30, 1), picture("b.png", 30, 2)));
        SlideLabel label = new SlideLabel("loaf 1", "oven 3", "day 2", Optional.of(SlideLabel.Amount.of("30 min")));
        actions.label("s1", label);
        actions.move("s1", 1);
        actions.move("s1", 1);
        assertThat(names()).containsExactly("b", "loaf 1");
        assertThat(study().sample("s1").orElseThrow().label().amount()).hasToString("Optional[30 min]");
        desk.undo();
        desk.undo();
        assertThat(names()).containsExactly("a", "b");
    }

    @Test
    void aDraftIsFoundAgainAndKeptUnderANameWithItsUndo() throws FileFault {
        add(List.of(picture("a.png", 30, 1)));
        Path draft = desk.holding().get().path().orElseThrow();
        Path named = folder.resolve("flour");
        studies.keepAs(named);
        Path kept = folder.resolve("flour.tally");
        ui.settle(() -> desk.holding().get().path().equals(Optional.of(kept)) && !opened.isEmpty());
        ui.settle(() -> !Files.exists(draft));
        assertThat(names()).containsExactly("a");
        assertThat(desk.undoable()).contains("add a");
        assertThat(opened).containsExactly(kept);
        studies.keepAs(kept);
        ui.settle(() -> desk.message().get().contains("is there already"));
        studies.newDraft(() -> {});
        ui.settle(() -> study().samples().isEmpty());
        Path empty = desk.holding().get().path().orElseThrow();
        studies.open(kept);
        ui.settle(() -> names().equals(List.of("a")));
        studies.tidy(Optional.of(empty), Study.empty());
        assertThat(empty).doesNotExist();
    }

    @Test
    void packedPicturesOpenWithoutTheirFiles() throws Exception {
        Path file = picture("a.png", 30, 7);
        add(List.of(file));
        ui.settle(() -> desk.open().get().isPresent());
        studies.pack();
        ui.settle(() -> desk.message().get().equals("Pictures in the study file: 1."));
        Path copy = folder.resolve("sub/copy.tally");
        Files.createDirectories(copy.getParent());
        studies.copy(copy);
        ui.settle(() -> desk.message().get().contains("copy.tally"));
        Files.delete(file);
        try (StudyFile study = StudyFile.open(copy, StudyFile.Watch.SILENT)) {
            PictureRef ref = study.history().study().sample("s1").orElseThrow().picture();
            assertThat(new PictureShelf(Optional.of(study))
                            .take(ref)
                            .file()
                            .picture()
                            .width())
                    .isEqualTo(30);
        }
    }

    @Test
    void aLongAdditionSaysHowFarItHasCome() throws IOException, FileFault {
        Path many = Files.createDirectory(folder.resolve("many"));
        for (int i = 0; i < 25; i++) {
            picture("many/" + (100 + i) + ".png", 4_000, i);
        }
        List<Integer> done = new ArrayList<>();
        desk.jobs()
                .addListener((o, was, is) -> is.stream()
                        .filter(j -> j.title().equals("Reading pictures") && j.of() == 25)
                        .forEach(j -> done.add(j.done())));
        // steps that follow one another too fast are told together: on a quick machine all of a round may be
        for (int round = 1; round <= 20 && done.isEmpty(); round++) {
            int all = 25 * round;
            actions.add(List.of(many), survey -> List.of());
            ui.settle(() -> study().samples().size() == all);
            assertThat(done).isSorted();
        }
        assertThat(done).isNotEmpty().allMatch(d -> d <= 25);
        assertThat(desk.message().get()).isEmpty();
    }

    @Test
    void aSampleUnderTheIdOfOneThatIsGoneShowsItsOwnPicture() throws FileFault {
        add(List.of(picture("a.png", 30, 1)));
        ui.settle(() -> desk.open().get().isPresent());
        desk.undo();
        actions.add(List.of(picture("b.png", 40, 2)), survey -> List.of());
        ui.settle(() -> desk.sampleId().get().equals("s1"));
        ui.settle(() -> desk.open().get().isPresent());
        assertThat(desk.open().get().orElseThrow().file().picture().width()).isEqualTo(40);
    }

    @Test
    void aStudyThatIsLeftAtTheVeryEndIsKeptWholeToo() throws FileFault {
        Path path = desk.holding().get().path().orElseThrow();
        add(List.of(picture("a.png", 30, 1)));
        actions.label("s1", SlideLabel.of("the last word"));
        desk.begin(Study.empty());
        desk.close();
        try (StudyFile file = StudyFile.open(path, StudyFile.Watch.SILENT)) {
            assertThat(file.isReadOnly()).isFalse();
            assertThat(file.history().study().sample("s1").orElseThrow().name()).isEqualTo("the last word");
        }
    }
}
