package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import javafx.scene.input.KeyCode;
import keentally.core.region.ObjectSet;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Objects sorted by a few that were clicked. */
class SortWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    /** Six long bars and six boxes. */
    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.drawn(folder, pen -> {
            pen.setColor(Color.WHITE);
            for (int i = 0; i < 6; i++) {
                pen.fillRect(20 + 62 * i, 40 + 2 * i, 50, 10 + i % 2);
                pen.fillRect(25 + 62 * i, 150 + 3 * i, 24 + i % 3, 25);
            }
        });
        desk.stations("threshold", "sort-objects");
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private Map<String, Integer> sorted() {
        return desk.onFx(() -> {
            ObjectSet objects =
                    desk.model().reached("sort-objects-1").orElseThrow().after().needObjects();
            Map<String, Integer> counts = new TreeMap<>();
            for (int i = 0; i < objects.count(); i++) {
                counts.merge(objects.classOf(objects.region(i)), 1, Integer::sum);
            }
            return counts;
        });
    }

    @Test
    void fourClicksSortTwelveThingsAndAllOfItCanBeUndone() {
        desk.type("sort-new", "bar");
        desk.keys(KeyCode.ENTER);
        desk.clickPictureOther(40, 45);
        desk.clickPictureOther(105, 47);
        assertThat(sorted()).containsEntry("bar", 2).containsEntry("", 10);
        desk.type("sort-new", "box");
        desk.keys(KeyCode.ENTER);
        desk.clickPictureOther(35, 160);
        desk.clickPicture(100, 165);
        desk.focusStage();
        desk.keys(KeyCode.DIGIT2);
        assertThat(sorted()).containsEntry("bar", 6).containsEntry("box", 6).hasSize(2);
        assertThat(desk.text("sort-told"))
                .isEqualTo("4 given a class; of those held out 100.0 % came right (mean F1).");
        desk.fire("sort-least");
        assertThat(desk.onFx(() -> desk.model().selection().get())).hasSize(1);
        assertThat(desk.text("message")).startsWith("Taken for ").endsWith("% of the trees.");
        desk.click("view-objects");
        desk.click("together-line-up");
        desk.click("line-up-doubtful");
        desk.settleBeside();
        assertThat(desk.text("line-up-says"))
                .contains("taken for b")
                .contains(" %")
                .contains("1 of 12");
        desk.click("view-bench");
        desk.click("remove-example-3");
        desk.click("remove-example-2");
        assertThat(sorted()).containsEntry("bar", 2);
        for (int i = 0; i < 6; i++) {
            desk.focusStage();
            desk.keys(KeyCode.CONTROL, KeyCode.Z);
        }
        assertThat(sorted()).containsOnlyKeys("");
    }

    /** Names that were only thought of stay where they were thought of. */
    @Test
    void anotherStationHasClassesOfItsOwn() {
        desk.type("sort-new", "bar");
        desk.keys(KeyCode.ENTER);
        assertThat(desk.has("sort-class-1")).isTrue();
        desk.stations("sort-objects");
        assertThat(desk.has("sort-class-1")).isFalse();
        desk.clickPictureOther(40, 45);
        assertThat(desk.text("message")).isEqualTo("Name a class first.");
    }

    @Test
    void aClassWithoutANameAndATallyThatNobodyMadeAreSaid() {
        desk.clickPictureOther(40, 45);
        assertThat(desk.text("message")).isEqualTo("Name a class first.");
        desk.fire("sort-from-tally");
        assertThat(desk.text("message")).isEqualTo("Nobody has counted this sample by hand.");
    }
}
