package keentally.speed;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.TimeUnit;
import keentally.core.filter.Gaussian;
import keentally.core.label.Labeller;
import keentally.core.measure.Ground;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.method.Method;
import keentally.core.morphology.FillHoles;
import keentally.core.morphology.RemoveSpecks;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.run.Progress;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.setting.Values;
import keentally.core.stats.Histogram;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.core.threshold.Cut;
import keentally.core.threshold.rule.Otsu;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.ObjectColours;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.Viewport;
import keentally.core.work.Cancel;
import keentally.study.document.PictureRef;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureReader;
import keentally.study.picture.PictureWriter;
import keentally.study.result.BatchRun;
import keentally.study.result.PictureOrder;
import keentally.study.result.RunOrder;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;

/** Every operation that has a target, on 12 megapixels and two threads. Names of methods are the rows of the table. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class TwelveMegapixels extends TwoThreads {
    private PlaneF floats;
    private Plane8 bytes;
    private Plane16 shorts;
    private Mask mask;
    private Regions regions;
    private ObjectSet objects;
    private ObjectColours colours;
    private Picture painted;
    private Pyramid pyramid;
    private Runner warm;
    private Method method;
    private Sample sample;
    private double tick;
    private Path folder;
    private Path file;

    @Setup(Level.Trial)
    public void draw() throws IOException, FileFault, RunFault {
        floats = Drawn.floats(work);
        bytes = Drawn.bytes(floats);
        shorts = Drawn.shorts(floats);
        byte[] other = bytes.values().clone();
        for (int i = 0; i < other.length; i++) {
            other[i] = (byte) (other[i] / 2 + i % 50);
        }
        Plane8 shifted = Plane8.of(bytes.width(), bytes.height(), other);
        painted = Picture.colour(bytes, shifted, bytes);
        mask = Cut.bright(115).mask(bytes, field, work);
        regions = Labeller.regions(mask, Neighbours.EIGHT, work);
        objects = ObjectSet.of(regions);
        colours = ObjectColours.of(objects);
        pyramid = Pyramid.of(Picture.grey(bytes), work);
        method = Method.empty("speed", LengthUnit.PX);
        for (String step : List.of("smooth", "threshold", "fill-holes", "edge-objects", "gate")) {
            method = method.add(method.steps().size(), Steps.find(step).orElseThrow());
        }
        sample = Sample.of("drawn", Picture.grey(bytes), List.of(), Optional.empty());
        warm = new Runner(workers, new StateCache(1L << 30));
        whole(warm, method);
        folder = Files.createTempDirectory("speed");
        file = folder.resolve("drawn.png");
        PictureWriter.png(file, bytes);
    }

    @TearDown(Level.Trial)
    public void tidyFiles() throws IOException {
        try (var all = Files.walk(folder)) {
            all.sorted(Comparator.reverseOrder()).forEach(TwelveMegapixels::delete);
        }
    }

    private static void delete(Path path) {
        try {
            Files.delete(path);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The yardstick: 48 megabytes. */
    @Benchmark
    public float[] copyFloats() {
        return floats.values().clone();
    }

    @Benchmark
    public OptionalDouble histogramAndRules8() {
        return Otsu.cut(Histogram.of(bytes, field, work));
    }

    @Benchmark
    public OptionalDouble histogramAndRules16() {
        return Otsu.cut(Histogram.of(shorts, field, work));
    }

    @Benchmark
    public Mask threshold8() {
        return Cut.bright(115).mask(bytes, field, work);
    }

    @Benchmark
    public Mask threshold16() {
        return Cut.bright(23_000).mask(shorts, field, work);
    }

    @Benchmark
    public Mask thresholdFloat() {
        return Cut.bright(115).mask(floats, field, work);
    }

    @Benchmark
    public PlaneF gaussianSigma2() {
        return Gaussian.of(bytes, 2, work);
    }

    @Benchmark
    public PlaneF gaussianSigma20() {
        return Gaussian.of(bytes, 20, work);
    }

    @Benchmark
    public Regions label8() {
        return Labeller.regions(mask, Neighbours.EIGHT, work);
    }

    @Benchmark
    public Mask fillHoles() {
        return FillHoles.of(mask, field, Double.POSITIVE_INFINITY, work).mask();
    }

    @Benchmark
    public Mask removeSpecks() {
        return RemoveSpecks.of(mask, 16, Neighbours.EIGHT, work).mask();
    }

    @Benchmark
    public ObjectTable measures() {
        List<Measure> plain = Arrays.stream(Measure.values())
                .filter(m -> m.group() != Measure.Group.COLOUR && m != Measure.SKELETON_LENGTH)
                .toList();
        return ObjectTable.of(objects, plain, Ground.grey(bytes, field), work);
    }

    @Benchmark
    public ObjectTable measuresWithColourAndSkeleton() {
        return ObjectTable.of(objects, List.of(Measure.values()), new Ground(bytes, painted, field), work);
    }

    private Layers layers() {
        return Layers.of(pyramid, field, new Look(Look.Overlay.OUTLINES, 0.35))
                .with(mask)
                .with(objects, colours);
    }

    @Benchmark
    public int[] stageFitted() {
        Viewport view = Viewport.fit(Drawn.WIDTH, Drawn.HEIGHT, 770, 560);
        return StageComposer.compose(layers(), view, work);
    }

    /** Both of two views, one after the other; the desk paints them at the same time. */
    @Benchmark
    public int stageTwice() {
        Viewport view = Viewport.fit(Drawn.WIDTH, Drawn.HEIGHT, 385, 560);
        return StageComposer.compose(layers(), view, work).length + StageComposer.compose(layers(), view, work).length;
    }

    @Benchmark
    public int[] stageEnlarged() {
        return StageComposer.compose(layers(), new Viewport(1000, 1000, 3, 770, 560), work);
    }

    private Method moved() {
        StepDescription step = Steps.find("threshold").orElseThrow();
        tick = (tick + 1) % 40;
        Values values = Values.NONE
                .withTree(step.setting("rule").orElseThrow(), "manual")
                .withTree(step.setting("cut").orElseThrow(), 95 + tick);
        return method.with("threshold-1", values);
    }

    private Readings whole(Runner runner, Method what) throws RunFault {
        Run run = runner.run(what, sample, Integer.MAX_VALUE, new Cancel(), Progress.SILENT);
        return runner.readings(run, new Cancel());
    }

    /** What a drag shows: the mask of a moved cut, painted. */
    @Benchmark
    public int[] movedThresholdPainted() throws RunFault {
        Run run = warm.run(moved(), sample, 2, new Cancel(), Progress.SILENT);
        Layers layers = Layers.of(pyramid, field, new Look(Look.Overlay.TINT, 0.35))
                .with(run.last().needMask());
        return StageComposer.compose(layers, Viewport.fit(Drawn.WIDTH, Drawn.HEIGHT, 770, 560), work);
    }

    /** What follows it: mask, holes, labels, edge, gate and the table. */
    @Benchmark
    public Readings movedThresholdCounted() throws RunFault {
        return whole(warm, moved());
    }

    /** From the file to what the stage needs. */
    @Benchmark
    public Pyramid openPng() throws FileFault {
        return Pyramid.of(PictureReader.read(file).picture(), work);
    }

    /** {@code run} with all its files on one picture. */
    @Benchmark
    public int runAllFiles() throws FileFault {
        PictureOrder sample =
                new PictureOrder(Optional.empty(), PictureRef.of(file, 1), Optional.empty(), false, List.of());
        RunOrder order = new RunOrder(method, List.of(sample), folder.resolve("out"), 1, true);
        return BatchRun.run(order, workers, new Cancel(), BatchRun.Watcher.SILENT);
    }
}
