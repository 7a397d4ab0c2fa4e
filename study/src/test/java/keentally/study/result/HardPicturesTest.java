package keentally.study.result;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntPredicate;
import keentally.core.method.Method;
import keentally.core.method.MethodTree;
import keentally.core.picture.Plane8;
import keentally.core.quantity.Scale;
import keentally.core.work.Cancel;
import keentally.core.work.Workers;
import keentally.study.document.PictureRef;
import keentally.study.file.Json;
import keentally.study.picture.PictureWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Masks that nobody wants: each ends in a sentence or in tables that are empty but valid. */
class HardPicturesTest {
    private static final String CUT = "{\"step\": \"threshold\", \"rule\": \"manual\", \"cut\": 100}";

    @TempDir
    private Path folder;

    /** What the table of samples says. */
    private Map<String, String> run(int width, int height, IntPredicate bright, String scale, String... steps)
            throws Exception {
        byte[] values = new byte[width * height];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) (bright.test(i) ? 200 : 20);
        }
        Path picture = folder.resolve("hard.png");
        PictureWriter.png(picture, Plane8.of(width, height, values));
        String unit = Arrays.stream(steps).anyMatch(s -> s.contains("um")) ? "um" : "px";
        String text = "{\"format\": \"keen-tally-method\", \"version\": 1, \"unit\": \"" + unit + "\", \"steps\": ["
                + CUT + (steps.length == 0 ? "" : ", " + String.join(", ", steps))
                + "], \"measures\": [\"area\", \"circularity\", \"feret-max\", \"inner-circle\", \"nearest-distance\"],"
                + " \"columns\": [{\"name\": \"slim\", \"formula\": \"feret-max / feret-min\"}]}";
        Method method = MethodTree.read(Json.parse(text));
        Optional<Scale> given = scale.isEmpty() ? Optional.empty() : Optional.of(Scale.of(scale));
        PictureOrder sample = new PictureOrder(Optional.empty(), PictureRef.of(picture, 1), given, false, List.of());
        Path out = folder.resolve("out");
        try (Workers workers = Workers.of(2)) {
            BatchRun.run(
                    new RunOrder(method, List.of(sample), out, 1, false),
                    workers,
                    new Cancel(),
                    BatchRun.Watcher.SILENT);
        }
        List<String> lines = Files.readAllLines(out.resolve("samples.csv"));
        Map<String, String> row = new HashMap<>();
        String[] head = lines.get(0).split(",");
        String[] cells = lines.get(1).split(",", -1);
        for (int i = 0; i < head.length; i++) {
            row.put(head[i], i < cells.length ? cells[i] : "");
        }
        assertThat(Files.readString(out.resolve("objects.csv"))).doesNotContain("NaN", "Infinity");
        assertThat(lines.get(1)).doesNotContain("NaN", "Infinity");
        return row;
    }

    private long objects() throws Exception {
        return Files.readAllLines(folder.resolve("out/objects.csv")).size() - 1;
    }

    @Test
    void anEmptyMask() throws Exception {
        Map<String, String> row = run(
                40,
                30,
                i -> false,
                "",
                "{\"step\": \"fill-holes\"}",
                "{\"step\": \"split-touching\"}",
                "{\"step\": \"hull\"}",
                "{\"step\": \"skeleton\"}");
        assertThat(row)
                .containsEntry("status", "ok")
                .containsEntry("count", "0")
                .containsEntry("kept_percent", "0");
        assertThat(objects()).isZero();
    }

    @Test
    void aFullMaskIsOneObjectAsLargeAsThePicture() throws Exception {
        Map<String, String> row = run(
                40,
                30,
                i -> true,
                "",
                "{\"step\": \"fill-holes\"}",
                "{\"step\": \"split-touching\", \"depth\": \"0 px\"}");
        assertThat(row)
                .containsEntry("status", "ok")
                .containsEntry("count", "1")
                .containsEntry("kept_percent", "100");
        assertThat(row.get("cautions")).contains("edge-objects");
    }

    @Test
    void aFrameRoundThePicture() throws Exception {
        Map<String, String> row = run(
                40, 30, i -> i % 40 == 0 || i % 40 == 39 || i < 40 || i >= 29 * 40, "", "{\"step\": \"fill-holes\"}");
        assertThat(row).containsEntry("count", "1").containsEntry("kept_percent", "100");
    }

    /** Every second pixel of every second row: shapes of one pixel are empty, sizes are not. */
    @Test
    void halfAMillionSpecksOfOnePixel() throws Exception {
        Map<String, String> row = run(2000, 1000, i -> i % 2 == 0 && i / 2000 % 2 == 0, "");
        assertThat(row).containsEntry("status", "ok").containsEntry("count", "500000");
        assertThat(row.get("cautions")).contains("few-pixels");
        assertThat(row.get("mean_circularity")).isEmpty();
        List<String> lines = Files.readAllLines(folder.resolve("out/objects.csv"));
        assertThat(lines.getFirst())
                .isEqualTo(
                        "sample,object,phase,area_px2,circularity,feret_max_px,inner_circle_px,nearest_distance_px,slim");
        assertThat(lines.get(1)).startsWith("hard,1,1,1,,1.4142").endsWith(",2,1.4142135623730951");
    }

    @Test
    void aRadiusLargerThanThePicture() throws Exception {
        for (String step : List.of("erode", "dilate", "open", "close")) {
            for (String shape : List.of("disk", "square", "line")) {
                Map<String, String> row = run(
                        30,
                        20,
                        i -> i % 30 > 10 && i % 30 < 20,
                        "",
                        "{\"step\": \"" + step + "\", \"shape\": \"" + shape + "\", \"radius\": \"500 px\"}");
                assertThat(row).as(step + " " + shape).containsEntry("status", "ok");
            }
        }
    }

    @Test
    void aGateThatKeepsNothing() throws Exception {
        Map<String, String> row = run(
                30,
                20,
                i -> i % 30 > 10 && i % 30 < 20,
                "",
                "{\"step\": \"gate\", \"measure\": \"area\", \"atLeast\": \"100000 px2\"}");
        assertThat(row)
                .containsEntry("status", "ok")
                .containsEntry("count", "0")
                .containsEntry("mean_area_um2", "");
        assertThat(objects()).isZero();
    }

    @Test
    void micrometresWithoutAScale() throws Exception {
        Map<String, String> row = run(30, 20, i -> i % 30 > 10, "", "{\"step\": \"erode\", \"radius\": \"3 um\"}");
        assertThat(row.get("status")).contains("has no scale");
        assertThat(objects()).isZero();
    }
}
