package keentally.study.result;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.quantity.Scale;
import keentally.core.region.ObjectSet;
import keentally.core.region.RegionBuilder;
import keentally.core.view.Layer;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.Pyramid;
import keentally.core.view.Viewport;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A bar as long as it says, and a legend below. */
class StampsTest {
    private static final int WHITE = 0xffffffff;

    @TempDir
    private Path folder;

    private static Layers layers() {
        Picture grey = Picture.grey(Plane8.of(400, 300, new byte[400 * 300]));
        return Layers.of(Pyramid.of(grey, Work.alone()), Field.whole(400, 300), Look.BARE);
    }

    private static int longestRun(BufferedImage picture, int y) {
        int longest = 0;
        int run = 0;
        for (int x = 0; x < picture.getWidth(); x++) {
            run = picture.getRGB(x, y) == WHITE ? run + 1 : 0;
            longest = Math.max(longest, run);
        }
        return longest;
    }

    @Test
    void theBarIsAsLongAsItSaysInItsCorner() throws Exception {
        Path file = folder.resolve("bar.png");
        new MarkedPicture(layers().with(new Layer.ScaleBar("50 µm", 100, true, true, true)), Work.alone()).write(file);
        BufferedImage picture = ImageIO.read(file.toFile());
        assertThat(picture.getHeight()).isEqualTo(300);
        assertThat(longestRun(picture, 286)).isEqualTo(100);
        assertThat(picture.getRGB(387, 286)).isEqualTo(WHITE);
        assertThat(picture.getRGB(390, 286)).isNotEqualTo(WHITE);
        new MarkedPicture(layers().with(new Layer.ScaleBar("50 µm", 100, false, false, true)), Work.alone())
                .write(file);
        assertThat(ImageIO.read(file.toFile()).getRGB(14, 29)).isEqualTo(WHITE);
    }

    @Test
    void aLegendStandsBelowThePicture() throws Exception {
        Path file = folder.resolve("legend.png");
        new MarkedPicture(layers().with(new Layer.Legend("Area, µm²", 3, 70)), Work.alone()).write(file);
        BufferedImage picture = ImageIO.read(file.toFile());
        assertThat(picture.getHeight()).isEqualTo(348);
        assertThat(picture.getRGB(12, 312)).isEqualTo(0xff1e2a38);
        assertThat(picture.getRGB(251, 312)).isEqualTo(0xfff4ecd8);
        assertThat(picture.getRGB(5, 340)).isEqualTo(WHITE);
    }

    @Test
    void aBarWithoutRoomStaysAwayAndOneOnASmallPictureHasSmallWriting() throws Exception {
        Path file = folder.resolve("bar.png");
        new MarkedPicture(layers().with(new Layer.ScaleBar("2 mm", 390, true, true, true)), Work.alone()).write(file);
        assertThat(longestRun(ImageIO.read(file.toFile()), 286)).isZero();
        Path svg = folder.resolve("bar.svg");
        new MarkedPicture(layers().with(new Layer.ScaleBar("2 mm", 390, true, true, true)), Work.alone()).write(svg);
        assertThat(svg).content().doesNotContain("scale-bar");
    }

    /** A short bar in a corner: what it says is wider, and stays whole on the picture, in both kinds of file. */
    @Test
    void whatABarSaysStaysOnThePicture() throws Exception {
        for (boolean right : new boolean[] {true, false}) {
            Layers layers = layers().with(new Layer.ScaleBar("1,000,000 µm", 4, right, true, true));
            Path file = folder.resolve("short.png");
            new MarkedPicture(layers, Work.alone()).write(file);
            BufferedImage picture = ImageIO.read(file.toFile());
            int ink = 0;
            for (int y = 0; y < picture.getHeight(); y++) {
                ink += picture.getRGB(0, y) == WHITE || picture.getRGB(399, y) == WHITE ? 1 : 0;
            }
            assertThat(ink).isZero();
            Path svg = folder.resolve("short.svg");
            new MarkedPicture(layers, Work.alone()).write(svg);
            Matcher middle = Pattern.compile("<text x=\"([0-9.]+)\"[^>]*>1,000").matcher(Files.readString(svg));
            assertThat(middle.find()).isTrue();
            assertThat(Double.parseDouble(middle.group(1))).isBetween(35.0, 365.0);
        }
    }

    @Test
    void aChosenBarKnowsWhereItHasRoom() {
        Optional<Scale> scale = Optional.of(Scale.of("2 um/px"));
        assertThat(ChosenBar.usual(400, scale.get())).hasToString("100 um, bottom right, light");
        assertThat(ChosenBar.of("700 um").hasRoom(scale, 400, 300)).isTrue();
        assertThat(ChosenBar.of("790 um").hasRoom(scale, 400, 300))
                .as("no margins")
                .isFalse();
        assertThat(ChosenBar.of("100 um").hasRoom(scale, 400, 30))
                .as("no height")
                .isFalse();
        assertThat(ChosenBar.of("4 um").hasRoom(scale, 30, 60))
                .as("no room for its words")
                .isFalse();
        assertThat(ChosenBar.of("1 um").hasRoom(scale, 400, 300))
                .as("half a pixel")
                .isFalse();
    }

    /** Each of two views has its own bar, at its own zoom, and its own legend. */
    @Test
    void twoViewsHaveTheirBarsAndLegends() throws Exception {
        Layers barred = layers().with(new Layer.ScaleBar("50 µm", 100, false, true, true));
        Layers both = barred.with(new Layer.Legend("Area, µm²", 3, 70));
        PairPicture pair = new PairPicture(
                new PairPicture.View("one", both, new Viewport(0, 0, 1, 400, 300)),
                new PairPicture.View("two", barred, new Viewport(0, 0, 0.5, 200, 150)),
                false);
        Path file = folder.resolve("pair.png");
        pair.write(file, Work.alone());
        BufferedImage picture = ImageIO.read(file.toFile());
        int caption = 52;
        assertThat(picture.getHeight()).isEqualTo(caption + 600 + 48);
        assertThat(longestRun(picture.getSubimage(0, caption, 800, 600), 600 - 16 - 2))
                .isEqualTo(200);
        assertThat(longestRun(picture.getSubimage(816, caption, 400, 300), 300 - 12 - 2))
                .isEqualTo(100);
        assertThat(picture.getRGB(12, caption + 600 + 12)).isEqualTo(0xff1e2a38);
    }

    /** The larger of two has room for a bar and what it says, the smaller has none. */
    @Test
    void aCutOutHasTheBarThatItHasRoomFor() throws Exception {
        Picture grey = Picture.grey(Plane8.of(200, 120, new byte[200 * 120]));
        RegionBuilder squares = new RegionBuilder(200, 120);
        for (int[] square : new int[][] {{10, 100}, {150, 20}}) {
            int region = squares.next();
            for (int y = 10; y < 10 + square[1]; y++) {
                squares.add(region, y, square[0], square[0] + square[1]);
            }
        }
        Path cuts = folder.resolve("cuts");
        Layer.ScaleBar bar = new Layer.ScaleBar("20 µm", 20, true, true, true);
        CutOuts.write(
                cuts, Pyramid.of(grey, Work.alone()), ObjectSet.of(squares.regions()), Optional.of(bar), Work.alone());
        assertThat(longestRun(ImageIO.read(cuts.resolve("object-001.png").toFile()), 108 - 12 - 2))
                .isEqualTo(20);
        BufferedImage small = ImageIO.read(cuts.resolve("object-002.png").toFile());
        assertThat(IntStream.range(0, small.getHeight())
                        .map(y -> longestRun(small, y))
                        .max())
                .hasValue(0);
    }

    @Test
    void theBarIsAShapeInADrawing() throws Exception {
        Path file = folder.resolve("bar.svg");
        new MarkedPicture(layers().with(new Layer.ScaleBar("50 µm", 100, true, true, false)), Work.alone()).write(file);
        assertThat(Files.readString(file))
                .contains("<rect id=\"scale-bar\" x=\"288\"")
                .contains("width=\"100\"")
                .contains(">50 µm</text>");
    }
}
