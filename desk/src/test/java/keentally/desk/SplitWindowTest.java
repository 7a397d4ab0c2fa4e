package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.control.Slider;
import javafx.scene.input.KeyCode;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.desk.model.SampleActions;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Into objects: granules that touch are split, at the real screen. */
class SplitWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.demo(folder, "Starch granules", "");
        desk.click("section-scale");
        desk.type("scale", "0.09 um/px");
        desk.show("s1", "split-touching-1");
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private int split() {
        return Integer.parseInt(desk.text("split-count").split(" ")[0].replace(",", ""));
    }

    @Test
    void theDepthIsDraggedAndTheCountFollows() {
        int before = split();
        assertThat(before).isGreaterThan(200);
        String steady = desk.text("count-steadiness");
        assertThat(steady).startsWith("Count at the end steady");
        desk.press("depth-slider", 0.29, 0.5);
        desk.dragTo("depth-slider", 0.6, 0.5);
        desk.dragTo("depth-slider", 0.85, 0.5);
        desk.release();
        assertThat(split()).isLessThan(before * 3 / 4);
        assertThat(desk.text("split-count")).endsWith(" at " + desk.fieldText("setting-depth"));
        assertThat(desk.text("count-steadiness")).startsWith("Count at the end").isNotEqualTo(steady);
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(split()).isEqualTo(before);
    }

    /** What the stage shows is kept, though the key was let go of when the slider had lost the keyboard. */
    @Test
    void aDepthMovedByKeyIsKeptWhereverTheKeyIsLetGoOf() {
        int before = split();
        String depth = desk.fieldText("setting-depth");
        Slider slider = (Slider) desk.node("depth-slider");
        desk.onFx(() -> {
            slider.requestFocus();
            for (int i = 0; i < 9; i++) {
                slider.increment();
            }
            desk.node("stage").requestFocus();
            return null;
        });
        desk.quiet();
        assertThat(desk.fieldText("setting-depth")).isNotEqualTo(depth);
        assertThat(desk.text("split-count")).endsWith(" at " + desk.fieldText("setting-depth"));
        assertThat(split()).isLessThan(before);
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.fieldText("setting-depth"))
                .as("one action, undone at once")
                .isEqualTo(depth);
        assertThat(split()).isEqualTo(before);
    }

    /** The mask is the same, what a pixel stands for is not. */
    @Test
    void areasOfAMaskFollowTheScale() {
        desk.onFx(() -> desk.model().change("the threshold alone, which no scale takes part in", m -> {
            Method alone = m;
            for (MethodStep step : m.steps()) {
                alone = step.id().equals("threshold-1") ? alone : alone.remove(step.id());
            }
            return alone;
        }));
        desk.show("s1", "threshold-1");
        assertThat(desk.text("area-0")).endsWith("µm²");
        desk.onFx(() -> {
            new SampleActions(desk.model(), Platform::runLater).calibrate(Optional.empty());
            return null;
        });
        desk.quiet();
        assertThat(desk.text("area-0")).endsWith("px²");
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.text("area-0")).endsWith("µm²");
    }

    /** The depth of one way of parting means nothing to another, and does not stand in its way. */
    @Test
    void anotherWayOfPartingHasADepthOfItsOwn() {
        desk.type("setting-depth", "2 px");
        assertThat(desk.text("fault")).isEmpty();
        desk.choose("setting-by", "light");
        assertThat(desk.fieldText("setting-depth")).isEqualTo("10");
        assertThat(desk.has("setting-things")).isTrue();
        assertThat(split()).isPositive();
        desk.type("setting-depth", "1 px");
        assertThat(desk.text("message")).contains("a number in the picture's values");
    }

    @Test
    void pageKeysWalkTheStationsWhateverHasTheKeyboard() {
        desk.click("slide-s1");
        desk.keys(KeyCode.PAGE_UP);
        assertThat(desk.onFx(() -> desk.model().station().get())).isEqualTo("remove-specks-1");
        desk.keys(KeyCode.PAGE_DOWN);
        desk.keys(KeyCode.PAGE_DOWN);
        assertThat(desk.onFx(() -> desk.model().station().get())).isEqualTo("edge-objects-1");
        assertThat(desk.count()).isBetween(210, 235);
    }

    /** A tile says which objects are otherwise than now, and the sheet begins with the picture alone. */
    @Test
    void theTrialSheetTellsWhichObjectsParted() {
        desk.focusStage();
        desk.keys(KeyCode.T);
        assertThat(desk.texts("tile-plain")).contains("the picture");
        assertThat(String.join(" ", desk.texts("tile-0"))).contains("0.125 px", "parted");
        assertThat(String.join(" ", desk.texts("tile-8"))).contains("2 px", "joined");
        assertThat(desk.texts("tile-4")).contains("this is now");
        desk.click("tile-plain");
        desk.keys(KeyCode.RIGHT);
        assertThat(desk.trials().chosen().get()).contains(5);
    }
}
