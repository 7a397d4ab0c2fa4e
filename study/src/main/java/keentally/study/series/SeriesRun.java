package keentally.study.series;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import keentally.core.picture.Picture;
import keentally.core.run.Runner;
import keentally.core.run.StateCache;
import keentally.core.step.References;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.StateLayers;
import keentally.core.view.Viewport;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.study.caution.Background;
import keentally.study.caution.Captions;
import keentally.study.caution.PictureCautions;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureFile;
import keentally.study.picture.PictureReader;
import keentally.study.picture.PictureWriter;
import keentally.study.run.Guarded;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRun;
import keentally.study.store.PictureShelf;

/**
 * Runs the methods of samples, several at the same time where there are hands and memory for it, and hands each row on as soon as it is
 * done. Numbers are the same with any number of hands, and in any order.
 */
public final class SeriesRun {
    private static final int THUMB_WIDTH = 320;
    private static final int THUMB_HEIGHT = 240;

    /** A pixel in work takes about so many bytes: picture, pyramid, prepared planes, distances, floods. */
    private static final long BYTES_A_PIXEL = 90;

    private static final double SHARE_OF_HEAP = 0.5;

    /** One part in so many is for states that are asked for again: where a station is held, it is also fitted to the sample by itself. */
    private static final int CACHED = 3;

    private final PictureShelf shelf;
    private final References references;
    private final Workers workers;
    private final Cancel cancel;
    private final Onlooker onlooker;
    private final Sink sink;
    private final MemoryGate gate =
            new MemoryGate((long) (SHARE_OF_HEAP * Runtime.getRuntime().maxMemory()));
    private final AtomicReference<FileFault> disk = new AtomicReference<>();
    private final AtomicInteger done = new AtomicInteger();

    private SeriesRun(
            PictureShelf shelf, References references, Workers workers, Cancel cancel, Onlooker onlooker, Sink sink) {
        this.shelf = shelf;
        this.references = references;
        this.workers = workers;
        this.cancel = cancel;
        this.onlooker = onlooker;
        this.sink = sink;
    }

    /** Looks at a sample while its pixels are there; called from several threads. */
    public interface Onlooker {
        Onlooker NOBODY = (sample, picture, ran, work) -> {};

        /** A method went on a sample, as far as it could. */
        void saw(SeriesSample sample, Picture picture, SampleRun ran, Work work);
    }

    /** Takes what is done; called from several threads. */
    public interface Sink {
        /**
         * A sample is done.
         *
         * @param outcome the row with all that belongs to it
         * @param done how many are
         * @throws FileFault where it cannot be kept, which ends the run
         */
        void done(SeriesSample sample, SeriesOutcome outcome, int done) throws FileFault;
    }

    /**
     * What a run of a sample leaves.
     *
     * @param record whole, with every object
     * @param thumbnail the picture with its outlines, as PNG; empty where it could not be read
     */
    public record SeriesOutcome(LedgerRow row, SampleRecord record, Optional<byte[]> thumbnail) {}

    /**
     * Runs samples, begun in their order.
     *
     * @throws FileFault where a row could not be kept; those before it are
     * @throws CancelledException where {@code cancel} was asked; rows that are done are kept
     */
    public static void run(
            List<SeriesSample> samples,
            PictureShelf shelf,
            References references,
            Workers workers,
            Cancel cancel,
            Sink sink)
            throws FileFault {
        run(samples, shelf, references, workers, cancel, Onlooker.NOBODY, sink);
    }

    /**
     * As {@link #run(List, PictureShelf, References, Workers, Cancel, Sink)}, with somebody looking on.
     *
     * @throws FileFault where a row could not be kept; those before it are
     * @throws CancelledException where {@code cancel} was asked; rows that are done are kept
     */
    public static void run(
            List<SeriesSample> samples,
            PictureShelf shelf,
            References references,
            Workers workers,
            Cancel cancel,
            Onlooker onlooker,
            Sink sink)
            throws FileFault {
        SeriesRun run = new SeriesRun(shelf, references, workers, cancel, onlooker, sink);
        try {
            new Work(workers, cancel).each(samples.size(), i -> run.sample(samples.get(i)));
            cancel.check();
        } catch (CancelledException e) {
            if (run.disk.get() != null) {
                throw run.disk.get();
            }
            throw e;
        }
    }

    private void sample(SeriesSample sample) {
        long bytes = bytes(sample);
        gate.enter(bytes);
        try {
            cancel.check();
            AtomicReference<byte[]> thumbnail = new AtomicReference<>();
            SampleRecord record = Guarded.record(
                    sample.thing().name(),
                    sample.request().method(),
                    sample.thing().file().toString(),
                    () -> ran(sample, thumbnail));
            SeriesOutcome outcome =
                    new SeriesOutcome(LedgerRow.of(sample, record), record, Optional.ofNullable(thumbnail.get()));
            sink.done(sample, outcome, done.incrementAndGet());
        } catch (FileFault e) {
            disk.compareAndSet(null, e);
            cancel.ask();
        } finally {
            gate.leave(bytes);
        }
    }

    /** A picture whose size cannot be told will say so when it is read. */
    private static long bytes(SeriesSample sample) {
        try {
            PictureReader.Size size = PictureReader.size(sample.thing().file());
            return BYTES_A_PIXEL * size.width() * size.height();
        } catch (FileFault e) {
            return 0;
        }
    }

    private SampleRecord ran(SeriesSample sample, AtomicReference<byte[]> thumbnail) throws FileFault {
        PictureShelf.ShelfPicture taken = shelf.take(sample.thing().picture());
        if (!taken.changed().isEmpty()) {
            throw new FileFault(String.join(" ", taken.changed()));
        }
        PictureFile file = taken.file();
        Runner runner = new Runner(Workers.alone(), new StateCache(bytes(sample) / CACHED), references);
        Background background = new Background(file.facts().quality(), Optional.empty());
        SampleRun ran = SampleRun.of(
                sample.request().order(sample.request().sample(file), background),
                sample.request().method(),
                runner,
                new PictureCautions(new Captions()),
                cancel);
        onlooker.saw(sample, file.picture(), ran, runner.work(cancel));
        thumbnail.set(thumbnail(file.picture(), ran, runner.work(cancel)));
        return ran.record();
    }

    private static byte[] thumbnail(Picture picture, SampleRun ran, Work work) {
        Viewport view = Viewport.fit(picture.width(), picture.height(), THUMB_WIDTH, THUMB_HEIGHT);
        int width = Math.clamp(Math.round(picture.width() * view.zoom()), 1, THUMB_WIDTH);
        int height = Math.clamp(Math.round(picture.height() * view.zoom()), 1, THUMB_HEIGHT);
        Viewport tight = new Viewport(0, 0, view.zoom(), width, height);
        Pyramid pyramid = Pyramid.of(picture, work);
        Look look = new Look(Look.Overlay.OUTLINES, 0);
        Layers layers = ran.readings()
                .map(r -> StateLayers.of(r.state(), pyramid, look, StateLayers.Palette.PLAIN))
                .orElseGet(() -> Layers.bare(pyramid, ran.run().sample().field()));
        return PictureWriter.pngBytes(width, height, StageComposer.compose(layers, tight, work));
    }
}
