package keentally.study.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.SplittableRandom;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import keentally.core.picture.Depth;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.study.file.FileFault;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PictureReaderTest {
    @TempDir
    private Path folder;

    private static Plane8 plane8(int seed) {
        byte[] values = new byte[37 * 21];
        new SplittableRandom(seed).nextBytes(values);
        return Plane8.of(37, 21, values);
    }

    private static Plane16 plane16() {
        short[] values = new short[37 * 21];
        SplittableRandom random = new SplittableRandom(5);
        for (int i = 0; i < values.length; i++) {
            values[i] = (short) random.nextInt(65536);
        }
        return Plane16.of(37, 21, values);
    }

    private static void same(Plane found, Plane expected) {
        assertThat(found.depth()).isEqualTo(expected.depth());
        for (int y = 0; y < expected.height(); y++) {
            for (int x = 0; x < expected.width(); x++) {
                assertThat(found.at(x, y)).isEqualTo(expected.at(x, y));
            }
        }
    }

    @Test
    void greyComesBackAtItsDepth() throws FileFault {
        float[] floats = {-3000, 0.5f, 1e9f, 4, 5, 6, 7, -8.25f, 9, 10, 11, 12};
        PictureWriter.png(folder.resolve("8.png"), plane8(1));
        PictureWriter.png(folder.resolve("16.png"), plane16());
        PictureWriter.tiff(folder.resolve("16.tif"), Picture.grey(plane16()));
        PictureWriter.tiff(folder.resolve("f.tif"), Picture.grey(PlaneF.of(4, 3, floats)));
        same(PictureReader.read(folder.resolve("8.png")).picture().single().orElseThrow(), plane8(1));
        same(PictureReader.read(folder.resolve("16.png")).picture().single().orElseThrow(), plane16());
        same(PictureReader.read(folder.resolve("16.tif")).picture().single().orElseThrow(), plane16());
        same(PictureReader.read(folder.resolve("f.tif")).picture().single().orElseThrow(), PlaneF.of(4, 3, floats));
    }

    @Test
    void colourComesBackChannelByChannel() throws FileFault {
        Picture colour = Picture.colour(plane8(1), plane8(2), plane8(3));
        PictureWriter.tiff(folder.resolve("c.tif"), colour);
        Picture found = PictureReader.read(folder.resolve("c.tif")).picture();
        assertThat(found.isColour()).isTrue();
        for (int i = 0; i < 3; i++) {
            same(found.channels().get(i).plane(), colour.channels().get(i).plane());
        }
    }

    /** Large enough to be read by two decoders, each half of the rows. */
    @Test
    void aLargeTiffComesBackWholeAndDamageInEitherHalfIsSeen() throws IOException, FileFault {
        int width = 2000;
        int height = 2101;
        byte[] values = new byte[width * height];
        new SplittableRandom(7).nextBytes(values);
        Plane8 grey = Plane8.of(width, height, values);
        Path file = folder.resolve("large.tif");
        PictureWriter.tiff(file, Picture.grey(grey));
        same(PictureReader.read(file).picture().single().orElseThrow(), grey);
        Picture colour = Picture.colour(grey, Plane8.of(width, height, new byte[values.length]), grey);
        PictureWriter.tiff(file, colour);
        Picture found = PictureReader.read(file).picture();
        for (int i = 0; i < 3; i++) {
            same(found.channels().get(i).plane(), colour.channels().get(i).plane());
        }
        byte[] bytes = Files.readAllBytes(file);
        for (double at : new double[] {0.2, 0.8}) {
            byte[] damaged = bytes.clone();
            Arrays.fill(damaged, (int) (bytes.length * at), (int) (bytes.length * at) + 5000, (byte) 0x5a);
            Files.write(file, damaged);
            assertThatThrownBy(() -> PictureReader.read(file))
                    .isInstanceOf(FileFault.class)
                    .hasMessageStartingWith(file.toString())
                    .hasMessageEndingWith(".");
        }
    }

    @Test
    void labelMapsAreWholeNumbersOf32Bits() throws IOException, FileFault {
        int[] labels = {0, 1, 70000, 2_000_000_000, 5, 6};
        PictureWriter.tiff(folder.resolve("l.tif"), 3, 2, labels);
        BufferedImage image = ImageIO.read(folder.resolve("l.tif").toFile());
        assertThat(image.getSampleModel().getSampleSize(0)).isEqualTo(32);
        for (int i = 0; i < labels.length; i++) {
            assertThat(image.getRaster().getSample(i % 3, i / 3, 0)).isEqualTo(labels[i]);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"png", "gif", "bmp", "jpg", "tif"})
    void palettesBitsAndTransparencyAreSpreadOut(String ending) throws IOException, FileFault {
        BufferedImage image = new BufferedImage(16, 16, BufferedImage.TYPE_INT_RGB);
        var pen = image.createGraphics();
        pen.setColor(new Color(200, 40, 40));
        pen.fillRect(0, 0, 16, 16);
        Path file = folder.resolve("a." + ending);
        ImageIO.write(image, ending.equals("tif") ? "tiff" : ending, file.toFile());
        Picture picture = PictureReader.read(file).picture();
        assertThat(picture.isColour()).isTrue();
        assertThat(picture.channel("red").orElseThrow().at(8, 8)).isBetween(195f, 205f);
        assertThat(picture.channel("blue").orElseThrow().at(8, 8)).isBetween(35f, 45f);
    }

    @Test
    void transparentPixelsAreLaidOnWhite() throws IOException, FileFault {
        BufferedImage image = new BufferedImage(3, 1, BufferedImage.TYPE_INT_ARGB);
        image.setRGB(0, 0, 0x00ff0000);
        image.setRGB(1, 0, 0xff102030);
        image.setRGB(2, 0, 0x80000000);
        ImageIO.write(image, "png", folder.resolve("t.png").toFile());
        Plane red = PictureReader.read(folder.resolve("t.png"))
                .picture()
                .channel("red")
                .orElseThrow();
        assertThat(red.at(0, 0)).isEqualTo(255);
        assertThat(red.at(1, 0)).isEqualTo(16);
        assertThat(red.at(2, 0)).isBetween(126f, 128f);
    }

    @Test
    void oneBitPicturesAreBlackAndWhite() throws IOException, FileFault {
        BufferedImage bits = new BufferedImage(9, 2, BufferedImage.TYPE_BYTE_BINARY);
        bits.setRGB(4, 1, 0xffffffff);
        ImageIO.write(bits, "png", folder.resolve("b.png").toFile());
        Plane plane =
                PictureReader.read(folder.resolve("b.png")).picture().single().orElseThrow();
        assertThat(plane.at(4, 1)).isEqualTo(255);
        assertThat(plane.at(3, 1)).isZero();
        assertThat(plane.depth()).isEqualTo(Depth.BITS_8);
    }

    @Test
    void plainGreyMapsAreRead() throws IOException, FileFault {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        file.write("P5\n4 2\n255\n".getBytes(StandardCharsets.US_ASCII));
        file.write(new byte[] {1, 2, 3, 4, 5, 6, 7, (byte) 200});
        Files.write(folder.resolve("p.pgm"), file.toByteArray());
        Plane plane =
                PictureReader.read(folder.resolve("p.pgm")).picture().single().orElseThrow();
        assertThat(plane.at(3, 1)).isEqualTo(200);
        assertThat(plane.at(0, 0)).isEqualTo(1);
    }

    @ParameterizedTest
    @ValueSource(strings = {"png", "jpg", "tif", "gif", "bmp"})
    void aFileCutShortIsAFaultThatNamesIt(String ending) throws IOException {
        BufferedImage image = new BufferedImage(200, 150, BufferedImage.TYPE_INT_RGB);
        SplittableRandom random = new SplittableRandom(4);
        for (int i = 0; i < 200 * 150; i++) {
            image.setRGB(i % 200, i / 200, random.nextInt());
        }
        Path whole = folder.resolve("whole." + ending);
        ImageIO.write(image, ending.equals("tif") ? "tiff" : ending, whole.toFile());
        byte[] bytes = Files.readAllBytes(whole);
        for (double share : new double[] {0.02, 0.3, 0.6, 0.95}) {
            Path cut = folder.resolve("cut." + ending);
            Files.write(cut, Arrays.copyOf(bytes, (int) (bytes.length * share)));
            assertThatThrownBy(() -> PictureReader.read(cut))
                    .as("%s cut at %.2f", ending, share)
                    .isInstanceOf(FileFault.class)
                    .hasMessageStartingWith(cut.toString())
                    .hasMessageEndingWith(".");
        }
    }

    @Test
    void whatIsNoPictureIsSaid() throws IOException, FileFault {
        Files.writeString(folder.resolve("note.png"), "this is a letter");
        Files.write(folder.resolve("empty.tif"), new byte[0]);
        assertThatThrownBy(() -> PictureReader.read(folder.resolve("note.png")))
                .hasMessageContaining("note.png is no picture that can be read: convert it to PNG, JPEG, TIFF, BMP");
        assertThatThrownBy(() -> PictureReader.read(folder.resolve("empty.tif")))
                .hasMessageEndingWith("empty.tif is empty.");
        assertThatThrownBy(() -> PictureReader.read(folder.resolve("none.png")))
                .hasMessageEndingWith("none.png does not exist.");
        assertThatThrownBy(() -> PictureReader.read(folder)).hasMessageContaining("is a folder");
        PictureWriter.png(folder.resolve("one.png"), plane8(1));
        assertThatThrownBy(() -> PictureReader.read(folder.resolve("one.png"), 2))
                .hasMessageContaining("has 1 page, but page 2");
    }

    @Test
    void aBombIsRefusedByItsHeader() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        DataOutputStream out = new DataOutputStream(bytes);
        out.write(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10});
        byte[] head = ByteBuffer.allocate(13)
                .putInt(1_000_000)
                .putInt(1_000_000)
                .put(new byte[] {8, 0, 0, 0, 0})
                .array();
        chunk(out, "IHDR", head);
        chunk(out, "IDAT", new byte[] {0x78, (byte) 0x9c, 0x03, 0, 0, 0, 0, 1});
        chunk(out, "IEND", new byte[0]);
        Path bomb = folder.resolve("bomb.png");
        Files.write(bomb, bytes.toByteArray());
        assertThatThrownBy(() -> PictureReader.read(bomb))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("says that it is 1000000 × 1000000 pixels")
                .hasMessageContaining("it cannot hold a picture of that size");
    }

    private static void chunk(DataOutputStream out, String name, byte[] data) throws IOException {
        byte[] type = name.getBytes(StandardCharsets.US_ASCII);
        CRC32 crc = new CRC32();
        crc.update(type);
        crc.update(data);
        out.writeInt(data.length);
        out.write(type);
        out.write(data);
        out.writeInt((int) crc.getValue());
    }

    /** A JPEG whose camera noted how it was held, as the Exif standard (JEITA CP-3451, 4.6.4) lays it down. */
    @Test
    void aCamerasOrientationIsFollowedAndSaid() throws IOException, FileFault {
        BufferedImage image = new BufferedImage(48, 32, BufferedImage.TYPE_BYTE_GRAY);
        for (int y = 0; y < 8; y++) {
            for (int x = 0; x < 8; x++) {
                image.getRaster().setSample(x, y, 0, 250);
            }
        }
        ByteArrayOutputStream plain = new ByteArrayOutputStream();
        ImageIO.write(image, "jpeg", plain);
        byte[] exif = {
            (byte) 0xff,
            (byte) 0xe1,
            0,
            34,
            'E',
            'x',
            'i',
            'f',
            0,
            0,
            'I',
            'I',
            42,
            0,
            8,
            0,
            0,
            0,
            1,
            0,
            0x12,
            1,
            3,
            0,
            1,
            0,
            0,
            0,
            6,
            0,
            0,
            0,
            0,
            0,
            0,
            0
        };
        ByteArrayOutputStream turned = new ByteArrayOutputStream();
        turned.write(plain.toByteArray(), 0, 2);
        turned.write(exif);
        turned.write(plain.toByteArray(), 2, plain.size() - 2);
        Path file = folder.resolve("held.jpg");
        Files.write(file, turned.toByteArray());
        PictureFile found = PictureReader.read(file);
        assertThat(found.picture().width()).isEqualTo(32);
        assertThat(found.picture().height()).isEqualTo(48);
        // what was at the upper left is at the upper right once the picture is turned clockwise
        assertThat(found.picture().channels().getFirst().plane().at(28, 3)).isGreaterThan(200);
        assertThat(found.facts().remarks()).contains("Turned upright, as the camera noted it (orientation 6).");
    }
}
