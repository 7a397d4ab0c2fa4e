package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import keentally.desk.stage.StageModel;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Objects filled by a measure, with its legend; and the outline of another mask over the one that is shown. */
class FillWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.demo(folder);
        desk.show("s1", "gate-1");
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private void fillBy(String title) {
        desk.choose("fill-by", title);
    }

    private long of(int colour) {
        return Arrays.stream(desk.colours("stage")).filter(c -> c == colour).count();
    }

    @Test
    void objectsAreFilledByAMeasureOnARampWithItsEnds() {
        desk.click("overlay-fill");
        fillBy("Area, µm²");
        String from = desk.text("fill-from");
        String to = desk.text("fill-to");
        assertThat(Double.parseDouble(to.replace(",", "")))
                .isGreaterThan(20 * Double.parseDouble(from.replace(",", "")));
        int lightest = 0xfff4ecd8;
        long before = of(lightest);
        desk.press("fill-ramp", 0.98, 0.3);
        desk.dragTo("fill-ramp", 0.3, 0.3);
        desk.release();
        assertThat(desk.text("fill-to")).isNotEqualTo(to);
        assertThat(desk.text("fill-from")).isEqualTo(from);
        assertThat(of(lightest)).as("all above the end are the lightest").isGreaterThan(before + 500);
        fillBy("Touches edge");
        fillBy("Mean colours");
        assertThat(desk.text("fill-same")).isEmpty();
        fillBy("Area, µm²");
        desk.onFx(() -> {
            desk.window().stageModel().meanFill().set(true);
            return null;
        });
        desk.quiet();
        assertThat(desk.onFx(() -> desk.window().stageModel().fill().get()))
                .as("the one or the other")
                .isEmpty();
        fillBy("Colours that tell apart");
        assertThat(desk.onFx(() -> desk.window().stageModel().meanFill().get())).isFalse();
    }

    @Test
    void aMeasureThatIsEverywhereTheSameSaysSo() {
        desk.click("overlay-fill");
        fillBy("Mean hue, °");
        assertThat(desk.text("fill-same")).isEqualTo("No object has such a number.");
        fillBy("Holes");
        assertThat(desk.text("fill-same")).startsWith("Everywhere 0: there is nothing to tell by colour");
    }

    @Test
    void theMaskBeforeIsOutlinedOverTheOneShown() {
        int dashes = 0xffc77bb9;
        desk.show("s1", "threshold-1");
        desk.stations("dilate");
        assertThat(of(dashes)).isZero();
        desk.onFx(() -> {
            desk.window().stageModel().other().set(Optional.of(StageModel.BEFORE));
            return null;
        });
        desk.quiet();
        assertThat(of(dashes)).isGreaterThan(500);
        desk.onFx(() -> {
            desk.window().stageModel().other().set(Optional.of(StageModel.SECOND));
            return null;
        });
        desk.quiet();
        assertThat(of(dashes)).as("the stage is whole").isZero();
        desk.focusStage();
        desk.keys(KeyCode.V);
        desk.choose("pair-place", "at the end of the method");
        desk.settleBeside();
        assertThat(of(dashes)).isGreaterThan(100);
    }

    @Test
    void aScaleBarStandsOnWhatIsTakenAway() throws Exception {
        desk.command("mark-bar");
        desk.fill("bar-length", "1 nm");
        desk.answer(true);
        assertThat(desk.asked()).as("too short, and asked again").isPresent();
        desk.fill("bar-length", "300 um");
        desk.answer(true);
        Path out = folder.resolve("shown.svg");
        desk.saveTo(out);
        desk.command("take-shown");
        desk.settleBeside();
        assertThat(Files.readString(out)).contains("width=\"200\"").contains(">300 µm</text>");
    }

    @Test
    void theHistogramsOfAllChannelsStandInOnePlot() throws Exception {
        desk.close();
        desk = DeskDriver.demo(Files.createDirectory(folder.resolve("tray")), "Grain tray", "colour-range-1");
        desk.click("card-0");
        desk.click("section-histogram");
        desk.settleBeside();
        desk.reach("histogram-all");
        desk.settleBeside();
        assertThat(List.of(desk.text("summary-mean-0"), desk.text("summary-mean-1"), desk.text("summary-mean-2")))
                .doesNotHaveDuplicates();
        Path out = folder.resolve("histograms.csv");
        desk.saveTo(out);
        desk.reach("histogram-save");
        desk.settleBeside();
        assertThat(out).content().startsWith("from,to,pixels_red");
    }
}
