package keentally.speed;

import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.run.Progress;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.step.Steps;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.Viewport;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.study.document.PictureRef;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureReader;
import keentally.study.picture.PictureWriter;
import keentally.study.result.BatchRun;
import keentally.study.result.PictureOrder;
import keentally.study.result.RunOrder;

/**
 * Whether large pictures go through in the memory that this process was given: 100 megapixels of 16 bits from the file to all result files,
 * and 400 megapixels of 8 bits opened, panned, cut and counted. Tells the time and the most memory in use, garbage included.
 */
public final class Large {
    /** A tile of so many pixels and discs is drawn and laid out again and again. */
    private static final int TILE = 2000;

    private static final int DISCS = 32;
    private static final int SIXTEEN = 5;
    private static final int EIGHT = 10;
    private static final double MIB = 1 << 20;

    private final Path folder;
    private final Workers workers = Workers.of(2);
    private final Work work = new Work(workers, new Cancel());

    private Large(Path folder) {
        this.folder = folder;
    }

    public static void main(String[] words) throws IOException, FileFault, RunFault {
        Path folder = Files.createTempDirectory("speed");
        try {
            Large large = new Large(folder);
            System.out.printf(
                    Locale.ROOT,
                    "%nIn %.0f MB of heap:%n%n| what is done | found | s | most in use, MB |%n| --- | ---: | ---: | ---: |%n",
                    Runtime.getRuntime().maxMemory() / MIB);
            large.sixteenBits();
            large.eightBits();
        } finally {
            try (var all = Files.walk(folder)) {
                for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
                    Files.delete(path);
                }
            }
        }
        System.exit(0); // threads of workers may still wait
    }

    private void sixteenBits() throws FileFault, RunFault {
        Path file = folder.resolve("sixteen.tif");
        int side = SIXTEEN * TILE;
        short[] tile =
                Drawn.shorts(Drawn.floats(TILE, TILE, DISCS, DISCS, work)).values();
        short[] values = new short[side * side];
        for (int y = 0; y < side; y++) {
            for (int x = 0; x < side; x += TILE) {
                System.arraycopy(tile, y % TILE * TILE, values, y * side + x, TILE);
            }
        }
        PictureWriter.tiff(file, Picture.grey(Plane16.of(side, side, values)));
        told("100 megapixels, 16 bits: read, smoothed, cut, split, measured, all files written", () -> run(file));
    }

    private String run(Path file) throws FileFault {
        PictureOrder sample =
                new PictureOrder(Optional.empty(), PictureRef.of(file, 1), Optional.empty(), false, List.of());
        RunOrder order = new RunOrder(
                method("smooth", "threshold", "split-touching"), List.of(sample), folder.resolve("out"), 1, true);
        int code = BatchRun.run(order, workers, new Cancel(), BatchRun.Watcher.SILENT);
        if (code != 0) {
            throw new IllegalStateException("the run ended with " + code);
        }
        try (var lines = Files.lines(folder.resolve("out/objects.csv"))) {
            return (lines.count() - 1) + " of " + SIXTEEN * SIXTEEN * DISCS * DISCS;
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private void eightBits() throws FileFault, RunFault {
        Path file = folder.resolve("eight.tif");
        write(file);
        Opened opened = new Opened();
        told("400 megapixels, 8 bits: opened, to the picture in the window", () -> {
            Picture picture = PictureReader.read(file).picture();
            opened.picture = picture;
            opened.pyramid = Pyramid.of(picture, work);
            return seen(
                    opened, new Look(Look.Overlay.BARE, 0), Viewport.fit(picture.width(), picture.height(), 900, 700));
        });
        told("... panned, a hundred views", () -> {
            for (int i = 0; i < 100; i++) {
                seen(
                        opened,
                        new Look(Look.Overlay.BARE, 0),
                        new Viewport(190 * i, 170 * i, i % 2 == 0 ? 1 : 0.2, 900, 700));
            }
            return "";
        });
        Sample sample = Sample.of("eight", opened.picture, List.of(), Optional.empty());
        Runner runner = new Runner(workers, StateCache.ofUsualSize());
        told("... cut and counted", () -> {
            Run run = runner.run(method("threshold"), sample, Integer.MAX_VALUE, new Cancel(), Progress.SILENT);
            int count = runner.ending(run, new Cancel()).needObjects().count();
            return count + " of " + EIGHT * EIGHT * DISCS * DISCS;
        });
    }

    private void write(Path file) throws FileFault {
        int side = EIGHT * TILE;
        byte[] tile = Drawn.bytes(Drawn.floats(TILE, TILE, DISCS, DISCS, work)).values();
        byte[] values = new byte[side * side];
        for (int y = 0; y < side; y++) {
            for (int x = 0; x < side; x += TILE) {
                System.arraycopy(tile, y % TILE * TILE, values, y * side + x, TILE);
            }
        }
        PictureWriter.tiff(file, Picture.grey(Plane8.of(side, side, values)));
    }

    private String seen(Opened opened, Look look, Viewport view) {
        Field whole = Field.whole(opened.picture.width(), opened.picture.height());
        return StageComposer.compose(Layers.of(opened.pyramid, whole, look), view, work).length == 0 ? "nothing" : "";
    }

    private static Method method(String... steps) {
        Method method = Method.empty("large", LengthUnit.PX);
        for (String step : steps) {
            method = method.add(method.steps().size(), Steps.find(step).orElseThrow());
        }
        return method;
    }

    /** A picture on the stage. */
    private static final class Opened {
        private Picture picture;
        private Pyramid pyramid;
    }

    @FunctionalInterface
    private interface Deed {
        String done() throws FileFault, RunFault;
    }

    private static void told(String what, Deed deed) throws FileFault, RunFault {
        List<MemoryPoolMXBean> heap = ManagementFactory.getMemoryPoolMXBeans().stream()
                .filter(pool -> pool.getType() == MemoryType.HEAP)
                .toList();
        System.gc();
        heap.forEach(MemoryPoolMXBean::resetPeakUsage);
        long start = System.nanoTime();
        String found = deed.done();
        double seconds = (System.nanoTime() - start) / 1e9;
        double most =
                heap.stream().mapToLong(pool -> pool.getPeakUsage().getUsed()).sum() / MIB;
        System.out.printf(Locale.ROOT, "| %s | %s | %.1f | %.0f |%n", what, found, seconds, most);
    }
}
