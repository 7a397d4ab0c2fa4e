package keentally.study.result;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.OptionalDouble;
import javax.imageio.ImageIO;
import keentally.study.document.Thing.SheetThing;
import keentally.study.file.FileFault;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class TrialFilesTest {
    @TempDir
    private Path folder;

    @Test
    void aSheetIsAPictureAndATableOfTheSameName() throws Exception {
        Path png = folder.resolve("flour.sheet.png");
        SheetThing sheet = TrialFiles.kept(
                "Flour",
                2,
                1,
                new int[] {0xff0000, 0x00ff00},
                List.of(
                        new TrialFiles.Row(
                                "Flour", "Otsu", 25.5, Double.NaN, OptionalDouble.of(356), 0, 91.5, 0.4, true, ""),
                        new TrialFiles.Row(
                                "=Flour",
                                "Valley",
                                Double.NaN,
                                98,
                                OptionalDouble.empty(),
                                Double.NaN,
                                Double.NaN,
                                Double.NaN,
                                false,
                                "finds none")));
        Path table = TrialFiles.write(png, sheet);
        assertThat(table).isEqualTo(folder.resolve("flour.sheet.csv"));
        assertThat(ImageIO.read(png.toFile()).getRGB(1, 0)).isEqualTo(0xff00ff00);
        assertThat(Files.readString(table))
                .isEqualTo(
                        "sample,setting,share_percent,explained_percent,count,differs_percent,held_out_f1_percent,own_number,current,error\r\n"
                                + "Flour,Otsu,25.5,,356,0,91.5,0.4,yes,\r\n'=Flour,Valley,,98,,,,,no,finds none\r\n");
    }

    @Test
    void aTableOfSomebodyElsesIsLeftAlone() throws Exception {
        Path theirs = Files.writeString(folder.resolve("mine.csv"), "kept");
        assertThatThrownBy(() ->
                        TrialFiles.write(folder.resolve("mine.png"), TrialFiles.kept("t", 1, 1, new int[1], List.of())))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("choose another name");
        assertThat(theirs).hasContent("kept");
        assertThat(folder.resolve("mine.png")).doesNotExist();
    }
}
