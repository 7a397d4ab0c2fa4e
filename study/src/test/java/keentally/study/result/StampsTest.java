package keentally.study.result;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.view.Layer;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.Pyramid;
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
    void theBarIsAShapeInADrawing() throws Exception {
        Path file = folder.resolve("bar.svg");
        new MarkedPicture(layers().with(new Layer.ScaleBar("50 µm", 100, true, true, false)), Work.alone()).write(file);
        assertThat(Files.readString(file))
                .contains("<rect id=\"scale-bar\" x=\"288\"")
                .contains("width=\"100\"")
                .contains(">50 µm</text>");
    }
}
