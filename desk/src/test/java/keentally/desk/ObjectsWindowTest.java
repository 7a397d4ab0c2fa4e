package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TableView;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import keentally.core.measure.Measure;
import keentally.core.quantity.LengthUnit;
import keentally.core.words.Figures;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Objects: table, stage and distribution together, at the real screen. */
class ObjectsWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.demo(folder, "Flour dispersion", "threshold-1");
        desk.click("view-objects");
    }

    @AfterEach
    void close() {
        desk.close();
    }

    /** The number behind a word of the line below the plot. */
    private double number(String word) {
        String line = desk.text("distribution-numbers").replace("\n", "   ");
        String rest = line.substring(line.indexOf(word) + word.length()).strip();
        return Double.parseDouble(rest.split(" ")[0].replace(",", ""));
    }

    /** Where the plot's left side is, which is the end of a gate that is open. */
    private double side() {
        Node plot = desk.node("distribution");
        return 40 / desk.onFx(() -> plot.getLayoutBounds().getWidth());
    }

    @SuppressWarnings("unchecked") // the measures' own box
    private void measure(Measure measure) {
        ComboBox<Measure> box = (ComboBox<Measure>) desk.node("distribution-measure");
        desk.onFx(() -> {
            box.setValue(measure);
            return null;
        });
        desk.quiet();
    }

    @Test
    void theNumbersBelowTheBarsAreSeenWhole() {
        Node pane = desk.node("objects-pane");
        Node numbers = desk.node("distribution-numbers");
        assertThat(desk.onFx(
                        () -> numbers.localToScene(numbers.getLayoutBounds()).getMaxY()))
                .isLessThanOrEqualTo(desk.onFx(
                        () -> pane.localToScene(pane.getLayoutBounds()).getMaxY()));
    }

    @Test
    void theDistributionFollowsItsMeasureAndItsWeights() {
        assertThat(number("   n ")).isEqualTo(356);
        double byNumber = number("D50");
        assertThat(number("D10")).isLessThan(byNumber);
        desk.click("distribution-by-area");
        assertThat(number("D50")).isGreaterThan(2 * byNumber);
        desk.click("distribution-by-count");
        desk.click("distribution-steps-log");
        assertThat(number("D50")).isCloseTo(byNumber, within(1e-9));
        measure(Measure.CIRCULARITY);
        assertThat(number("D50")).isBetween(0.5, 1.1);
        measure(Measure.MEAN_RED);
        assertThat(desk.text("distribution-numbers")).isEqualTo("No object has this measure.");
    }

    /** The gate on the area is the method's own; one on the diameter comes with the first drag, and goes with undo. */
    @Test
    void aGateIsDraggedAndUndone() {
        int steps = desk.onFx(() -> desk.model().method().steps().size());
        desk.press("distribution", side(), 0.5);
        desk.dragTo("distribution", 0.2, 0.5);
        desk.dragTo("distribution", 0.3, 0.5);
        desk.release();
        assertThat(desk.onFx(() -> desk.model().method().steps().size())).isEqualTo(steps + 1);
        int gated = desk.count();
        assertThat(gated).isBetween(20, 200);
        assertThat(number("   n ")).isEqualTo(gated);
        desk.press("distribution", 0.3, 0.5);
        desk.dragTo("distribution", 0.4, 0.5);
        desk.settle();
        assertThat(desk.count()).isLessThan(gated);
        desk.release();
        assertThat(desk.onFx(() -> desk.model().method().steps().size())).isEqualTo(steps + 1);
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.count()).isEqualTo(gated);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.count()).isEqualTo(356);
        measure(Measure.AREA);
        assertThat(number("   n ")).isEqualTo(356);
    }

    /** A bar selects its objects in table and on stage; an object clicked on the stage is marked in the plot. */
    @Test
    void whatIsSelectedInOneIsSelectedInAll() {
        int[] before = desk.colours("distribution");
        desk.clickPicture(1025, 428);
        assertThat(desk.colours("distribution")).isNotEqualTo(before);
        desk.press("distribution", 0.12, 0.8);
        desk.release();
        int chosen = desk.onFx(() -> desk.model().selection().get().size());
        assertThat(chosen).isGreaterThan(20);
        TableView<?> table = (TableView<?>) desk.node("objects");
        assertThat(desk.onFx(() -> table.getSelectionModel().getSelectedItems().size()))
                .isEqualTo(chosen);
    }

    /** 356 objects: mean of their areas over all, then of those that are chosen. */
    @Test
    void theSummaryIsOfAllOrOfTheChosen() {
        desk.click("together-summary");
        assertThat(desk.text("summary-of")).isEqualTo("All 356 objects");
        double[] areas = desk.table().column(0, desk.model().pixelSize());
        double mean = Arrays.stream(areas).average().orElseThrow();
        assertThat(cell(0, 1)).isEqualTo(Figures.number(mean));
        assertThat(cell(0, 7)).isEqualTo(Figures.number(Arrays.stream(areas).sum()));
        desk.clickPicture(1025, 428);
        assertThat(desk.text("summary-of")).isEqualTo("1 chosen of 356 objects");
        assertThat(cell(0, 2)).isEqualTo("0");
        desk.keys(KeyCode.ESCAPE);
        assertThat(cell(0, 1)).isEqualTo(Figures.number(mean));
    }

    @Test
    void rowsAreCopiedWithTheirUnits() {
        desk.clickPicture(1025, 428);
        Node table = desk.node("objects");
        desk.onFx(() -> {
            table.requestFocus();
            return null;
        });
        desk.keys(KeyCode.CONTROL, KeyCode.C);
        assertThat(desk.text("message")).isEqualTo("On the clipboard: rows with their header, 1 of them.");
        String[] lines =
                desk.onFx(() -> Clipboard.getSystemClipboard().getString()).split("\r\n");
        assertThat(lines).hasSize(2);
        assertThat(lines[0]).startsWith("No.\tArea, µm²\t");
        assertThat(lines[1]).startsWith("147\t");
        assertThat(Double.parseDouble(lines[1].split("\t")[1])).isEqualTo(5580);
    }

    private int steps() {
        return desk.onFx(() -> desk.model().method().steps().size());
    }

    private int chosen() {
        return desk.onFx(() -> desk.model().selection().get().size());
    }

    private int listed() {
        TableView<?> table = (TableView<?>) desk.node("objects");
        return desk.onFx(() -> table.getItems().size());
    }

    /** A box drawn round points chooses them everywhere, and becomes a gate on both measures that one undo takes back. */
    @Test
    void pointsOfTheScatterAreBoxedAndGated() {
        desk.click("together-scatter");
        assertThat(desk.text("scatter-says")).startsWith("356 of 356 within the gates");
        desk.press("scatter", 0.2, 0.1);
        desk.dragTo("scatter", 0.5, 0.5);
        desk.dragTo("scatter", 0.6, 0.85);
        desk.release();
        int boxed = chosen();
        assertThat(boxed).isBetween(10, 300);
        TableView<?> table = (TableView<?>) desk.node("objects");
        assertThat(desk.onFx(() -> table.getSelectionModel().getSelectedItems().size()))
                .isEqualTo(boxed);
        int before = steps();
        desk.click("scatter-gate");
        assertThat(steps()).isEqualTo(before + 2);
        assertThat(desk.count()).isCloseTo(boxed, within(3));
        assertThat(desk.text("scatter-says")).contains(" of 356 within the gates");
        assertThat(desk.text("kept-dropped")).contains("by Gate on Circularity");
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(steps()).isEqualTo(before);
        assertThat(desk.count()).isEqualTo(356);
    }

    @Test
    void aSideOfTheScatterIsDraggedToGate() {
        desk.click("together-scatter");
        Node plot = desk.node("scatter");
        double left = 48 / desk.onFx(() -> plot.getLayoutBounds().getWidth());
        desk.press("scatter", left, 0.5);
        desk.dragTo("scatter", left + 0.1, 0.5);
        desk.dragTo("scatter", left + 0.2, 0.5);
        desk.release();
        assertThat(desk.count()).isBetween(5, 150);
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.count()).isEqualTo(356);
    }

    /** Keys go through the cut-outs; one is dropped, seen among the dropped, brought back; all of it is undone. */
    @Test
    void oddOnesAreDroppedInTheLineUp() {
        desk.click("together-line-up");
        desk.clickPicture(1025, 428);
        assertThat(desk.text("line-up-says")).startsWith("Object 147: 5,580 µm²");
        desk.click("cut-0");
        desk.keys(KeyCode.HOME);
        double[] areas = desk.table().column(0, desk.model().pixelSize());
        double least = Arrays.stream(areas).min().orElseThrow();
        assertThat(desk.text("line-up-says")).contains(Figures.number(least)).endsWith("(1 of 356)");
        assertThat(chosen()).isEqualTo(1);
        TableView<?> table = (TableView<?>) desk.node("objects");
        assertThat(desk.onFx(() -> table.getSelectionModel().getSelectedItems().size()))
                .isEqualTo(1);
        desk.keys(KeyCode.RIGHT);
        assertThat(desk.text("line-up-says")).endsWith("(2 of 356)");
        desk.keys(KeyCode.LEFT);
        int before = steps();
        desk.keys(KeyCode.DELETE);
        assertThat(desk.count()).isEqualTo(355);
        assertThat(steps()).isEqualTo(before + 1);
        assertThat(desk.text("object-count")).isEqualTo("355 kept of 396 · 1 by hand");
        desk.click("line-up-dropped");
        assertThat(desk.text("line-up-says")).contains("396");
        desk.click("cut-0");
        assertThat(desk.text("line-up-says")).startsWith("Dropped by ");
        desk.keys(KeyCode.ENTER);
        assertThat(desk.count()).isEqualTo(356);
        desk.click("line-up-dropped");
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.count()).isEqualTo(355);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.count()).isEqualTo(356);
        assertThat(steps()).isEqualTo(before);
    }

    @Test
    void rowsAreFilteredByAQuestionWithUnits() {
        desk.type("filter", "area > 1000 um2");
        desk.keys(KeyCode.ENTER);
        double[] areas = desk.table().column(0, desk.model().pixelSize());
        long large = Arrays.stream(areas).filter(a -> a > 1000).count();
        assertThat(listed()).isEqualTo((int) large);
        assertThat(desk.text("filter-found")).isEqualTo(large + " listed");
        assertThat(desk.count()).isEqualTo(356);
        desk.type("filter", "area > 1000");
        desk.keys(KeyCode.ENTER);
        assertThat(desk.text("filter-complaint")).contains("an area meets a plain number");
        assertThat(listed()).isEqualTo(356);
    }

    /** A formula is checked while it is typed; the column stands in the table with its unit, and goes with undo. */
    @Test
    void aColumnOfOnesOwnIsAdded() {
        desk.click("columns");
        desk.clickInPopup("own-new");
        desk.clickInPopup("own-name");
        desk.write("bulk");
        desk.clickInPopup("own-formula");
        desk.write("area + ecd");
        assertThat(((Label) desk.inPopup("own-says")).getText()).contains("an area meets a length");
        desk.keys(KeyCode.CONTROL, KeyCode.A);
        desk.write("area * ecd");
        assertThat(((Label) desk.inPopup("own-says")).getText()).isEqualTo("Shown in µm³.");
        desk.keys(KeyCode.ENTER);
        assertThat(desk.onFx(() -> desk.model().method().own())).hasSize(1);
        TableView<?> table = (TableView<?>) desk.node("objects");
        String head = desk.onFx(() -> ((Label) table.getColumns().getLast().getGraphic()).getText());
        assertThat(head).isEqualTo("bulk\nµm³");
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.onFx(() -> desk.model().method().own())).isEmpty();
    }

    /** A column's head dragged elsewhere orders the method's measures, in the table and in files. */
    @Test
    void columnsTakeTheOrderTheyAreDraggedInto() {
        List<Measure> before = desk.onFx(() -> desk.model().method().measures());
        @SuppressWarnings("unchecked") // rows by their numbers
        TableView<Integer> table = (TableView<Integer>) desk.node("objects");
        desk.onFx(() -> {
            table.getColumns().add(3, table.getColumns().remove(1));
            return null;
        });
        desk.quiet();
        List<Measure> after = desk.onFx(() -> desk.model().method().measures());
        assertThat(after).hasSameSizeAs(before);
        assertThat(after.subList(0, 3)).containsExactly(before.get(1), before.get(2), before.get(0));
        assertThat(desk.table().columns().getFirst()).isEqualTo(before.get(1));
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.onFx(() -> desk.model().method().measures())).isEqualTo(before);
    }

    /** Brightness comes from a channel that somebody names, and lengths in the unit that somebody chooses. */
    @Test
    void brightnessAndLengthsAreTakenAsSomebodySays() {
        desk.click("columns");
        desk.clickInPopup("unit");
        desk.clickInPopup("unit-px");
        assertThat(desk.onFx(() -> desk.model().unit())).isEqualTo(LengthUnit.PX);
        desk.click("columns");
        desk.clickInPopup("signal");
        desk.clickInPopup("signal-prepared");
        assertThat(desk.onFx(() -> desk.model().method().signal())).isEqualTo("prepared");
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.onFx(() -> desk.model().method().signal())).isEqualTo("grey");
        assertThat(desk.onFx(() -> desk.model().unit())).isEqualTo(LengthUnit.UM);
    }

    private String cell(int row, int column) {
        TableView<?> table = (TableView<?>) desk.node("summary");
        return desk.onFx(() -> table.getColumns().get(column).getCellData(row).toString());
    }
}
