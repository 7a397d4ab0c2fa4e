package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.input.KeyCode;
import keentally.core.hand.Seeds;
import keentally.core.picture.Mask;
import keentally.core.setting.Values;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Masks painted, markers placed and regions sorted by hand, with the mouse, at the real screen. */
class PaintWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    /** Two bright squares joined by a bridge, one of them with a hole, on dark. */
    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.drawn(folder, pen -> {
            pen.fillRect(60, 80, 100, 120);
            pen.fillRect(220, 80, 100, 120);
            pen.fillRect(160, 130, 60, 12);
            pen.setColor(Color.BLACK);
            pen.fillRect(100, 120, 20, 20);
        });
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private Mask mask() {
        return desk.onFx(
                () -> desk.model().reached("paint-1").orElseThrow().after().needMask());
    }

    @Test
    void aBridgeIsCutAGapFilledAndAllOfItUndone() {
        desk.stations("threshold", "paint");
        long before = mask().count();
        desk.click("paint-mode-line");
        desk.type("paint-width", "6 px");
        desk.keys(KeyCode.ENTER);
        desk.dragPictureOther(190, 120, 190, 150);
        assertThat(desk.count()).isEqualTo(2);
        assertThat(mask().count()).isEqualTo(before - 6 * 12);
        assertThat(desk.text("paint-sum")).isEqualTo("0 px² added, 72 px² taken away");
        desk.click("paint-mode-fill");
        desk.clickPicture(110, 130);
        assertThat(mask().count()).isEqualTo(before - 72 + 400);
        assertThat(desk.text("dab-1")).isEqualTo("2  fill a gap");
        desk.clickPictureOther(270, 100);
        assertThat(desk.count()).isEqualTo(1);
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.count()).isEqualTo(2);
        desk.click("remove-dab-0");
        assertThat(desk.count()).isEqualTo(1);
        assertThat(mask().count()).isEqualTo(before + 400);
        for (int i = 0; i < 3; i++) {
            desk.focusStage();
            desk.keys(KeyCode.CONTROL, KeyCode.Z);
        }
        assertThat(mask().count()).isEqualTo(before);
    }

    @Test
    void aBrushAddsAnOutlineFillsAndANonsenseWidthIsSaid() {
        desk.stations("threshold", "paint");
        long before = mask().count();
        desk.type("paint-width", "-3 px");
        desk.keys(KeyCode.ENTER);
        assertThat(desk.text("message")).contains("above 0").contains("-3 px");
        desk.tracePicture(20, 30, 120, 30, 120, 40);
        long painted = mask().count() - before;
        assertThat(painted).isBetween(700L, 1100L);
        desk.click("paint-mode-outline");
        desk.tracePicture(340, 20, 390, 20, 390, 60, 340, 60, 341, 22);
        assertThat(mask().count() - before - painted).isBetween(1700L, 2300L);
        assertThat(desk.count()).isEqualTo(3);
        int[] changed = desk.colours("stage");
        assertThat(changed).contains(0xff2f6db5);
    }

    /** Over steepness, regions grow from where somebody clicked; a marker is moved and removed. */
    @Test
    void markersArePlacedMovedAndRemoved() {
        desk.onFx(() -> {
            StepDescription grow = Steps.find("grow-regions").orElseThrow();
            Values placed = Values.NONE.withTree(grow.setting("markers").orElseThrow(), "placed");
            desk.model().change("grow", m -> m.add(0, grow, placed));
            desk.model().station().set("grow-regions-1");
            return null;
        });
        desk.quiet();
        assertThat(desk.text("fault")).contains("none were placed on this sample");
        desk.clickPicture(80, 100);
        desk.clickPicture(240, 100);
        desk.clickPicture(20, 20);
        assertThat(desk.count()).isEqualTo(3);
        assertThat(desk.text("headline")).isEqualTo("3 regions");
        desk.dragPicture(20, 20, 380, 280);
        assertThat(desk.count()).isEqualTo(3);
        Seeds seeds = (Seeds) desk.onFx(() -> desk.model()
                .study()
                .get()
                .hand(desk.model().sampleId().get(), desk.model().methodId())
                .get("grow-regions-1"));
        assertThat(seeds.places()).hasSize(3);
        assertThat(seeds.places().getLast().x()).isBetween(378.0, 382.0);
        desk.clickPictureOther(240, 100);
        assertThat(desk.count()).isEqualTo(2);
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.count()).isEqualTo(3);
        desk.click("markers-clear");
        assertThat(desk.text("fault")).contains("none were placed on this sample");
    }

    /** Low places of the steepness, then neighbours that are alike: both say how the count hangs on their number. */
    @Test
    void growingAndMergingSayHowSteadyTheyAre() {
        desk.stations("grow-regions");
        assertThat(desk.text("headline")).endsWith("regions");
        int grown = desk.count();
        assertThat(grown).isGreaterThan(2);
        desk.stations("merge-similar");
        assertThat(desk.count()).isEqualTo(grown);
        desk.type("setting-difference", "300");
        desk.keys(KeyCode.ENTER);
        assertThat(desk.count()).isEqualTo(1);
        assertThat(desk.text("headline")).startsWith(desk.count() + " left of ");
        assertThat(desk.text("count-steadiness")).contains("times the difference");
    }

    @Test
    void whatTheCountHangsOnIsDraggedAndTheCountFollows() {
        desk.stations("grow-regions");
        int grown = desk.count();
        String before = desk.fieldText("setting-depth");
        desk.press("depth-slider", 0.65, 0.5);
        desk.dragTo("depth-slider", 0.8, 0.5);
        desk.dragTo("depth-slider", 0.97, 0.5);
        desk.release();
        assertThat(Double.parseDouble(desk.fieldText("setting-depth"))).isGreaterThan(50);
        assertThat(desk.count()).isLessThan(grown);
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.fieldText("setting-depth")).isEqualTo(before);
        assertThat(desk.count()).isEqualTo(grown);
    }

    @Test
    void afterInvertingTheOtherNeighboursAreOfferedWithTheReason() {
        desk.stations("threshold", "invert-mask", "label");
        desk.click("label-four");
        assertThat(desk.onFx(() -> String.valueOf(desk.model()
                        .method()
                        .steps()
                        .getLast()
                        .values()
                        .canonical(Steps.find("label").orElseThrow().settings())
                        .get("neighbours"))))
                .isEqualTo("four");
        assertThat(desk.has("label-four")).isFalse();
        assertThat(desk.count()).isEqualTo(2);
    }

    /** A rule is fitted to a region that was clicked, typed anew with a mistake, and removed. */
    @Test
    void regionsAreSortedByRulesFittedToExamples() {
        desk.stations("threshold", "label", "sort-regions");
        desk.clickPicture(270, 100);
        assertThat(desk.text("sort-says")).startsWith("1 region clicked");
        desk.type("sort-phase", "plate");
        desk.click("sort-fit");
        assertThat(desk.fieldText("rule-0")).startsWith("plate: mean from ");
        assertThat(desk.onFx(() -> desk.model()
                        .reached("sort-regions-1")
                        .orElseThrow()
                        .findings()
                        .find("sorted")))
                .hasValue(1);
        desk.type("rule-1", "speck: softness to 3");
        desk.keys(KeyCode.ENTER);
        assertThat(desk.onFx(() -> desk.model()
                        .reached("sort-regions-1")
                        .orElseThrow()
                        .after()
                        .needPhases()
                        .names()))
                .containsExactly("rest", "plate");
        desk.click("remove-rule-0");
        assertThat(desk.has("remove-rule-0")).isFalse();
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.fieldText("rule-0")).startsWith("plate: mean from ");
    }

    /** The questions that count, on a picture without a method; what a bridge joins comes apart at its neck. */
    @Test
    void howManyIsAnsweredAtOnceAndTaken() {
        assertThat(List.of("starter-how-many", "starter-how-big", "starter-per-area"))
                .allMatch(desk::has);
        desk.starters();
        assertThat(desk.text("starter-how-many-number")).isEqualTo("2 objects");
        desk.click("starter-how-many");
        assertThat(desk.count()).isEqualTo(2);
        assertThat(desk.onFx(() -> desk.model().method().steps().getLast().id()))
                .startsWith("split-touching");
    }

    /** The hole of a square may be none: then it parts it, which is the second way, one key away, for all questions that count. */
    @Test
    void anotherWayToCountIsOneKeyAway() {
        desk.starters();
        assertThat(desk.text("starter-how-many-number")).isEqualTo("2 objects");
        assertThat(desk.text("starter-way-1-number")).isEqualTo("2");
        assertThat(desk.text("starter-way-2-number")).isEqualTo("4");
        double before = density();
        desk.keys(KeyCode.DIGIT2);
        desk.quiet();
        assertThat(desk.text("starter-how-many-number")).isEqualTo("4 objects");
        assertThat(density()).isCloseTo(2 * before, within(0.02));
        assertThat(desk.text("starter-how-many-range")).startsWith("likely ");
        desk.click("starter-how-many");
        assertThat(desk.count()).isEqualTo(4);
    }

    private double density() {
        return Double.parseDouble(desk.text("starter-per-area-number").replaceAll(" .*", ""));
    }
}
