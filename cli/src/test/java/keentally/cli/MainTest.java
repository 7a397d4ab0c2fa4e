package keentally.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import keentally.core.measure.Measure;
import keentally.core.step.Steps;
import keentally.study.file.FileFault;
import keentally.study.file.Json;
import keentally.study.file.Sha256;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The command line as a person types it: words in; files, sentences and exit status out. */
class MainTest {
    @TempDir
    private static Path demo;

    @TempDir
    private Path folder;

    private static final PrintStream OUT = System.out;
    private static final PrintStream ERR = System.err;
    private static final ByteArrayOutputStream SAID = new ByteArrayOutputStream();

    @BeforeAll
    static void drawAndListen() {
        System.setOut(new PrintStream(SAID, true, StandardCharsets.UTF_8));
        System.setErr(new PrintStream(SAID, true, StandardCharsets.UTF_8));
        assertThat(Main.execute("example", demo.resolve("one").toString(), "--threads", "1"))
                .isZero();
    }

    @AfterAll
    static void stopListening() {
        System.setOut(OUT);
        System.setErr(ERR);
    }

    private static String said(String... words) {
        SAID.reset();
        int status = Main.execute(words);
        return status + ": " + SAID.toString(StandardCharsets.UTF_8);
    }

    private static Map<String, String> hashes(Path tree) throws IOException, FileFault {
        Map<String, String> hashes = new TreeMap<>();
        try (var files = Files.walk(tree)) {
            for (Path file : files.filter(Files::isRegularFile)
                    .filter(f -> !f.toString().endsWith(".tally")) // a database is the same by what it says
                    .toList()) {
                hashes.put(tree.relativize(file).toString(), Sha256.of(file));
            }
        }
        return hashes;
    }

    private static Map<String, String> kept() throws IOException {
        Map<String, String> kept = new TreeMap<>();
        for (String line : Files.readAllLines(Path.of("src/test/resources/example.sha256"))) {
            kept.put(line.substring(66), line.substring(0, 64));
        }
        return kept;
    }

    @Test
    void theExampleHasTheBytesThatAreKeptHere() throws IOException, FileFault {
        assertThat(hashes(demo.resolve("one"))).isEqualTo(kept());
    }

    /** The example is made by one thread; methods that share out most (regions grown, a forest asked) are run here by all there are. */
    @ParameterizedTest
    @ValueSource(strings = {"cell-walls", "pasta-surface", "crumb-section"})
    void allThreadsGiveTheBytesOfOne(String sample) throws IOException {
        Path results = demo.resolve("one/results/" + sample);
        String scale = column(results.resolve("samples.csv"), "um_per_px").getFirst();
        Path out = folder.resolve("out");
        String method = demo.resolve("one/samples/" + sample + ".method.json").toString();
        String picture = demo.resolve("one/samples/" + sample + ".png").toString();
        assertThat(said("run", method, picture, "--out", out.toString(), "--scale", scale + " um/px"))
                .isEqualTo("0: ");
        for (String file : List.of("objects.csv", "phases.csv", "samples.csv", "labels/" + sample + ".tif")) {
            assertThat(out.resolve(file)).as(file).hasSameBinaryContentAs(results.resolve(file));
        }
    }

    private String picture() {
        return demo.resolve("one/samples/crumb-section.png").toString();
    }

    private String method() {
        return demo.resolve("one/samples/crumb-section.method.json").toString();
    }

    @Test
    void aRunWritesItsFolder() {
        Path out = folder.resolve("out");
        assertThat(said("run", method(), picture(), "--out", out.toString(), "--scale", "18 um/px"))
                .isEqualTo("0: ");
        assertThat(out.resolve("objects.csv")).exists();
        assertThat(out.resolve("run.json")).content().contains("\"times\"");
    }

    @Test
    void aReportIsWrittenOfTheExamplesStudy() throws IOException {
        Path study = demo.resolve("one/Millrace.tally");
        Path html = folder.resolve("again.html");
        assertThat(said("report", study.toString(), html.toString(), "--date", "2026-11-30"))
                .isEqualTo("0: ");
        assertThat(html).hasSameTextualContentAs(demo.resolve("one/report.html"));
        assertThat(said("report", study.toString(), folder.resolve("report.txt").toString()))
                .startsWith("2: A report is a file ending in .pdf or .html, was");
        assertThat(said("report", picture(), html.toString())).startsWith("2: ").contains("is no study");
    }

    @Test
    void partsAreHandedToAClusterInWordsThatGoTogether() throws IOException {
        Path out = folder.resolve("cluster");
        assertThat(said("run", method(), picture(), "--out", out.toString(), "--on", "paper"))
                .startsWith("2: Wrong option: --on knows slurm, but was \"paper\".");
        assertThat(said("run", method(), picture(), "--out", out.toString(), "--parts", "2"))
                .startsWith("2: Wrong option: --parts and --keep-script stand beside --on.");
        assertThat(said("run", method(), picture(), "--out", out.toString(), "--on", "slurm", "--part", "1/2"))
                .startsWith("2: Wrong option: --part is one of those that --on hands over");
        assertThat(said("run", method(), picture(), "--out", out.toString(), "--on", "slurm", "--parts", "0"))
                .startsWith("2: Wrong option: --parts is from 1 to 1000, but was 0.");
        assertThat(said("run", "--out", out.toString())).startsWith("2: Wrong option: name a method and pictures.");
        assertThat(said("run", "--out", out.toString(), "--part", "1/2"))
                .startsWith("2: ")
                .contains("holds no parts");
        assertThat(said(
                        "run",
                        method(),
                        picture(),
                        "--out",
                        out.toString(),
                        "--scale",
                        "18 um/px",
                        "--on",
                        "slurm",
                        "--keep-script"))
                .isEqualTo("0: " + out + ".parts/part.sh\n");
        assertThat(said("run", "--out", out.toString(), "--part", "1/1")).isEqualTo("0: ");
        assertThat(said("merge", out.toString())).isEqualTo("0: ");
        assertThat(out.resolve("objects.csv")).exists();
    }

    @Test
    void resultsAreRunAgainAndEveryNumberIsReproduced() throws IOException {
        Path results = demo.resolve("one/results/crumb-section");
        assertThat(said("rerun", results.toString())).matches("0: [0-9,]+ numbers reproduced exactly\\.\n");
        assertThat(said("rerun", demo.resolve("one/results/torn-crumb").toString()))
                .startsWith("1: torn-crumb hangs on work by hand")
                .endsWith("No number could be held against an old one.\n");
        Path changed = folder.resolve("changed");
        assertThat(said("run", method(), picture(), "--out", changed.toString(), "--scale", "18 um/px"))
                .isEqualTo("0: ");
        Path table = changed.resolve("samples.csv");
        Files.writeString(table, Files.readString(table).replace(",823,", ",824,"));
        assertThat(said("rerun", changed.toString()))
                .startsWith("1: crumb-section: samples.csv, count was 824, is 823\n")
                .contains("1 differs.");
        assertThat(said("rerun", folder.resolve("none").toString()))
                .startsWith("2: ")
                .contains("does not exist");
    }

    @Test
    void partsAreMergedToTheTablesOfOneRun() throws IOException {
        String other = demo.resolve("one/samples/torn-crumb.png").toString();
        Path whole = folder.resolve("whole");
        Path parts = folder.resolve("parts");
        assertThat(said("run", method(), picture(), other, "--out", whole.toString(), "--scale", "18 um/px"))
                .isEqualTo("0: ");
        assertThat(said(
                        "run",
                        method(),
                        picture(),
                        other,
                        "--out",
                        parts.toString(),
                        "--scale",
                        "18 um/px",
                        "--part",
                        "2/2"))
                .isEqualTo("0: ");
        assertThat(said("merge", parts.toString()))
                .isEqualTo("1: 1 of 2 samples have no record yet: crumb-section; call their parts again, and merge"
                        + " then.\n");
        said("run", method(), picture(), other, "--out", parts.toString(), "--scale", "18 um/px", "--part", "1/2");
        assertThat(said("merge", parts.toString())).isEqualTo("0: ");
        for (String table : List.of("objects.csv", "samples.csv", "phases.csv")) {
            assertThat(parts.resolve(table)).hasSameBinaryContentAs(whole.resolve(table));
        }
        assertThat(said("run", method(), picture(), "--out", parts.toString(), "--part", "3/2"))
                .startsWith("2: Wrong option: a part is a number of how many");
    }

    @Test
    void aTruncatedPictureBesideAGoodOneEndsInOne() throws IOException {
        Path cut = folder.resolve("cut.png");
        byte[] bytes = Files.readAllBytes(Path.of(picture()));
        Files.write(cut, Arrays.copyOf(bytes, bytes.length / 3));
        Path out = folder.resolve("out");
        assertThat(said("run", method(), picture(), cut.toString(), "--out", out.toString(), "--scale", "18 um/px"))
                .isEqualTo("1: 1 of 2 pictures failed; samples.csv says why.\n");
        assertThat(out.resolve("samples.csv")).content().contains("cut.png is cut short");
    }

    @Test
    void aMassIsSharedOutByAreaAndDensity() throws IOException {
        Path out = folder.resolve("weighed");
        assertThat(said(
                        "run",
                        method(),
                        picture(),
                        "--out",
                        out.toString(),
                        "--scale",
                        "1 um/px",
                        "--mass",
                        "12 g",
                        "--density",
                        "chosen=2"))
                .startsWith("0");
        List<String> rows = Files.readAllLines(out.resolve("phases.csv"));
        assertThat(rows.getFirst()).endsWith(",sd,mass_g");
        double rest = Double.parseDouble(rows.get(1).substring(rows.get(1).lastIndexOf(',') + 1));
        double chosen = Double.parseDouble(rows.get(2).substring(rows.get(2).lastIndexOf(',') + 1));
        double share = Double.parseDouble(rows.get(2).split(",")[5]) / 100;
        assertThat(rest + chosen).isCloseTo(12, within(1e-9));
        assertThat(chosen).isCloseTo(12 * 2 * share / (1 + share), within(1e-9));
        assertThat(out.resolve("samples.csv")).content().contains("area-for-volume");
    }

    @Test
    void wrongWordsEndInTwoWithOneSentence() {
        String out = folder.resolve("out").toString();
        assertThat(said("run", method(), picture(), "--out", out, "--scale", "0 um/px"))
                .startsWith("2: Wrong option: a pixel must be longer than 0, was 0.0 um.");
        assertThat(said("run", method(), picture(), "--out", out, "--scale", "3 furlong/px"))
                .startsWith("2: Wrong option: expected the length");
        assertThat(said("run", method(), picture(), "--out", out, "--bar", "9 um, middle"))
                .startsWith("2: Wrong option: a scale bar stands bottom right or ");
        assertThat(said("run", method(), picture(), "--out", out, "--mass", "12 stone"))
                .startsWith("2: Wrong option: expected a mass in mg, g, kg or ozt");
        assertThat(said("run", method(), picture(), "--out", out, "--mass", "12 g", "--density", "1=0"))
                .startsWith("2: Wrong option: the density of 1 must be above 0");
        assertThat(said("run", method(), picture(), "--out", out, "--field", "square:1"))
                .startsWith("2: Wrong option: the field \"square:1\"");
        assertThat(said("run", method(), picture(), "--out", out, "--jobs", "0"))
                .startsWith("2: Wrong option: jobs must be at least 1");
        assertThat(said("run", method(), picture())).startsWith("2: Missing required option: '--out=DIR'");
        assertThat(said("rum")).startsWith("2: Unmatched argument at index 0: 'rum'");
        assertThat(said("run", method(), picture(), "--out", demo.toString(), "--scale", "1 um/px"))
                .startsWith("2: The folder " + demo + " holds one/");
        assertThat(Path.of(out)).doesNotExist();
    }

    @Test
    void aBadMethodEndsInThreeAndNamesTheStep() throws IOException {
        Path bad = folder.resolve("bad.method.json");
        Files.writeString(bad, Files.readString(Path.of(method())).replace("\"dark\"", "\"black\""));
        String out = folder.resolve("out").toString();
        assertThat(said("run", bad.toString(), picture(), "--out", out))
                .isEqualTo(
                        "3: Step 2 (threshold) 'keep': expected one of bright, dark, between, outside but found \"black\".\n");
        assertThat(said("run", folder.resolve("none.json").toString(), picture(), "--out", out))
                .startsWith("3: ")
                .contains("none.json does not exist.");
        Path byHand = folder.resolve("hand.method.json");
        Files.writeString(
                byHand,
                "{\"format\":\"keen-tally-method\",\"version\":1,\"steps\":[{\"step\":\"similar-colour\","
                        + "\"colours\":[\"#a0522d\"],\"connected\":true}]}");
        assertThat(said("run", byHand.toString(), picture(), "--out", out))
                .isEqualTo(
                        "3: Step 1 (similar-colour) hangs on hand work, which is kept with the samples of a study and"
                                + " not in a method file.\n");
        assertThat(Path.of(out)).doesNotExist();
    }

    @Test
    void aFieldFencesTheNumbersOff() throws IOException {
        Path out = folder.resolve("out");
        String status = said(
                "run",
                method(),
                picture(),
                "--out",
                out.toString(),
                "--scale",
                "18 um/px",
                "--field",
                "rect:0,0,640,960",
                "--field",
                "not:ellipse:100,100,50,50");
        assertThat(status).isEqualTo("0: ");
        long pixels = Long.parseLong(
                Files.readAllLines(out.resolve("samples.csv")).get(1).split(",")[5]);
        assertThat(pixels).isBetween(640L * 960 - 7870, 640L * 960 - 7840);
    }

    @Test
    void stepsAndMeasuresListEverything() throws IOException, FileFault {
        Path file = folder.resolve("list.json");
        Files.writeString(file, said("steps", "--json").substring(3));
        List<?> steps = (List<?>) Json.read(file);
        assertThat(steps).hasSize(Steps.all().size()).allMatch(s -> ((Map<?, ?>) s).containsKey("settings"));
        Files.writeString(file, said("measures", "--json").substring(3));
        assertThat((List<?>) Json.read(file)).hasSize(Measure.values().length);
        assertThat(said("steps"))
                .contains("threshold: picture to mask")
                .contains("cut: number, must be given, only when rule is manual");
        assertThat(said("measures")).contains("feret-max (length)").contains("Source:");
        assertThat(said("--help")).contains("demo").contains("desk [STUDY|IMAGE...]");
        assertThat(said("--version")).startsWith("0: Keen Tally 0.1.0");
    }

    @Test
    void samplesAreNotWrittenOverOtherFiles() throws IOException {
        Files.writeString(folder.resolve("diary.txt"), "mine");
        assertThat(said("samples", folder.toString())).startsWith("2: The folder " + folder + " holds other files");
        assertThat(folder.resolve("diary.txt")).hasContent("mine");
        assertThat(folder.resolve("truth.json")).doesNotExist();
    }

    @Test
    void aRoundFieldThatCannotBeSeenIsThatPicturesError() {
        Path out = folder.resolve("out");
        assertThat(said("run", method(), picture(), "--out", out.toString(), "--scale", "18 um/px", "--field", "round"))
                .startsWith("1: 1 of 1 pictures failed");
        assertThat(out.resolve("samples.csv")).content().contains("No round field can be seen");
    }

    /** Three pages, each with one disc more than the one before it. */
    private Path pages() throws IOException {
        Path file = folder.resolve("stack.tif");
        ImageWriter writer = ImageIO.getImageWritersByFormatName("tiff").next();
        try (ImageOutputStream out = ImageIO.createImageOutputStream(file.toFile())) {
            writer.setOutput(out);
            writer.prepareWriteSequence(null);
            for (int page = 1; page <= 3; page++) {
                BufferedImage image = new BufferedImage(60, 30, BufferedImage.TYPE_BYTE_GRAY);
                Graphics2D g = image.createGraphics();
                for (int disc = 0; disc < page; disc++) {
                    g.fillOval(4 + 18 * disc, 5, 12, 12);
                }
                g.dispose();
                writer.writeToSequence(new IIOImage(image, null, null), null);
            }
            writer.endWriteSequence();
        } finally {
            writer.dispose();
        }
        return file;
    }

    private String counting() throws IOException {
        Path method = folder.resolve("count.method.json");
        Files.writeString(
                method,
                "{\"format\":\"keen-tally-method\",\"version\":1,\"steps\":[{\"step\":\"channel\",\"of\":1},"
                        + "{\"step\":\"threshold\",\"rule\":\"manual\",\"cut\":100}],\"signal\":\"prepared\"}");
        return method.toString();
    }

    private static List<String> column(Path samples, String name) throws IOException {
        List<String> lines = Files.readAllLines(samples);
        int at = List.of(lines.getFirst().split(",")).indexOf(name);
        return lines.stream().skip(1).map(l -> l.split(",", -1)[at]).toList();
    }

    @Test
    void pagesAreSaidOrAsked() throws IOException {
        String stack = pages().toString();
        Path out = folder.resolve("out");
        assertThat(said("run", counting(), stack, "--out", out.toString())).isEqualTo("0: ");
        assertThat(column(out.resolve("samples.csv"), "count")).containsExactly("1");
        assertThat(column(out.resolve("samples.csv"), "cautions").getFirst()).contains("other-pages");
        said("run", counting(), stack, "--out", out.toString(), "--pages", "first");
        assertThat(column(out.resolve("samples.csv"), "cautions").getFirst()).doesNotContain("other-pages");
        said("run", counting(), stack, "--out", out.toString(), "--page", "2");
        assertThat(column(out.resolve("samples.csv"), "count")).containsExactly("2");
        assertThat(said("run", counting(), stack, "--out", out.toString(), "--pages", "each"))
                .isEqualTo("0: ");
        assertThat(column(out.resolve("samples.csv"), "sample")).containsExactly("stack-1", "stack-2", "stack-3");
        assertThat(column(out.resolve("samples.csv"), "count")).containsExactly("1", "2", "3");
        assertThat(said("run", counting(), stack, "--out", out.toString(), "--pages", "channels"))
                .isEqualTo("0: ");
        assertThat(column(out.resolve("samples.csv"), "sample")).containsExactly("stack");
        assertThat(said("run", counting(), "--channels", "a=" + picture() + ",b=" + picture(), "--out", out.toString()))
                .isEqualTo("0: ");
        assertThat(column(out.resolve("samples.csv"), "status")).containsExactly("ok");
        assertThat(said("run", counting(), stack, "--out", out.toString(), "--pages", "all"))
                .startsWith("2: Wrong option: --pages is first, each or channels");
        assertThat(said("run", counting(), stack, "--out", out.toString(), "--pages", "first", "--page", "2"))
                .startsWith("2: Wrong option: --page and --pages both say");
        assertThat(said("run", counting(), "--out", out.toString())).startsWith("2: Wrong option: name at least one");
        assertThat(said("run", counting(), "--channels", "a", "--out", out.toString()))
                .startsWith("2: Wrong option: --channels wants");
    }

    /** The example runs the sample of its study; here the files are named as its channels. */
    @Test
    void twoStainsGiveTheSameBytesFromFilesAsFromTheStudy() throws IOException {
        Path samples = demo.resolve("one/samples");
        Path results = demo.resolve("one/results/two-stains");
        Path out = folder.resolve("out");
        String words = "starch=" + samples.resolve("two-stains-starch.tif") + ",protein="
                + samples.resolve("two-stains-protein.tif");
        String scale = column(results.resolve("samples.csv"), "um_per_px").getFirst() + " um/px";
        String method = samples.resolve("two-stains.method.json").toString();
        assertThat(said("run", method, "--channels", words, "--scale", scale, "--out", out.toString()))
                .isEqualTo("0: ");
        for (String table : List.of("objects.csv", "phases.csv", "samples.csv")) {
            assertThat(Files.readString(out.resolve(table)).replace("two-stains-starch,", "two-stains,"))
                    .as(table)
                    .isEqualTo(Files.readString(results.resolve(table)));
        }
        assertThat(out.resolve("labels/two-stains-starch.tif"))
                .hasSameBinaryContentAs(results.resolve("labels/two-stains.tif"));
    }

    @Test
    void channelsOfAnotherSizeAndSlicesOfABodyAreRefusedInASentence() throws IOException {
        Path out = folder.resolve("out");
        String small = pages().toString();
        assertThat(said("run", counting(), "--channels", "a=" + picture() + ",b=" + small, "--out", out.toString()))
                .startsWith("1: ");
        assertThat(column(out.resolve("samples.csv"), "status").getFirst()).contains("px");
        assertThat(said("run", counting(), small, "--out", out.toString(), "--pages", "slices"))
                .startsWith("2: Wrong option: slices of one body are not measured as one");
    }

    @Test
    void densitiesStandBesideAMass() {
        String out = folder.resolve("out").toString();
        assertThat(said("run", method(), picture(), "--out", out, "--density", "chosen=2"))
                .startsWith("2: Wrong option: --density stands beside --mass");
        assertThat(said("run", method(), picture(), "--out", out, "--scale", "1e300 cm/px"))
                .startsWith("2: Wrong option: a pixel must be between");
        assertThat(said("run", method(), picture(), "--out", out, "--mass", "1e308 kg"))
                .startsWith("2: Wrong option: a mass must be between");
        assertThat(said(
                        "run",
                        method(),
                        picture(),
                        "--out",
                        out,
                        "--scale",
                        "1 um/px",
                        "--mass",
                        "1 g",
                        "--density",
                        "foam=2"))
                .startsWith("1: 1 of 1 pictures failed");
    }

    @Test
    void aFullOutputIsNoSuccess() {
        PrintStream before = System.out;
        System.setOut(new PrintStream(new OutputStream() {
            @Override
            public void write(int b) throws IOException {
                throw new IOException("No space left on device");
            }
        }));
        try {
            assertThat(said("steps")).startsWith("1: Not all could be written to standard output");
        } finally {
            System.setOut(before);
        }
    }

    @Test
    void aNameThatBeginsWithAnAtIsAName() throws IOException {
        Path at = folder.resolve("@discs.png");
        Files.copy(Path.of(picture()), at);
        Path out = folder.resolve("out");
        assertThat(said("run", counting(), at.toString(), "--out", out.toString()))
                .isEqualTo("0: ");
        assertThat(column(out.resolve("samples.csv"), "sample")).containsExactly("'@discs");
    }
}
