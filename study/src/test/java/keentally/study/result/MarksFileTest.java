package keentally.study.result;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import keentally.core.colour.Rgb;
import keentally.core.geometry.Point;
import keentally.core.hand.Glyph;
import keentally.core.hand.Mark;
import keentally.core.hand.Marks;
import keentally.core.hand.TallyClass;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.core.quantity.Scale;
import keentally.study.file.FileFault;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MarksFileTest {
    private static final List<TallyClass> CLASSES = List.of(
            new TallyClass("c1", "rye", Glyph.RING, Rgb.of("#102030")),
            new TallyClass("c2", "=oats, \"wild\"", Glyph.BAR, Rgb.of("#f0e0d0")));

    @TempDir
    private Path folder;

    @Test
    void whatIsWrittenIsReadAgain() throws FileFault {
        Map<String, Marks> tallies = new TreeMap<>();
        tallies.put("Ada", new Marks(List.of(new Mark(new Point(1.25, 2), "c1", 1_790_000_000L))));
        tallies.put("-Ben", new Marks(List.of(new Mark(new Point(3, 1.0 / 3), "c2", 0))));
        Path file = folder.resolve("marks.csv");
        MarksFile.write(file, CLASSES, tallies, PixelSize.of(LengthUnit.UM, Optional.of(Scale.of("0.8 um/px"))));
        assertThat(file)
                .content()
                .startsWith("x_px,y_px,x_um,y_um,class,counter,time\r\n")
                .contains("1.25,2,1,1.6,rye,Ada,2026-09-21T");
        assertThat(MarksFile.read(file))
                .containsExactlyInAnyOrder(
                        new MarksFile.Entry(new Point(1.25, 2), "rye", "Ada", 1_790_000_000L),
                        new MarksFile.Entry(new Point(3, 1.0 / 3), "=oats, \"wild\"", "-Ben", 0));
        assertThat(MarksFile.text(CLASSES, tallies, PixelSize.PIXELS)).startsWith("x_px,y_px,class,counter,time\r\n");
    }

    @Test
    void pointsWithoutClassesAreReadToo() throws FileFault {
        assertThat(MarksFile.parse("p.csv", "x;y\n1.5;2\n\n3;4\n"))
                .containsExactly(
                        new MarksFile.Entry(new Point(1.5, 2), "", "", 0),
                        new MarksFile.Entry(new Point(3, 4), "", "", 0));
        assertThat(MarksFile.parse("p.txt", "10\t20\tseed\n-1\t0\tseed\n"))
                .extracting(MarksFile.Entry::kind)
                .containsExactly("seed", "seed");
        assertThat(MarksFile.parse("p.csv", "Class,Y_px,X_px,time\nrye,2,1,yesterday\n"))
                .containsExactly(new MarksFile.Entry(new Point(1, 2), "rye", "", 0));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "''|holds no mark.",
                "'x_px,y_px'|holds no mark, only a heading.",
                "'name,place\nrye,left'|it should begin with x_px,y_px, but begins with 'name'.",
                "'x,y\n1,2\n3,much'|line 3: a place should be a number of pixels, found 'much'.",
                "'x,y\n1'|line 2: a place should be a number of pixels, found ''.",
                "'x,y\nNaN,2'|found 'NaN'.",
                "'x,y\n1,1e999'|found '1e999'."
            })
    void whatIsNoTableOfMarksIsSaidWithItsLine(String text, String sentence) {
        assertThatThrownBy(() -> MarksFile.parse("m.csv", text.replace("\\n", "\n")))
                .isInstanceOf(FileFault.class)
                .hasMessageStartingWith("m.csv")
                .hasMessageEndingWith(sentence);
    }

    @Test
    void bytesThatAreNoTextAreSaid() throws Exception {
        Path file = folder.resolve("b.csv");
        Files.write(file, new byte[] {(byte) 0xff, (byte) 0xfe, 0, 1});
        assertThatThrownBy(() -> MarksFile.read(file)).hasMessageContaining("not text in UTF-8");
        assertThatThrownBy(() -> MarksFile.parse("m.csv", "x,y\n\"1,2\n")).hasMessageContaining("quotation mark");
        assertThatThrownBy(() -> MarksFile.read(folder.resolve("no.csv"))).hasMessageContaining("does not exist");
    }
}
