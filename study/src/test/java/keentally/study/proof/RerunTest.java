package keentally.study.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import keentally.core.quantity.Scale;
import keentally.core.work.Cancel;
import keentally.core.work.Workers;
import keentally.study.DotSamples;
import keentally.study.document.FieldText;
import keentally.study.document.PictureRef;
import keentally.study.document.SlideLabel;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import keentally.study.method.ReferenceFiles;
import keentally.study.picture.PictureWriter;
import keentally.study.result.BatchRun;
import keentally.study.result.PartMerge;
import keentally.study.result.PartRun;
import keentally.study.result.PictureOrder;
import keentally.study.result.RunOrder;
import keentally.study.run.RecordFile;
import keentally.study.series.RowText;
import keentally.study.series.SeriesRun;
import keentally.study.series.SeriesSample;
import keentally.study.store.PictureShelf;
import keentally.study.store.StudyFile;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RerunTest {
    private static final int SAMPLES = 3;

    @TempDir
    Path folder;

    private final Workers workers = Workers.of(2);
    private Study study;
    private Path results;

    @BeforeEach
    void samples() throws Exception {
        study = DotSamples.study(folder, SAMPLES);
        results = folder.resolve("results");
    }

    @AfterEach
    void close() {
        workers.close();
    }

    private RunOrder order() {
        List<PictureOrder> samples = study.samples().stream()
                .map(id -> study.sample(id).orElseThrow().picture())
                .map(p -> new PictureOrder(
                        Optional.empty(),
                        p,
                        Optional.of(Scale.of("2 um/px")),
                        false,
                        List.of(FieldText.readWish("rect:0,0,110,80"), FieldText.readWish("not:ellipse:100,70,8,8"))))
                .toList();
        return new RunOrder(study.method(Study.FIRST_METHOD), samples, results, 1, true);
    }

    private Proof rerun(Optional<Path> pictures) throws FileFault {
        return Rerun.results(results, pictures, workers, new Cancel(), (done, of) -> {});
    }

    @Test
    void aRunIsReproducedToTheLastDigit() throws Exception {
        BatchRun.run(order(), workers, new Cancel(), BatchRun.Watcher.SILENT);
        Proof proof = rerun(Optional.empty());
        assertThat(proof.differences()).isEmpty();
        assertThat(proof.remarks()).isEmpty();
        assertThat(proof.holds()).isTrue();
        assertThat(proof.sentence()).endsWith("reproduced exactly.");
        // 2 + 3 + 4 objects of phase, area, ecd, circularity and mean; two phases; one row of its own
        assertThat(proof.numbers()).isGreaterThan(9 * 6);
    }

    @Test
    void partsThatWereMergedAreReproducedToo() throws Exception {
        for (int i = 1; i <= 2; i++) {
            PartRun.run(order(), new PartRun.Part(i, 2), workers, new Cancel(), BatchRun.Watcher.SILENT);
        }
        PartMerge.merge(results, true);
        assertThat(rerun(Optional.empty()).holds()).isTrue();
    }

    @Test
    void aNumberThatSomebodyChangedIsFoundInTheTableItStandsIn() throws Exception {
        BatchRun.run(order(), workers, new Cancel(), BatchRun.Watcher.SILENT);
        Path table = results.resolve("objects.csv");
        String text = Files.readString(table);
        List<String> lines = text.lines().toList();
        String last = lines.getLast();
        String other = last.replace(",144,", ",145,");
        assertThat(other).as("36 px of 4 µm²").isNotEqualTo(last);
        Files.writeString(table, text.substring(0, text.lastIndexOf(last)) + other + "\r\n", StandardCharsets.UTF_8);
        Proof proof = rerun(Optional.empty());
        assertThat(proof.differences())
                .containsExactly(new Proof.Difference("p2", "objects.csv, area_um2 in row 4", "145", "144"));
        assertThat(proof.sentence()).contains("1 differs");
        Files.writeString(table, text + last + "\r\n");
        assertThat(rerun(Optional.empty()).differences())
                .as("a row too many")
                .hasSize(lines.getFirst().split(",").length - 1);
    }

    @Test
    void anotherPictureGivesOtherNumbersAndSaysSo() throws Exception {
        BatchRun.run(order(), workers, new Cancel(), BatchRun.Watcher.SILENT);
        PictureWriter.png(folder.resolve("p0.png"), DotSamples.dots(5));
        Proof proof = rerun(Optional.empty());
        assertThat(proof.holds()).isFalse();
        assertThat(proof.differences())
                .extracting(Proof.Difference::what)
                .contains("origin, picture", "numbers, objects, count", "samples.csv, count");
        assertThat(proof.differences()).extracting(Proof.Difference::sample).containsOnly("p0");
    }

    @Test
    void picturesThatMovedAreLookedForWhereSomebodySays() throws Exception {
        BatchRun.run(order(), workers, new Cancel(), BatchRun.Watcher.SILENT);
        Path moved = Files.createDirectory(folder.resolve("moved"));
        for (int i = 0; i < SAMPLES; i++) {
            Files.move(folder.resolve("p" + i + ".png"), moved.resolve("p" + i + ".png"));
        }
        assertThat(rerun(Optional.empty()).remarks()).hasSize(SAMPLES).allMatch(r -> r.contains("is not there"));
        assertThat(rerun(Optional.empty()).sentence()).isEqualTo("No number could be held against an old one.");
        assertThat(rerun(Optional.of(moved)).holds()).isTrue();
    }

    @Test
    void whatIsNoFolderOfResultsIsRefused() throws Exception {
        assertThatThrownBy(() -> rerun(Optional.empty()))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("holds no results of a run");
        Files.createDirectories(results);
        Files.writeString(results.resolve("run.json"), "{\"pictures\": 3}");
        assertThatThrownBy(() -> rerun(Optional.empty()))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("is damaged");
    }

    @Test
    void aStudyIsHeldAgainstTheRowsOfItsLedger() throws Exception {
        study = study.with("s9", study.sample("s1").orElseThrow().with(SlideLabel.of("never run")));
        Path file = folder.resolve("s.tally");
        try (StudyFile kept = StudyFile.create(file, study, StudyFile.Watch.SILENT)) {
            List<SeriesSample> samples = study.samples().stream()
                    .filter(id -> !id.equals("s9"))
                    .map(id -> SeriesSample.of(study, id))
                    .toList();
            SeriesRun.run(
                    samples,
                    new PictureShelf(Optional.of(kept)),
                    new ReferenceFiles(),
                    workers,
                    new Cancel(),
                    (sample, outcome, done) -> kept.keepRow(
                            sample.id(),
                            RowText.write(outcome.row()),
                            RecordFile.text(outcome.record()),
                            Optional.empty()));
            Proof proof = Rerun.study(kept, workers, new Cancel(), (done, of) -> {});
            assertThat(proof.differences()).isEmpty();
            assertThat(proof.remarks())
                    .containsExactly("never run was never run, so there is nothing to hold it against.");
            String record = kept.record("s1").orElseThrow();
            kept.keepRow("s1", kept.rows().get("s1"), record.replace("\"count\":3", "\"count\":4"), Optional.empty());
            assertThat(Rerun.study(kept, workers, new Cancel(), (done, of) -> {})
                            .differences())
                    .containsExactly(new Proof.Difference("p1", "numbers, objects, count", "4", "3"));
        }
    }

    @Test
    void aSampleThatChangedSinceItsRowIsSaidAndNotHeldAgainstIt() throws Exception {
        Path file = folder.resolve("s.tally");
        SeriesSample first = SeriesSample.of(study, "s0");
        Study later =
                study.with("s0", study.sample("s0").orElseThrow().with(PictureRef.of(folder.resolve("p1.png"), 1)));
        try (StudyFile kept = StudyFile.create(file, later, StudyFile.Watch.SILENT)) {
            SeriesRun.run(
                    List.of(first),
                    new PictureShelf(Optional.of(kept)),
                    new ReferenceFiles(),
                    workers,
                    new Cancel(),
                    (sample, outcome, done) -> kept.keepRow(
                            sample.id(),
                            RowText.write(outcome.row()),
                            RecordFile.text(outcome.record()),
                            Optional.empty()));
            Proof proof = Rerun.study(kept, workers, new Cancel(), (done, of) -> {});
            assertThat(proof.numbers()).isZero();
            assertThat(proof.remarks()).first().asString().startsWith("p0 has changed since it was run");
        }
    }
}
