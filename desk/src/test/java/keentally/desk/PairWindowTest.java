package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import keentally.core.method.MethodStep;
import keentally.core.view.Viewport;
import keentally.desk.model.MethodActions;
import keentally.desk.pair.PairModel;
import keentally.study.document.Thing.SheetThing;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Two views on the stage, by mouse and keys: looked at together, compared, saved as one picture. */
class PairWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    /** Two discs alone, and two that overlap. */
    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.drawn(folder, pen -> {
            pen.fillOval(40, 40, 40, 40);
            pen.fillOval(40, 180, 40, 40);
            pen.fillOval(200, 100, 60, 60);
            pen.fillOval(248, 100, 60, 60);
        });
        desk.stations("threshold", "split-touching");
        desk.focusStage();
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private PairModel pair() {
        return desk.pair();
    }

    @Test
    void bothAreKeptForTheReport() {
        desk.focusStage();
        desk.keys(KeyCode.V);
        desk.quiet();
        desk.click("pair-more");
        desk.clickInPopup("pair-keep");
        desk.settleBeside();
        SheetThing kept =
                desk.onFx(() -> desk.model().study().get().sheets().lastEntry().getValue());
        assertThat(kept.title()).contains(" / ");
        assertThat(kept.table()).isEmpty();
        assertThat(kept.png()).isNotEmpty();
        desk.command("undo");
        assertThat(desk.onFx(() -> desk.model().study().get().sheets())).isEmpty();
    }

    @Test
    void oneKeyOpensAndClosesItAndBothLookAtOnePlace() {
        assertThat(desk.has("second")).isFalse();
        desk.keys(KeyCode.V);
        assertThat(desk.has("second")).isTrue();
        assertThat(desk.text("pair-first-place")).contains("Split touching");
        Viewport before = desk.view();
        desk.press("second", 0.5, 0.5);
        desk.dragTo("second", 0.6, 0.5);
        desk.release();
        assertThat(desk.view().left()).isLessThan(before.left());
        desk.scroll("second", 2);
        assertThat(desk.view().zoom()).isGreaterThan(before.zoom());
        assertThat(desk.text("probe")).contains("px");
        double width = desk.width("second");
        desk.press("pair-divider", 0.5, 0.5);
        desk.dragTo("stage", 0.5, 0.5);
        desk.release();
        assertThat(desk.width("second")).isGreaterThan(1.3 * width);
        desk.keys(KeyCode.SHIFT, KeyCode.V);
        assertThat(pair().swapped().get()).isTrue();
        double first = desk.onFx(() -> desk.node("stage").localToScreen(0, 0).getX());
        assertThat(first)
                .isGreaterThan(
                        desk.onFx(() -> desk.node("second").localToScreen(0, 0).getX()));
        desk.command("two-views-turn");
        double below = desk.onFx(() -> desk.node("stage").localToScreen(0, 0).getY());
        assertThat(below)
                .isGreaterThan(
                        desk.onFx(() -> desk.node("second").localToScreen(0, 0).getY()));
        desk.keys(KeyCode.V);
        assertThat(desk.has("second")).isFalse();
    }

    /** The second view has another method on the sample that undo takes away. */
    @Test
    void undoTakesAwayTheSampleThatBothShow() throws Exception {
        second("14 px");
        Path other = folder.resolve("other.jpg");
        ImageIO.write(new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB), "jpg", other.toFile());
        desk.open(other);
        desk.click("view-compare");
        desk.choose("pair-method", "Untitled method 2");
        desk.command("undo");
        assertThat(desk.onFx(() -> desk.model().study().get().samples())).hasSize(1);
        assertThat(desk.text("pair-first-place")).isNotEmpty();
    }

    @Test
    void aClickInTheSecondSelectsInBoth() {
        desk.keys(KeyCode.V);
        desk.choose("pair-place", "at the end of the method");
        desk.clickSecond(60, 60);
        assertThat(desk.onFx(() -> desk.model().selection().get())).hasSize(1);
        assertThat(pair().chosen().get())
                .isEqualTo(desk.onFx(() -> desk.model().selection().get()));
        desk.clickSecond(150, 20);
        assertThat(desk.onFx(() -> desk.model().selection().get())).isEmpty();
    }

    @Test
    void twoMethodsAreHeldTogetherAndWhatWasJoinedIsGoneTo() throws Exception {
        second("14 px");
        desk.click("view-compare");
        desk.choose("pair-method", "Untitled method 2");
        assertThat(desk.text("compare-first-1")).isEqualTo("4");
        assertThat(desk.text("compare-second-1")).isEqualTo("3");
        assertThat(desk.text("compare-only-first")).startsWith("0");
        assertThat(desk.text("fate-joined")).isEqualTo("joined 1");
        assertThat(desk.text("fate-parted")).isEqualTo("parted 0");
        assertThat(desk.lines("compare-differences"))
                .containsExactly("2 Split touching, Depth: 1 px in the first view, 14 px in the second view");
        desk.click("fate-joined");
        desk.click("fate-next");
        assertThat(desk.text("fate-place")).isEqualTo("1 of 1");
        assertThat(pair().chosen().get()).hasSize(1);
        double middle = desk.view().pictureX(desk.view().width() / 2.0);
        assertThat(middle).isCloseTo(254, within(4.0));
        both();
    }

    private void both() throws Exception {
        Path file = folder.resolve("both.png");
        desk.saveTo(file);
        desk.command("take-pair");
        desk.quiet();
        BufferedImage saved = ImageIO.read(file.toFile());
        assertThat(saved.getWidth()).isGreaterThan(2 * desk.view().width());
    }

    /** A copy of the method, the other one staying on the stage. */
    private void second(String depth) {
        desk.onFx(() -> {
            new MethodActions(desk.model()).copy();
            return null;
        });
        desk.quiet();
        desk.type("setting-depth", depth);
        desk.onFx(() -> {
            List<String> methods = desk.model().study().get().methods();
            new MethodActions(desk.model())
                    .assign(methods.getFirst(), List.of(desk.model().sampleId().get()));
            return null;
        });
        desk.quiet();
    }

    @Test
    void beforeAndAfterAStationAreComparedThere() {
        desk.click("view-compare");
        desk.choose("pair-place", "before this station");
        desk.click("compare-station");
        assertThat(desk.text("compare-only-first")).startsWith("0");
        assertThat(desk.text("compare-both-share")).isEqualTo(desk.text("compare-first-3"));
        desk.choose("pair-place", "the picture as it came");
        assertThat(desk.text("compare-note")).contains("no mask");
        assertThat(desk.lines("compare-differences")).containsExactly("Nothing: both views follow one method.");
    }

    @Test
    void everyLookIsPaintedAndPicturesOfAnotherSizeStandBesideEachOther() throws Exception {
        desk.keys(KeyCode.V);
        desk.choose("pair-place", "at the same station");
        for (String look : List.of(
                "picture alone", "tint", "outlines", "filled objects", "black and white", "marks of the hand count")) {
            desk.choose("pair-look", look);
        }
        Path other = folder.resolve("other.png");
        ImageIO.write(new BufferedImage(200, 150, BufferedImage.TYPE_BYTE_GRAY), "png", other.toFile());
        desk.open(other);
        desk.show("s1", "threshold-1");
        desk.choose("pair-sample", "other");
        desk.click("view-compare");
        assertThat(desk.text("compare-note")).isNotEmpty();
        Viewport second =
                desk.onFx(() -> pair().second().get().orElseThrow().place().there(desk.view(), 300, 300));
        assertThat(second.zoom()).isCloseTo(2 * desk.view().zoom(), within(1e-9));
    }

    /** The second view shows another sample under the same method as a drag would have it, and goes back when that is given up. */
    @Test
    void anotherSampleUnderTheSameMethodFollowsADrag() throws Exception {
        desk.open(Files.copy(folder.resolve("drawn.png"), folder.resolve("other.png")));
        desk.show("s1", "threshold-1");
        desk.keys(KeyCode.V);
        desk.choose("pair-sample", "other");
        desk.choose("pair-place", "at the same station");
        long before = chosenPixels();
        dragToDark();
        assertThat(chosenPixels()).isEqualTo(400 * 300 - before);
        desk.onFx(() -> desk.model().change("nothing", m -> m));
        desk.quiet();
        assertThat(chosenPixels()).as("given up").isEqualTo(before);
        desk.onFx(() -> {
            desk.model().onlyHere().set(true);
            return null;
        });
        dragToDark();
        assertThat(chosenPixels()).as("what stays with the first").isEqualTo(before);
    }

    private void dragToDark() {
        desk.onFx(() -> {
            MethodStep step = desk.model().method().step("threshold-1").orElseThrow();
            desk.model()
                    .tryOut(
                            "threshold-1",
                            step.values()
                                    .withTree(step.description().setting("keep").orElseThrow(), "dark"));
            return null;
        });
        desk.quiet();
    }

    private long chosenPixels() {
        return desk.onFx(
                () -> pair().second().get().orElseThrow().state().needMask().count());
    }
}
