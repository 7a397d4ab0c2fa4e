package keentally.study.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import keentally.core.picture.Channel;
import keentally.core.picture.Depth;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.quantity.Scale;
import keentally.study.file.FileFault;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Files written by Debian's picture converter (package imagemagick, which {@code ./check} installs) come back as they are. */
class OtherSoftwareTest {
    private static final String CONVERTER = "convert-im6.q16";
    private static final int WIDTH = 45;
    private static final int HEIGHT = 29;

    @TempDir
    private Path folder;

    private static Plane8 plane8(int by) {
        byte[] values = new byte[WIDTH * HEIGHT];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) (i % WIDTH * 5 + i / WIDTH * by);
        }
        return Plane8.of(WIDTH, HEIGHT, values);
    }

    private static Plane16 plane16(int by) {
        short[] values = new short[WIDTH * HEIGHT];
        for (int i = 0; i < values.length; i++) {
            values[i] = (short) (i % WIDTH * 1301 + i / WIDTH * by);
        }
        return Plane16.of(WIDTH, HEIGHT, values);
    }

    private static void convert(Object... words) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of(CONVERTER));
        for (Object word : words) {
            command.add(word.toString());
        }
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes());
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).as(said).isZero();
    }

    private Path converted(Picture picture, String name, String options) throws Exception {
        Path from = folder.resolve("from.tif");
        PictureWriter.tiff(from, picture);
        Path to = folder.resolve(name);
        List<Object> words = new ArrayList<>(List.of(from));
        words.addAll(options.isBlank() ? List.of() : List.of(options.strip().split("\\s+")));
        words.add(to.toString().endsWith(".big") ? "TIFF64:" + to : to);
        convert(words.toArray());
        return to;
    }

    private static void near(Plane found, Plane expected, double most) {
        assertThat(found.width()).isEqualTo(expected.width());
        assertThat(found.height()).isEqualTo(expected.height());
        double worst = 0;
        for (int y = 0; y < expected.height(); y++) {
            for (int x = 0; x < expected.width(); x++) {
                worst = Math.max(worst, Math.abs(found.at(x, y) - expected.at(x, y)));
            }
        }
        assertThat(worst).isLessThanOrEqualTo(most);
    }

    @ParameterizedTest
    @CsvSource({
        "g.png, '', 0",
        "g.tif, -compress lzw, 0",
        "g2.tif, -compress zip, 0",
        "g3.tif, -compress none -define tiff:tile-geometry=16x16, 0",
        "g4.tif, -compress none -endian msb, 0",
        "g5.tif, -define quantum:polarity=min-is-white, 0",
        "g6.big, '', 0",
        "g.pgm, '', 0",
        "g2.pgm, -compress none, 0",
        "g.bmp, '', 0",
        "g.gif, '', 6",
        "g.jpg, -quality 98, 6",
        "g.webp, -define webp:lossless=true, 0",
    })
    void greyOfEightBits(String name, String options, double most) throws Exception {
        Plane8 plane = plane8(3);
        Picture found = PictureReader.read(converted(Picture.grey(plane), name, options))
                .picture();
        assertThat(found.depth()).isEqualTo(Depth.BITS_8);
        near(found.channels().getFirst().plane(), plane, most);
    }

    @ParameterizedTest
    @CsvSource({"g.png, ''", "g.tif, -compress lzw", "g2.tif, -endian msb", "g3.big, ''", "g.pgm, ''"})
    void greyOfSixteenBitsIsNotSqueezed(String name, String options) throws Exception {
        Plane16 plane = plane16(977);
        Picture found = PictureReader.read(converted(Picture.grey(plane), name, options + " -depth 16"))
                .picture();
        assertThat(found.depth()).isEqualTo(Depth.BITS_16);
        near(found.single().orElseThrow(), plane, 0);
    }

    @Test
    void floatingPointStaysFloatingPoint() throws Exception {
        Plane16 plane = plane16(977);
        Path file = converted(
                Picture.grey(plane),
                "f.tif",
                "-define tiff:predictor=1 -compress lzw -depth 32 -define quantum:format=floating-point");
        Picture found = PictureReader.read(file).picture();
        assertThat(found.depth()).isEqualTo(Depth.FLOAT);
        // the converter stores 0 to 1
        assertThat(found.single().orElseThrow().at(3, 2) * 65535)
                .isBetween(plane.at(3, 2) - 0.1f, plane.at(3, 2) + 0.1f);
    }

    @ParameterizedTest
    @CsvSource({
        "c.png, '', 0, 8",
        "c.tif, -compress lzw, 0, 8",
        "c2.tif, -interlace plane -compress none, 0, 8",
        "c.ppm, '', 0, 8",
        "c2.ppm, -compress none, 0, 8",
        "c.bmp, '', 0, 8",
        "c.webp, -define webp:lossless=true, 0, 8",
        "c.jpg, -quality 100 -sampling-factor 1x1, 6, 8",
    })
    void colour(String name, String options, double most, int bits) throws Exception {
        Picture colour = Picture.colour(plane8(1), plane8(4), plane8(7));
        Picture found = PictureReader.read(converted(colour, name, options)).picture();
        assertThat(found.depth().bits()).isEqualTo(bits);
        for (Channel channel : colour.channels()) {
            near(found.channel(channel.name()).orElseThrow(), channel.plane(), most);
        }
    }

    @ParameterizedTest
    @CsvSource({"c.png", "c.tif", "c.ppm"})
    void colourOfSixteenBits(String name) throws Exception {
        Picture colour = Picture.colour(plane16(77), plane16(401), plane16(911));
        Picture found = PictureReader.read(converted(colour, name, "-depth 16")).picture();
        assertThat(found.depth()).isEqualTo(Depth.BITS_16);
        for (Channel channel : colour.channels()) {
            near(found.channel(channel.name()).orElseThrow(), channel.plane(), 0);
        }
    }

    @Test
    void palettesAreSpreadOut() throws Exception {
        Path file = folder.resolve("p.png");
        convert("-size", "20x10", "xc:#ff0000", "xc:#0000ff", "+append", "PNG8:" + file);
        Picture found = PictureReader.read(file).picture();
        assertThat(found.channel("red").orElseThrow().at(3, 3)).isEqualTo(255);
        assertThat(found.channel("blue").orElseThrow().at(30, 3)).isEqualTo(255);
    }

    @Test
    void bitsAreBlackAndWhite() throws Exception {
        for (String name : List.of("b.tif", "b.png", "b.pbm")) {
            Path file = folder.resolve(name);
            convert("-size", "20x10", "xc:black", "xc:white", "+append", "-monochrome", "-depth", "1", file);
            Picture found = PictureReader.read(file).picture();
            assertThat(found.channels().getFirst().plane().at(3, 3)).as(name).isZero();
            assertThat(found.channels().getFirst().plane().at(30, 3)).as(name).isEqualTo(255);
        }
    }

    @Test
    void transparencyIsLaidOnWhiteAndSaidSo() throws Exception {
        for (String name : List.of("a.png", "a.tif", "a.webp")) {
            Path file = folder.resolve(name);
            convert("-size", "20x10", "xc:rgba(200,0,0,0.5)", "-depth", "8", "-define", "webp:lossless=true", file);
            PictureFile found = PictureReader.read(file);
            assertThat(found.picture().channel("red").orElseThrow().at(3, 3))
                    .as(name)
                    .isBetween(226f, 229f);
            assertThat(found.picture().channel("green").orElseThrow().at(3, 3))
                    .as(name)
                    .isBetween(126f, 129f);
            assertThat(found.facts().remarks()).as(name).contains("Transparent pixels were laid on white.");
        }
    }

    @Test
    void printersColoursBecomeRedGreenAndBlue() throws Exception {
        for (String name : List.of("k.jpg", "k.tif")) {
            Path file = folder.resolve(name);
            convert("-size", "24x16", "xc:#d03010", "-colorspace", "CMYK", "-depth", "8", "-quality", "98", file);
            Picture found = PictureReader.read(file).picture();
            assertThat(found.isColour()).as(name).isTrue();
            assertThat(found.channel("red").orElseThrow().at(8, 8)).as(name).isGreaterThan(170);
            assertThat(found.channel("blue").orElseThrow().at(8, 8)).as(name).isLessThan(80);
        }
    }

    @Test
    void everyOrientationIsTurnedUpright() throws Exception {
        String[] names = {
            "top-left",
            "top-right",
            "bottom-right",
            "bottom-left",
            "left-top",
            "right-top",
            "right-bottom",
            "left-bottom"
        };
        for (String name : names) {
            Path turned = folder.resolve(name + ".tif");
            Path upright = folder.resolve(name + "-upright.tif");
            PictureWriter.tiff(folder.resolve("o.tif"), Picture.grey(plane8(3)));
            convert(folder.resolve("o.tif"), "-orient", name, turned);
            convert(turned, "-auto-orient", "+repage", upright);
            near(
                    PictureReader.read(turned).picture().single().orElseThrow(),
                    PictureReader.read(upright).picture().single().orElseThrow(),
                    0);
        }
    }

    @Test
    void pagesAreReadOneByOne() throws Exception {
        Path file = folder.resolve("pages.tif");
        convert("-size", "20x10", "xc:gray(10%)", "xc:gray(50%)", "xc:gray(90%)", file);
        assertThat(PictureReader.survey(file).pages()).isEqualTo(3);
        float last = 0;
        for (int page = 1; page <= 3; page++) {
            float value = PictureReader.read(file, page)
                    .picture()
                    .channels()
                    .getFirst()
                    .plane()
                    .at(2, 2);
            assertThat(value).isGreaterThan(last);
            last = value;
        }
    }

    @ParameterizedTest
    @CsvSource({
        "r.tif, PixelsPerInch, 254, 100",
        "r2.tif, PixelsPerCentimeter, 500, 20",
        "r.png, PixelsPerCentimeter, 500, 20",
        "r.jpg, PixelsPerInch, 254, 100",
    })
    void thePixelSizeIsOffered(String name, String units, int density, double um) throws Exception {
        Path file = folder.resolve(name);
        convert("-size", "20x10", "xc:gray", "-units", units, "-density", density, file);
        Scale stated = PictureReader.read(file).stated().orElseThrow();
        assertThat(stated.umPerPx()).isBetween(um * 0.999, um * 1.001);
    }

    @Test
    void noUnitIsNoOffer() throws Exception {
        Path file = folder.resolve("u.tif");
        convert("-size", "20x10", "xc:gray", "-units", "Undefined", "-density", "300", file);
        assertThat(PictureReader.read(file).stated()).isEmpty();
    }

    @Test
    void theQualityOfALossyPictureIsTold() throws IOException, InterruptedException, FileFault {
        for (int quality : new int[] {40, 75, 95}) {
            Path file = folder.resolve(quality + ".jpg");
            convert("-size", "64x64", "plasma:", "-quality", quality, file);
            assertThat(PictureReader.read(file).facts().quality().orElseThrow()).isBetween(quality - 2, quality + 2);
        }
    }

    @Test
    void openDescriptionsOfMicroscopesAreRead() throws Exception {
        Path file = folder.resolve("ome.tif");
        String xml = "<?xml version=\"1.0\"?><OME xmlns=\"http://www.openmicroscopy.org/Schemas/OME/2016-06\"><Image"
                + " ID=\"Image:0\"><Pixels ID=\"Pixels:0\" PhysicalSizeX=\"0.325\" PhysicalSizeY=\"0.325\""
                + " PhysicalSizeXUnit=\"&#181;m\" PhysicalSizeYUnit=\"&#181;m\" SizeX=\"20\" SizeY=\"10\"><Channel"
                + " ID=\"Channel:0\" Name=\"starch\"/><Channel ID=\"Channel:1\" Name=\"protein\"/></Pixels></Image></OME>";
        convert(
                "-size",
                "20x10",
                "xc:gray(10%)",
                "xc:gray(50%)",
                "-units",
                "PixelsPerInch",
                "-density",
                "72",
                "-set",
                "comment",
                xml,
                file);
        PictureFile found = PictureReader.read(file, 2);
        assertThat(found.stated().orElseThrow().umPerPx()).isEqualTo(0.325);
        assertThat(found.facts().channelNames()).containsExactly("starch", "protein");
        OmeXml ome = OmeXml.of(xml);
        assertThat(ome.stated().orElseThrow().scale().umPerPx()).isEqualTo(0.325);
        assertThat(ome.channelNames()).containsExactly("starch", "protein");
    }

    @Test
    void nothingOutsideADescriptionIsEverFetched() throws IOException {
        Path secret = folder.resolve("secret.txt");
        Files.writeString(secret, "0.5");
        String xml = "<?xml version=\"1.0\"?><!DOCTYPE OME [<!ENTITY s SYSTEM \"" + secret.toUri() + "\">]><OME"
                + " xmlns=\"x\"><Pixels PhysicalSizeX=\"0.5\" PhysicalSizeY=\"0.5\"><Channel Name=\"&s;\"/></Pixels></OME>";
        assertThat(OmeXml.of(xml)).isEqualTo(OmeXml.NONE);
        assertThat(OmeXml.of("<OME this is no xml")).isEqualTo(OmeXml.NONE);
        assertThat(OmeXml.of("a plain caption")).isEqualTo(OmeXml.NONE);
    }

    @ParameterizedTest
    @CsvSource({
        "'\0\0\0\u0018ftypheic', a phone's picture",
        "'\0\0\0\u0018ftypmif1', a phone's picture",
        "'\0\0\0\u0018ftypisom', a film",
        "'%PDF-1.7', a PDF document",
        "'\0\0\0\u000cjP  ', a JPEG 2000 picture",
        "'<svg xmlns=', holds no pixels",
        "'PK\u0003\u0004', a packed folder",
        "'XYZMAKER', no picture that can be read",
    })
    void whatCannotBeReadIsToldWhatToTurnInto(String start, String said) throws IOException {
        Path file = folder.resolve("unreadable.pic");
        Files.write(file, (start + "x".repeat(300)).getBytes(StandardCharsets.ISO_8859_1));
        assertThat(catchThrowable(() -> PictureReader.read(file)))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining(said)
                .hasMessageEndingWith(".");
    }
}
