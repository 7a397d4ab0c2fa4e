package keentally.speed;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.run.Progress;
import keentally.study.document.Calibration;
import keentally.study.document.PictureRef;
import keentally.study.document.SlideLabel;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureWriter;
import keentally.study.report.PdfReport;
import keentally.study.report.Report;
import keentally.study.report.ReportMaterial;
import keentally.study.report.ReportPages;
import keentally.study.report.ReportRun;
import keentally.study.report.ReportSource;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;

/** A report of about 40 pages, of 90 pictures: its samples run, and laid out on pages once they are. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class Reporting extends TwoThreads {
    private static final int SAMPLES = 90;
    private static final int WIDTH = 640;
    private static final int HEIGHT = 480;

    private Path folder;
    private Study study;
    private ReportMaterial material;

    /** Dots of several sizes on noise. */
    @Setup(Level.Trial)
    public void samples() throws IOException, FileFault, MethodFault {
        folder = Files.createTempDirectory("speed");
        Method method = Method.empty("Dots", LengthUnit.UM)
                .then("smooth", "sigma", "1 px")
                .then("threshold", "rule", "otsu")
                .then("remove-specks", "below", "9 px2");
        study = Study.empty().with(Study.FIRST_METHOD, method);
        SplittableRandom random = new SplittableRandom(7);
        for (int s = 0; s < SAMPLES; s++) {
            byte[] values = new byte[WIDTH * HEIGHT];
            for (int i = 0; i < values.length; i++) {
                boolean dot = i / WIDTH % 24 < 6 + s % 9 && i % WIDTH % 24 < 8 + s % 7;
                values[i] = (byte) (random.nextInt(40) + (dot ? 160 : 20));
            }
            Path file = folder.resolve("p" + s + ".png");
            PictureWriter.png(file, Plane8.of(WIDTH, HEIGHT, values));
            study = study.with(
                    "s" + (s + 1),
                    SampleThing.of("sample " + s, PictureRef.of(file, 1), Study.FIRST_METHOD)
                            .with(Optional.of(Calibration.typed(Scale.of("2 um/px"))))
                            .with(SlideLabel.of("sample " + s).tagged("group " + s % 6, Optional.empty())));
        }
        material = gatherReport();
        try (ReportPages pages = new ReportPages(layOutReport())) {
            System.out.println("pages: " + pages.count());
        }
    }

    @TearDown(Level.Trial)
    public void tidyFiles() throws IOException {
        try (var all = Files.list(folder)) {
            for (Path file : all.toList()) {
                Files.delete(file);
            }
        }
        Files.delete(folder);
    }

    /** Runs all samples anew. */
    @Benchmark
    public ReportMaterial gatherReport() throws FileFault {
        return new ReportRun().of(ReportSource.of("Dots", study, LocalDate.of(2026, 11, 30)), work, Progress.SILENT);
    }

    /** From what is gathered to the bytes of the file. */
    @Benchmark
    public byte[] layOutReport() {
        return PdfReport.bytes(Report.of(material));
    }
}
