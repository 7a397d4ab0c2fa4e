package keentally.desk.ledger;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import keentally.core.quantity.LengthUnit;
import keentally.core.run.Jobs;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.model.OpenStudy;
import keentally.desk.model.SampleActions;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import keentally.study.method.ReferenceFiles;
import keentally.study.run.RecordFile;
import keentally.study.run.SampleRecord;
import keentally.study.series.Ledger;
import keentally.study.series.LedgerRow;
import keentally.study.series.RowText;
import keentally.study.series.SeriesRun;
import keentally.study.series.SeriesSample;
import keentally.study.store.PictureShelf;
import keentally.study.store.StudyFile;

/** The rows of the study's samples, and the series that makes them, without a window. For the interface thread. */
public final class LedgerModel {
    private final DeskModel desk;
    private final SampleActions actions;
    private final Executor ui;
    private final Newest newest;
    private final BooleanProperty open = new SimpleBooleanProperty();
    private final ReadOnlyObjectWrapper<Ledger> ledger =
            new ReadOnlyObjectWrapper<>(Ledger.of(List.of(), LengthUnit.UM));
    private final ReadOnlyObjectWrapper<Optional<Progress>> progress = new ReadOnlyObjectWrapper<>(Optional.empty());

    /** Of the study on the desk. */
    private Map<String, LedgerRow> rows = new HashMap<>();

    /** What was run without a file to keep it in. */
    private Map<String, Kept> unkept = new ConcurrentHashMap<>();

    private Optional<OpenStudy> read = Optional.empty();

    private record Kept(SampleRecord record, Optional<byte[]> thumbnail) {}

    /**
     * How far a series has come.
     *
     * @param secondsLeft about; −1 before the first is done
     */
    public record Progress(Jobs.Job job, int done, int of, long secondsLeft) {}

    /** @param ui runs what it is given on the interface thread, in order */
    public LedgerModel(DeskModel desk, SampleActions actions, Executor ui) {
        this.desk = desk;
        this.actions = actions;
        this.ui = ui;
        this.newest = new Newest(desk, ui);
        desk.study().addListener(o -> refresh());
        desk.holding().addListener(o -> refresh());
        open.addListener(o -> refresh());
    }

    /** Whether the ledger is looked at; it is laid out only then. */
    public BooleanProperty open() {
        return open;
    }

    public ReadOnlyObjectProperty<Ledger> ledger() {
        return ledger.getReadOnlyProperty();
    }

    /** Of the series that runs; empty where none does. */
    public ReadOnlyObjectProperty<Optional<Progress>> progress() {
        return progress.getReadOnlyProperty();
    }

    Study study() {
        return desk.study().get();
    }

    private void refresh() {
        if (!open.get()) {
            return;
        }
        OpenStudy holding = desk.holding().get();
        if (read.filter(r -> r == holding).isEmpty()) {
            read(holding);
            return;
        }
        Study study = desk.study().get();
        Map<String, LedgerRow> now = Map.copyOf(rows);
        newest.ask(work -> {
            Ledger laid = Ledger.of(study, now);
            return () -> ledger.set(laid);
        });
    }

    /** The rows that the study file has. */
    private void read(OpenStudy holding) {
        read = Optional.of(holding);
        rows = new HashMap<>();
        unkept = new ConcurrentHashMap<>();
        newest.ask(work -> {
            Map<String, LedgerRow> found = new HashMap<>();
            try {
                if (holding.file().isPresent()) {
                    holding.file()
                            .get()
                            .rows()
                            .forEach((id, text) -> readable(text).ifPresent(r -> found.put(id, r)));
                }
            } catch (FileFault e) {
                return () -> {
                    desk.say(Texts.fault(e));
                    refresh();
                };
            }
            return () -> {
                found.forEach(rows::putIfAbsent);
                refresh();
            };
        });
    }

    /** A row that another version wrote is found again by running the sample. */
    private static Optional<LedgerRow> readable(String text) {
        try {
            return Optional.of(RowText.read(text));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /** Runs samples that have no row yet, or one that does not hold any more. */
    public void run(List<String> ids) {
        if (progress.get().isPresent()) {
            desk.say(Texts.of("ledger.running"));
            return;
        }
        Study study = desk.study().get();
        OpenStudy holding = desk.holding().get();
        Map<String, LedgerRow> known = Map.copyOf(rows);
        Optional<StudyFile> file = holding.file().filter(f -> !f.isReadOnly());
        PictureShelf shelf = holding.shelf();
        desk.job(Texts.of("job.series"), job -> {
            Map<String, String> byHand = new LinkedHashMap<>();
            ids.stream()
                    .filter(id -> study.sample(id).isPresent())
                    .forEach(id -> Ledger.wants(study, id).ifPresent(station -> byHand.put(id, station)));
            List<SeriesSample> wanted = ids.stream()
                    .filter(id -> study.sample(id).isPresent() && !byHand.containsKey(id))
                    .map(id -> SeriesSample.of(study, id))
                    .filter(s -> !known.containsKey(s.id())
                            || known.get(s.id()).isFailed()
                            || !known.get(s.id()).key().equals(s.key()))
                    .toList();
            if (wanted.isEmpty()) {
                ui.execute(
                        () -> desk.say(byHand.isEmpty() ? Texts.of("ledger.nothing-to-run") : wanting(study, byHand)));
                return;
            }
            long start = System.nanoTime();
            job.at(0, wanted.size());
            ui.execute(() -> progress.set(Optional.of(new Progress(job, 0, wanted.size(), -1))));
            try {
                SeriesRun.run(
                        wanted,
                        shelf,
                        new ReferenceFiles(),
                        desk.work(job.cancel()).workers(),
                        job.cancel(),
                        (sample, outcome, done) -> {
                            keep(holding, file, sample, outcome);
                            job.at(done, wanted.size());
                            long left = (System.nanoTime() - start) / 1_000_000_000L * (wanted.size() - done) / done;
                            ui.execute(
                                    () -> came(holding, sample, outcome, new Progress(job, done, wanted.size(), left)));
                        });
                String ran = Texts.of("ledger.ran", String.valueOf(wanted.size()));
                ui.execute(() -> desk.say(byHand.isEmpty() ? ran : ran + " " + wanting(study, byHand)));
            } catch (FileFault e) {
                ui.execute(() -> desk.say(Texts.fault(e)));
            } finally {
                ui.execute(() -> progress.set(Optional.empty()));
            }
        });
    }

    /** @param byHand the station that wants work by hand, by sample */
    private static String wanting(Study study, Map<String, String> byHand) {
        String names = byHand.entrySet().stream()
                .map(e -> study.sample(e.getKey()).orElseThrow().name() + " (" + e.getValue() + ")")
                .collect(Collectors.joining(", "));
        return Texts.of("ledger.wanting", names);
    }

    private void keep(OpenStudy of, Optional<StudyFile> file, SeriesSample sample, SeriesRun.SeriesOutcome outcome)
            throws FileFault {
        if (file.isPresent()) {
            file.get()
                    .keepRow(
                            sample.id(),
                            RowText.write(outcome.row()),
                            RecordFile.text(outcome.record()),
                            outcome.thumbnail());
        } else if (read.filter(r -> r == of).isPresent()) {
            unkept.put(sample.id(), new Kept(outcome.record(), outcome.thumbnail()));
        }
    }

    private void came(OpenStudy of, SeriesSample sample, SeriesRun.SeriesOutcome outcome, Progress now) {
        if (desk.holding().get() != of) {
            return;
        }
        if (progress.get().filter(p -> p.done() < now.done()).isPresent()) {
            progress.set(Optional.of(now));
        }
        rows.put(sample.id(), outcome.row());
        refresh();
    }

    /** Stops the series that runs; rows that are done are kept. */
    public void stop() {
        progress.get().ifPresent(p -> p.job().stop());
    }

    /**
     * Reads a sample's thumbnail, which comes later, on the interface thread; nothing comes where there is none.
     *
     * @param how makes something of the PNG, away from the interface thread
     */
    public <T> void thumbnail(String id, Function<byte[], T> how, Consumer<T> then) {
        OpenStudy holding = desk.holding().get();
        Map<String, Kept> kept = unkept;
        new Newest(desk, ui).ask(work -> {
            Optional<byte[]> found = Optional.ofNullable(kept.get(id)).flatMap(Kept::thumbnail);
            try {
                if (found.isEmpty() && holding.file().isPresent()) {
                    found = holding.file().get().thumbnail(id);
                }
            } catch (FileFault e) {
                return () -> {}; // the row says what there is to say
            }
            Optional<T> made = found.map(how);
            return () -> made.ifPresent(then);
        });
    }

    /** The whole record of a sample's row, with every object; not on the interface thread. */
    Function<String, Optional<SampleRecord>> records() {
        Optional<StudyFile> file = desk.holding().get().file();
        Map<String, Kept> kept = unkept;
        return id -> {
            try {
                Optional<SampleRecord> known = Optional.ofNullable(kept.get(id)).map(Kept::record);
                return known.isPresent() || file.isEmpty()
                        ? known
                        : file.get().record(id).map(RecordFile::read);
            } catch (FileFault | IllegalArgumentException e) {
                return Optional.empty(); // the row says what there is to say
            }
        };
    }

    /** Leaves a sample out of sums and comparisons. @throws IllegalArgumentException where no reason is given */
    public void leaveOut(String id, String reason) {
        if (reason.isBlank()) {
            throw new IllegalArgumentException(Texts.of("ledger.no-reason"));
        }
        actions.leaveOut(id, Optional.of(reason.strip()));
    }

    public void takeBackIn(String id) {
        actions.leaveOut(id, Optional.empty());
    }

    /** Puts a sample on the stage. */
    public void show(String id) {
        if (desk.study().get().sample(id).isPresent() && !desk.sampleId().get().equals(id)) {
            desk.show(id);
        }
    }

    DeskModel desk() {
        return desk;
    }
}
