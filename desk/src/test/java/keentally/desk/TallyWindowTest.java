package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuButton;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import keentally.core.geometry.Point;
import keentally.core.hand.Mark;
import keentally.core.hand.Marks;
import keentally.core.hand.TallyClass;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Counting by hand with mouse and keys, along a sweep; held against the objects and against another counter. */
class TallyWindowTest {
    /** Where the four things lie. */
    private static final double[][] THINGS = {{60, 60}, {200, 60}, {60, 200}, {200, 200}};

    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.drawn(folder, pen -> {
            for (double[] at : THINGS) {
                pen.fillOval((int) at[0] - 20, (int) at[1] - 20, 40, 40);
            }
            pen.fillOval(300, 40, 40, 40);
            pen.fillOval(335, 40, 40, 40);
        });
        desk.stations("threshold", "label");
        desk.click("view-tally");
        desk.focusStage();
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private Marks marks(String counter) {
        return desk.onFx(() -> desk.model()
                .study()
                .get()
                .tallies(desk.model().sampleId().get())
                .getOrDefault(counter, Marks.NONE));
    }

    private Marks marks() {
        return marks("Counter 1");
    }

    private List<TallyClass> classes() {
        return desk.onFx(() -> desk.model().study().get().classes());
    }

    private void count(double... places) {
        for (int i = 0; i < places.length; i += 2) {
            desk.clickPicture(places[i], places[i + 1]);
        }
    }

    private void classOf(String name) {
        desk.type("tally-new-class", name);
    }

    @Test
    void thingsAreCountedInClassesByKeys() {
        classOf("round");
        classOf("long");
        desk.focusStage();
        desk.keys(KeyCode.DIGIT1);
        count(60, 60, 200, 60, 60, 200);
        desk.keys(KeyCode.DIGIT2);
        count(320, 60);
        assertThat(marks().counts()).isEqualTo(Map.of("c1", 3, "c2", 1));
        assertThat(desk.text("tally-count-1")).isEqualTo("3");
        assertThat(desk.text("tally-share-1").strip()).startsWith("75");
        assertThat(desk.text("tally-total")).isEqualTo("Together 4");
        desk.keys(KeyCode.DIGIT7);
        count(200, 200);
        assertThat(marks().list().getLast().kind())
                .as("there is no seventh class")
                .isEqualTo("c2");
        assertThat(marks().list()).allSatisfy(m -> assertThat(m.second()).isGreaterThan(1_700_000_000L));
    }

    @Test
    void marksAreMovedTakenAwayAndBroughtBack() {
        count(60, 60, 200, 60, 60, 200);
        assertThat(classes()).extracting(TallyClass::name).containsExactly("Thing");
        desk.dragPicture(60, 60, 100, 100);
        assertThat(marks().list()).hasSize(3);
        Point moved = marks().list().getFirst().at();
        assertThat(moved.x()).isBetween(98.0, 102.0);
        desk.pointAt(200, 60);
        desk.keys(KeyCode.DELETE);
        assertThat(marks().list()).hasSize(2);
        desk.keys(KeyCode.BACK_SPACE);
        assertThat(marks().places()).containsExactly(moved);
        desk.clickPictureOther(moved.x(), moved.y());
        assertThat(marks().list()).isEmpty();
        for (int i = 0; i < 3; i++) {
            desk.keys(KeyCode.CONTROL, KeyCode.Z);
        }
        assertThat(marks().list()).hasSize(3);
        assertThat(marks().list().getFirst().at()).isEqualTo(moved);
    }

    @Test
    void theSweepWalksTheFieldAndSaysWhenItIsDone() {
        desk.type("tally-cell", "150 px");
        assertThat(desk.text("tally-swept")).isEqualTo("Cell 1 of 6; 0 looked at.");
        assertThat(desk.view().zoom()).isGreaterThan(2);
        desk.focusStage();
        count(60, 60);
        for (int i = 0; i < 5; i++) {
            desk.keys(KeyCode.ENTER);
        }
        assertThat(desk.text("tally-swept")).isEqualTo("Cell 6 of 6; 5 looked at.");
        desk.keys(KeyCode.F);
        desk.keys(KeyCode.SHIFT, KeyCode.ENTER);
        desk.keys(KeyCode.ENTER);
        count(60, 200);
        desk.keys(KeyCode.SHIFT, KeyCode.ENTER);
        assertThat(desk.text("tally-swept")).startsWith("Cell 5 of 6");
        desk.keys(KeyCode.ENTER);
        desk.keys(KeyCode.ENTER);
        assertThat(desk.text("message")).isEqualTo("All 6 cells were looked at.");
        assertThat(marks().list()).hasSize(2);
        desk.click("tally-sweep");
        assertThat(desk.onFx(() -> desk.node("tally-swept").isVisible())).isFalse();
        desk.type("tally-cell", "-3 px");
        assertThat(desk.text("message")).contains("-3 px").contains("no size of a cell");
        desk.type("tally-cell", "0.01 px");
        assertThat(desk.text("message")).contains("cells must be larger");
    }

    /** Two things are found as one, one was forgotten, and one mark lies on nothing. */
    @Test
    void everyDisagreementWithTheObjectsIsGoneTo() {
        count(60, 60, 200, 60, 60, 200, 310, 60, 365, 60, 150, 280);
        assertThat(desk.text("agreement-numbers"))
                .startsWith("4 matched of 6 counted and 5 held against")
                .contains("precision 0.800 · recall 0.667 · F1 0.727")
                .contains("difference -1, give or take 3.4 (95 %)");
        assertThat(desk.text("agreement-missed")).isEqualTo("missed 2");
        assertThat(desk.text("agreement-extra")).isEqualTo("extra 1");
        assertThat(desk.text("agreement-merged")).isEqualTo("merged 1");
        desk.fire("agreement-extra");
        desk.fire("agreement-next");
        assertThat(desk.text("agreement-place")).isEqualTo("1 of 1");
        assertThat(desk.view().pictureX(desk.view().width() / 2.0)).isBetween(195.0, 205.0);
        assertThat(desk.onFx(() -> desk.model().selection().get())).hasSize(1);
        desk.fire("agreement-missed");
        desk.fire("agreement-before");
        assertThat(desk.text("agreement-place")).isEqualTo("2 of 2");
        desk.type("agreement-within", "70 px");
        assertThat(desk.text("agreement-numbers")).startsWith("4 matched");
        desk.type("agreement-within", "110 px");
        assertThat(desk.text("agreement-numbers")).startsWith("5 matched");
        desk.type("agreement-within", "-3");
        assertThat(desk.text("message")).contains("-3").contains("no distance");
    }

    @Test
    void twoCountersAreHeldTogetherByClass() {
        classOf("round");
        classOf("long");
        desk.focusStage();
        desk.keys(KeyCode.DIGIT1);
        count(60, 60, 200, 60, 60, 200);
        counter("Ada");
        desk.focusStage();
        count(62, 61);
        desk.keys(KeyCode.DIGIT2);
        count(201, 61, 320, 60);
        assertThat(marks("Ada").list()).hasSize(3);
        assertThat(marks().list()).as("the first count is as it was").hasSize(3);
        desk.choose("agreement-against", "what Counter 1 counted");
        assertThat(desk.text("agreement-numbers")).startsWith("2 matched of 3 counted and 3 held against");
        assertThat(desk.text("agreement-classes")).isEqualTo("long \u2192 round: 1");
        desk.choose("agreement-of", "round");
        assertThat(desk.text("agreement-numbers")).startsWith("1 matched of 1 counted and 3 held against");
        counter("Counter 1");
        assertThat(desk.text("tally-count-1")).isEqualTo("3");
        desk.choose("agreement-against", "what Ada counted");
        assertThat(desk.text("agreement-numbers")).startsWith("1 matched of 3 counted and 1 held against");
    }

    @SuppressWarnings("unchecked") // the counters' own box
    private void counter(String name) {
        ComboBox<String> box = (ComboBox<String>) desk.node("tally-counter");
        desk.onFx(() -> {
            box.setValue(name);
            return null;
        });
        desk.quiet();
    }

    /** Whatever is in the hand when another sample comes on the stage stays with the sample it was taken up on. */
    @Test
    void aMarkInTheHandDoesNotGoToAnotherSample() throws IOException {
        count(60, 60);
        Path second = Files.copy(folder.resolve("drawn.png"), folder.resolve("second.png"));
        desk.open(second);
        count(200, 200);
        List<Point> before = marks().places();
        desk.show("s1", "threshold-1");
        desk.click("view-tally");
        desk.pointAt(60, 60);
        desk.pressMouse();
        desk.hold(KeyCode.CONTROL);
        desk.keys(KeyCode.DOWN);
        desk.letGo(KeyCode.CONTROL);
        desk.release();
        assertThat(desk.onFx(() -> desk.model().sampleId().get())).isEqualTo("s2");
        assertThat(marks().places()).isEqualTo(before);
        assertThat(desk.onFx(() -> desk.model().selection().get())).isEmpty();
        desk.show("s1", "threshold-1");
        assertThat(marks().list()).hasSize(1);
    }

    @Test
    void aClassGoesWithItsMarksOnlyWhenThatIsMeant() {
        classOf("round");
        classOf("round");
        assertThat(classes()).hasSize(1);
        count(60, 60, 200, 60);
        desk.fire("tally-remove-1");
        desk.answer(false);
        assertThat(marks().list()).hasSize(2);
        desk.fire("tally-remove-1");
        desk.answer(true);
        assertThat(classes()).isEmpty();
        assertThat(marks().list()).isEmpty();
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(marks().list()).hasSize(2);
        desk.type("tally-name-1", "rounder");
        assertThat(classes()).extracting(TallyClass::name).containsExactly("rounder");
        assertThat(marks().list()).extracting(Mark::kind).containsOnly("c1");
    }

    @Test
    void marksAreWrittenAndTakenIn() throws IOException {
        count(60, 60, 200, 60);
        Path csv = folder.resolve("marks.csv");
        desk.saveTo(csv);
        desk.fire("tally-export");
        assertThat(Files.readAllLines(csv)).hasSize(3).first().isEqualTo("x_px,y_px,class,counter,time");
        Path png = folder.resolve("marked.png");
        desk.saveTo(png);
        desk.fire("tally-picture");
        assertThat(ImageIO.read(png.toFile()).getWidth()).isEqualTo(400);
        assertThat(ImageIO.read(png.toFile()).getRGB(60, 60))
                .isNotEqualTo(ImageIO.read(folder.resolve("drawn.png").toFile()).getRGB(60, 60));
        desk.saveTo(csv);
        Files.writeString(csv, "x,y,class,counter\n10,20,seed,Ben\n9000,1,seed,Ben\n30,40,,\n");
        desk.marks(csv);
        assertThat(desk.text("message"))
                .isEqualTo("Marks taken in: 2; there already: 0; outside the picture and left out: 1.");
        assertThat(marks("Ben").places()).containsExactly(new Point(10, 20));
        assertThat(marks().list()).hasSize(3);
        assertThat(classes()).extracting(TallyClass::name).containsExactly("Thing", "seed");
        desk.marks(csv);
        assertThat(desk.text("message"))
                .isEqualTo("Marks taken in: 0; there already: 2; outside the picture and left out: 1.");
        assertThat(marks().list()).hasSize(3);
        Files.writeString(csv, "name,place\nrye,left\n");
        desk.marks(csv);
        assertThat(desk.text("message")).contains("is no table of marks");
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(marks("Ben").list()).isEmpty();
        assertThat(classes()).hasSize(1);
    }

    @Test
    void outsideTheFieldNothingIsCountedAndOtherViewsDoNotCount() {
        desk.click("view-bench");
        desk.clickPicture(60, 60);
        assertThat(marks().list()).isEmpty();
        desk.click("card-0");
        desk.click("section-field");
        desk.click("hand-rectangle");
        desk.dragPicture(10, 10, 120, 290);
        desk.click("view-tally");
        desk.focusStage();
        count(60, 60, 200, 60);
        assertThat(desk.text("message")).isEqualTo("Outside the field nothing is counted.");
        assertThat(marks().list()).hasSize(1);
        int[] seen = desk.colours("stage");
        desk.fire("tally-seen");
        assertThat(desk.colours("stage")).isNotEqualTo(seen);
        assertThat(marks().list()).hasSize(1);
    }

    /** The objects that marks go with get the marks' classes, and these are counted in the summary and in the table. */
    @Test
    void objectsGetTheClassesOfTheirMarks() throws Exception {
        desk.type("tally-new-class", "round");
        desk.type("tally-new-class", "lone");
        desk.focusStage();
        desk.keys(KeyCode.DIGIT1);
        desk.clickPicture(60, 60);
        desk.clickPicture(200, 60);
        desk.keys(KeyCode.DIGIT2);
        desk.clickPicture(60, 200);
        desk.fire("agreement-sort");
        desk.quiet();
        assertThat(desk.onFx(() ->
                        desk.model().method().steps().getLast().description().id()))
                .isEqualTo("edit-objects");
        Path csv = folder.resolve("t.csv");
        desk.saveTo(csv);
        desk.command("take-table");
        desk.quiet();
        assertThat(Files.readAllLines(csv).getFirst()).startsWith("sample,object,phase,class,");
        assertThat(Files.readString(csv)).contains(",round,", ",lone,");
        desk.click("view-objects");
        desk.fire("together-summary");
        desk.quiet();
        assertThat(desk.text("summary-of")).contains("no class: 2 (40.0 %)", "lone: 1", "round: 2");
        Path book = folder.resolve("t.xlsx");
        desk.saveTo(book);
        desk.command("take-table");
        desk.quiet();
        assertThat(book).isNotEmptyFile();
        desk.onFx(() -> {
            desk.model().undo();
            return null;
        });
        desk.quiet();
        assertThat(desk.text("summary-of")).doesNotContain("round");
    }

    /** Held against the objects on each sample, and taken away as a table. */
    @Test
    void countsOfSeveralSamplesAreHeldTogether() throws Exception {
        count(60, 60, 200, 60);
        desk.open(Files.copy(folder.resolve("drawn.png"), folder.resolve("second.png")));
        desk.click("view-tally");
        count(60, 60, 200, 60, 200, 200);
        desk.fire("agreement-over-all");
        desk.quiet();
        Labeled told = (Labeled) desk.asked().orElseThrow().lookup("#differences-told");
        assertThat(told.getText()).contains("+2.5 in the mean", "Samples: 2.");
        Path csv = folder.resolve("d.csv");
        desk.saveTo(csv);
        Button save = (Button) desk.asked().orElseThrow().lookup("#differences-save");
        desk.later(save::fire);
        desk.quiet();
        assertThat(Files.readString(csv)).contains("drawn,2,5,3.5,3", "second,3,5,4,2");
        for (String kind : List.of("png", "svg")) {
            Path file = folder.resolve("d." + kind);
            desk.saveTo(file);
            desk.later(save::fire);
            desk.quiet();
            assertThat(file).isNotEmptyFile();
        }
        desk.answer(false);
    }

    @Test
    void aCounterIsRenamedAndRemovedWithAllMarks() {
        count(60, 60, 200, 60);
        command("rename");
        desk.fill("counter-name", " ");
        desk.answer(true);
        assertThat(desk.asked()).as("it still asks").isPresent();
        desk.fill("counter-name", "Ada");
        desk.answer(true);
        assertThat(marks("Ada").list()).hasSize(2);
        assertThat(marks("Counter 1").list()).isEmpty();
        assertThat(desk.text("tally-total")).contains("2");
        command("remove");
        desk.answer(true);
        assertThat(marks("Ada").list()).isEmpty();
        desk.onFx(() -> {
            desk.model().undo();
            return null;
        });
        assertThat(marks("Ada").list()).hasSize(2);
    }

    private void command(String what) {
        MenuButton more = (MenuButton) desk.node("tally-counter-more");
        desk.later(() -> more.getItems().stream()
                .filter(i -> i.getId().equals("tally-counter-" + what))
                .findFirst()
                .orElseThrow()
                .fire());
    }
}
