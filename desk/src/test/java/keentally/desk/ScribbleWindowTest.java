package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.chart.LineChart;
import javafx.scene.control.ComboBox;
import javafx.scene.input.KeyCode;
import keentally.core.picture.Mask;
import keentally.core.step.ScribbleCutStep;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Cuts by strokes and edges refined, with the mouse, at the real screen. */
class ScribbleWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    /** Two bright squares on dark, half of each in shadow. */
    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.drawn(folder, pen -> {
            pen.setColor(new Color(150, 150, 150));
            pen.fillRect(0, 0, 400, 150);
            pen.setColor(new Color(60, 60, 60));
            pen.fillRect(0, 150, 400, 150);
            for (int x : new int[] {60, 220}) {
                pen.setColor(new Color(220, 220, 220));
                pen.fillRect(x, 80, 100, 70);
                pen.setColor(new Color(100, 100, 100));
                pen.fillRect(x, 150, 100, 50);
            }
        });
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private Mask mask(String station) {
        return desk.onFx(
                () -> desk.model().reached(station).orElseThrow().after().needMask());
    }

    /** A part round the left square; then strokes inside, in light and in shadow, and outside. */
    @Test
    void aSquareHalfInShadowIsCutOutByStrokesAndAllOfItUndone() {
        desk.stations("scribble-cut");
        desk.click("scribble-mode-outline");
        desk.tracePicture(30, 50, 190, 50, 190, 230, 30, 230, 31, 52);
        desk.click("scribble-mode-line");
        desk.type("scribble-width", "6 px");
        desk.keys(KeyCode.ENTER);
        desk.dragPicture(80, 100, 140, 100);
        desk.dragPicture(80, 180, 140, 180);
        desk.dragPictureOther(40, 70, 40, 140);
        desk.dragPictureOther(40, 160, 40, 220);
        assertThat((double) mask("scribble-cut-1").count()).isCloseTo(100 * 120, within(150.0));
        assertThat(desk.text("dab-4")).startsWith("5  outside, 6 px wide");
        assertThat(desk.count()).as("the other square is not in the part").isEqualTo(1);
        desk.click("remove-dab-2");
        assertThat((double) mask("scribble-cut-1").count())
                .as("without the stroke in the shadow")
                .isLessThan(9000);
        for (int i = 0; i < 6; i++) {
            desk.focusStage();
            desk.keys(KeyCode.CONTROL, KeyCode.Z);
        }
        assertThat(mask("scribble-cut-1").count()).isZero();
    }

    @Test
    void smoothnessIsLiveAndTheMaskAtHandCanBeMended() {
        desk.stations("threshold", "scribble-cut");
        desk.choose("setting-from", "the mask at hand");
        long before = mask("threshold-1").count();
        assertThat(mask("scribble-cut-1").count()).isEqualTo(before);
        desk.dragPictureOther(20, 30, 380, 30);
        assertThat(mask("scribble-cut-1").count()).as("the lit paper goes").isLessThan(before / 2);
        assertThat(desk.text("scribble-sum")).contains("px² added").contains("px² taken away");
        desk.type("setting-smoothness", "900");
        desk.keys(KeyCode.ENTER);
        assertThat(desk.texts("station-panel")).anyMatch(t -> t.contains("from 0 to 200"));
        desk.type("setting-smoothness", "80");
        desk.keys(KeyCode.ENTER);
        assertThat(desk.onFx(() -> desk.model()
                        .method()
                        .step("scribble-cut-1")
                        .orElseThrow()
                        .values()
                        .get(ScribbleCutStep.SMOOTHNESS)))
                .isEqualTo(80);
    }

    @Test
    void aRaggedMaskIsPulledToTheEdgeAndWhatMovedIsSaid() {
        desk.stations("scribble-cut", "paint", "refine-edges");
        desk.onFx(() -> {
            desk.model().station().set("paint-1");
            return null;
        });
        desk.quiet();
        desk.click("paint-mode-outline");
        desk.tracePicture(56, 76, 166, 84, 156, 204, 66, 196, 57, 80);
        desk.onFx(() -> {
            desk.model().station().set("refine-edges-1");
            return null;
        });
        desk.quiet();
        assertThat((double) mask("refine-edges-1").count()).isCloseTo(100 * 120, within(240.0));
        assertThat(desk.text("refine-moved")).contains("px²").contains("taken away (dotted)");
        long kept = mask("refine-edges-1").count();
        desk.type("setting-trust", "0.99");
        desk.keys(KeyCode.ENTER);
        desk.quiet();
        assertThat(mask("refine-edges-1").count()).isNotEqualTo(kept);
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(mask("refine-edges-1").count()).isEqualTo(kept);
        desk.click("station-trial");
        desk.settleBeside();
        for (String axis : List.of("trial-axis", "trial-second")) {
            ComboBox<?> box = (ComboBox<?>) desk.node(axis);
            assertThat(desk.onFx(() -> box.getSelectionModel().getSelectedIndex()))
                    .as("it is seen what is tried: " + axis)
                    .isNotNegative();
        }
        assertThat(desk.trials().tiles().get()).hasSize(9);
        LineChart<?, ?> plot = (LineChart<?, ?>) desk.node("trial-plot");
        assertThat(desk.onFx(() -> plot.getData().stream()
                        .map(line -> line.getName() + ": " + line.getData().size())
                        .toList()))
                .as("a line for each value of the second setting")
                .containsExactly("10: 3", "20: 3", "40: 3");
    }
}
