package keentally.study.result;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.work.Cancel;
import keentally.core.work.Workers;
import keentally.study.caution.Background;
import keentally.study.caution.Captions;
import keentally.study.caution.PictureCautions;
import keentally.study.run.RecordFile;
import keentally.study.run.SampleOrder;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRun;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Ten by ten pixels: 50 black, 30 red, 20 white; 0.5 um a pixel. */
class PhaseSharesTest {
    @TempDir
    private Path folder;

    private static SampleRecord record(String steps) {
        byte[][] rgb = new byte[3][100];
        for (int i = 0; i < 100; i++) {
            int[] colour = i < 50 ? new int[] {0, 0, 0} : i < 80 ? new int[] {200, 0, 0} : new int[] {255, 255, 255};
            for (int c = 0; c < 3; c++) {
                rgb[c][i] = (byte) colour[c];
            }
        }
        Picture picture = new Picture(List.of(
                new Channel(Channel.RED, Plane8.of(10, 10, rgb[0])),
                new Channel(Channel.GREEN, Plane8.of(10, 10, rgb[1])),
                new Channel(Channel.BLUE, Plane8.of(10, 10, rgb[2]))));
        Sample sample = Sample.of("k", picture, List.of(), Optional.of(Scale.of("0.5 um/px")));
        Method empty = Method.empty("m", LengthUnit.UM);
        Method method = steps.equals("cluster")
                ? empty.then("cluster", "k", 3, "space", "rgb", "names", List.of("black", "red", "white"))
                : empty.then("channel").then("threshold", "rule", "manual", "cut", 100, "keep", "bright");
        return SampleRun.of(
                        new SampleOrder("k", sample, Background.NONE, true),
                        method,
                        new Runner(Workers.alone(), new StateCache(0)),
                        new PictureCautions(new Captions()),
                        new Cancel())
                .record();
    }

    private static PhaseShares of(Optional<String> whole) {
        return PhaseShares.of(
                List.of(
                        new PhaseShares.Source("a", "one", record("cluster"), "", false),
                        new PhaseShares.Source("b", "two", record("threshold"), "", true)),
                LengthUnit.UM,
                whole);
    }

    @Test
    void everyRowNamesItsWholeAndUnit() {
        List<String> lines = of(Optional.empty()).csv().lines().toList();
        assertThat(lines.getFirst())
                .isEqualTo(
                        "sample,name,share_percent,whole,area_um2,pixels,x_um,y_um,mean,sd,mean_red,mean_green,mean_blue,"
                                + "mean_lightness,mean_a,mean_b,centre");
        assertThat(lines.get(1)).startsWith("one,black,50,field,12.5,50,2.5,1.25,0,0,0,0,0,0,0,0,");
        assertThat(lines.get(2)).startsWith("one,red,30,field,7.5,30,2.5,3.25,42.52");
        assertThat(lines.get(2).split(",")[13]).startsWith("41."); // L* of 200, 0, 0 is 41.9
        assertThat(lines.get(2)).endsWith(",200; 0; 0");
        assertThat(lines.get(4)).startsWith("two,rest,80,part of the field,20,80,");
        assertThat(lines).hasSize(6);
    }

    @Test
    void anotherPhaseCanBeTheWholeAndWhereThereIsNoneSharesAreEmpty() {
        List<String> lines = of(Optional.of("black")).csv().lines().toList();
        assertThat(lines.get(1)).startsWith("one,black,100,black,");
        assertThat(lines.get(2)).startsWith("one,red,60,black,");
        assertThat(lines.get(3)).startsWith("one,white,40,black,");
        assertThat(lines.get(4)).startsWith("two,rest,,black,");
    }

    @Test
    void theyAreCopiedAndWrittenAsTableAndWorkbook() throws Exception {
        PhaseShares shares = of(Optional.empty());
        assertThat(shares.copied().lines().findFirst().orElseThrow())
                .startsWith("Sample\tPhase\tShare, %\tof the\tArea, µm²");
        Path csv = folder.resolve("p.csv");
        shares.write(csv);
        assertThat(Files.readString(csv)).isEqualTo(shares.csv());
        Path book = folder.resolve("p.xlsx");
        shares.write(book);
        assertThat(Files.size(book)).isGreaterThan(2000);
    }

    @Test
    void coloursStandInTheRecord() {
        SampleRecord record = record("cluster");
        assertThat(RecordFile.read(RecordFile.text(record))).isEqualTo(record);
    }
}
