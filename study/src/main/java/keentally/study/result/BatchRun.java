package keentally.study.result;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import keentally.core.quantity.Scale;
import keentally.core.run.Progress;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.study.caution.Background;
import keentally.study.caution.Captions;
import keentally.study.caution.Caution;
import keentally.study.caution.Cautions;
import keentally.study.caution.PictureCautions;
import keentally.study.document.FieldWish;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;
import keentally.study.picture.PictureFile;
import keentally.study.picture.ReferencePictures;
import keentally.study.store.PictureShelf;

/** Runs a method over pictures and fills a folder with tables and pictures. */
public final class BatchRun {
    private final RunOrder order;
    private final Workers workers;
    private final Watcher watcher;
    private final ReferencePictures references = new ReferencePictures();
    private final List<String> names;
    private final List<String> fileNames;

    private BatchRun(RunOrder order, Workers workers, Watcher watcher) {
        this.order = order;
        this.workers = workers;
        this.watcher = watcher;
        this.names = SampleNames.of(order.samples());
        this.fileNames = SampleNames.forFiles(names);
    }

    /**
     * Does what is ordered. A picture that cannot be read or run is a row with its error, and the rest goes on.
     *
     * @param workers used for pictures where there are several jobs, inside a picture where there is one
     * @return how many pictures failed
     * @throws FileFault where the folder cannot be used; it is then as it was
     */
    public static int run(RunOrder order, Workers workers, Watcher watcher) throws FileFault {
        return new BatchRun(order, workers, watcher).run();
    }

    private int run() throws FileFault {
        Instant start = Instant.now();
        try (ResultFolder folder = ResultFolder.open(order.folder())) {
            List<Outcome> outcomes = order.jobs() == 1
                    ? IntStream.range(0, names.size())
                            .mapToObj(i -> sample(i, folder, workers))
                            .toList()
                    : new Work(workers, new Cancel()).map(names.size(), i -> sample(i, folder, Workers.alone()));
            for (Outcome outcome : outcomes) {
                if (outcome.disk.isPresent()) {
                    throw outcome.disk.get();
                }
            }
            writeTables(outcomes, folder);
            WholeFile.write(folder.place("run.json"), RunRecord.json(order, outcomes, start));
            folder.finish();
            return (int) outcomes.stream().filter(o -> o.error.isPresent()).count();
        }
    }

    private void writeTables(List<Outcome> outcomes, ResultFolder folder) throws FileFault {
        ObjectSheet objects = new ObjectSheet(order.method());
        PhaseSheet phases = new PhaseSheet(order.method(), order.weighing());
        SampleSheet samples = new SampleSheet(order.method());
        for (Outcome outcome : outcomes) {
            if (outcome.reading.isPresent()) {
                objects.add(outcome.reading.get());
                phases.add(outcome.reading.get());
                samples.add(outcome.reading.get());
            } else {
                samples.addFailure(outcome.sample, outcome.error.orElseThrow());
            }
        }
        WholeFile.write(folder.place("objects.csv"), objects.csv());
        WholeFile.write(folder.place("phases.csv"), phases.csv());
        WholeFile.write(folder.place("samples.csv"), samples.csv());
    }

    /** What became of one picture; {@code disk} where the fault is the folder's and not the picture's. */
    record Outcome(
            String sample,
            Optional<String> sha256,
            Optional<SampleReading> reading,
            Optional<String> error,
            Optional<FileFault> disk) {}

    private Outcome sample(int index, ResultFolder folder, Workers hands) {
        String name = names.get(index);
        SampleOrder wanted = order.samples().get(index);
        watcher.started(index + 1, names.size(), name);
        Optional<String> sha256 = Optional.empty();
        try {
            PictureShelf.Taken taken = new PictureShelf(Optional.empty()).take(wanted.picture());
            PictureFile picture = taken.file();
            sha256 = Optional.of(picture.sha256());
            Runner runner = new Runner(hands, new StateCache(0), references);
            Cancel cancel = new Cancel();
            Sample sample = prepared(wanted, picture, runner.work(cancel));
            Run run = runner.run(order.method(), sample, Integer.MAX_VALUE, cancel, Progress.SILENT);
            Readings readings = runner.readings(run, cancel);
            Background background = new Background(picture.facts().quality(), Optional.empty());
            List<Caution> seen = new PictureCautions(new Captions()).of(sample, background, runner.work(cancel));
            List<Caution> cautions = new ArrayList<>(
                    Cautions.of(seen, run, readings, order.samples().size() > 1, runner.work(cancel)));
            order.weighing().sample().ifPresent(m -> cautions.add(Cautions.areaForVolume()));
            SampleReading reading = SampleReading.of(name, run, readings, cautions);
            try {
                ResultPictures.write(fileNames.get(index), run, readings, folder, runner.work(cancel));
            } catch (FileFault e) {
                return new Outcome(name, sha256, Optional.empty(), Optional.empty(), Optional.of(e));
            }
            return new Outcome(name, sha256, Optional.of(reading), Optional.empty(), Optional.empty());
        } catch (FileFault | RunFault | IllegalArgumentException e) {
            return new Outcome(name, sha256, Optional.empty(), Optional.of(e.getMessage()), Optional.empty());
        } catch (OutOfMemoryError e) {
            String error = wanted.file() + " needs more memory than this program may use.";
            return new Outcome(name, sha256, Optional.empty(), Optional.of(error), Optional.empty());
        } finally {
            watcher.finished();
        }
    }

    private Sample prepared(SampleOrder wanted, PictureFile picture, Work work) throws FileFault {
        Optional<Scale> scale = wanted.scaleFromFile() ? picture.stated() : wanted.scale();
        if (scale.isEmpty() && wanted.scaleFromFile()) {
            throw new FileFault(picture.file() + " states no pixel size; give it with --scale.");
        }
        if (scale.isEmpty() && order.method().unit().isReal()) {
            throw new FileFault(picture.file() + " has no scale, but the method's unit is "
                    + order.method().unit().id() + "; give the length of a pixel with --scale.");
        }
        var parts = FieldWish.inPicture(wanted.field(), picture.picture(), work);
        return Sample.of(picture.key(), picture.picture(), parts, scale).with(wanted.hand());
    }

    /** Told how far the run has come; may be called from several threads. */
    public interface Watcher {
        Watcher SILENT = new Watcher() {};

        default void started(int number, int of, String sample) {}

        default void finished() {}
    }
}
