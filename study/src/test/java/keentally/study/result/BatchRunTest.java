package keentally.study.result;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Stream;
import keentally.core.draw.ShapeRenderer;
import keentally.core.geometry.Ellipse;
import keentally.core.measure.SampleNumber;
import keentally.core.measure.SampleNumber.Limits;
import keentally.core.method.Method;
import keentally.core.method.MethodTree;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.Mass;
import keentally.core.quantity.Scale;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;
import keentally.core.work.Workers;
import keentally.study.document.PictureRef;
import keentally.study.file.FileFault;
import keentally.study.file.Json;
import keentally.study.file.Sha256;
import keentally.study.file.WholeFile;
import keentally.study.method.MethodFile;
import keentally.study.picture.PictureReader;
import keentally.study.picture.PictureWriter;
import keentally.study.run.RecordFile;
import keentally.study.run.SampleRecord;
import keentally.study.run.TypedNumbers;
import keentally.study.run.Weighing;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class BatchRunTest {
    private static final String METHOD = """
            {"format": "keen-tally-method", "version": 1, "name": "Discs", "unit": "um",
             "steps": [{"step": "threshold", "save": true}, {"step": "edge-objects"},
                       {"step": "gate", "measure": "area", "atLeast": "20 um2", "save": true}],
             "measures": ["area", "ecd", "feret-max", "x", "mean", "circularity"]}
            """;

    @TempDir
    private Path folder;

    private Method method;
    private Path discs;

    @BeforeEach
    void draw() throws Exception {
        Path file = folder.resolve("m.json");
        Files.writeString(file, METHOD);
        method = MethodTree.read(Json.read(file));
        discs = folder.resolve("=discs.png");
        PictureWriter.png(discs, picture());
    }

    /** Three whole discs of radius 10, 8 and 1.2, and one cut by the edge. */
    private static Plane8 picture() {
        PlaneF drawn = new ShapeRenderer(100, 60)
                .add(Ellipse.disc(20, 20, 10))
                .add(Ellipse.disc(60, 30, 8))
                .add(Ellipse.disc(80, 50, 1.2))
                .add(Ellipse.disc(100, 10, 9))
                .plane(20, 220);
        byte[] values = new byte[drawn.values().length];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) Math.round(drawn.values()[i]);
        }
        return Plane8.of(100, 60, values);
    }

    private RunOrder order(Path out, Optional<Scale> scale, int jobs, Path... pictures) {
        return new RunOrder(
                method,
                Stream.of(pictures)
                        .map(p -> new PictureOrder(Optional.empty(), PictureRef.of(p, 1), scale, false, List.of()))
                        .toList(),
                out,
                jobs,
                false);
    }

    private int run(RunOrder order) throws FileFault {
        try (Workers workers = Workers.of(2)) {
            return BatchRun.run(order, workers, new Cancel(), BatchRun.Watcher.SILENT);
        }
    }

    private static final Optional<Scale> SCALE = Optional.of(Scale.of("2 um/px"));

    private static List<List<String>> csv(Path file) throws IOException {
        String text = Files.readString(file);
        assertThat(text).endsWith("\r\n");
        List<List<String>> rows = new ArrayList<>();
        for (CSVRecord row : CSVParser.parse(text, CSVFormat.RFC4180)) {
            rows.add(row.toList());
        }
        return rows;
    }

    /** Twenty pixels long at 2 µm a pixel; a bar that has no room stays away, and the same run again has it too. */
    @Test
    void aBarStandsOnTheOverlaysAndIsWrittenDown() throws IOException, FileFault {
        Path out = folder.resolve("barred");
        RunOrder plain = order(out, SCALE, 1, discs);
        run(plain.bar(ChosenBar.of("40 um, top left, dark")));
        assertThat(out.resolve("run.json")).content().contains("\"bar\" : \"40 um, top left, dark\"");
        Picture overlay =
                PictureReader.read(out.resolve("overlay/_discs.png"), 1).picture();
        int across = 0;
        for (int x = 0; x < 100; x++) {
            across += overlay.channels().getFirst().plane().at(x, 29) == 0x1e ? 1 : 0;
        }
        assertThat(across).isEqualTo(20);
        assertThat(RunFile.read(out, Optional.empty()).order().bar().orElseThrow())
                .hasToString("40 um, top left, dark");

        byte[] bare = overlay(folder.resolve("bare"), plain);
        assertThat(overlay(folder.resolve("too-long"), plain.bar(ChosenBar.of("400 um"))))
                .isEqualTo(bare);
        assertThat(ChosenBar.of("9 um").on(Optional.empty())).isEmpty();
        assertThat(ChosenBar.of("9 px").on(Optional.empty())).isPresent();
        assertThat(ChosenBar.of("1 um").on(SCALE)).as("half a pixel").isEmpty();
    }

    private byte[] overlay(Path out, RunOrder order) throws IOException, FileFault {
        run(order.into(out, false));
        return Files.readAllBytes(out.resolve("overlay/_discs.png"));
    }

    @Test
    void aBarIsReadInWords() {
        assertThat(ChosenBar.of("1.5 mm")).hasToString("1.5 mm, bottom right, light");
        assertThat(ChosenBar.of("30 px, dark , bottom left")).hasToString("30 px, bottom left, dark");
        assertThatThrownBy(() -> ChosenBar.of("9 um, middle"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("bottom right or bottom left or top right or top left")
                .hasMessageContaining("\"middle\"");
        assertThatThrownBy(() -> ChosenBar.of("0 um")).hasMessageContaining("longer than 0");
        assertThatThrownBy(() -> ChosenBar.of("long")).hasMessageContaining("a length with its unit");
    }

    @Test
    void tablesSayWhatWasDrawn() throws IOException, FileFault {
        Path out = folder.resolve("out");
        assertThat(run(order(out, SCALE, 1, discs))).isZero();
        List<List<String>> objects = csv(out.resolve("objects.csv"));
        assertThat(objects.getFirst())
                .containsExactly(
                        "sample",
                        "object",
                        "phase",
                        "area_um2",
                        "ecd_um",
                        "feret_max_um",
                        "x_um",
                        "mean",
                        "circularity");
        assertThat(objects).hasSize(3);
        assertThat(objects.get(1).getFirst()).isEqualTo("'=discs");
        assertThat(Double.parseDouble(objects.get(1).get(3))).isBetween(310 * 4.0, 318 * 4.0);
        assertThat(Double.parseDouble(objects.get(2).get(6))).isBetween(119.5, 120.5);
        List<List<String>> samples = csv(out.resolve("samples.csv"));
        Map<String, String> row = new TreeMap<>();
        for (int i = 0; i < samples.getFirst().size(); i++) {
            row.put(samples.getFirst().get(i), samples.get(1).get(i));
        }
        assertThat(row)
                .containsEntry("status", "ok")
                .containsEntry("width_px", "100")
                .containsEntry("um_per_px", "2")
                .containsEntry("field_pixels", "6000")
                .containsEntry("field_area_um2", "24000")
                .containsEntry("count", "2")
                .containsEntry("hand_edits", "0")
                .containsKeys("mean_area_um2", "median_area_um2", "mean_circularity", "count_per_mm2", "kept_percent");
        assertThat(Double.parseDouble(row.get("count_per_mm2"))).isBetween(83.3, 83.4);
        assertThat(row.get("cuts")).startsWith("1:");
        List<List<String>> phases = csv(out.resolve("phases.csv"));
        assertThat(phases.getFirst())
                .containsExactly(
                        "sample",
                        "phase",
                        "name",
                        "pixels",
                        "area_um2",
                        "fraction_percent",
                        "x_um",
                        "y_um",
                        "mean",
                        "sd");
        assertThat(phases.get(1).subList(1, 3)).containsExactly("0", "rest");
        assertThat(phases.get(2).subList(1, 3)).containsExactly("1", "chosen");
        assertThat(phases.get(2).get(5)).isEqualTo(row.get("kept_percent"));
    }

    @Test
    void mapsAndOverlayLieBesideTheTables() throws IOException, FileFault {
        Path out = folder.resolve("out");
        run(order(out, SCALE, 1, discs));
        Picture phases = PictureReader.read(out.resolve("phases/_discs.png")).picture();
        assertThat(phases.single().orElseThrow().at(20, 20)).isEqualTo(1);
        assertThat(phases.single().orElseThrow().at(99, 10)).isZero();
        Picture labels = PictureReader.read(out.resolve("labels/_discs.tif")).picture();
        assertThat(labels.single().orElseThrow().at(60, 30)).isEqualTo(2);
        assertThat(PictureReader.read(out.resolve("overlay/_discs.png"))
                        .picture()
                        .isColour())
                .isTrue();
        Picture mask = PictureReader.read(out.resolve("after/_discs.1.tif")).picture();
        assertThat(mask.single().orElseThrow().at(99, 10)).isEqualTo(255);
        assertThat(out.resolve("after/_discs.3.tif")).exists();
        assertThat(out.resolve("after/_discs.2.tif")).doesNotExist();
    }

    @Test
    void aPictureThatFailsIsARowAndTheRestGoesOn() throws IOException, FileFault {
        Path cut = folder.resolve("cut.png");
        byte[] bytes = Files.readAllBytes(discs);
        Files.write(cut, Arrays.copyOf(bytes, bytes.length / 2));
        Path out = folder.resolve("out");
        assertThat(run(order(out, SCALE, 2, cut, discs, folder.resolve("none.png"))))
                .isEqualTo(2);
        List<List<String>> samples = csv(out.resolve("samples.csv"));
        assertThat(samples.get(1).get(1)).contains("cut.png is cut short");
        assertThat(samples.get(2).get(1)).isEqualTo("ok");
        assertThat(samples.get(3).get(1)).contains("none.png is missing");
        assertThat(samples).allMatch(row -> row.size() == samples.getFirst().size());
        Map<?, ?> run = (Map<?, ?>) Json.read(out.resolve("run.json"));
        Map<?, ?> first = (Map<?, ?>) ((List<?>) run.get("pictures")).getFirst();
        assertThat((String) first.get("status")).contains("cut short");
    }

    @Test
    void aRealUnitNeedsAScale() throws IOException, FileFault {
        Path out = folder.resolve("out");
        assertThat(run(order(out, Optional.empty(), 1, discs))).isEqualTo(1);
        assertThat(csv(out.resolve("samples.csv")).get(1).get(1))
                .contains("has no scale")
                .contains("--scale");
        assertThat(csv(out.resolve("objects.csv"))).hasSize(1);
    }

    @Test
    void twoRunsGiveTheSameBytesWhateverTheThreads() throws IOException, FileFault {
        Path again = folder.resolve("discs2.png");
        Files.copy(discs, again);
        run(order(folder.resolve("one"), SCALE, 1, discs, again));
        run(order(folder.resolve("two"), SCALE, 2, discs, again));
        assertThat(hashes(folder.resolve("two")))
                .isEqualTo(hashes(folder.resolve("one")))
                .hasSizeGreaterThan(8);
    }

    private static Map<String, String> hashes(Path tree) throws IOException, FileFault {
        Map<String, String> hashes = new TreeMap<>();
        try (var files = Files.walk(tree)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                hashes.put(tree.relativize(file).toString(), Sha256.of(file));
            }
        }
        return hashes;
    }

    @Test
    void onlyAnEarlierRunsFolderIsReplaced() throws IOException, FileFault {
        Path out = folder.resolve("out");
        run(order(out, SCALE, 1, discs));
        run(order(out, SCALE, 1, discs));
        Files.writeString(out.resolve("diary.txt"), "mine");
        assertThatThrownBy(() -> run(order(out, SCALE, 1, discs)))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("holds diary.txt, which no run wrote");
        assertThat(out.resolve("diary.txt")).hasContent("mine");
        assertThatThrownBy(() -> run(order(discs, SCALE, 1, discs)))
                .hasMessageContaining("is a file; results go into a folder");
        assertThatThrownBy(() -> run(order(folder, SCALE, 1, discs))).isInstanceOf(FileFault.class);
        assertThatThrownBy(() -> run(order(discs.resolve("below"), SCALE, 1, discs)))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("cannot be written");
        try (var left = Files.list(folder)) {
            assertThat(left.map(p -> p.getFileName().toString())).noneMatch(n -> n.startsWith("."));
        }
    }

    @Test
    void runJsonTellsMethodPicturesAndCautions() throws FileFault {
        Path out = folder.resolve("out");
        run(order(out, SCALE, 1, discs));
        Map<?, ?> run = (Map<?, ?>) Json.read(out.resolve("run.json"));
        assertThat(run.get("methodSha256")).isEqualTo(MethodFile.hash(method));
        assertThat(run.get("method")).isEqualTo(Json.read(write(MethodTree.write(method))));
        Map<?, ?> picture = (Map<?, ?>) ((List<?>) run.get("pictures")).getFirst();
        assertThat(picture.get("sha256")).isEqualTo(Sha256.of(discs));
        assertThat(picture.get("scale")).isEqualTo("2 um/px");
        assertThat(run.containsKey("times")).isFalse();
    }

    private Path write(Object tree) throws FileFault {
        Path file = folder.resolve("tree.json");
        WholeFile.write(file, Json.pretty(tree));
        return file;
    }

    @Test
    void samplesAreNamedByTheirFiles() {
        assertThat(SampleNames.ofFiles(List.of(Path.of("a/x.png"), Path.of("b/y.z.tif"))))
                .containsExactly("x", "y.z");
        assertThat(SampleNames.ofFiles(List.of(Path.of("x.png"), Path.of("x.tif"))))
                .containsExactly("x.png", "x.tif");
        assertThat(SampleNames.ofFiles(List.of(Path.of("a/x.png"), Path.of("b/x.png"))))
                .containsExactly("x.png", "x.png-2");
        assertThat(SampleNames.forFiles(List.of("a b", "a/b", "näh-1_2.c")))
                .containsExactly("a_b", "a_b-2", "näh-1_2.c");
    }

    private Method method(String steps, String measures) {
        return read(
                "{\"format\": \"keen-tally-method\", \"version\": 1, \"name\": \"m\", \"unit\": \"um\", \"steps\": ["
                        + steps + "], \"measures\": [" + measures + "]}");
    }

    private static Method read(String text) {
        try {
            return MethodTree.read(Json.parse(text));
        } catch (keentally.core.method.MethodFault e) {
            throw new IllegalStateException(e);
        }
    }

    private Map<String, String> row(Path table, int number) throws IOException {
        List<List<String>> rows = csv(table);
        Map<String, String> row = new TreeMap<>();
        for (int i = 0; i < rows.getFirst().size(); i++) {
            row.put(rows.getFirst().get(i), rows.get(number).get(i));
        }
        return row;
    }

    /** What a method narrows the field to is the whole of every share, in every file. */
    @Test
    void withinMakesOneWholeInAllFiles() throws Exception {
        method = method(
                "{\"step\": \"threshold\", \"rule\": \"manual\", \"cut\": 30}, {\"step\": \"within\"},"
                        + "{\"step\": \"threshold\", \"rule\": \"manual\", \"cut\": 200}",
                "\"area\"");
        Path out = folder.resolve("out");
        assertThat(run(order(out, SCALE, 1, discs))).isZero();
        Map<String, String> sample = row(out.resolve("samples.csv"), 1);
        Map<String, String> chosen = row(out.resolve("phases.csv"), 2);
        Map<String, String> rest = row(out.resolve("phases.csv"), 1);
        long field = Long.parseLong(sample.get("field_pixels"));
        assertThat(field)
                .isLessThan(1000)
                .isEqualTo(Long.parseLong(chosen.get("pixels")) + Long.parseLong(rest.get("pixels")));
        assertThat(sample.get("field_area_um2")).isEqualTo(String.valueOf(4 * field));
        assertThat(sample.get("kept_percent")).isEqualTo(chosen.get("fraction_percent"));
        assertThat(sample.get("kept_area_um2")).isEqualTo(chosen.get("area_um2"));
        double perMm2 = Integer.parseInt(sample.get("count")) / (4 * field / 1e6);
        assertThat(Double.parseDouble(sample.get("count_per_mm2"))).isCloseTo(perMm2, within(1e-9));
    }

    /** The edge that cuts objects is that of the field at the method's end. */
    @Test
    void cautionsLookAtTheNarrowedField() throws Exception {
        method = method(
                "{\"step\": \"threshold\", \"rule\": \"manual\", \"cut\": 30}, {\"step\": \"edge-objects\"},"
                        + "{\"step\": \"objects-to-mask\"}, {\"step\": \"within\"},"
                        + "{\"step\": \"threshold\", \"rule\": \"manual\", \"cut\": 0}",
                "\"touches-edge\"");
        Path out = folder.resolve("out");
        run(order(out, SCALE, 1, discs));
        assertThat(row(out.resolve("samples.csv"), 1).get("cautions")).contains("edge-objects");
        assertThat(row(out.resolve("objects.csv"), 1)).containsEntry("touches_edge", "1");
    }

    /** What cannot be counted is empty and not 0; the overlay shows what the method ends in. */
    @Test
    void aMethodThatEndsInPhasesCountsNothing() throws Exception {
        method = method("{\"step\": \"levels\", \"by\": \"manual\", \"cuts\": [60, 150]}", "\"area\", \"circularity\"");
        Path out = folder.resolve("out");
        assertThat(run(order(out, SCALE, 1, discs))).isZero();
        assertThat(row(out.resolve("samples.csv"), 1))
                .containsEntry("count", "")
                .containsEntry("count_per_mm2", "")
                .containsEntry("kept_percent", "")
                .containsEntry("kept_area_um2", "")
                .containsEntry("mean_area_um2", "")
                .containsEntry("cuts", "1:60;1:150");
        assertThat(csv(out.resolve("objects.csv"))).hasSize(1);
        Picture overlay = PictureReader.read(out.resolve("overlay/_discs.png")).picture();
        assertThat(overlay.channels()).anyMatch(c -> c.plane().at(5, 5) != 20);
    }

    @Test
    void bothEndsOfACutAreToldAndDirectionsAreAveragedRound() throws Exception {
        method = method(
                "{\"step\": \"threshold\", \"rule\": \"manual\", \"keep\": \"between\", \"low\": 100, \"high\": 230}",
                "\"orientation\"");
        Path tilted = folder.resolve("tilted.png");
        PlaneF drawn = new ShapeRenderer(100, 60)
                .add(new Ellipse(25, 30, 4, 20, 2))
                .add(new Ellipse(70, 30, 4, 20, -2))
                .plane(20, 220);
        byte[] values = new byte[6000];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) Math.round(drawn.values()[i]);
        }
        PictureWriter.png(tilted, Plane8.of(100, 60, values));
        Path out = folder.resolve("out");
        assertThat(run(order(out, SCALE, 1, tilted))).isZero();
        Map<String, String> sample = row(out.resolve("samples.csv"), 1);
        assertThat(sample).containsEntry("cuts", "1:100;1:230").containsEntry("count", "2");
        assertThat(Math.abs(Double.parseDouble(sample.get("mean_orientation_deg"))))
                .isBetween(89.0, 90.0);
        assertThat(Math.abs(Double.parseDouble(sample.get("median_orientation_deg"))))
                .isBetween(89.0, 90.0);
    }

    @Test
    void aRunLeavesWhatItDidNotWrite() throws Exception {
        Path out = folder.resolve("out");
        run(order(out, SCALE, 1, discs));
        Files.writeString(out.resolve("labels/mine.txt"), "mine");
        assertThatThrownBy(() -> run(order(out, SCALE, 1, discs)))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("holds labels/mine.txt, which no run wrote");
        assertThat(out.resolve("labels/mine.txt")).hasContent("mine");
    }

    /** Folders reached by a link, or given by several names, stay the folders that they were. */
    @Test
    void theFolderItselfStays() throws Exception {
        Path real = Files.createDirectory(folder.resolve("real"));
        Path link = Files.createSymbolicLink(folder.resolve("link"), real);
        Object key = Files.readAttributes(real, java.nio.file.attribute.BasicFileAttributes.class)
                .fileKey();
        run(order(link, SCALE, 1, discs));
        run(order(link, SCALE, 1, discs));
        assertThat(link).isSymbolicLink();
        assertThat(real.resolve("samples.csv")).exists();
        assertThat(Files.readAttributes(real, java.nio.file.attribute.BasicFileAttributes.class)
                        .fileKey())
                .isEqualTo(key);
        try (Stream<Path> all = Files.list(real)) {
            assertThat(all.map(p -> p.getFileName().toString())).noneMatch(n -> n.startsWith("."));
        }
    }

    @Test
    void aFolderTakenAwayDuringARunIsSaid() {
        Path out = folder.resolve("out");
        BatchRun.Watcher thief = new BatchRun.Watcher() {
            @Override
            public void finished() {
                try (Stream<Path> all = Files.walk(out)) {
                    for (Path path :
                            all.sorted(java.util.Comparator.reverseOrder()).toList()) {
                        Files.delete(path);
                    }
                } catch (IOException e) {
                    throw new java.io.UncheckedIOException(e);
                }
            }
        };
        try (Workers workers = Workers.of(2)) {
            assertThatThrownBy(() -> BatchRun.run(order(out, SCALE, 1, discs), workers, new Cancel(), thief))
                    .isInstanceOf(FileFault.class);
        }
    }

    @Test
    void aStoppedRunLeavesWhatWasThere() throws Exception {
        Path out = folder.resolve("out");
        run(order(out, SCALE, 1, discs));
        Map<String, String> before = hashes(out);
        Cancel cancel = new Cancel();
        BatchRun.Watcher stopping = new BatchRun.Watcher() {
            @Override
            public void started(int number, int of, String sample) {
                cancel.ask();
            }
        };
        try (Workers workers = Workers.of(2)) {
            for (int jobs = 1; jobs < 3; jobs++) {
                RunOrder order = order(out, SCALE, jobs, discs, discs, discs);
                assertThatThrownBy(() -> BatchRun.run(order, workers, cancel, stopping))
                        .isInstanceOf(CancelledException.class);
            }
        }
        assertThat(hashes(out)).isEqualTo(before);
        Path fresh = folder.resolve("fresh");
        try (Workers workers = Workers.of(2)) {
            assertThatThrownBy(() -> BatchRun.run(order(fresh, SCALE, 1, discs), workers, cancel, stopping))
                    .isInstanceOf(CancelledException.class);
        }
        assertThat(fresh).doesNotExist();
    }

    /** A run that was killed while it wrote, and one killed while it moved what was complete. */
    @Test
    void whatAKilledRunLeftIsMendedByTheNext() throws Exception {
        Path out = folder.resolve("out");
        run(order(out, SCALE, 1, discs));
        Map<String, String> whole = hashes(out);
        Path part = Files.createDirectories(out.resolve(".keen-tally-part/labels"));
        Files.writeString(part.resolve("half.tif"), "half");
        run(order(out, SCALE, 1, discs));
        assertThat(hashes(out)).isEqualTo(whole);
        Files.createDirectories(part);
        Files.move(out.resolve("labels/_discs.tif"), part.resolve("_discs.tif"));
        Files.writeString(out.resolve("old.csv"), "of the run before");
        Files.writeString(
                out.resolve(".keen-tally-part/complete.json"),
                Json.compact(Map.of("gone", List.of("old.csv"), "files", List.of("labels/_discs.tif"))));
        ResultFolder.open(out).close();
        assertThat(hashes(out)).isEqualTo(whole);
    }

    @Test
    void onlyOneRunWritesIntoAFolder() throws Exception {
        Path out = folder.resolve("out");
        try (ResultFolder held = ResultFolder.open(out)) {
            assertThatThrownBy(() -> run(order(out, SCALE, 1, discs)))
                    .isInstanceOf(FileFault.class)
                    .hasMessageContaining("Another run is writing into");
            held.write("samples.csv", "a");
        }
        assertThat(out).doesNotExist();
    }

    @Test
    void aLongNameStopsNobody() throws Exception {
        Path longer = folder.resolve("ä".repeat(120) + ".png");
        Files.copy(discs, longer);
        Path out = folder.resolve("out");
        assertThat(run(order(out, SCALE, 1, longer, discs))).isZero();
        assertThat(csv(out.resolve("samples.csv")).get(1).getFirst()).isEqualTo("ä".repeat(120));
        assertThat(out.resolve("labels/" + "ä".repeat(100) + ".tif")).exists();
    }

    @Test
    void aDensityOfNoPhaseIsAnError() throws Exception {
        Path out = folder.resolve("out");
        Weighing weighing = new Weighing(Optional.of(Mass.of("12 g")), Map.of("foam", 0.5), true);
        RunOrder plain = order(out, SCALE, 1, discs);
        RunOrder weighed =
                new RunOrder(method, plain.samples(), out, 1, false, weighing, TypedNumbers.NONE, Optional.empty());
        assertThat(run(weighed)).isEqualTo(1);
        assertThat(row(out.resolve("samples.csv"), 1).get("status"))
                .isEqualTo("A density is given for the phase \"foam\", but the phases are 0 (rest), 1 (chosen);"
                        + " name one of these.");
    }

    /** Numbers of a sample: with their unit in the header; an empty cell where there is none, its reason in the record. */
    @Test
    void numbersOfTheSampleStandBehindItsOtherColumns() throws Exception {
        Path out = folder.resolve("out");
        Limits few = new Limits(OptionalDouble.empty(), OptionalDouble.of(3));
        Method counting = method.withNumbers(List.of(
                SampleNumber.of("dense", "count * dilution / field-area", List.of(), Limits.NONE),
                SampleNumber.of("filled", "area of chosen / field-area", List.of(), Limits.NONE),
                SampleNumber.of("wide", "greatest of all ecd", List.of(), few),
                SampleNumber.of("foam", "share of foam", List.of(), Limits.NONE)));
        RunOrder plain = order(out, SCALE, 1, discs);
        TreeMap<String, Double> typed = new TreeMap<>(Map.of("dilution", 100.0));
        run(new RunOrder(
                MethodTree.read(MethodTree.write(counting)),
                plain.samples(),
                out,
                1,
                false,
                Weighing.NONE,
                new TypedNumbers(OptionalDouble.empty(), typed),
                Optional.empty()));
        Map<String, String> row = row(out.resolve("samples.csv"), 1);
        double count = Double.parseDouble(row.get("count"));
        double field = Double.parseDouble(row.get("field_area_um2"));
        assertThat(Double.parseDouble(row.get("dense_per_um2"))).isCloseTo(100 * count / field, within(1e-12));
        assertThat(Double.parseDouble(row.get("filled")))
                .isCloseTo(Double.parseDouble(row.get("kept_area_um2")) / field, within(1e-12));
        assertThat(Double.parseDouble(row.get("wide_um"))).isGreaterThan(3);
        assertThat(row.get("cautions")).contains("out-of-limits");
        assertThat(row.get("foam")).isEmpty();
        SampleRecord record = RecordFile.read(Files.readString(out.resolve("records/_discs.json")));
        assertThat(record.numbers().orElseThrow().own().getLast().why())
                .contains("there is no phase \"foam\"; there is rest, chosen");
    }

    /** Records hold all that the tables say: read back, they make the same tables. */
    @Test
    void recordsReadBackAndMakeTheSameTables() throws Exception {
        Path out = folder.resolve("out");
        Path none = folder.resolve("none.png");
        run(order(out, SCALE, 2, none, discs));
        List<SampleRecord> records = new ArrayList<>();
        for (String name : List.of("none", "_discs")) {
            String text = Files.readString(out.resolve("records/" + name + ".json"));
            SampleRecord record = RecordFile.read(text);
            assertThat(RecordFile.text(record)).isEqualTo(text);
            records.add(record);
        }
        assertThat(new ObjectSheet(method, method.unit()).csv(records))
                .isEqualTo(Files.readString(out.resolve("objects.csv")));
        assertThat(new PhaseSheet(method, Optional.empty()).csv(records))
                .isEqualTo(Files.readString(out.resolve("phases.csv")));
        assertThat(new SampleSheet(method).csv(records)).isEqualTo(Files.readString(out.resolve("samples.csv")));
        assertThatThrownBy(() -> RecordFile.read("{\"format\": \"keen-tally-record\", \"version\": 1}"))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
