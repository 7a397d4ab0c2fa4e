package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.input.KeyCode;
import keentally.core.step.Steps;
import keentally.desk.model.MethodActions;
import keentally.desk.station.StationActions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Takes the pictures of the documentation from the demo study; run by {@code build/screenshots}, not with the tests. */
class ScreenshotTour {
    private static final Path SHOTS = Path.of("../docs/screenshots");

    @TempDir
    private Path home;

    @Test
    void takeThePictures() throws Exception {
        try (DeskDriver desk = DeskDriver.start(home.resolve("first"))) {
            desk.shoot(SHOTS.resolve("welcome.png"));
        }
        try (DeskDriver desk = DeskDriver.wholeDemo(home)) {
            desk.pointAt(1025, 428);
            desk.shoot(SHOTS.resolve("bench.png"));
            desk.click("view-objects");
            desk.click("overlay-fill");
            desk.choose("fill-by", "Circularity");
            desk.clickPicture(1025, 428);
            desk.shoot(SHOTS.resolve("objects.png"));
            desk.click("overlay-outlines");
            desk.focusStage();
            desk.keys(KeyCode.ESCAPE);
            desk.click("view-bench");
            desk.click("slide-s3");
            desk.click("card-0");
            desk.click("section-scale");
            desk.click("scale-lay");
            desk.write("20 um");
            desk.keys(KeyCode.ENTER);
            desk.click("section-field");
            desk.click("field-caption");
            desk.click("hand-ellipse");
            desk.dragPicture(180, 60, 1080, 860);
            desk.show("s3", "split-touching-1");
            desk.shoot(SHOTS.resolve("split.png"));
            desk.click("view-objects");
            desk.click("together-line-up");
            desk.click("cut-7");
            desk.keys(KeyCode.ESCAPE);
            desk.click("view-bench");
            desk.show("s5", "hull-1");
            desk.focusStage();
            desk.keys(KeyCode.V);
            desk.choose("pair-place", "before this station");
            desk.choose("pair-look", "tint");
            desk.pointAt(420, 520);
            desk.shoot(SHOTS.resolve("two-views.png"));
            desk.keys(KeyCode.V);
            byHand(desk);
            desk.show("s7", "colour-range-1");
            desk.dragPicture(197, 557, 211, 559);
            desk.pointAt(300, 480);
            desk.shoot(SHOTS.resolve("colour-range.png"));
            tally(desk);
            desk.click("view-bench");
            desk.show("s13", "scribble-cut-1");
            desk.pointAt(700, 600);
            desk.shoot(SHOTS.resolve("scribble-cut.png"));
            desk.show("s14", "classify-1");
            desk.click("view-training");
            desk.quiet();
            desk.shoot(SHOTS.resolve("training.png"));
            desk.click("view-bench");
            desk.show("s10", "cluster-1");
            desk.click("view-phases");
            desk.settleBeside();
            desk.shoot(SHOTS.resolve("phases.png"));
            desk.click("view-bench");
            refined(desk);
        }
        try (DeskDriver desk = DeskDriver.demo(home.resolve("help"), "Crumb section", "threshold-1")) {
            desk.keys(KeyCode.F1);
            desk.shoot(SHOTS.resolve("help.png"));
        }
        try (DeskDriver desk = DeskDriver.proving(home.resolve("proving"))) {
            desk.click("view-ledger");
            desk.quiet();
            desk.fire("ledger-run-all");
            desk.settleBeside();
            desk.fire("ledger-against-tag");
            desk.quiet();
            desk.shoot(SHOTS.resolve("ledger.png"));
            desk.fire("ledger-shown-sheet");
            desk.quiet();
            desk.settleBeside();
            desk.shoot(SHOTS.resolve("contact-sheet.png"));
            desk.click("view-report");
            desk.settleBeside();
            desk.quiet();
            desk.settleBeside();
            desk.shoot(SHOTS.resolve("report.png"));
        }
        Files.writeString(home.resolve("desk.json"), "{\"theme\": \"dark\", \"width\": 1280, \"height\": 800}");
        try (DeskDriver desk = DeskDriver.wholeDemo(home)) {
            desk.click("overlay-outlines");
            desk.show("s3", "split-touching-1");
            desk.click("view-compare");
            desk.click("fate-joined");
            desk.click("fate-next");
            desk.shoot(SHOTS.resolve("compare-dark.png"));
            desk.click("view-bench");
            desk.focusStage();
            desk.keys(KeyCode.V);
            desk.show("s12", "");
            desk.click("section-histogram");
            desk.click("histogram-compare");
            desk.choose("histogram-channel-0", "protein");
            desk.choose("histogram-region-0", "phase:0");
            desk.choose("histogram-channel-1", "protein");
            desk.choose("histogram-region-1", "phase:1");
            desk.click("histogram-shares");
            desk.click("ruler");
            desk.dragPicture(180, 230, 620, 330);
            desk.shoot(SHOTS.resolve("looking-dark.png"));
            desk.click("ruler");
            desk.show("s7", "");
            desk.starters();
            desk.shoot(SHOTS.resolve("starters-dark.png"));
        }
        assertThat(SHOTS.resolve("bench.png")).exists();
    }

    /** What two people counted, and where they differ. */
    private static void tally(DeskDriver desk) {
        desk.click("view-tally");
        desk.shoot(SHOTS.resolve("tally.png"));
        desk.choose("agreement-against", "what Bo counted");
        desk.fire("agreement-missed");
        desk.fire("agreement-next");
        desk.quiet();
        desk.click("view-bench");
    }

    private static void byHand(DeskDriver desk) {
        desk.show("s1", "gate-1");
        desk.onFx(() -> {
            new StationActions(desk.model()).add(Steps.find("edit-objects").orElseThrow());
            return null;
        });
        desk.quiet();
        desk.clickPicture(503, 523);
        desk.hold(KeyCode.CONTROL);
        desk.clickPicture(684, 523);
        desk.letGo(KeyCode.CONTROL);
        desk.focusStage();
        desk.keys(KeyCode.J);
        desk.click("edit-mode-cut");
        desk.dragPicture(160, 240, 400, 262);
        desk.click("edit-mode-draw");
        desk.tracePicture(965, 660, 1005, 620, 1065, 610, 1085, 660, 1055, 720, 995, 720);
        desk.click("edit-mode-pick");
        desk.clickPictureOther(1180, 275);
        desk.shoot(SHOTS.resolve("by-hand.png"));
    }

    private static void refined(DeskDriver desk) throws Exception {
        desk.onFx(() -> {
            String method = desk.model().study().get().methods().stream()
                    .filter(m -> desk.model().study().get().method(m).name().endsWith("refined"))
                    .findFirst()
                    .orElseThrow();
            new MethodActions(desk.model()).assign(method, List.of("s8"));
            return null;
        });
        desk.show("s8", "refine-edges-1");
        desk.settleBeside();
        desk.focusStage();
        desk.keys(KeyCode.T);
        desk.settleBeside();
        desk.quiet();
        desk.shoot(SHOTS.resolve("trial.png"));
        desk.keys(KeyCode.ESCAPE);
    }
}
