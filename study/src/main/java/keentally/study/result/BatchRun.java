package keentally.study.result;

import java.util.concurrent.atomic.AtomicReference;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.study.file.FileFault;

/** Runs a method over pictures and fills a folder with tables and pictures, each written as it comes. */
public final class BatchRun {
    private final RunOrder order;
    private final Workers workers;
    private final Watcher watcher;
    private final Cancel cancel;
    private final OrderedSamples samples;

    /** What is wrong with the folder or the disk, and so with every sample from there on. */
    private final AtomicReference<FolderFault> disk = new AtomicReference<>();

    private BatchRun(RunOrder order, Workers workers, Cancel cancel, Watcher watcher) {
        this.order = order;
        this.workers = workers;
        this.cancel = cancel;
        this.watcher = watcher;
        this.samples = new OrderedSamples(order, cancel);
    }

    /**
     * Does what is ordered. A picture that cannot be read or run is a row with its error, and the rest goes on.
     *
     * @param workers used for pictures where there are several jobs, inside a picture where there is one
     * @return how many pictures failed
     * @throws FileFault where the folder cannot be used, or cannot be written any more; it is then as it was
     * @throws CancelledException where {@code cancel} was asked; the folder is then as it was
     */
    public static int run(RunOrder order, Workers workers, Cancel cancel, Watcher watcher) throws FileFault {
        return new BatchRun(order, workers, cancel, watcher).run();
    }

    private int run() throws FileFault {
        RunJournal journal = new RunJournal(order);
        try (ResultFolder folder = ResultFolder.open(order.folder())) {
            try (RecordTables tables = RecordTables.open(folder, order, samples.fileNames(), journal)) {
                samples(folder, tables);
                tables.finish();
            }
            folder.write(ResultFolder.RECORD, journal.json(folder.written()));
            folder.finish();
            return journal.failed();
        }
    }

    private void samples(ResultFolder folder, RecordTables tables) throws FolderFault {
        try {
            if (order.jobs() == 1) {
                for (int i = 0; i < samples.names().size(); i++) {
                    cancel.check();
                    sample(i, folder, workers, tables);
                }
            } else {
                new Work(workers, cancel).each(samples.names().size(), i -> sample(i, folder, Workers.alone(), tables));
            }
            cancel.check();
        } catch (CancelledException e) {
            if (disk.get() != null) {
                throw disk.get();
            }
            throw e;
        }
    }

    /** Whatever becomes of one sample is in its record; only what is wrong with the folder ends the run. */
    private void sample(int index, ResultFolder folder, Workers hands, RecordTables tables) {
        String name = samples.names().get(index);
        watcher.started(index + 1, samples.names().size(), name);
        try {
            tables.add(index, samples.record(index, folder, hands));
        } catch (FolderFault e) {
            disk.compareAndSet(null, e);
            cancel.ask();
        } finally {
            watcher.finished();
        }
    }

    /** Told how far the run has come; may be called from several threads. */
    public interface Watcher {
        Watcher SILENT = new Watcher() {};

        default void started(int number, int of, String sample) {}

        default void finished() {}
    }
}
