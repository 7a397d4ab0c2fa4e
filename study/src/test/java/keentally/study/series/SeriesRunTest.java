package keentally.study.series;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentSkipListMap;
import keentally.core.method.Method;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.stats.FieldStatistics;
import keentally.core.step.References;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;
import keentally.core.work.Workers;
import keentally.study.DotSamples;
import keentally.study.document.Calibration;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureWriter;
import keentally.study.plot.SizesPlot;
import keentally.study.run.RecordFile;
import keentally.study.store.PictureShelf;
import keentally.study.store.StudyFile;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SeriesRunTest {
    private static final int SAMPLES = 8;

    @TempDir
    Path folder;

    private final Workers workers = Workers.of(2);
    private Study study = Study.empty();

    @BeforeEach
    void samples() throws Exception {
        study = DotSamples.study(folder, SAMPLES);
    }

    @AfterEach
    void close() {
        workers.close();
    }

    private List<SeriesSample> all() {
        return study.samples().stream().map(id -> SeriesSample.of(study, id)).toList();
    }

    private Map<String, String> run(List<SeriesSample> samples, int stopAfter) throws FileFault {
        Map<String, String> rows = new ConcurrentSkipListMap<>();
        Cancel cancel = new Cancel();
        SeriesRun.Sink sink = (sample, outcome, done) -> {
            rows.put(sample.id(), RowText.write(outcome.row()) + RecordFile.text(outcome.record()));
            if (done == stopAfter) {
                cancel.ask();
            }
        };
        try {
            SeriesRun.run(samples, new PictureShelf(Optional.empty()), References.NONE, workers, cancel, sink);
        } catch (CancelledException e) {
            assertThat(stopAfter).isPositive();
        }
        return rows;
    }

    @Test
    void stoppedAndResumedItGivesWhatAnUndisturbedRunGives() throws Exception {
        Map<String, String> undisturbed = run(all(), 0);
        assertThat(undisturbed).hasSize(SAMPLES);
        Map<String, String> first = run(all(), 3);
        assertThat(first).hasSizeBetween(3, 4);
        List<SeriesSample> left =
                all().stream().filter(s -> !first.containsKey(s.id())).toList();
        Map<String, String> whole = new TreeMap<>(first);
        whole.putAll(run(left, 0));
        assertThat(whole).isEqualTo(new TreeMap<>(undisturbed));
    }

    @Test
    void rowsAreKeptWithTheStudyAndReadBackTheSame() throws Exception {
        Path file = folder.resolve("s.tally");
        try (StudyFile kept = StudyFile.create(file, study, StudyFile.Watch.SILENT)) {
            SeriesRun.run(
                    all(),
                    new PictureShelf(Optional.of(kept)),
                    References.NONE,
                    workers,
                    new Cancel(),
                    (sample, outcome, done) -> kept.keepRow(
                            sample.id(),
                            RowText.write(outcome.row()),
                            RecordFile.text(outcome.record()),
                            outcome.thumbnail()));
        }
        try (StudyFile again = StudyFile.open(file, StudyFile.Watch.SILENT)) {
            Map<String, String> rows = again.rows();
            assertThat(rows).hasSize(SAMPLES);
            rows.forEach((id, text) -> {
                LedgerRow row = RowText.read(text);
                assertThat(RowText.write(row)).isEqualTo(text);
                assertThat(row.key())
                        .as("nothing has changed")
                        .isEqualTo(SeriesSample.of(again.history().study(), id).key());
            });
            assertThat(again.thumbnail("s1").orElseThrow()).startsWith((byte) 0x89, 'P', 'N', 'G');
            assertThat(RecordFile.read(again.record("s3").orElseThrow())
                            .numbers()
                            .orElseThrow()
                            .objects()
                            .orElseThrow()
                            .count())
                    .isEqualTo(5);
        }
    }

    @Test
    void aSampleThatCannotBeRunIsARowWithItsReasonAndTheRestGoesOn() throws Exception {
        Files.delete(folder.resolve("p2.png"));
        Files.writeString(folder.resolve("p3.png"), "no picture");
        Map<String, String> rows = run(all(), 0);
        Ledger ledger = ledger(rows);
        assertThat(rows).hasSize(SAMPLES);
        LedgerColumn status = ledger.column("status").orElseThrow();
        assertThat(status.text().apply(ledger.entries().get(2))).contains("p2.png is missing");
        assertThat(status.text().apply(ledger.entries().get(3))).contains("p3.png");
        assertThat(status.text().apply(ledger.entries().get(4))).isEqualTo("ok");
        assertThat(ledger.entries().get(2).counts()).isFalse();
    }

    @Test
    void whatCannotBeKeptEndsTheRun() {
        List<String> kept = new ArrayList<>();
        SeriesRun.Sink full = (sample, outcome, done) -> {
            if (done > 2) {
                throw new FileFault("the disk is full.");
            }
            synchronized (kept) {
                kept.add(sample.id());
            }
        };
        assertThatThrownBy(() -> SeriesRun.run(
                        all(), new PictureShelf(Optional.empty()), References.NONE, workers, new Cancel(), full))
                .isInstanceOf(FileFault.class)
                .hasMessage("the disk is full.");
        assertThat(kept).hasSize(2);
    }

    private Ledger ledger(Map<String, String> rows) throws IOException {
        List<LedgerEntry> entries = new ArrayList<>();
        for (String id : study.samples()) {
            String text = rows.get(id);
            Optional<LedgerRow> row = Optional.ofNullable(text)
                    .map(t -> RowText.read(t.substring(0, t.indexOf("{\"format\"", 20) < 0 ? t.length() : end(t))));
            entries.add(new LedgerEntry(id, study.sample(id).orElseThrow(), "Dots", row, false, Optional.empty()));
        }
        return Ledger.of(entries, LengthUnit.UM);
    }

    /** Where the row ends and the record begins. */
    private static int end(String both) {
        return both.lastIndexOf("{\"format\"");
    }

    @Test
    void theLedgerHasNumbersAndGroupsThem() throws Exception {
        Ledger ledger = ledger(run(all(), 0));
        LedgerColumn count = ledger.column("count").orElseThrow();
        assertThat(ledger.entries().stream().map(count.value()::applyAsDouble))
                .containsExactly(2.0, 3.0, 4.0, 5.0, 6.0, 7.0, 8.0, 9.0);
        assertThat(count.isWorkedOut()).isTrue();
        assertThat(ledger.column("hand_edits").orElseThrow().isWorkedOut())
                .as("no setting changes what a hand did")
                .isFalse();
        LedgerColumn cover = ledger.column("cover").orElseThrow();
        assertThat(cover.value().applyAsDouble(ledger.entries().getFirst())).isEqualTo(72 / 10800.0);
        LedgerColumn area = ledger.column("mean_area_um2").orElseThrow();
        assertThat(area.title()).isEqualTo("Mean of Area, µm²");
        assertThat(area.value().applyAsDouble(ledger.entries().get(5))).isEqualTo(144);
        assertThat(ledger.column("count_per_mm2")
                        .orElseThrow()
                        .value()
                        .applyAsDouble(ledger.entries().getFirst()))
                .isCloseTo(2 / 0.0432, within(1e-9));
        study = study.with("s6", study.sample("s6").orElseThrow().leavingOut(Optional.of("out of focus")));
        Map<String, FieldStatistics> groups = ledger(run(all(), 0)).statistics(count);
        assertThat(groups.keySet()).containsExactly("even", "odd");
        assertThat(groups.get("even").count()).as("one is left out").isEqualTo(3);
        assertThat(groups.get("even").mean()).isEqualTo(4);
        assertThat(groups.get("odd").mean()).isEqualTo(6);
    }

    /** Grey levels 0 and 200 on all but one picture, where the bright ones are 100: means 0 and 187.5, so that it lies 87.5 away of 187.5. */
    @Test
    void centresThatMoveFromSampleToSampleAreTold() throws Exception {
        study = study.with(
                Study.FIRST_METHOD, Method.empty("Greys", LengthUnit.UM).then("cluster", "k", 2, "seed", 3));
        Plane8 same = DotSamples.dots(3);
        byte[] dim = new byte[120 * 90];
        for (int i = 0; i < dim.length; i++) {
            dim[i] = (byte) (same.at(i % 120, i / 120) > 0 ? 100 : 0);
        }
        PictureWriter.png(folder.resolve("p7.png"), Plane8.of(120, 90, dim));
        CentreMoves moves =
                CentreMoves.farthest(ledger(run(all(), 0)).entries()).orElseThrow();
        assertThat(moves.samples()).isEqualTo(SAMPLES);
        assertThat(moves.percent()).isCloseTo(100 * 87.5 / 187.5, within(1e-9));
        PictureWriter.png(folder.resolve("p7.png"), same);
        List<LedgerEntry> alike = ledger(run(all(), 0)).entries();
        assertThat(CentreMoves.farthest(alike)).isEmpty();
        for (int n = 2; n < SAMPLES; n++) {
            assertThat(CentreMoves.farthest(alike.subList(0, n)))
                    .as("nor by what is lost in rounding a mean of " + n)
                    .isEmpty();
        }
    }

    @Test
    void sizesOfObjectsAreGatheredByGroup() throws Exception {
        Map<String, String> rows = run(all(), 0);
        Ledger ledger = ledger(rows);
        SizesPlot plot = GroupSizes.of(
                        ledger,
                        ledger.column("mean_area_um2").orElseThrow(),
                        id -> Optional.of(RecordFile.read(rows.get(id).substring(end(rows.get(id))))),
                        new Cancel())
                .orElseThrow();
        assertThat(plot.title()).isEqualTo("Area, µm²");
        assertThat(plot.groups().stream().map(g -> g.name() + " " + g.values().length))
                .containsExactly("even 20", "odd 24");
        assertThat(plot.groups().getFirst().values()).containsOnly(144);
    }

    @Test
    void anotherSettingScaleOrHandIsAnotherKey() {
        String key = SeriesSample.of(study, "s0").key();
        SampleThing thing = study.sample("s0").orElseThrow();
        List<Study> others = List.of(
                study.with("s0", thing.with(Optional.of(Calibration.typed(Scale.of("3 um/px"))))),
                study.with("s0", thing.numbered(new TreeMap<>(Map.of("dose", 1.0)))),
                study.with(Study.FIRST_METHOD, study.method(Study.FIRST_METHOD).mute("threshold-1", true)),
                study.with(Study.FIRST_METHOD, study.method(Study.FIRST_METHOD).then("fill-holes")));
        assertThat(others.stream().map(s -> SeriesSample.of(s, "s0").key()))
                .doesNotContain(key)
                .doesNotHaveDuplicates();
        Study left = study.with("s0", thing.leavingOut(Optional.of("why")));
        assertThat(SeriesSample.of(left, "s0").key())
                .as("its numbers are the same")
                .isEqualTo(key);
    }
}
