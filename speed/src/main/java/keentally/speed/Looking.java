package keentally.speed;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import keentally.core.find.Caption;
import keentally.core.find.CaptionFinder;
import keentally.core.find.EvenLight;
import keentally.core.find.RoundField;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.stats.Histogram;
import keentally.core.threshold.Cut;
import keentally.core.threshold.rule.Otsu;
import keentally.core.view.Layers;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.Viewport;
import keentally.study.document.PictureRef;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureReader;
import keentally.study.picture.PictureWriter;
import keentally.study.store.StudyFile;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;

/** Opening, looking, fencing off: a 12-megapixel photo, a 100-megapixel micrograph of 16 bits, a study of 500 samples. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class Looking extends TwoThreads {
    private static final int LARGE = 10_000;
    private static final int SAMPLES = 500;
    private static final Viewport WINDOW = new Viewport(0, 0, 1, 720, 560);

    private Path folder;
    private Path jpeg;
    private Path tiff;
    private Path study;
    private Picture photo;
    private Picture large;
    private Pyramid largePyramid;
    private int turn;

    @Setup(Level.Trial)
    public void draw() throws IOException, FileFault {
        folder = Files.createTempDirectory("speed");
        Plane8 bytes = Drawn.bytes(Drawn.floats(work));
        BufferedImage image = new BufferedImage(Drawn.WIDTH, Drawn.HEIGHT, BufferedImage.TYPE_INT_RGB);
        int[] row = new int[Drawn.WIDTH];
        for (int y = 0; y < Drawn.HEIGHT; y++) {
            for (int x = 0; x < Drawn.WIDTH; x++) {
                int v = (int) bytes.at(x, y);
                row[x] = v << 16 | v * 3 / 4 << 8 | v / 2;
            }
            image.setRGB(0, y, Drawn.WIDTH, 1, row, 0, Drawn.WIDTH);
        }
        jpeg = folder.resolve("photo.jpg");
        ImageIO.write(image, "jpeg", jpeg.toFile());
        photo = PictureReader.read(jpeg).picture();
        short[] values = new short[LARGE * LARGE];
        for (int i = 0; i < values.length; i++) {
            int x = i % LARGE;
            int y = i / LARGE;
            values[i] =
                    (short) (9000 + (int) bytes.at(x % Drawn.WIDTH, y % Drawn.HEIGHT) * 150 + (x * 31 + y * 17) % 90);
        }
        tiff = folder.resolve("large.tif");
        large = Picture.grey(Plane16.of(LARGE, LARGE, values));
        PictureWriter.tiff(tiff, large);
        largePyramid = Pyramid.of(large, work);
        Study all = Study.empty();
        for (int i = 0; i < SAMPLES; i++) {
            PictureRef picture = PictureRef.of(folder.resolve("picture-" + i + ".png"), 1);
            all = all.with(all.newSampleId(), SampleThing.of("sample " + i, picture, Study.FIRST_METHOD));
        }
        study = folder.resolve("large.tally");
        StudyFile.create(study, all, StudyFile.Watch.SILENT).close();
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

    /** From the file to the first picture in the window. */
    @Benchmark
    public int[] openJpeg() throws FileFault {
        Picture picture = PictureReader.read(jpeg).picture();
        Viewport view = Viewport.fit(picture.width(), picture.height(), WINDOW.width(), WINDOW.height());
        Field whole = Field.whole(picture.width(), picture.height());
        return StageComposer.compose(Layers.bare(Pyramid.of(picture, work), whole), view, work);
    }

    /** From the file to the first picture in the window. */
    @Benchmark
    public int[] openLargeTiff() throws FileFault {
        Picture picture = PictureReader.read(tiff).picture();
        Viewport view = Viewport.fit(LARGE, LARGE, WINDOW.width(), WINDOW.height());
        return StageComposer.compose(Layers.bare(Pyramid.of(picture, work), Field.whole(LARGE, LARGE)), view, work);
    }

    @Benchmark
    public int[] panLarge() {
        turn++;
        double zoom = turn % 3 == 0 ? 0.056 : turn % 3 == 1 ? 0.4 : 3;
        Viewport view = new Viewport(200 + turn % 90, 300 + turn % 70, zoom, WINDOW.width(), WINDOW.height());
        return StageComposer.compose(Layers.bare(largePyramid, Field.whole(LARGE, LARGE)), view, work);
    }

    @Benchmark
    public Mask cutLarge() {
        Field whole = Field.whole(LARGE, LARGE);
        var plane = large.single().orElseThrow();
        double cut = Otsu.cut(Histogram.of(plane, whole, work)).orElseThrow();
        return Cut.bright(cut).mask(plane, whole, work);
    }

    @Benchmark
    public Study openStudy() throws FileFault {
        try (StudyFile file = StudyFile.open(study, StudyFile.Watch.SILENT)) {
            return file.history().study();
        }
    }

    @Benchmark
    public Optional<RoundField.Fit> findRoundField() {
        return RoundField.find(photo, work);
    }

    @Benchmark
    public Caption findCaption() {
        return CaptionFinder.find(photo, work);
    }

    @Benchmark
    public Optional<Double> evenLight() {
        return EvenLight.variation(
                photo.channels().getFirst().plane(), Field.whole(photo.width(), photo.height()), work);
    }

    /** A freehand field of 400 corners. */
    @Benchmark
    public Field freehandField() {
        Point[] corners = new Point[400];
        for (int i = 0; i < corners.length; i++) {
            double angle = 2 * Math.PI * i / corners.length;
            double r = 1200 + 90 * Math.sin(9 * angle);
            corners[i] = new Point(2000 + r * Math.cos(angle), 1500 + r * Math.sin(angle));
        }
        return Field.of(Drawn.WIDTH, Drawn.HEIGHT, List.of(new Field.Part(new Polygon(List.of(corners)), false)));
    }
}
