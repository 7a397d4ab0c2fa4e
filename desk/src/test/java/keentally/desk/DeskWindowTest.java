package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ComboBox;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import keentally.core.draw.ShapeRenderer;
import keentally.core.geometry.Ellipse;
import keentally.core.picture.Picture;
import keentally.core.picture.PlaneF;
import keentally.core.view.Inks;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureWriter;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The person's job at the real screen, with mouse and keys. */
class DeskWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.demo(folder);
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private TableView<?> table() {
        return (TableView<?>) desk.node("objects");
    }

    @Test
    void moveTheCutSeeTheCountChangeAndTakeItBack() {
        String before = desk.text("headline");
        assertThat(before).startsWith("cut at 14,914").endsWith("% bright");
        assertThat(desk.count()).isEqualTo(356);
        desk.press("histogram", 0.8, 0.5);
        desk.dragTo("histogram", 0.8, 0.4);
        desk.dragTo("histogram", 0.8, 0.3);
        desk.release();
        assertThat(desk.text("headline")).isNotEqualTo(before);
        int moved = desk.count();
        assertThat(moved).isNotEqualTo(356);
        ComboBox<?> rule = (ComboBox<?>) desk.node("setting-rule");
        assertThat(desk.onFx(() -> rule.getValue().toString())).isEqualTo("MANUAL");
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.text("headline")).isEqualTo(before);
        assertThat(desk.count()).isEqualTo(356);
        desk.keys(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
        assertThat(desk.count()).isEqualTo(moved);
    }

    @Test
    void theCountFollowsWhileTheMouseIsStillDown() throws Exception {
        int before = desk.count();
        String said = desk.text("headline");
        desk.press("histogram", 0.8, 0.6);
        for (double y = 0.6; y > 0.25; y -= 0.05) {
            desk.dragTo("histogram", 0.8, y);
        }
        desk.quiet();
        assertThat(desk.count()).isNotEqualTo(before);
        assertThat(desk.text("headline")).startsWith("cut at").isNotEqualTo(said);
        assertThat(desk.onFx(() -> desk.model().previewSeen().get()))
                .isPresent()
                .isEqualTo(desk.onFx(() -> desk.model().preview().get()));
        assertThat(desk.onFx(() -> desk.model().undoable())).isEmpty();
        desk.release();
        assertThat(desk.onFx(() -> desk.model().previewSeen().get())).isEmpty();
        assertThat(desk.onFx(() -> desk.model().undoable())).contains("move the cut");
    }

    /** From the top; a part ends at the line of a cut, also after a drag. */
    @ParameterizedTest
    @CsvSource({
        "bright, kept rest",
        "dark, rest kept",
        "between two cuts, rest kept rest",
        "outside of two cuts, kept rest kept"
    })
    void theHistogramIsFilledWhereValuesAreKept(String keep, String parts) {
        desk.choose("setting-keep", keep);
        for (double to : new double[] {0.4, 0.7}) {
            desk.press("histogram", 0.8, 0.5);
            desk.dragTo("histogram", 0.8, to);
            desk.release();
            List<Node> filled = shown("histogram-", Node::getClip);
            assertThat(filled.stream().map(n -> n.getStyleClass().getLast().replace("histogram-", "")))
                    .containsExactly(parts.split(" "));
            List<Node> lines = shown("cut-bar", n -> n);
            assertThat(lines).hasSize(filled.size() - 1);
            for (int i = 0; i < lines.size(); i++) {
                assertThat(lowest(filled.get(i).getClip())).isCloseTo(lowest(lines.get(i)) - 1, within(1.0));
            }
        }
    }

    private static double lowest(Node of) {
        return of.getBoundsInParent().getMaxY();
    }

    /** What is seen on the histogram in a style, from the top. */
    private List<Node> shown(String style, UnaryOperator<Node> where) {
        return desk.onFx(() -> ((Pane) desk.node("histogram"))
                .getChildren().stream()
                        .filter(n ->
                                n.isVisible() && n.getStyleClass().toString().contains(style))
                        .sorted(Comparator.comparingDouble(n -> lowest(where.apply(n))))
                        .toList());
    }

    @Test
    void arrowKeysMoveTheCut() {
        desk.press("histogram", 0.8, 0.5);
        desk.release();
        String before = desk.text("headline");
        desk.keys(KeyCode.UP);
        assertThat(desk.text("headline")).isNotEqualTo(before);
        desk.keys(KeyCode.DOWN);
        assertThat(desk.text("headline")).isEqualTo(before);
    }

    @Test
    void tableAndStageSelectTheSameObject() {
        desk.click("view-objects");
        desk.clickPicture(1025, 428);
        Set<Integer> chosen = desk.onFx(() -> desk.model().selection().get());
        assertThat(chosen).hasSize(1);
        assertThat(desk.onFx(
                        () -> table().getSelectionModel().getSelectedItems().size()))
                .isEqualTo(1);
        assertThat(desk.text("probe"))
                .containsPattern("y 42[6-9] px")
                .contains("µm")
                .contains("object")
                .contains("µm²");
        assertThat(plum("stage")).isGreaterThan(20);
        desk.press("objects", 0.3, 0.7);
        desk.release();
        assertThat(desk.onFx(() -> desk.model().selection().get())).hasSize(1).isNotEqualTo(chosen);
        desk.keys(KeyCode.ESCAPE);
        assertThat(plum("stage")).isZero();
    }

    private long plum(String id) {
        return Arrays.stream(desk.colours(id)).filter(c -> c == Inks.SELECTED).count();
    }

    @Test
    void theTableSortsByAColumnAndIsTakenAway() throws IOException {
        desk.click("view-objects");
        assertThat(desk.text("object-count")).isEqualTo("356 kept of 396");
        desk.onFx(() -> {
            sortBy(1);
            return null;
        });
        desk.quiet();
        int smallest = (Integer) desk.onFx(() -> table().getItems().getFirst());
        double area = desk.onFx(() -> desk.model()
                .shown()
                .get()
                .orElseThrow()
                .readings()
                .orElseThrow()
                .objects()
                .orElseThrow()
                .at(smallest, 0));
        double[] areas = desk.table().column(0);
        assertThat(area).isEqualTo(Arrays.stream(areas).min().orElseThrow());
        Path file = folder.resolve("mine.csv");
        desk.saveTo(file);
        desk.click("take");
        desk.clickInPopup("take-table");
        List<String> lines = Files.readAllLines(file);
        assertThat(lines).hasSize(357);
        assertThat(lines.getFirst()).startsWith("sample,object,phase,area_um2,ecd_um");
        assertThat(desk.text("message")).isEqualTo("Written: " + file);
    }

    private <T> void sortBy(int column) {
        @SuppressWarnings("unchecked")
        TableView<T> typed = (TableView<T>) table();
        typed.getSortOrder().setAll(List.of(typed.getColumns().get(column)));
    }

    @Test
    void anExportNeverOverwritesAPicture() {
        Path picture = desk.onFx(() -> desk.model().sample().orElseThrow().file());
        desk.saveTo(picture);
        desk.click("view-objects");
        desk.click("take");
        desk.clickInPopup("take-table");
        assertThat(desk.text("message")).contains("is a picture of this study and is not overwritten");
    }

    @Test
    void stationsAreAddedMutedMovedAndRemoved() {
        int steps = desk.onFx(() -> desk.model().method().steps().size());
        desk.click("card-3");
        desk.click("station-mute");
        assertThat(desk.onFx(() -> desk.model().method().steps().get(2).muted()))
                .isTrue();
        desk.click("station-remove");
        assertThat(desk.onFx(() -> desk.model().method().steps())).hasSize(steps - 1);
        desk.click("card-1");
        desk.click("station-later");
        assertThat(desk.onFx(() -> desk.model().method().steps().getFirst().id()))
                .isEqualTo("threshold-1");
        desk.click("card-1");
        desk.click("station-remove");
        assertThat(desk.text("message")).contains("Station 2, Edge objects, needs objects");
        assertThat(desk.onFx(() -> desk.model().method().steps())).hasSize(steps - 1);
        for (int i = 0; i < 3; i++) {
            desk.keys(KeyCode.CONTROL, KeyCode.Z);
        }
        assertThat(desk.onFx(() -> desk.model().method().steps()))
                .hasSize(steps)
                .noneMatch(s -> s.muted());
        assertThat(desk.count()).isEqualTo(356);
    }

    @Test
    void aSettingIsTypedAndAMistakeIsSaidBesideIt() {
        desk.click("card-5");
        desk.type("setting-atLeast", "4000 um2");
        int large = desk.count();
        assertThat(large).isBetween(5, 100);
        desk.type("setting-atLeast", "4000 furlongs");
        assertThat(desk.count()).isEqualTo(large);
        assertThat(desk.onFx(() -> desk.node("station-panel").lookupAll(".complaint").stream()
                        .filter(n -> n.isVisible())
                        .count()))
                .isEqualTo(1);
    }

    @Test
    void theScaleIsTypedAndEverythingFollows() {
        desk.click("card-0");
        desk.click("section-scale");
        desk.type("scale", "0.5 um/px");
        assertThat(desk.text("scale-shown")).isEqualTo("0.5 µm/px");
        assertThat(desk.count()).isBetween(20, 300);
        desk.type("scale", "0 um/px");
        assertThat(desk.text("scale-shown")).isEqualTo("0.5 µm/px");
        desk.type("scale", "");
        assertThat(desk.text("scale-shown")).isEqualTo("no scale");
        assertThat(desk.onFx(() -> desk.model().shown().get().orElseThrow().fault()))
                .isPresent();
        desk.keys(KeyCode.PAGE_DOWN);
        desk.click("card-3");
        assertThat(desk.text("fault")).contains("Station 3, Fill holes,").contains("100 µm² is in a real unit");
    }

    @Test
    void lookingIsByWheelDragAndKeys() {
        double fitted = desk.view().zoom();
        desk.scroll("stage", 3);
        double closer = desk.view().zoom();
        assertThat(closer).isGreaterThan(fitted * 1.5);
        double left = desk.view().left();
        desk.press("stage", 0.5, 0.5);
        desk.dragTo("stage", 0.45, 0.5);
        desk.dragTo("stage", 0.4, 0.5);
        desk.release();
        assertThat(desk.view().left()).isGreaterThan(left);
        desk.keys(KeyCode.CONTROL, KeyCode.DIGIT1);
        assertThat(desk.view().zoom()).isEqualTo(1);
        desk.keys(KeyCode.F);
        assertThat(desk.view().zoom()).isEqualTo(fitted);
    }

    @Test
    void overlaysTheBarePictureAndTheLens() {
        long[] tinted = {colourful()};
        assertThat(tinted[0]).isGreaterThan(10_000);
        desk.click("stage");
        desk.keys(KeyCode.ESCAPE);
        desk.hold(KeyCode.SPACE);
        assertThat(colourful()).isZero();
        desk.letGo(KeyCode.SPACE);
        assertThat(colourful()).isEqualTo(tinted[0]);
        desk.pointAt(400, 300);
        desk.hold(KeyCode.L);
        assertThat(colourful()).isLessThan(tinted[0]);
        desk.letGo(KeyCode.L);
        assertThat(colourful()).isEqualTo(tinted[0]);
        desk.click("overlay-mask");
        assertThat(colourful()).isZero();
        desk.click("view-objects");
        desk.keys(KeyCode.N);
        assertThat(numbersAreMarked()).isTrue();
    }

    private boolean numbersAreMarked() {
        return desk.onFx(() -> ((MenuButton) desk.node("marks"))
                .getItems().stream()
                        .filter(i -> "mark-numbers".equals(i.getId()))
                        .allMatch(i -> ((CheckMenuItem) i).isSelected()));
    }

    /** Pixels that are not grey. */
    private long colourful() {
        return Arrays.stream(desk.colours("stage"))
                .filter(c -> (c >> 16 & 0xff) != (c >> 8 & 0xff) && Math.abs((c >> 16 & 0xff) - (c & 0xff)) > 8)
                .count();
    }

    @Test
    void aWrongFileIsSaidAndTheStudyIsUntouched() throws IOException {
        Path letter = folder.resolve("letter.png");
        Files.writeString(letter, "dear colleague");
        var before = desk.onFx(() -> desk.model().study().get());
        desk.open(letter);
        assertThat(desk.text("message")).contains("letter.png is no picture that can be read");
        assertThat(desk.onFx(() -> desk.model().study().get())).isEqualTo(before);
        Path method = folder.resolve("a.method.json");
        Files.writeString(
                method, "{\"format\": \"keen-tally-method\", \"version\": 1, \"steps\": [{\"step\": \"blurr\"}]}");
        desk.open(method);
        assertThat(desk.text("message")).contains("Station 1, blurr, is no step");
        assertThat(desk.onFx(() -> desk.model().study().get())).isEqualTo(before);
    }

    @Test
    void aPictureOfOnesOwnIsAddedCutAndTakenOutAgain() throws FileFault {
        PlaneF drawn = new ShapeRenderer(120, 90)
                .add(Ellipse.disc(40, 40, 15))
                .add(Ellipse.disc(90, 50, 9))
                .plane(10, 90);
        Path file = folder.resolve("own.tif");
        PictureWriter.tiff(file, Picture.grey(drawn));
        desk.open(file);
        assertThat(desk.has("slide-s5")).isTrue();
        assertThat(desk.text("scale-shown")).isEqualTo("no scale");
        desk.click("card-0");
        desk.click("section-scale");
        desk.type("scale", "10 um/px");
        assertThat(desk.count()).isEqualTo(2);
        desk.keys(KeyCode.CONTROL, KeyCode.UP);
        assertThat(desk.onFx(() -> desk.model().sample().orElseThrow().name())).isEqualTo("Two stains");
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.text("message")).isEqualTo("Taken back: calibrate");
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.text("message")).isEqualTo("Taken back: add own");
        assertThat(desk.has("slide-s5")).isFalse();
    }

    @Test
    void eachDemoSampleHasItsOwnMethod() {
        desk.click("slide-s2");
        assertThat(desk.onFx(() -> desk.model().method().name())).isEqualTo("Crumb cells");
        assertThat(desk.count()).isEqualTo(823);
        desk.click("slide-s1");
        assertThat(desk.count()).isEqualTo(356);
        assertThat(desk.onFx(() -> Optional.of(desk.model().preview().get()))).contains(Optional.empty());
    }

    @Test
    void aTextFieldTakesLettersThatAreKeysElsewhere() {
        desk.click("card-0");
        desk.click("section-scale");
        desk.type("scale", "fnl");
        assertThat(desk.onFx(() -> ((TextField) desk.node("scale")).getText())).isEqualTo("fnl");
        assertThat(numbersAreMarked()).isFalse();
    }

    @Test
    void aStationThatLooksAlikeInAnotherMethodShowsItsOwnHistogram() {
        String flour = desk.text("cut-value");
        desk.click("slide-s3");
        assertThat(desk.onFx(() -> desk.model().station().get())).isEqualTo("threshold-1");
        assertThat(desk.text("cut-value")).isNotEqualTo(flour).isEqualTo("109.3");
        desk.click("slide-s1");
        assertThat(desk.text("cut-value")).isEqualTo(flour);
    }
}
