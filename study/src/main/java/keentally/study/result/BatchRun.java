package keentally.study.result;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import keentally.core.method.Departures;
import keentally.core.quantity.Scale;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.study.caution.Background;
import keentally.study.caution.Captions;
import keentally.study.caution.PictureCautions;
import keentally.study.document.FieldRequest;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureFile;
import keentally.study.picture.ReferencePictures;
import keentally.study.run.Guarded;
import keentally.study.run.SampleOrder;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRun;
import keentally.study.store.PictureShelf;

/** Runs a method over pictures and fills a folder with tables and pictures, each written as it comes. */
public final class BatchRun {
    private final RunOrder order;
    private final Workers workers;
    private final Watcher watcher;
    private final Cancel cancel;
    private final ReferencePictures references = new ReferencePictures();
    private final List<String> names;
    private final List<String> fileNames;

    /** What is wrong with the folder or the disk, and so with every sample from there on. */
    private final AtomicReference<FolderFault> disk = new AtomicReference<>();

    private BatchRun(RunOrder order, Workers workers, Cancel cancel, Watcher watcher) {
        this.order = order;
        this.workers = workers;
        this.cancel = cancel;
        this.watcher = watcher;
        this.names = SampleNames.of(order.samples());
        this.fileNames = SampleNames.forFiles(names);
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
            try (RecordTables tables = RecordTables.open(folder, order, fileNames, journal)) {
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
                for (int i = 0; i < names.size(); i++) {
                    cancel.check();
                    sample(i, folder, workers, tables);
                }
            } else {
                new Work(workers, cancel).each(names.size(), i -> sample(i, folder, Workers.alone(), tables));
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
        String name = names.get(index);
        watcher.started(index + 1, names.size(), name);
        try {
            tables.add(index, record(index, folder, hands));
        } catch (FolderFault e) {
            disk.compareAndSet(null, e);
            cancel.ask();
        } finally {
            watcher.finished();
        }
    }

    private SampleRecord record(int index, ResultFolder folder, Workers hands) throws FolderFault {
        AtomicReference<FolderFault> fault = new AtomicReference<>();
        String file = order.samples().get(index).file().toString();
        SampleRecord record = Guarded.record(names.get(index), order.method(), file, () -> {
            try {
                return ran(index, folder, hands);
            } catch (FolderFault e) {
                fault.set(e);
                throw e;
            }
        });
        if (fault.get() != null) {
            throw fault.get();
        }
        return record;
    }

    /**
     * @throws FileFault where the picture cannot be read
     * @throws FolderFault where the folder cannot be written
     */
    private SampleRecord ran(int index, ResultFolder folder, Workers hands) throws FileFault {
        PictureOrder wanted = order.samples().get(index);
        PictureFile picture =
                new PictureShelf(Optional.empty()).take(wanted.picture()).file();
        Runner runner = new Runner(hands, new StateCache(0), references);
        Sample sample = prepared(wanted, picture, runner.work(cancel));
        Background background =
                new Background(picture.facts().quality(), Optional.empty(), wanted.settled() ? 1 : picture.pages());
        SampleOrder ready = new SampleOrder(
                names.get(index),
                sample,
                background,
                order.samples().size() > 1,
                order.weighing(),
                order.typed(),
                Departures.NONE);
        SampleRun ran = SampleRun.of(ready, order.method(), runner, new PictureCautions(new Captions()), cancel);
        if (ran.readings().isPresent()) {
            ResultPictures.write(fileNames.get(index), ran, folder, runner.work(cancel));
        }
        return ran.record();
    }

    private Sample prepared(PictureOrder wanted, PictureFile picture, Work work) throws FileFault {
        Optional<Scale> scale = wanted.scaleFromFile() ? picture.stated() : wanted.scale();
        if (scale.isEmpty() && wanted.scaleFromFile()) {
            throw new FileFault(picture.file() + " states no pixel size; give it with --scale.");
        }
        if (scale.isEmpty() && order.method().unit().isReal()) {
            throw new FileFault(picture.file() + " has no scale, but the method's unit is "
                    + order.method().unit().id() + "; give the length of a pixel with --scale.");
        }
        var parts = FieldRequest.inPicture(wanted.field(), picture.picture(), work);
        return Sample.of(picture.key(), picture.picture(), parts, scale).with(wanted.hand());
    }

    /** Told how far the run has come; may be called from several threads. */
    public interface Watcher {
        Watcher SILENT = new Watcher() {};

        default void started(int number, int of, String sample) {}

        default void finished() {}
    }
}
