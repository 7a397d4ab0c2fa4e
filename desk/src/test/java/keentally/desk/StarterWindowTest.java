package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.CheckBox;
import javafx.scene.input.KeyCode;
import keentally.core.method.MethodStep;
import keentally.study.document.Thing.SampleThing;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A micrograph with a caption and without a scale: what is asked, what is left out, and what is explained. */
class StarterWindowTest {
    /** Granules that the demo's picture is known to have. */
    private static final int TRUE_COUNT = 196;

    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void aMicrographWithoutAMethod() throws Exception {
        desk = DeskDriver.demo(folder, "Starch granules", "");
        desk.onFx(() -> {
            desk.window().starters().ask();
            return null;
        });
        desk.quiet();
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private SampleThing sample() {
        return desk.onFx(() -> desk.model().sample().orElseThrow());
    }

    private double number(String id) {
        return Double.parseDouble(desk.text(id).replaceAll("[^0-9.].*", ""));
    }

    @Test
    void theCaptionIsLeftOutAndThePersonMaySayOtherwise() {
        double without = number("starter-how-many-number");
        assertThat(desk.onFx(() -> ((CheckBox) desk.node("starter-without-caption")).isSelected()))
                .isTrue();
        desk.fire("starter-without-caption");
        assertThat(number("starter-how-many-number")).as("letters are counted").isGreaterThan(without);
        desk.fire("starter-without-caption");
        assertThat(number("starter-how-many-number")).isEqualTo(without);
        desk.fire("starter-how-many");
        assertThat(desk.count()).isEqualTo((int) without);
        assertThat(without).isBetween(0.97 * TRUE_COUNT, 1.03 * TRUE_COUNT);
        assertThat(sample().field()).hasSize(1);
        assertThat(sample().field().getFirst().takenAway()).isTrue();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(sample().field()).as("one undo takes all of it back").isEmpty();
    }

    @Test
    void whatItWouldBeIsWorkedOutWithoutTheCaptionToo() {
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        List<String> near = desk.texts("why-neighbours");
        assertThat(near).hasSizeGreaterThan(4);
        for (int i = 1; i < near.size(); i += 2) {
            assertThat(Double.parseDouble(near.get(i)))
                    .as(near.get(i - 1))
                    .isBetween(0.93 * TRUE_COUNT, 1.03 * TRUE_COUNT);
        }
    }

    @Test
    void whatIsLaidOutIsToldAndShown() {
        desk.fire("starter-how-many");
        List<MethodStep> steps = desk.onFx(() -> desk.model().method().steps());
        assertThat(desk.texts("laid-out")).hasSizeGreaterThan(steps.size());
        assertThat(desk.texts("laid-out")).contains("How many are there?");
        desk.click("laid-out-2");
        assertThat(desk.onFx(() -> desk.model().station().get()))
                .isEqualTo(steps.get(1).id());
        desk.click("station-show");
        assertThat(desk.node("show-how").isVisible()).isTrue();
        assertThat(desk.node("laid-out").isVisible()).isFalse();
        for (String step : List.of("show-1", "show-2", "show-3")) {
            desk.click(step);
            assertThat(desk.text("show-told")).isNotEmpty();
        }
        assertThat(desk.text("show-told")).startsWith("This is what goes out: ");
        desk.click("show-close");
        assertThat(desk.node("show-how").isVisible()).isFalse();
    }

    @Test
    void aScaleIsAskedForWhereItFirstMattersAndTheBarIsFound() {
        assertThat(desk.text("starter-how-big-number")).endsWith(" px");
        assertThat(desk.text("starter-scale-told")).contains("A bar of ");
        desk.click("starter-scale-give");
        assertThat(desk.node("starters").isVisible())
                .as("the bar is on the picture")
                .isFalse();
        desk.type("scale-real", "100 um");
        assertThat(sample().scale()).isPresent();
        assertThat(desk.node("starters").isVisible()).isTrue();
        assertThat(desk.text("starter-how-big-number")).endsWith(" µm");
        assertThat(desk.node("starter-scale").isVisible()).isFalse();
    }

    @Test
    void byExamplesAndByHandLeadToTheirViews() {
        desk.fire("starter-by-hand");
        assertThat(desk.has("tally-pane")).isTrue();
        assertThat(desk.node("starters").isVisible()).isFalse();
    }
}
