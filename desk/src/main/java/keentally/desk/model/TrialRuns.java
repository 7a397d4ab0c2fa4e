package keentally.desk.model;

import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.quantity.PixelSize;
import keentally.core.run.Holding;
import keentally.core.run.Progress;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.step.State;
import keentally.core.view.Pyramid;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.study.caution.Background;
import keentally.study.caution.PictureCautions;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.run.SampleNumbers;
import keentally.study.run.SampleOrder;
import keentally.study.run.SampleRequest;
import keentally.study.run.SampleRun;
import keentally.study.store.PictureShelf;

/** Runs methods on samples beside what is on the stage; not on the interface thread. */
public final class TrialRuns {
    private final Runner runner;
    private final SampleMaker maker;
    private final PictureShelf shelf;
    private final OpenPictures pictures;
    private final PictureCautions checks;

    TrialRuns(Runner runner, SampleMaker maker, PictureShelf shelf, OpenPictures pictures, PictureCautions checks) {
        this.runner = runner;
        this.maker = maker;
        this.shelf = shelf;
        this.pictures = pictures;
        this.checks = checks;
    }

    /**
     * A sample with its picture.
     *
     * @param made as the runner takes it
     * @param order as its numbers are worked out
     */
    public record TrialSample(Sample made, OpenSample open, SampleOrder order) {
        public Pyramid pyramid() {
            return open.pyramid();
        }

        /** The same picture, fenced otherwise. */
        public TrialSample on(Sample other) {
            return new TrialSample(other, open, order.on(other));
        }
    }

    /** Keeps a sample's picture in memory as one that was shown; on the interface thread. */
    public void keep(TrialSample sample) {
        pictures.keep(sample.open());
    }

    /** What reads a sample's picture, where it is not in memory, and makes the sample; asked for on the interface thread. */
    public Reading reading(Study study, String sampleId, String methodId) {
        SampleRequest asked = SampleRequest.of(study, sampleId, methodId);
        SampleThing thing = asked.thing();
        Optional<OpenSample> known = pictures.find(thing.picture());
        return cancel -> {
            OpenSample open = known.isPresent() ? known.get() : read(thing, cancel);
            Sample made = maker.sample(open, asked);
            return new TrialSample(made, open, asked.order(made, Background.NONE));
        };
    }

    private OpenSample read(SampleThing thing, Cancel cancel) throws FileFault {
        PictureShelf.ShelfPicture taken = shelf.take(thing.picture());
        return new OpenSample(
                thing.picture(),
                taken.file(),
                Pyramid.of(taken.file().picture(), runner.work(cancel)),
                taken.changed());
    }

    /** Makes a sample away from the interface thread. */
    @FunctionalInterface
    public interface Reading {
        TrialSample ready(Cancel cancel) throws FileFault;
    }

    /** What a step is fitted to when it is held: on one sample after another. */
    public Holding holding(MethodStep step, Cancel cancel) {
        return new Holding(step, runner, cancel);
    }

    /** What values are worked out with. */
    public Work work(Cancel cancel) {
        return runner.work(cancel);
    }

    public Run run(Method method, Sample sample, int upTo, Cancel cancel) throws RunFault {
        return runner.run(method, sample, upTo, cancel, Progress.SILENT);
    }

    /** A method as it goes on a sample, with its cautions. */
    public SampleRun whole(Method method, TrialSample sample, Cancel cancel) {
        return SampleRun.of(sample.order(), method, runner, checks, cancel);
    }

    /** The numbers of the sample that a method asks for, as they are told; not-a-number for one that is empty. */
    public List<Double> numbers(Run whole, TrialSample sample, Cancel cancel) throws RunFault {
        Readings readings = runner.readings(whole, cancel);
        PixelSize size = PixelSize.of(whole.method().unit(), sample.made().scale());
        return SampleNumbers.of(sample.order(), whole, readings, runner.work(cancel)).stream()
                .map(n -> n.told(size).orElse(Double.NaN))
                .toList();
    }

    /** The state at a run's end, its objects labelled; not measured. */
    public State ending(Run run, Cancel cancel) {
        return runner.ending(run, cancel);
    }

    public Readings readings(Run run, Cancel cancel) throws RunFault {
        return runner.readings(run, cancel);
    }
}
