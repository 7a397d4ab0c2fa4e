package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import keentally.core.setting.Setting;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.core.words.Words;
import keentally.desk.help.CautionWords;
import keentally.desk.help.Topic;
import keentally.study.caution.CautionKind;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Help beside the picture: of stations, measures and cautions, and why a number is so. */
class HelpWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void twoSquares() throws Exception {
        desk = DeskDriver.drawn(folder, pen -> {
            pen.fillRect(40, 40, 40, 40);
            pen.fillRect(200, 100, 60, 60);
        });
        desk.stations("threshold", "label");
        desk.focusStage();
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private void open(Topic topic) {
        desk.onFx(() -> {
            desk.window().help().open(topic);
            return null;
        });
        desk.quiet();
    }

    @Test
    void theSelectedStationIsToldOfAndTheHelpFollowsIt() {
        desk.keys(KeyCode.F1);
        assertThat(desk.text("help-side-title")).isEqualTo("Label");
        desk.click("card-1");
        assertThat(desk.text("help-side-title")).isEqualTo("Threshold");
        StepDescription threshold = Steps.find("threshold").orElseThrow();
        for (Setting<?> setting : threshold.settings()) {
            assertThat(desk.has("help-" + setting.id())).as(setting.id()).isTrue();
        }
        assertThat(desk.texts("help-body"))
                .anyMatch(t -> t.startsWith("Source: "))
                .contains("before", "after");
        desk.keys(KeyCode.F1);
        assertThat(desk.node("help-side").isVisible()).isFalse();
    }

    @Test
    void everyStationMeasureAndCautionHasItsHelp() {
        for (StepDescription step : Steps.all()) {
            open(new Topic.OfStation(step));
            assertThat(desk.text("help-side-title")).isEqualTo(Words.title(step));
        }
        for (CautionKind kind : CautionKind.values()) {
            open(new Topic.OfCaution(kind));
            assertThat(desk.texts("help-body")).contains(CautionWords.about(kind));
        }
    }

    @Test
    void whyACountIsSoIsToldWithItsInputsAndNeighbours() {
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("help-side-title")).isEqualTo("Objects after station 2, Label");
        assertThat(desk.text("why-number")).isEqualTo("2 objects");
        List<String> near = desk.texts("why-neighbours");
        assertThat(near.getFirst()).startsWith("Threshold, Cut: ");
        assertThat(near.get(1)).isEqualTo("2 objects");
        desk.click("why-input-1");
        assertThat(desk.onFx(() -> desk.model().station().get())).isEqualTo("threshold-1");
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("why-number")).isEqualTo("4.33 %"); // 40² + 60² of 400 × 300
        assertThat(desk.texts("help-body")).anyMatch(t -> t.startsWith("5,200 pixels of the mask, of the 120,000"));
    }

    @Test
    void aCellOfTheTableIsAskedWhy() {
        desk.click("view-objects");
        desk.onFx(() -> {
            TableView<?> table = (TableView<?>) desk.node("objects");
            table.requestFocus();
            table.getFocusModel().focus(1);
            focusSecondColumn(table);
            return null;
        });
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("help-side-title")).isEqualTo("Area of object 2");
        assertThat(desk.text("why-number")).isEqualTo("3,600 px²");
    }

    private static <S> void focusSecondColumn(TableView<S> table) {
        table.getFocusModel().focus(1, table.getColumns().get(1));
    }
}
