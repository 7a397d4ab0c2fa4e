package keentally.study.plot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.List;
import javax.imageio.ImageIO;
import keentally.core.stats.Bins;
import keentally.study.file.FileFault;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HistogramPlotTest {
    private static final HistogramPlot.Series FIRST =
            new HistogramPlot.Series("grey, field", new Bins(0, 10, new long[] {5, 0, 400, 95}));
    private static final HistogramPlot.Series SECOND =
            new HistogramPlot.Series("grey, patch", new Bins(0, 10, new long[] {0, 1, 2, 7}));

    @TempDir
    private Path folder;

    private static long painted(BufferedImage image, int colour) {
        long n = 0;
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                n += (image.getRGB(x, y) & 0xffffff) == colour ? 1 : 0;
            }
        }
        return n;
    }

    @ParameterizedTest
    @CsvSource({"false, false", "true, false", "false, true", "true, true"})
    void bothHistogramsAreSeenOnEveryKindOfAxis(boolean logarithmic, boolean shares) {
        HistogramPlot plot = new HistogramPlot(List.of(FIRST, SECOND), logarithmic, shares, "grey");
        BufferedImage image = plot.image(300, 190, 2, PlotLook.PRINT);
        assertThat(image.getWidth()).isEqualTo(600);
        assertThat(painted(image, 0x35A4AE)).isGreaterThan(3000);
        assertThat(painted(image, 0x7A2E6E)).isGreaterThan(300);
    }

    @Test
    void anEmptyHistogramIsAnEmptyPlot() {
        HistogramPlot.Series none = new HistogramPlot.Series("none", new Bins(0, 1, new long[3]));
        BufferedImage image = new HistogramPlot(List.of(none), true, true, "grey").image(200, 120, 1, PlotLook.PRINT);
        assertThat(painted(image, 0xffffff)).isGreaterThan(10_000);
    }

    @Test
    void theTableHasARowABin() {
        assertThat(new HistogramPlot(List.of(FIRST, SECOND), false, true, "grey").csv())
                .isEqualTo(
                        "from,to,pixels_grey_field,pixels_grey_patch\r\n0,10,5,0\r\n10,20,0,1\r\n20,30,400,2\r\n30,40,95,7\r\n");
    }

    @Test
    void theEndingSaysWhatIsWritten() throws Exception {
        HistogramPlot plot = new HistogramPlot(List.of(FIRST), false, false, "grey");
        plot.save(folder.resolve("a.png"));
        plot.save(folder.resolve("a.svg"));
        plot.save(folder.resolve("a.csv"));
        assertThat(ImageIO.read(folder.resolve("a.png").toFile()).getWidth()).isEqualTo(1800);
        assertThat(Files.readString(folder.resolve("a.svg"))).contains("<svg").contains("grey");
        assertThat(Files.readAllLines(folder.resolve("a.csv"))).hasSize(5);
        assertThatThrownBy(() -> plot.save(folder.resolve("none/a.png")))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("cannot be written");
    }

    @Test
    void asManyAreShownAsCanBeToldApart() {
        HistogramPlot three = new HistogramPlot(List.of(FIRST, SECOND, FIRST), false, false, "value");
        assertThat(three.svg()).contains(FIRST.name()).contains(SECOND.name());
        assertThat(three.csv().lines().findFirst().orElseThrow().split(",")).hasSize(5);
        assertThatThrownBy(() -> new HistogramPlot(List.of(), false, false, ""))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new HistogramPlot(Collections.nCopies(9, FIRST), false, false, ""))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
