package keentally.study.picture;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.SplittableRandom;
import javax.imageio.ImageIO;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.study.file.WholeFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Pictures of several bands come back with the same pixels, and have the same bytes whoever packed them. */
class PictureWriterTest {
    private static final int WIDTH = 1501;
    private static final int HEIGHT = 1203;

    @TempDir
    private Path folder;

    private final SplittableRandom random = new SplittableRandom(5);

    /** Even, as the row above, rising along the row, and noise. */
    private int value(int x, int y, int most) {
        return switch (y / 50 % 4) {
            case 0 -> 7;
            case 1 -> x * 31 % most;
            case 2 -> x % most;
            default -> random.nextInt(most);
        };
    }

    private Plane8 bytes() {
        byte[] values = new byte[WIDTH * HEIGHT];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) value(i % WIDTH, i / WIDTH, 256);
        }
        return Plane8.of(WIDTH, HEIGHT, values);
    }

    private Plane16 shorts() {
        short[] values = new short[WIDTH * HEIGHT];
        for (int i = 0; i < values.length; i++) {
            values[i] = (short) value(i % WIDTH, i / WIDTH, 65536);
        }
        return Plane16.of(WIDTH, HEIGHT, values);
    }

    private static byte[] written(WholeFile.Writer writer) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        writer.write(out);
        return out.toByteArray();
    }

    private Picture back(String name, byte[] file) throws Exception {
        Path path = folder.resolve(name);
        Files.write(path, file);
        return PictureReader.read(path).picture();
    }

    private static void same(Plane is, Plane was) {
        assertThat(is.depth()).isEqualTo(was.depth());
        for (int y = 0; y < was.height(); y++) {
            for (int x = 0; x < was.width(); x++) {
                if (is.at(x, y) != was.at(x, y)) {
                    assertThat(is.at(x, y)).as("%d, %d", x, y).isEqualTo(was.at(x, y));
                }
            }
        }
    }

    @Test
    void anyNumberOfHandsWritesTheSameBytesAndTheyComeBack() throws Exception {
        try (Workers workers = Workers.of(3)) {
            Work three = new Work(workers, new Cancel());
            for (Plane plane : new Plane[] {bytes(), shorts()}) {
                byte[] png = written(PictureWriter.png(plane, Work.alone()));
                assertThat(written(PictureWriter.png(plane, three))).isEqualTo(png);
                same(back("a.png", png).channels().getFirst().plane(), plane);
                byte[] tiff = written(PictureWriter.tiff(Picture.grey(plane), Work.alone()));
                assertThat(written(PictureWriter.tiff(Picture.grey(plane), three)))
                        .isEqualTo(tiff);
                same(back("a.tif", tiff).channels().getFirst().plane(), plane);
            }
            Picture colour = Picture.colour(shorts(), shorts(), shorts());
            Picture read = back("c.tif", written(PictureWriter.tiff(colour, three)));
            for (int c = 0; c < 3; c++) {
                same(read.channels().get(c).plane(), colour.channels().get(c).plane());
            }
        }
    }

    @Test
    void numbersOf32BitsAndFloatsComeBack() throws Exception {
        float[] floats = new float[WIDTH * HEIGHT];
        for (int i = 0; i < floats.length; i++) {
            floats[i] = (float) random.nextGaussian();
        }
        PlaneF plane = PlaneF.of(WIDTH, HEIGHT, floats);
        same(
                back("f.tif", written(PictureWriter.tiff(Picture.grey(plane), Work.alone())))
                        .channels()
                        .getFirst()
                        .plane(),
                plane);
        int[] numbers = random.ints((long) WIDTH * HEIGHT, 0, 300_000).toArray();
        BufferedImage image = ImageIO.read(
                new ByteArrayInputStream(written(PictureWriter.tiff(WIDTH, HEIGHT, numbers, Work.alone()))));
        assertThat(image.getRaster().getSamples(0, 0, WIDTH, HEIGHT, 0, (int[]) null))
                .isEqualTo(numbers);
    }

    /** More bands than are packed before the first are written. */
    @Test
    void coloursComeBack() throws Exception {
        int width = 2 * WIDTH;
        int height = 4 * HEIGHT;
        int[] colours = random.ints((long) width * height, 0, 1 << 24).toArray();
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(PictureWriter.pngBytes(width, height, colours)));
        int[] read = image.getRGB(0, 0, width, height, null, 0, width);
        for (int i = 0; i < read.length; i++) {
            if ((read[i] & 0xffffff) != colours[i]) {
                assertThat(read[i] & 0xffffff).as("%d", i).isEqualTo(colours[i]);
            }
        }
    }
}
