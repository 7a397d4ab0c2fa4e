package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import keentally.desk.model.MethodActions;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Several methods in one study, and samples with settings of their own, by mouse and keys. */
class MethodsWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.drawn(folder, pen -> pen.fillOval(40, 40, 80, 80));
        desk.stations("threshold");
        for (String name : List.of("second", "third")) {
            Path file = folder.resolve(name + ".png");
            ImageIO.write(new BufferedImage(200, 150, BufferedImage.TYPE_BYTE_GRAY), "png", file.toFile());
            desk.open(file);
        }
        desk.show("s1", "threshold-1");
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private List<String> users(String method) {
        return desk.onFx(() -> new MethodActions(desk.model()).users(method));
    }

    @Test
    void aSecondMethodIsMadeAndSlidesAreDroppedOnIt() {
        assertThat(desk.text("only-here")).isEqualTo("Only this of 3 samples");
        desk.click("method-own");
        assertThat(users("m2")).containsExactly("s1");
        desk.dragSlide("slide-s3", "method-line");
        assertThat(users("m2")).containsExactly("s1", "s3");
        assertThat(desk.text("only-here")).isEqualTo("Only this of 2 samples");
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(users("m2")).containsExactly("s1");
        desk.command("method-remove");
        assertThat(users("m1")).containsExactly("s2", "s3");
    }

    @Test
    void oneSampleDepartsShowsItAndTakesItBack() {
        desk.click("only-here");
        desk.choose("setting-keep", "dark");
        assertThat(desk.text("departs-keep")).isEqualTo("Keep: dark on this sample, bright in the method");
        assertThat(desk.texts("slide-s1")).contains("own: 1");
        assertThat(desk.texts("card-1")).contains("own");
        desk.show("s2", "threshold-1");
        assertThat(desk.has("departs-keep")).isFalse();
        desk.show("s1", "threshold-1");
        desk.click("take-back-keep");
        assertThat(desk.has("departs-keep")).isFalse();
        assertThat(desk.texts("card-1")).doesNotContain("own");
    }
}
