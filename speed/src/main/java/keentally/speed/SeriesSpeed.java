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
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import java.util.stream.Stream;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane8;
import keentally.core.step.References;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.samples.DemoSample;
import keentally.samples.DemoSamples;
import keentally.study.document.Calibration;
import keentally.study.document.PictureRef;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureWriter;
import keentally.study.series.SeriesRun;
import keentally.study.series.SeriesSample;
import keentally.study.store.PictureShelf;

/** A series of pictures of 4 megapixels with the starch method: how long, with how many cores, in how much memory. */
public final class SeriesSpeed {
    private static final int WIDTH = 2304;
    private static final int HEIGHT = 1744;
    private static final double MB = 1 << 20;

    private SeriesSpeed() {}

    /** @param words how many pictures */
    public static void main(String[] words) throws IOException, FileFault {
        int count = words.length > 0 ? Integer.parseInt(words[0]) : 100;
        Path folder = Files.createTempDirectory("series");
        try (Workers workers = Workers.of(Runtime.getRuntime().availableProcessors())) {
            Study study = study(folder, count, new Work(workers, new Cancel()));
            List<SeriesSample> all = study.samples().stream()
                    .map(id -> SeriesSample.of(study, id))
                    .toList();
            AtomicInteger failed = new AtomicInteger();
            long start = System.nanoTime();
            long cpu = cpu();
            pools().forEach(MemoryPoolMXBean::resetPeakUsage);
            SeriesRun.run(
                    all,
                    new PictureShelf(Optional.empty()),
                    References.NONE,
                    workers,
                    new Cancel(),
                    (sample, outcome, done) -> failed.addAndGet(outcome.row().isFailed() ? 1 : 0));
            double seconds = (System.nanoTime() - start) / 1e9;
            double peak = pools().mapToDouble(p -> p.getPeakUsage().getUsed()).sum() / MB;
            System.out.printf(
                    Locale.ROOT,
                    "%d pictures of %d x %d px: %.1f s, %.2f s each, %.2f cores used, %d failed;"
                            + " heap at most %.0f MB of %.0f MB%n",
                    count,
                    WIDTH,
                    HEIGHT,
                    seconds,
                    seconds / count,
                    (cpu() - cpu) / 1e9 / seconds,
                    failed.get(),
                    peak,
                    Runtime.getRuntime().maxMemory() / MB);
        } finally {
            try (Stream<Path> files = Files.walk(folder)) {
                for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
                    Files.delete(file);
                }
            }
        }
    }

    private static Stream<MemoryPoolMXBean> pools() {
        return ManagementFactory.getMemoryPoolMXBeans().stream().filter(p -> p.getType() == MemoryType.HEAP);
    }

    private static long cpu() {
        return ((com.sun.management.OperatingSystemMXBean) ManagementFactory.getOperatingSystemMXBean())
                .getProcessCpuTime();
    }

    private static Study study(Path folder, int count, Work work) throws FileFault {
        DemoSample starch = DemoSamples.all(work).stream()
                .map(Supplier::get)
                .filter(s -> s.id().equals("starch-granules"))
                .findFirst()
                .orElseThrow();
        Plane drawn = starch.picture().single().orElseThrow();
        Study study = Study.empty().with(Study.FIRST_METHOD, starch.method());
        for (int i = 0; i < count; i++) {
            Path file = folder.resolve("starch-" + i + ".png");
            PictureWriter.png(file, tiled(drawn, 37 * i));
            study = study.with(
                    "s" + (i + 1),
                    SampleThing.of("starch " + i, PictureRef.of(file, 1), Study.FIRST_METHOD)
                            .with(Optional.of(Calibration.typed(starch.scale()))));
        }
        return study;
    }

    /** The upper part of the picture, which has no caption, mirrored until it fills. @param shift to the left, in pixels */
    private static Plane8 tiled(Plane drawn, int shift) {
        int high = drawn.height() * 9 / 10;
        byte[] values = new byte[WIDTH * HEIGHT];
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                values[y * WIDTH + x] = (byte) drawn.at(mirrored(x + shift, drawn.width()), mirrored(y, high));
            }
        }
        return Plane8.of(WIDTH, HEIGHT, values);
    }

    private static int mirrored(int at, int size) {
        int in = at % (2 * size);
        return in < size ? in : 2 * size - 1 - in;
    }
}
