package keentally.speed;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.step.References;
import keentally.core.work.Cancel;
import keentally.study.document.Calibration;
import keentally.study.document.PictureRef;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureWriter;
import keentally.study.run.RecordFile;
import keentally.study.series.Ledger;
import keentally.study.series.LedgerColumn;
import keentally.study.series.LedgerEntry;
import keentally.study.series.LedgerRow;
import keentally.study.series.RowText;
import keentally.study.series.SeriesRun;
import keentally.study.series.SeriesSample;
import keentally.study.store.PictureShelf;
import keentally.study.store.StudyFile;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;

/** A ledger of 1,000 samples with more than 30 columns: opened with its study, laid out, and sorted. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class Ledgering extends TwoThreads {
    private static final int SAMPLES = 1000;
    private static final int SIDE = 64;

    private Path folder;
    private Path study;
    private Ledger ledger;
    private int turn;

    /** One small picture is run, and its row stands for all. */
    @Setup(Level.Trial)
    public void rows() throws IOException, FileFault {
        folder = Files.createTempDirectory("speed");
        Path picture = folder.resolve("dots.png");
        byte[] values = new byte[SIDE * SIDE];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) (i / SIDE % 9 < 5 && i % SIDE % 9 < 5 ? 200 : 0);
        }
        PictureWriter.png(picture, Plane8.of(SIDE, SIDE, values));
        Method method = Method.empty("Dots", LengthUnit.UM)
                .then("threshold", "rule", "otsu")
                .measuring(List.of(
                        Measure.AREA,
                        Measure.ECD,
                        Measure.PERIMETER,
                        Measure.CIRCULARITY,
                        Measure.FERET_MAX,
                        Measure.FERET_MIN,
                        Measure.SOLIDITY,
                        Measure.MEAN));
        Study all = Study.empty().with(Study.FIRST_METHOD, method);
        for (int i = 0; i < SAMPLES; i++) {
            all = all.with(
                    "s" + (i + 1),
                    SampleThing.of("sample " + i, PictureRef.of(picture, 1), Study.FIRST_METHOD)
                            .with(Optional.of(Calibration.typed(Scale.of("2 um/px")))));
        }
        study = folder.resolve("many.tally");
        try (StudyFile file = StudyFile.create(study, all, StudyFile.Watch.SILENT)) {
            SeriesSample first = SeriesSample.of(all, "s1");
            SeriesRun.run(
                    List.of(first),
                    new PictureShelf(Optional.empty()),
                    References.NONE,
                    workers,
                    new Cancel(),
                    (sample, outcome, done) -> {
                        for (int i = 0; i < SAMPLES; i++) {
                            file.keepRow(
                                    "s" + (i + 1),
                                    RowText.write(outcome.row()),
                                    RecordFile.text(outcome.record()),
                                    outcome.thumbnail());
                        }
                    });
        }
        ledger = openLedger();
    }

    @TearDown(Level.Trial)
    public void tidyFiles() throws IOException {
        try (var all = Files.list(folder)) {
            for (Path file : all.toList()) {
                Files.delete(file);
            }
        }
        Files.delete(folder);
    }

    /** From the file to rows that know whether they still hold. */
    @Benchmark
    public Ledger openLedger() throws FileFault {
        try (StudyFile file = StudyFile.open(study, StudyFile.Watch.SILENT)) {
            Study opened = file.history().study();
            Map<String, LedgerRow> rows = new HashMap<>();
            file.rows().forEach((id, text) -> rows.put(id, RowText.read(text)));
            return Ledger.of(opened, rows);
        }
    }

    @Benchmark
    public List<LedgerEntry> sortLedger() {
        List<LedgerColumn> numbers = ledger.numbers();
        LedgerColumn by = numbers.get(turn++ % numbers.size());
        return ledger.entries().stream()
                .sorted(Comparator.comparingDouble(by.value()))
                .toList();
    }
}
