package keentally.study.plot;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import keentally.core.stats.Distribution;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SpreadPlotTest {
    private static final double[] VALUES = {1, 2, 2, 3, 8, 20, 90};
    private static final double[] ONES = {1, 1, 1, 1, 1, 1, 1};

    @TempDir
    private Path folder;

    @Test
    void barsAndTheCumulativeLineAreWrittenInEveryKind() throws Exception {
        for (boolean log : new boolean[] {false, true}) {
            SpreadPlot plot = new SpreadPlot(Distribution.of(VALUES, ONES, log, 9), log, "Area, µm²", "objects");
            Path svg = folder.resolve("s.svg");
            plot.save(svg);
            assertThat(Files.readString(svg)).contains("<svg", "Area, µm²");
            Path png = folder.resolve("s.png");
            plot.save(png);
            assertThat(ImageIO.read(png.toFile()).getWidth()).isEqualTo(1800);
            Path csv = folder.resolve("s.csv");
            plot.save(csv);
            assertThat(Files.readAllLines(csv)).hasSize(10);
            assertThat(Files.readAllLines(csv).getLast()).endsWith(",100");
        }
    }

    @Test
    void oneValueMakesOneClass() throws Exception {
        SpreadPlot plot = new SpreadPlot(
                Distribution.of(new double[] {5, 5}, new double[] {1, 1}, false, 9), false, "Area", "objects");
        Path csv = folder.resolve("one.csv");
        plot.save(csv);
        assertThat(Files.readAllLines(csv)).containsExactly("from,to,percent,percent_up_to", "5,5,100,100");
        plot.save(folder.resolve("one.png"));
        assertThat(folder.resolve("one.png")).exists();
    }
}
