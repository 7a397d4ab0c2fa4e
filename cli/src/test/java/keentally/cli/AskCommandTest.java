package keentally.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.study.file.Json;
import keentally.study.picture.PictureWriter;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Questions asked of pictures without a window. */
class AskCommandTest {
    @TempDir
    private Path folder;

    private final PrintStream out = System.out;
    private final PrintStream err = System.err;
    private final ByteArrayOutputStream said = new ByteArrayOutputStream();
    private Path picture;

    @BeforeEach
    void twelveSquares() throws Exception {
        System.setOut(new PrintStream(said, true, StandardCharsets.UTF_8));
        System.setErr(new PrintStream(said, true, StandardCharsets.UTF_8));
        byte[] values = new byte[200 * 150];
        for (int i = 0; i < 12 * 100; i++) {
            int square = i / 100;
            int x = 10 + square % 4 * 45 + i % 10;
            int y = 15 + square / 4 * 45 + i % 100 / 10;
            values[y * 200 + x] = (byte) 180;
        }
        picture = folder.resolve("squares.png");
        PictureWriter.png(picture, Plane8.of(200, 150, values));
    }

    @AfterEach
    void speakAgain() {
        System.setOut(out);
        System.setErr(err);
    }

    private String ask(Object... words) {
        said.reset();
        String[] all = new String[words.length + 1];
        all[0] = "ask";
        for (int i = 0; i < words.length; i++) {
            all[i + 1] = words[i].toString();
        }
        int status = Main.execute(all);
        return status + ": " + said.toString(StandardCharsets.UTF_8);
    }

    @Test
    void howManyIsSaidWithItsRange() {
        assertThat(ask(picture, "--question", "how-many"))
                .startsWith("0: squares")
                .contains("how-many", "12 objects of the picture, likely 12 to 12");
    }

    /** 12 × 100 of 200 × 150 pixels, of 2 µm each. */
    @Test
    @SuppressWarnings("unchecked") // as the command writes it
    void everyQuestionHasItsNumberAndUnitAndTheMethodRuns() throws Exception {
        Path asked = folder.resolve("asked");
        assertThat(ask(picture, "--scale", "2 um/px", "--json", "--out", asked)).startsWith("0: [");
        assertThat(asked).isDirectoryNotContaining("glob:**/.*"); // nothing of what was unfinished
        List<Map<String, Object>> answers =
                (List<Map<String, Object>>) Json.parse(Files.readString(asked.resolve("answers.json")));
        assertThat(answers)
                .extracting(a -> a.get("question"))
                .containsExactly(
                        "how-many",
                        "how-big",
                        "how-dense",
                        "dark-share",
                        "bright-share",
                        "colour-share",
                        "shades",
                        "two-dyes");
        assertThat(first(answers.get(0))).containsEntry("unit", "objects");
        assertThat(number(first(answers.get(0)))).isEqualTo(12);
        assertThat(number(first(answers.get(1)))).isCloseTo(2 * 2 * Math.sqrt(100 / Math.PI), within(0.01));
        assertThat(first(answers.get(1))).containsEntry("unit", "um");
        assertThat(number(first(answers.get(2)))).isCloseTo(12 / (0.4 * 0.3), within(0.01));
        assertThat(first(answers.get(2))).containsEntry("unit", "per mm2").containsEntry("of", "picture");
        assertThat(number(first(answers.get(4))))
                .as("a corner is rounded by smoothing")
                .isCloseTo(4, within(0.2));
        assertThat((List<?>) answers.get(5).get("answers"))
                .as("of a grey picture")
                .isEmpty();
        Path method = asked.resolve((String) first(answers.get(0)).get("method"));
        assertThat(Main.execute(
                        "run", method.toString(), picture.toString(), "--scale", "2 um/px", "--out", folder + "/run"))
                .isZero();
        assertThat(Files.readAllLines(folder.resolve("run/objects.csv"))).hasSize(13);
        assertThat(ask(picture, "--out", asked, "--question", "shades"))
                .as("written by this command before")
                .startsWith("0: ");
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> first(Map<String, Object> asked) {
        return ((List<Map<String, Object>>) asked.get("answers")).getFirst();
    }

    private static double number(Map<String, Object> answer) {
        return ((Number) answer.get("value")).doubleValue();
    }

    @Test
    void wrongWordsAndFilesAreSaidInASentence() throws Exception {
        assertThat(ask(picture, "--question", "how-much"))
                .startsWith("2: Wrong option: --question knows how-many, how-big, how-dense")
                .contains("but was \"how-much\".");
        assertThat(ask()).startsWith("2: Wrong option: name at least one picture");
        Path text = Files.writeString(folder.resolve("notes.png"), "no picture");
        assertThat(ask(text, picture, "--question", "how-many"))
                .as("the other picture goes on")
                .startsWith("1: ")
                .contains("notes.png", "12 objects");
        assertThat(ask(picture, "--question", "shades")).contains("2 shades").doesNotContain("likely");
        assertThat(ask(picture, "--question", "how-many", "--field", "rect:5000,5000,10,10"))
                .as("a field beside the picture")
                .doesNotContain("the log");
        assertThat(ask(picture, "--out", folder)).startsWith("2: ").contains("holds other files");
        Picture even = Picture.grey(Plane8.of(30, 20, new byte[600]));
        Path nothing = folder.resolve("nothing.tif");
        PictureWriter.tiff(nothing, even);
        assertThat(ask(nothing, "--question", "how-many"))
                .startsWith("0: ")
                .contains("the picture does not let it be asked");
    }
}
