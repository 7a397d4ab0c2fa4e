package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Takes the pictures of the documentation from the demo study; run by {@code build/screenshots}, not with the tests. */
class ScreenshotTour {
    private static final Path SHOTS = Path.of("../docs/screenshots");

    @TempDir
    private Path home;

    @Test
    void takeThePictures() throws Exception {
        try (DeskDriver desk = DeskDriver.demo(home)) {
            desk.pointAt(1025, 428);
            desk.shoot(SHOTS.resolve("bench.png"));
            desk.click("view-objects");
            desk.click("overlay-numbers");
            desk.clickPicture(1025, 428);
            desk.shoot(SHOTS.resolve("objects.png"));
            desk.click("overlay-outlines");
            desk.click("view-bench");
            desk.click("slide-s3");
            desk.click("card-0");
            desk.click("section-scale");
            desk.click("scale-lay");
            desk.write("20 um");
            desk.shoot(SHOTS.resolve("scale.png"));
            desk.keys(KeyCode.ENTER);
            desk.click("section-field");
            desk.click("field-caption");
            desk.click("hand-ellipse");
            desk.dragPicture(180, 60, 1080, 860);
            desk.shoot(SHOTS.resolve("field.png"));
        }
        Files.writeString(home.resolve("desk.json"), "{\"theme\": \"dark\", \"width\": 1280, \"height\": 800}");
        try (DeskDriver desk = DeskDriver.demo(home)) {
            desk.click("slide-s2");
            desk.pointAt(640, 400);
            desk.hold(KeyCode.L);
            desk.shoot(SHOTS.resolve("lens-dark.png"));
            desk.letGo(KeyCode.L);
            desk.click("slide-s4");
            desk.click("card-0");
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
        }
        assertThat(SHOTS.resolve("bench.png")).exists();
    }
}
