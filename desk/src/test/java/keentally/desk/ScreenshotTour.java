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
        }
        Files.writeString(home.resolve("desk.json"), "{\"theme\": \"dark\", \"width\": 1280, \"height\": 800}");
        try (DeskDriver desk = DeskDriver.demo(home)) {
            desk.click("slide-s2");
            desk.click("card-0");
            desk.pointAt(500, 300);
            desk.shoot(SHOTS.resolve("picture-dark.png"));
            desk.click("card-2");
            desk.pointAt(640, 400);
            desk.hold(KeyCode.L);
            desk.shoot(SHOTS.resolve("lens-dark.png"));
            desk.letGo(KeyCode.L);
        }
        assertThat(SHOTS.resolve("bench.png")).exists();
    }
}
