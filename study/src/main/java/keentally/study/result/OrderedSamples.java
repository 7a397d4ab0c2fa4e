package keentally.study.result;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import keentally.core.method.Departures;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.study.caution.Captions;
import keentally.study.caution.PictureCautions;
import keentally.study.file.FileFault;
import keentally.study.method.ReferenceFiles;
import keentally.study.picture.PictureFile;
import keentally.study.run.Guarded;
import keentally.study.run.SampleOrder;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRun;
import keentally.study.store.PictureShelf;

/** The samples of an order, each run by itself: what it is called, and what it comes to. */
final class OrderedSamples {
    private final RunOrder order;
    private final Cancel cancel;
    private final ReferenceFiles references = new ReferenceFiles();
    private final List<String> names;
    private final List<String> fileNames;

    OrderedSamples(RunOrder order, Cancel cancel) {
        this.order = order;
        this.cancel = cancel;
        this.names = SampleNames.of(order.samples());
        this.fileNames = SampleNames.forFiles(names);
    }

    /** In tables. */
    List<String> names() {
        return names;
    }

    /** Of files, without an ending. */
    List<String> fileNames() {
        return fileNames;
    }

    /** Where the record of a sample stands, from the folder. @param index from 0 */
    String place(int index) {
        return "records/" + fileNames.get(index) + ".json";
    }

    /** The record of a sample, whatever became of it; its pictures go into the folder. @param index from 0 */
    SampleRecord record(int index, ResultSink folder, Workers hands) throws FolderFault {
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
    private SampleRecord ran(int index, ResultSink folder, Workers hands) throws FileFault {
        PictureOrder wanted = order.samples().get(index);
        PictureFile picture =
                new PictureShelf(Optional.empty()).take(wanted.picture()).file();
        Runner runner = new Runner(hands, new StateCache(0), references);
        Sample sample = prepared(wanted, picture, runner.work(cancel));
        SampleOrder ready = new SampleOrder(
                names.get(index),
                sample,
                wanted.background(picture),
                order.samples().size() > 1,
                order.weighing(),
                order.typed(),
                Departures.NONE);
        SampleRun ran = SampleRun.of(ready, order.method(), runner, new PictureCautions(new Captions()), cancel);
        if (ran.readings().isPresent()) {
            ResultPictures.write(fileNames.get(index), ran, order.bar(), folder, runner.work(cancel));
        }
        return ran.record();
    }

    private Sample prepared(PictureOrder wanted, PictureFile picture, Work work) throws FileFault {
        Sample sample = wanted.sample(picture, work);
        if (sample.scale().isEmpty() && order.method().unit().isReal()) {
            throw new FileFault(picture.file() + " has no scale, but the method's unit is "
                    + order.method().unit().id() + "; give the length of a pixel with --scale.");
        }
        return sample;
    }
}
