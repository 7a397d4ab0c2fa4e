package keentally.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import keentally.core.picture.Plane8;
import keentally.study.method.ModelFile;
import keentally.study.picture.PictureWriter;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import picocli.CommandLine;

/** Waves of the same greys across and down are learnt from strokes, and told apart by a method on another picture. */
class TrainCommandTest {
    private static final int SIDE = 320;

    @TempDir
    private Path folder;

    private Path picture;
    private Path classes;
    private Path model;

    @BeforeEach
    void pictures() throws Exception {
        picture = folder.resolve("weave.png");
        classes = folder.resolve("classes.png");
        model = folder.resolve("weave.model.json");
        PictureWriter.png(picture, weave(1));
        byte[] strokes = new byte[SIDE * SIDE];
        for (int i = 0; i < strokes.length; i++) {
            boolean painted = i / SIDE % 40 < 6;
            strokes[i] = (byte) (painted ? i % SIDE < SIDE / 2 ? 1 : 2 : 0);
        }
        PictureWriter.png(classes, Plane8.of(SIDE, SIDE, strokes));
    }

    private static Plane8 weave(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        byte[] values = new byte[SIDE * SIDE];
        for (int i = 0; i < values.length; i++) {
            int along = i % SIDE < SIDE / 2 ? i % SIDE : i / SIDE;
            values[i] = (byte) (128 + 60 * Math.sin(2 * Math.PI * along / 6) + random.nextInt(41) - 20);
        }
        return Plane8.of(SIDE, SIDE, values);
    }

    private static String said(Object... words) {
        StringWriter said = new StringWriter();
        CommandLine line = Main.line().setOut(new PrintWriter(said, true)).setErr(new PrintWriter(said, true));
        String[] texts = List.of(words).stream().map(Object::toString).toArray(String[]::new);
        return line.execute(texts) + ": " + said;
    }

    private String trained(Object... more) {
        List<Object> words = new ArrayList<>(List.of(
                "train",
                picture,
                "--classes",
                classes,
                "--out",
                model,
                "--features",
                "gabor,structure",
                "--trees",
                "16"));
        words.addAll(List.of(more));
        return said(words.toArray());
    }

    @Test
    void aTrainedModelClassifiesAnotherPicture() throws Exception {
        String said = trained("--unpainted", "0");
        assertThat(said)
                .startsWith("0: class")
                .contains("held out in blocks of")
                .doesNotContain("\n0 ");
        byte[] first = Files.readAllBytes(model);
        trained("--unpainted", "0");
        assertThat(model).as("the same bytes each time").hasBinaryContent(first);
        Path method = folder.resolve("weave.method.json");
        Files.writeString(method, """
                {"format": "keen-tally-method", "version": 1, "name": "Weave", "unit": "px",
                 "steps": [{"step": "classify", "model": "weave.model.json"}], "signal": "grey"}
                """);
        Path other = folder.resolve("other.png");
        PictureWriter.png(other, weave(2));
        Path out = folder.resolve("out");
        assertThat(said("run", method, other, "--out", out)).isEqualTo("0: ");
        try (CSVParser parser = CSVParser.parse(
                Files.readString(out.resolve("phases.csv")),
                CSVFormat.RFC4180
                        .builder()
                        .setHeader()
                        .setSkipHeaderRecord(true)
                        .get())) {
            List<CSVRecord> rows = parser.getRecords();
            assertThat(rows).extracting(r -> r.get("name")).containsExactly("1", "2");
            assertThat(rows)
                    .allSatisfy(r -> assertThat(Double.parseDouble(r.get("fraction_percent")))
                            .isBetween(48.0, 52.0));
        }
        assertThat(said("rerun", out)).contains("reproduced exactly");
    }

    @Test
    void theScoresAreOfWhatWasHeldOutAsAPersonOrAProgramReadsThem() {
        assertThat(trained("--unpainted", "0", "--json"))
                .startsWith("0: {")
                .contains("\"class\" : \"1\"", "\"overlap\" : 0.9", "\"examples\"");
    }

    @Test
    void aLinearLearnerSaysWhetherItConverged() throws Exception {
        assertThat(trained("--unpainted", "0", "--learner", "linear"))
                .contains("F1 lost where a group of features is shuffled: ")
                .doesNotContain("did not converge");
        assertThat(Files.readString(model)).contains("\"weights\"", "\"learner\" : \"linear\"");
        assertThat(trained("--unpainted", "0", "--learner", "linear", "--cost", "1000", "--rounds", "1"))
                .contains("did not converge in 1 rounds; give more with --rounds");
        assertThat(trained("--unpainted", "0", "--learner", "linear", "--cost", "1000", "--rounds", "1", "--json"))
                .contains("\"converged\" : false", "\"importance\"", "\"confusion\"");
        assertThat(trained("--unpainted", "0", "--learner", "oracle"))
                .contains("a learner is forest or linear, but not \"oracle\"");
    }

    @Test
    void howFarItLooksIsSaidInRealUnits() throws Exception {
        assertThat(trained("--unpainted", "0", "--widest", "20 um", "--scale", "5 um/px"))
                .startsWith("0: ");
        assertThat(ModelFile.read(model).features().widest()).isEqualTo(4);
        assertThat(trained("--unpainted", "0", "--widest", "20 um"))
                .startsWith("2: ")
                .contains("scale");
        assertThat(trained("--unpainted", "0", "--widest", "much")).startsWith("2: ");
    }

    @Test
    void whatIsNotPaintedIsAskedNeverGuessed() {
        assertThat(trained())
                .startsWith("2: Cannot train: say with --unpainted which value means not painted")
                .contains("0 (85.0 %), 1 (7.5 %), 2 (7.5 %)");
        assertThat(trained("--unpainted", "9")).contains("no pixel of the class picture is 9");
        assertThat(model).doesNotExist();
    }

    @Test
    void whatCannotBeTrainedIsSaid() throws Exception {
        assertThat(trained("--unpainted", "0", "--features", "smell"))
                .contains("no group of features is called \"smell\"");
        assertThat(said("train", picture, picture, "--classes", classes, "--out", model, "--unpainted", "0"))
                .contains("every picture needs its class picture, but there are 2 and 1");
        assertThat(said("train", picture, "--classes", picture, "--out", model, "--unpainted", "0"))
                .contains("at most 64 values");
        assertThat(said("train", picture, "--classes", classes, "--out", picture, "--unpainted", "0"))
                .contains("the model would be written over");
    }
}
