package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import keentally.core.measure.SampleNumber;
import keentally.core.setting.ChoiceSetting;
import keentally.desk.objects.ObjectsPane;
import keentally.desk.picture.PictureModel.Section;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Every control of the desk beside the stations: the picture's panel, objects, trials, bars and menus. */
class EveryViewTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;
    private ControlWalk walk;

    @AfterEach
    void close() {
        walk.close();
        desk.close();
    }

    private void walked(int atLeast) {
        desk.quiet();
        assertThat(walk.said()).isEmpty();
        assertThat(walk.touches()).isGreaterThanOrEqualTo(atLeast);
    }

    private static void nothing() {
        // the controls are there already
    }

    /** Back to the bench, whatever was opened. */
    private void bench() {
        for (String closes : List.of("trial-close", "starter-close")) {
            if (desk.has(closes) && desk.node(closes).isVisible()) {
                ((Button) desk.node(closes)).fire();
            }
        }
        ToggleButton bench = (ToggleButton) desk.node("view-bench");
        if (!bench.isSelected()) {
            bench.fire();
        }
    }

    @Test
    void everythingOnADeskWithoutASample() throws Exception {
        desk = DeskDriver.start(folder);
        walk = new ControlWalk(desk);
        walk.overOneByOne("an empty desk", "desk", this::bench);
        walked(100);
    }

    @Test
    void everythingOnTheBench() throws Exception {
        desk = DeskDriver.smallFew(folder);
        walk = new ControlWalk(desk);
        desk.saveTo(folder.resolve("out.png"));
        walk.overOneByOne("the bench", "desk", () -> {
            bench();
            if (!desk.model().sampleId().get().equals("s1")) {
                desk.model().show("s1");
            }
            desk.model().station().set("threshold-1");
        });
        walked(150);
    }

    @Test
    void everythingThatTeachesAStation() throws Exception {
        desk = DeskDriver.smallDemo(folder, "Pasta surface");
        walk = new ControlWalk(desk);
        desk.saveTo(folder.resolve("out.csv"));
        desk.click("view-training");
        for (String folded : List.of("training-how", "training-features", "training-which", "training-by")) {
            if (desk.has(folded)) {
                desk.reach(folded);
            }
        }
        walk.over("training", "training-pane", EveryViewTest::nothing);
        walked(40);
    }

    @Test
    void everySectionOfThePicture() throws Exception {
        desk = DeskDriver.demo(folder);
        walk = new ControlWalk(desk);
        desk.saveTo(folder.resolve("out.png"));
        List<String> samples = desk.onFx(() -> desk.model().study().get().samples());
        for (String sample : samples) {
            desk.show(sample, "");
            for (Section section : Section.values()) {
                String toggle = "section-" + ChoiceSetting.word(section);
                desk.click(toggle);
                walk.overOneByOne(sample + " " + section, "station-panel", EveryViewTest::nothing);
            }
        }
        walked(100);
    }

    @Test
    void everyViewOfTheObjects() throws Exception {
        desk = DeskDriver.demo(folder, "Starch granules", "");
        walk = new ControlWalk(desk);
        desk.saveTo(folder.resolve("out.csv"));
        desk.click("view-objects");
        for (ObjectsPane.Together together : ObjectsPane.Together.values()) {
            desk.fire("together-" + ChoiceSetting.word(together));
            walk.overOneByOne(together.name(), "objects-pane", EveryViewTest::nothing);
        }
        walked(100);
    }

    @Test
    void everyControlOfTheTally() throws Exception {
        desk = DeskDriver.smallDemo(folder, "Grain tray");
        desk.click("view-tally");
        desk.type("tally-new-class", "rye");
        desk.type("tally-new-class", "wheat");
        desk.focusStage();
        desk.clickPicture(100, 100);
        desk.clickPicture(200, 150);
        walk = new ControlWalk(desk);
        desk.saveTo(folder.resolve("out.csv"));
        walk.overOneByOne("the tally", "tally-pane", EveryViewTest::nothing);
        walked(25);
    }

    /** Both heads and the comparison, with another sample of another size beside the first. */
    @Test
    void everyControlOfTwoViews() throws Exception {
        desk = DeskDriver.smallDemo(folder);
        desk.show("s1", "threshold-1");
        desk.click("view-compare");
        walk = new ControlWalk(desk);
        desk.saveTo(folder.resolve("out.png"));
        walk.overOneByOne("two views", "pair", EveryViewTest::nothing);
        walk.overOneByOne("the comparison", "compare", () -> desk.pair().open().set(true));
        walked(35);
    }

    @Test
    void everyControlOfTheLedgerAndOfTheNumbers() throws Exception {
        desk = DeskDriver.smallDemo(folder);
        desk.show("s1", "threshold-1");
        desk.click("view-ledger");
        walk = new ControlWalk(desk);
        desk.saveTo(folder.resolve("out.csv"));
        for (int round = 0; round < 2; round++) {
            walk.overOneByOne("the ledger", "ledger", EveryViewTest::nothing);
            walk.overOneByOne("beside the ledger", "ledger-side", EveryViewTest::nothing);
            desk.settleBeside();
        }
        desk.click("view-bench");
        desk.onFx(() -> desk.model()
                .change(
                        "numbers",
                        m -> m.withNumbers(List.of(
                                SampleNumber.of("dose", "count * doses", List.of(), SampleNumber.Limits.NONE)))));
        walk.overOneByOne(
                "the numbers", "station-panel", () -> desk.model().numbersOpen().set(true));
        walked(35);
    }

    @Test
    void everyControlOfTheReport() throws Exception {
        desk = DeskDriver.smallDemo(folder, "Crumb section");
        walk = new ControlWalk(desk);
        desk.saveTo(folder.resolve("report.pdf"));
        desk.readFrom(Files.writeString(folder.resolve("logo.png"), "no picture"));
        desk.click("view-report");
        for (int round = 0; round < 2; round++) {
            walk.overOneByOne("the report", "report", EveryViewTest::nothing);
            walk.overOneByOne("beside the report", "report-side", EveryViewTest::nothing);
            desk.settleBeside();
        }
        walked(35);
    }

    @Test
    void everyControlOfTheTrialSheet() throws Exception {
        desk = DeskDriver.smallDemo(folder, "Crumb section");
        walk = new ControlWalk(desk);
        desk.saveTo(folder.resolve("out.png"));
        List<String> stations = desk.onFx(
                () -> desk.model().method().steps().stream().map(s -> s.id()).toList());
        for (String station : stations) {
            desk.show("s1", station);
            desk.click("station-trial");
            if (desk.has("trial-panel")) {
                walk.overOneByOne(station, "trial-panel", EveryViewTest::nothing);
            }
            if (desk.has("trial-panel")) {
                desk.click("trial-close");
            }
        }
        walked(50);
    }
}
