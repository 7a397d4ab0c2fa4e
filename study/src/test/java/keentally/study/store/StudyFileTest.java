package keentally.study.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.SplittableRandom;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import keentally.core.classify.FeatureGroup;
import keentally.core.classify.LinearPlan;
import keentally.core.classify.TrainingPlan;
import keentally.core.colour.Rgb;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Rectangle;
import keentally.core.hand.Brought;
import keentally.core.hand.ClassStroke;
import keentally.core.hand.ClassStrokes;
import keentally.core.hand.Correction;
import keentally.core.hand.Corrections;
import keentally.core.hand.Dab;
import keentally.core.hand.Glyph;
import keentally.core.hand.LabelRuns;
import keentally.core.hand.Mark;
import keentally.core.hand.Marks;
import keentally.core.hand.Painting;
import keentally.core.hand.Seeds;
import keentally.core.hand.Stroke;
import keentally.core.hand.Strokes;
import keentally.core.hand.TallyClass;
import keentally.core.method.Departures;
import keentally.core.method.Departures.Departure;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Mass;
import keentally.core.quantity.Scale;
import keentally.core.setting.Reference;
import keentally.core.setting.ReferenceSetting;
import keentally.core.setting.Values;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.study.document.Approval;
import keentally.study.document.Calibration;
import keentally.study.document.Journal;
import keentally.study.document.PhaseNote;
import keentally.study.document.PictureRef;
import keentally.study.document.PictureRef.FileStamp;
import keentally.study.document.PictureRef.Source;
import keentally.study.document.ReportPlan;
import keentally.study.document.SlideLabel;
import keentally.study.document.Study;
import keentally.study.document.Thing;
import keentally.study.document.Thing.DeparturesThing;
import keentally.study.document.Thing.HandThing;
import keentally.study.document.Thing.MethodThing;
import keentally.study.document.Thing.OrderThing;
import keentally.study.document.Thing.PhasesThing;
import keentally.study.document.Thing.ReportThing;
import keentally.study.document.Thing.SampleThing;
import keentally.study.document.Thing.SheetThing;
import keentally.study.document.Thing.TrainingThing;
import keentally.study.file.FileFault;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class StudyFileTest {
    @TempDir
    private Path folder;

    private SampleThing rich(String name) {
        FileStamp stamp = new FileStamp("ab".repeat(32), 1234, 1_700_000_000_123L);
        PictureRef picture = new PictureRef(List.of(
                new Source("nuclei", folder.resolve("pictures/" + name + "-1.tif"), 1, Optional.of(stamp)),
                new Source("walls", folder.resolve("pictures/" + name + "-2.tif"), 3, Optional.empty())));
        return SampleThing.of(name, picture, Study.FIRST_METHOD)
                .with(new SlideLabel(
                        name,
                        "a note, \"quoted\"\nof two lines",
                        "day 2",
                        Optional.of(new SlideLabel.Amount(0.1, "h"))))
                .with(Optional.of(new Calibration(
                        new Scale(1.0 / 3, LengthUnit.UM), Calibration.Origin.DRAWN, "300 px are 100 um")))
                .with(List.of(
                        new Field.Part(new Ellipse(10.1, 20.2, 5.3, 4.4, 30), false),
                        new Field.Part(new Rectangle(1, 2, 3.5, 4), true),
                        new Field.Part(Polygon.of(0, 0, 0.1, 1e-7, 7, 123456.789), false)))
                .weighing(Optional.of(Mass.of("12.5 g")));
    }

    private static final Seeds SEEDS = new Seeds(List.of(new Point(0.1, 2), new Point(1e-9, 300.25)));
    private static final Strokes STROKES = Strokes.NONE
            .and(new Strokes.StrokeSample(
                    new Stroke(List.of(new Point(1, 2), new Point(3, 4.5)), true, false),
                    0,
                    List.of(Rgb.of("#a0522d"))))
            .and(new Strokes.StrokeSample(new Stroke(List.of(new Point(7, 8)), false, true), 2, List.of()));

    private static final List<Point> PLACES = List.of(new Point(1.5, 2.5), new Point(30.25, 4));
    private static final Corrections CORRECTIONS = Corrections.NONE
            .and(new Correction.Join(PLACES))
            .and(new Correction.Cut(PLACES))
            .and(new Correction.Drop(PLACES))
            .and(new Correction.Restore(PLACES))
            .and(new Correction.KeepOnly(PLACES))
            .and(new Correction.Draw(PLACES))
            .and(new Correction.Sort(PLACES, "winter rye"))
            .and(new Correction.Erase(PLACES, 3.5));

    private static final Painting PAINTING = Painting.NONE
            .and(new Dab.Brush(PLACES, 2.5, true))
            .and(new Dab.Outline(List.of(new Point(1, 1), new Point(9, 1), new Point(5, 7)), false))
            .and(new Dab.Fill(new Point(3.5, 4), true));

    private static Journal journal(StudyFile file) {
        return new Journal(file.history(), file::keep);
    }

    private void act(Journal journal, int i) {
        journal.act("action " + i, s -> switch (i % 5) {
            case 0 -> s.with(s.newSampleId(), rich("sample " + i));
            case 1 ->
                s.with(
                        Study.FIRST_METHOD,
                        s.method(Study.FIRST_METHOD).add(0, Steps.find("smooth").orElseThrow()));
            case 2 -> s.samples().isEmpty() ? s : s.with(s.samples().getFirst(), rich("renamed " + i));
            case 3 ->
                s.samples().isEmpty() ? s : s.withHand(s.samples().getFirst(), "m1", "step " + i, Optional.of(SEEDS));
            default -> s.samples().size() > 3 ? s.without(s.samples().getFirst()) : s.with("m" + i, s.method("m1"));
        });
    }

    @Test
    void everyKindOfThingReadsBackTheSame() {
        ThingText text = new ThingText(folder);
        Study study = Study.empty().with("s1", rich("one"));
        Method method =
                study.method(Study.FIRST_METHOD).add(0, Steps.find("smooth").orElseThrow());
        for (Thing thing : List.of(
                rich("x"),
                new MethodThing(method),
                new MethodThing(method, Optional.of(new Approval("Ana", Instant.parse("2026-11-30T10:11:12.345678Z")))),
                new ReportThing(ReportPlan.USUAL
                        .headed("t", "l", "b", "w\n\nx")
                        .on(ReportPlan.Paper.LETTER)
                        .of(List.of(ReportPlan.Part.HAND_COUNT, ReportPlan.Part.IN_SHORT))
                        .with(Optional.of("AAAA"))),
                new OrderThing(study.samples()),
                new HandThing(SEEDS),
                new HandThing(STROKES),
                new HandThing(CORRECTIONS),
                new HandThing(PAINTING),
                new HandThing(new Brought(
                        LabelRuns.of(5, 2, new int[] {0, 1, 1, 70_000, 0, 2, 2, 0, 0, 1}), List.of(), "m.png")),
                new HandThing(new Brought(LabelRuns.of(2, 1, new int[] {1, 2}), List.of("#102030", "b"), "")),
                new HandThing(new ClassStrokes(List.of(
                        new ClassStroke.Brush(List.of(new Point(1.5, 2), new Point(3, 4)), 7.5, "crust"),
                        new ClassStroke.Brush(List.of(new Point(9, 9)), 3, ""),
                        new ClassStroke.Painted(
                                LabelRuns.of(3, 1, new int[] {0, 2, 1}), List.of("crust", "crumb"), "c.png")))),
                new TrainingThing(TrainingPlan.USUAL
                        .and("crust")
                        .and("crumb")
                        .by(List.of(FeatureGroup.GABOR, FeatureGroup.VALUE))
                        .stretched(1.5)
                        .within(OptionalInt.of(12))),
                new TrainingThing(
                        TrainingPlan.USUAL.by(new LinearPlan(0.25, 40)).from(500)),
                new DeparturesThing(OWN),
                new SheetThing("a · b", "x,y\r\n", "AAAA"),
                new PhasesThing(Map.of(
                        "crust, dark",
                        new PhaseNote(Optional.of(Rgb.of("#102030")), Optional.of(1.25)),
                        "rest",
                        PhaseNote.NONE.dense(Optional.of(0.1)))))) {
            assertThat(text.read(ThingText.kind(thing), text.write(thing))).isEqualTo(thing);
        }
    }

    @Test
    void strokesAreWrittenAsWhatWasAddedAndGoWithTheirStep() {
        ThingText text = new ThingText(folder);
        ClassStrokes one = ClassStrokes.NONE.and(new ClassStroke.Brush(List.of(new Point(1, 1)), 4, "crust"));
        ClassStrokes two = one.and(new ClassStroke.Brush(List.of(new Point(8, 8)), 4, "crumb"));
        String added = text.write(new HandThing(two), new HandThing(one));
        assertThat(added).contains("crumb").doesNotContain("crust");
        assertThat(text.read("hand", added, new HandThing(one))).isEqualTo(new HandThing(two));
        Method method = Study.empty().method(Study.FIRST_METHOD).then("classify");
        Study study = Study.empty()
                .with(Study.FIRST_METHOD, method)
                .with("s1", rich("one"))
                .withHand("s1", Study.FIRST_METHOD, "classify-1", Optional.of(two))
                .withTraining(Study.FIRST_METHOD, "classify-1", TrainingPlan.USUAL.and("crust"));
        study.checkWhole();
        assertThat(study.training(Study.FIRST_METHOD, "classify-1").classes()).hasSize(1);
        Study without = study.with(Study.FIRST_METHOD, method.remove("classify-1"));
        assertThat(without.handFor(Study.FIRST_METHOD, "classify-1")).isEmpty();
        assertThat(without.training(Study.FIRST_METHOD, "classify-1")).isEqualTo(TrainingPlan.USUAL);
    }

    @Test
    void opensAsItWasWithAllOfItsHistory() throws FileFault {
        Path path = folder.resolve("a.tally");
        List<Study> states = new ArrayList<>();
        try (StudyFile file = StudyFile.create(path, Study.empty(), StudyFile.Watch.SILENT)) {
            Journal journal = journal(file);
            for (int i = 0; i < 60; i++) {
                states.add(journal.study());
                act(journal, i);
            }
            states.add(journal.study());
            for (int i = 0; i < 7; i++) {
                journal.undo();
            }
        }
        assertThat(folder).isDirectoryNotContaining("regex:.*(-wal|-shm|lock)");
        try (StudyFile file = StudyFile.open(path, StudyFile.Watch.SILENT)) {
            assertThat(file.remark()).isEmpty();
            Journal journal = journal(file);
            assertThat(journal.study()).isEqualTo(states.get(53));
            for (int i = 54; i <= 60; i++) {
                assertThat(journal.redo()).isTrue();
                assertThat(journal.study()).isEqualTo(states.get(i));
            }
            for (int i = 59; i >= 0; i--) {
                assertThat(journal.undo()).isTrue();
                assertThat(journal.study()).isEqualTo(states.get(i));
            }
            assertThat(journal.undo()).isFalse();
        }
    }

    @Test
    void diskAndMemoryAgreeAfterAnyWalkThroughActionsUndosAndOpenings() throws FileFault {
        SplittableRandom random = new SplittableRandom(11);
        Path path = folder.resolve("walk.tally");
        StudyFile file = StudyFile.create(path, Study.empty(), StudyFile.Watch.SILENT);
        Journal journal = journal(file);
        for (int i = 0; i < 1500; i++) {
            switch (random.nextInt(10)) {
                case 0, 1, 2 -> journal.undo();
                case 3 -> journal.redo();
                default -> act(journal, random.nextInt(1000));
            }
            if (random.nextInt(200) == 0) {
                Study before = journal.study();
                Optional<String> undoable = journal.undoable();
                Optional<String> redoable = journal.redoable();
                file.close();
                file = StudyFile.open(path, StudyFile.Watch.SILENT);
                journal = journal(file);
                assertThat(journal.study()).as("after %d", i).isEqualTo(before);
                assertThat(journal.undoable()).isEqualTo(undoable);
                assertThat(journal.redoable()).isEqualTo(redoable);
            }
        }
        file.close();
    }

    @Test
    void theSecondOpenerReadsOnlyAndSaysSo() throws FileFault {
        Path path = folder.resolve("a.tally");
        try (StudyFile first = StudyFile.create(path, Study.empty(), StudyFile.Watch.SILENT)) {
            Journal journal = journal(first);
            journal.act("add", s -> s.with("s1", rich("one")));
            first.copyTo(folder.resolve("waits-for-the-keeper.tally"));
            try (StudyFile second = StudyFile.open(path, StudyFile.Watch.SILENT)) {
                assertThat(second.isReadOnly()).isTrue();
                assertThat(second.remark().orElseThrow())
                        .contains("open in another window")
                        .contains("read-only");
                assertThat(second.history().study()).isEqualTo(journal.study());
            }
            journal.act("more", s -> s.with("s2", rich("two")));
        }
        try (StudyFile again = StudyFile.open(path, StudyFile.Watch.SILENT)) {
            assertThat(again.isReadOnly()).isFalse();
            assertThat(again.history().study().samples()).hasSize(2);
        }
    }

    @Test
    void aCopyElsewhereFindsItsPicturesAndKeepsItsHistory() throws FileFault, IOException {
        Files.createDirectories(folder.resolve("away/deep"));
        Path copy = folder.resolve("away/deep/copy.tally");
        try (StudyFile file = StudyFile.create(folder.resolve("a.tally"), Study.empty(), StudyFile.Watch.SILENT)) {
            Journal journal = journal(file);
            journal.act("add", s -> s.with("s1", rich("one")));
            file.copyTo(copy);
            assertThatThrownBy(() -> file.copyTo(copy))
                    .isInstanceOf(FileFault.class)
                    .hasMessageContaining("already");
        }
        try (StudyFile file = StudyFile.open(copy, StudyFile.Watch.SILENT)) {
            Journal journal = journal(file);
            assertThat(journal.study().sample("s1")).contains(rich("one"));
            assertThat(journal.undoable()).contains("add");
        }
    }

    @Test
    void aCopyElsewhereFindsWhatItsMethodsReferTo() throws FileFault, IOException {
        Files.createDirectories(folder.resolve("away/deep"));
        Path copy = folder.resolve("away/deep/copy.tally");
        StepDescription flatten = Steps.find("flatten").orElseThrow();
        Reference blank = new Reference(folder.resolve("light/blank.png").toString(), "ab".repeat(32));
        Values values = Values.NONE
                .withTree(flatten.setting("by").orElseThrow(), "reference")
                .with((ReferenceSetting) flatten.setting("reference").orElseThrow(), blank);
        Method method = Method.empty("flat", LengthUnit.PX).add(0, flatten, values);
        try (StudyFile file = StudyFile.create(folder.resolve("a.tally"), Study.empty(), StudyFile.Watch.SILENT)) {
            journal(file).act("flatten", s -> s.with(Study.FIRST_METHOD, method));
            file.copyTo(copy);
        }
        for (Path each : List.of(copy, folder.resolve("a.tally"))) {
            try (StudyFile file = StudyFile.open(each, StudyFile.Watch.SILENT)) {
                assertThat(file.history().study().method(Study.FIRST_METHOD)).isEqualTo(method);
            }
        }
    }

    @Test
    void aStudyMovedTogetherWithItsPicturesFindsThem() throws FileFault, IOException {
        Files.createDirectories(folder.resolve("old"));
        Path picture = folder.resolve("old/pictures/x.png");
        PictureRef ref = PictureRef.of(picture, 1);
        try (StudyFile file = StudyFile.create(folder.resolve("old/a.tally"), Study.empty(), StudyFile.Watch.SILENT)) {
            journal(file).act("add", s -> s.with("s1", SampleThing.of("x", ref, Study.FIRST_METHOD)));
        }
        Files.move(folder.resolve("old"), folder.resolve("new"));
        try (StudyFile file = StudyFile.open(folder.resolve("new/a.tally"), StudyFile.Watch.SILENT)) {
            assertThat(file.history().study().sample("s1").orElseThrow().file())
                    .isEqualTo(folder.resolve("new/pictures/x.png"));
        }
    }

    @Test
    void aFullDiskIsSaidAndNothingIsLostWhenThereIsRoomAgain() throws Exception {
        CountDownLatch trouble = new CountDownLatch(1);
        CountDownLatch kept = new CountDownLatch(1);
        AtomicReference<String> said = new AtomicReference<>("");
        StudyFile.Watch watch = new StudyFile.Watch() {
            @Override
            public void trouble(FileFault fault) {
                said.set(fault.getMessage());
                trouble.countDown();
            }

            @Override
            public void kept() {
                if (!said.get().isEmpty()) {
                    kept.countDown();
                }
            }
        };
        Path path = folder.resolve("full.tally");
        StudyFile file = StudyFile.create(path, Study.empty(), watch);
        Journal journal = journal(file);
        file.limitGrowth(2);
        for (int i = 0; i < 40; i++) {
            int n = i;
            journal.act("add", s -> s.with(s.newSampleId(), rich("sample " + n)));
        }
        assertThat(trouble.await(20, TimeUnit.SECONDS)).isTrue();
        assertThat(said.get()).contains("not on disk yet").contains("the disk is full");
        assertThat(file.isKept()).isFalse();
        file.limitGrowth(0);
        assertThat(kept.await(20, TimeUnit.SECONDS)).isTrue();
        assertThat(file.isKept()).isTrue();
        file.close();
        try (StudyFile again = StudyFile.open(path, StudyFile.Watch.SILENT)) {
            assertThat(again.history().study()).isEqualTo(journal.study());
            assertThat(again.history().study().samples()).hasSize(40);
        }
    }

    @Test
    void whatIsNoStudyIsRefusedInASentence() throws Exception {
        Path text = folder.resolve("text.tally");
        Files.writeString(text, "this is a letter, and long enough to be no database header at all ".repeat(20));
        assertThatThrownBy(() -> StudyFile.open(text, StudyFile.Watch.SILENT))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("is no study");
        assertThat(Files.readString(text)).startsWith("this is a letter");
        Path other = folder.resolve("other.tally");
        try (var c = DriverManager.getConnection("jdbc:sqlite:" + other);
                var s = c.createStatement()) {
            s.execute("CREATE TABLE x (y)");
        }
        assertThatThrownBy(() -> StudyFile.open(other, StudyFile.Watch.SILENT))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("a database, but no study");
        assertThatThrownBy(() -> StudyFile.open(folder.resolve("none.tally"), StudyFile.Watch.SILENT))
                .hasMessageContaining("does not exist");
        assertThatThrownBy(() -> StudyFile.create(Path.of("/proc/none/a.tally"), Study.empty(), StudyFile.Watch.SILENT))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("cannot be made");
    }

    @Test
    void aStudyFromANewerVersionIsRefusedAndLeftAlone() throws Exception {
        Path path = folder.resolve("newer.tally");
        StudyFile.create(path, Study.empty(), StudyFile.Watch.SILENT).close();
        try (var c = DriverManager.getConnection("jdbc:sqlite:" + path);
                var s = c.createStatement()) {
            s.execute("PRAGMA user_version = 99");
        }
        byte[] before = Files.readAllBytes(path);
        assertThatThrownBy(() -> StudyFile.open(path, StudyFile.Watch.SILENT))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("newer version");
        assertThat(Files.readAllBytes(path)).isEqualTo(before);
    }

    @Test
    void aBadPartIsLostAloneAndTheRestIsRescuedIntoACopy() throws Exception {
        Path path = folder.resolve("hurt.tally");
        try (StudyFile file = StudyFile.create(path, Study.empty(), StudyFile.Watch.SILENT)) {
            Journal journal = journal(file);
            for (int i = 0; i < 5; i++) {
                int n = i;
                journal.act("add", s -> s.with(s.newSampleId(), rich("sample " + n)));
            }
        }
        try (var c = DriverManager.getConnection("jdbc:sqlite:" + path);
                var s = c.createStatement()) {
            s.execute("UPDATE version SET content = 'rubbish' WHERE content LIKE '%sample 2\"%'");
        }
        try (StudyFile file = StudyFile.open(path, StudyFile.Watch.SILENT)) {
            assertThat(file.file().getFileName()).hasToString("hurt-rescued.tally");
            assertThat(file.remark().orElseThrow()).contains("is damaged").contains("6 of 7 parts");
            List<String> names = file.history().study().samples().stream()
                    .map(id -> file.history().study().sample(id).orElseThrow().name())
                    .toList();
            assertThat(names).containsExactly("sample 0", "sample 1", "sample 3", "sample 4");
        }
        assertThat(path).exists();
    }

    @Test
    void damagedPagesNeverCrashTheOpening() throws Exception {
        SplittableRandom random = new SplittableRandom(5);
        Path whole = folder.resolve("whole.tally");
        try (StudyFile file = StudyFile.create(whole, Study.empty(), StudyFile.Watch.SILENT)) {
            Journal journal = journal(file);
            for (int i = 0; i < 120; i++) {
                act(journal, i);
            }
        }
        int opened = 0;
        for (int i = 0; i < 25; i++) {
            Path hurt = folder.resolve("hurt-" + i + ".tally");
            Files.copy(whole, hurt);
            try (RandomAccessFile file = new RandomAccessFile(hurt.toFile(), "rw")) {
                byte[] noise = new byte[700];
                random.nextBytes(noise);
                file.seek(random.nextLong(100, file.length() - noise.length));
                file.write(noise);
            }
            try (StudyFile file = StudyFile.open(hurt, StudyFile.Watch.SILENT)) {
                file.history().study().checkWhole();
                opened++;
            } catch (FileFault e) {
                assertThat(e.getMessage())
                        .contains(hurt.getFileName().toString())
                        .endsWith(".");
            }
        }
        assertThat(opened).isGreaterThan(5);
    }

    @Test
    void packedPicturesAreInTheFile() throws FileFault {
        Path path = folder.resolve("packed.tally");
        byte[] bytes = {1, 2, 3};
        try (StudyFile file = StudyFile.create(path, Study.empty(), StudyFile.Watch.SILENT)) {
            file.pack("aa", "x.png", bytes);
            file.pack("aa", "x.png", bytes);
            assertThat(file.packedCount()).isEqualTo(1);
        }
        try (StudyFile file = StudyFile.open(path, StudyFile.Watch.SILENT)) {
            assertThat(file.packed("aa")).contains(bytes);
            assertThat(file.packed("bb")).isEmpty();
        }
    }

    /** One study of each layout that there ever was. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2})
    void studiesOfEarlierLayoutsAreOpenedAndGoOn(int layout) throws Exception {
        Path file = folder.resolve("old.tally");
        try (var in = StudyFileTest.class.getResourceAsStream("/studies/layout-" + layout + ".tally")) {
            Files.copy(in, file);
        }
        for (int round = 0; round < 2; round++) {
            try (StudyFile study = StudyFile.open(file, StudyFile.Watch.SILENT)) {
                assertThat(study.remark()).isEmpty();
                Journal journal = journal(study);
                assertThat(journal.study().samples()).containsExactly("s1", "s2");
                assertThat(journal.study().sample("s1").orElseThrow().scale()).contains(Scale.of("0.85 um/px"));
                Painting painted = (Painting)
                        journal.study().hand("s1", "m1").values().iterator().next();
                assertThat(painted.dabs()).hasSize(28 + round);
                assertThat(journal.redoable()).contains("Paint");
                journal.redo();
            }
        }
    }

    /** The first method may go once there is another; it does not come back with the file. */
    @Test
    void aMethodThatWasTakenOutStaysOut() throws Exception {
        Path file = folder.resolve("methods.tally");
        Study last;
        try (StudyFile study = StudyFile.create(file, Study.empty(), StudyFile.Watch.SILENT)) {
            Journal journal = journal(study);
            journal.act("add", s -> s.with("s1", rich("one")));
            journal.act("second", s -> s.with(s.newMethodId(), s.method("m1").named("Second")));
            journal.act("use", s -> s.with("s1", s.sample("s1").orElseThrow().using("m2")));
            journal.act("take out", s -> s.withoutMethod("m1"));
            last = journal.study();
            assertThat(last.methods()).containsExactly("m2");
        }
        try (StudyFile study = StudyFile.open(file, StudyFile.Watch.SILENT)) {
            assertThat(study.remark()).isEmpty();
            Journal journal = journal(study);
            assertThat(journal.study()).isEqualTo(last);
            journal.undo();
            assertThat(journal.study().methods()).containsExactly("m1", "m2");
        }
    }

    /** What was counted by hand, by two counters, in classes that are renamed and taken out. */
    private static final Departures OWN = new Departures(List.of(
            new Departure("threshold-1", "cut", Optional.of(12)),
            new Departure("colour-range-1", "values", Optional.of(List.of(List.of(0, 12.5), List.of(3, 4)))),
            new Departure("gate-1", "atMost", Optional.empty())));

    @Test
    void talliesAndTheirClassesAreThereAgain() throws Exception {
        Path file = folder.resolve("tally.tally");
        TallyClass rye = new TallyClass("c1", "rye", Glyph.RING, Rgb.of("#102030"));
        TallyClass oats = new TallyClass("c2", "oats [wild]", Glyph.BAR, Rgb.of("#f0e0d0"));
        Marks marks = new Marks(List.of(
                new Mark(new Point(1.5, 2.25), "c1", 1_790_000_000L),
                new Mark(new Point(3, 4), "c2", 0),
                new Mark(new Point(5, 6), "c1", 7)));
        Study last;
        try (StudyFile study = StudyFile.create(file, Study.empty(), StudyFile.Watch.SILENT)) {
            Journal journal = journal(study);
            journal.act("add", s -> s.with("s1", rich("one")));
            journal.act("classes", s -> s.withClasses(List.of(rye, oats)));
            journal.act("only this sample", s -> s.withDepartures("s1", Study.FIRST_METHOD, OWN));
            journal.act("count", s -> s.withTally("s1", "A/B", marks));
            journal.act("count", s -> s.withTally("s1", "C", marks.and(new Mark(new Point(9, 9), "c2", 8))));
            journal.act("rename", s -> s.withClasses(List.of(rye.named("winter rye"), oats)));
            last = journal.study();
        }
        try (StudyFile study = StudyFile.open(file, StudyFile.Watch.SILENT)) {
            Journal journal = journal(study);
            assertThat(journal.study()).isEqualTo(last);
            assertThat(journal.study().departures("s1", Study.FIRST_METHOD)).isEqualTo(OWN);
            assertThat(journal.study().classes())
                    .extracting(TallyClass::name)
                    .containsExactly("winter rye", "oats [wild]");
            assertThat(journal.study().tallies("s1"))
                    .containsOnlyKeys("A/B", "C")
                    .containsEntry("A/B", marks);
            journal.act("take out", s -> s.withClasses(List.of(oats)));
            assertThat(journal.study().tallies("s1").get("A/B").counts()).containsOnlyKeys("c2");
            journal.undo();
            assertThat(journal.study()).isEqualTo(last);
            journal.act("remove", s -> s.without("s1"));
            assertThat(journal.study().tallies("s1")).isEmpty();
        }
    }

    /** The last of two thousand marks is written as the first was: only what it adds. */
    @Test
    void manyMarksTakeLittleRoomAndAllAreThereAgain() throws Exception {
        Path file = folder.resolve("marks.tally");
        Seeds last;
        try (StudyFile study = StudyFile.create(file, Study.empty(), StudyFile.Watch.SILENT)) {
            Journal journal = journal(study);
            journal.act("add", s -> s.with("s1", rich("one")));
            for (int i = 0; i < 2000; i++) {
                Point mark = new Point(i * 0.37, 1000 - i * 0.11);
                journal.act("mark", s -> s.withHand("s1", "m1", "seeds", Optional.of(marks(s).and(mark))));
            }
            journal.act(
                    "take one away",
                    s -> s.withHand(
                            "s1",
                            "m1",
                            "seeds",
                            Optional.of(marks(s).without(marks(s).places().get(7)))));
            journal.undo();
            journal.undo();
            last = marks(journal.study());
            assertThat(last.places()).hasSize(1999);
        }
        assertThat(Files.size(file)).isLessThan(2_000_000);
        for (int round = 0; round < 2; round++) {
            try (StudyFile study = StudyFile.open(file, StudyFile.Watch.SILENT)) {
                assertThat(study.remark()).isEmpty();
                assertThat(marks(study.history().study())).isEqualTo(last);
                Journal journal = journal(study);
                journal.redo();
                journal.redo();
                assertThat(marks(journal.study()).places())
                        .hasSize(1999)
                        .doesNotContain(new Point(7 * 0.37, 1000 - 7 * 0.11));
                journal.undo();
                journal.undo();
            }
        }
    }

    private static Seeds marks(Study study) {
        return (Seeds) study.hand("s1", "m1").getOrDefault("seeds", Seeds.NONE);
    }

    private static void sql(Path file, String... statements) throws Exception {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = connection.createStatement()) {
            for (String each : statements) {
                statement.executeUpdate(each);
            }
        }
    }

    private Path kept(String name) throws Exception {
        Path file = folder.resolve(name);
        try (StudyFile study = StudyFile.create(file, Study.empty(), StudyFile.Watch.SILENT)) {
            Journal journal = journal(study);
            for (int i = 0; i < 9; i++) {
                act(journal, i);
            }
        }
        return file;
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "DELETE FROM thing WHERE id LIKE 'sample/%'",
                "DELETE FROM thing WHERE id = 'order'",
                "DELETE FROM thing WHERE id LIKE 'method/%'",
                "DELETE FROM action WHERE place = 3",
                "DELETE FROM action WHERE place = (SELECT max(place) FROM action)",
                "DELETE FROM change WHERE place = 2",
                "DELETE FROM position WHERE name = 'done'",
                "UPDATE thing SET version = (SELECT min(number) FROM version) WHERE id LIKE 'sample/%'",
                "UPDATE version SET content = replace(content, 'sample', 'simple')",
                "UPDATE version SET kind = 'order' WHERE kind = 'sample'",
                "UPDATE action SET title = 'another'",
                "UPDATE position SET value = value - 1 WHERE name = 'done'"
            })
    void noDamagedStudyOpensAsAnotherOne(String damage) throws Exception {
        Path file = kept("damaged.tally");
        sql(file, damage);
        Study before = studyOf(kept("sound.tally"));
        try (StudyFile study = StudyFile.open(file, StudyFile.Watch.SILENT)) {
            assertThat(study.remark())
                    .as(damage)
                    .hasValueSatisfying(r -> assertThat(r).contains("is damaged"));
            assertThat(study.file()).isNotEqualTo(file);
        } catch (FileFault e) {
            assertThat(e).hasMessageContaining("damaged");
        }
        assertThat(before.samples()).isNotEmpty();
        assertThatCode(() -> StudyFile.create(folder.resolve("next.tally"), Study.empty(), StudyFile.Watch.SILENT)
                        .close())
                .doesNotThrowAnyException();
    }

    private static Study studyOf(Path file) throws FileFault {
        try (StudyFile study = StudyFile.open(file, StudyFile.Watch.SILENT)) {
            return study.history().study();
        }
    }

    @Test
    void aViewInThePlaceOfATableIsNoStudy() throws Exception {
        Path file = kept("view.tally");
        sql(
                file,
                "DROP TABLE thing",
                "CREATE VIEW thing AS WITH RECURSIVE r(id, version) AS (SELECT 'a', 1 UNION ALL SELECT 'a', version + 1 FROM r)"
                        + " SELECT id, version FROM r");
        assertThatThrownBy(() -> StudyFile.open(file, StudyFile.Watch.SILENT))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("has other tables than a study");
    }

    @Test
    void anotherProgramsLockIsNoDamage() throws Exception {
        Path file = kept("busy.tally");
        try (Connection other = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = other.createStatement()) {
            statement.execute("BEGIN EXCLUSIVE");
            assertThatThrownBy(() -> StudyFile.open(file, StudyFile.Watch.SILENT))
                    .isInstanceOf(FileFault.class)
                    .hasMessageContaining("is in use by another program");
            statement.execute("ROLLBACK");
        }
        assertThat(studyOf(file).samples()).isNotEmpty();
        assertThat(folder.resolve("busy-rescued.tally")).doesNotExist();
    }

    @Test
    void anotherNameOfTheFileIsNoSecondWayIn() throws Exception {
        Path file = kept("one.tally");
        Path link = Files.createSymbolicLink(folder.resolve("link.tally"), file);
        Path hard = Files.createLink(folder.resolve("hard.tally"), file);
        try (StudyFile first = StudyFile.open(file, StudyFile.Watch.SILENT);
                StudyFile byLink = StudyFile.open(link, StudyFile.Watch.SILENT);
                StudyFile byHard = StudyFile.open(hard, StudyFile.Watch.SILENT)) {
            assertThat(first.isReadOnly()).isFalse();
            assertThat(byLink.isReadOnly()).isTrue();
            assertThat(byHard.isReadOnly()).isTrue();
        }
    }

    @Test
    void aStudyThatWasReplacedIsNotKeptAnyMore() throws Exception {
        Path file = kept("gone.tally");
        Path other = kept("other.tally");
        BlockingQueue<String> trouble = new LinkedBlockingQueue<>();
        StudyFile.Watch watch = new StudyFile.Watch() {
            @Override
            public void trouble(FileFault fault) {
                trouble.add(fault.getMessage());
            }
        };
        StudyFile study = StudyFile.open(file, watch);
        Files.move(other, file, StandardCopyOption.REPLACE_EXISTING);
        act(journal(study), 0);
        assertThat(trouble.poll(20, TimeUnit.SECONDS)).contains("moved, deleted or replaced while it was open");
        assertThat(study.isKept()).isFalse();
        assertThatThrownBy(study::close).isInstanceOf(FileFault.class);
    }
}
