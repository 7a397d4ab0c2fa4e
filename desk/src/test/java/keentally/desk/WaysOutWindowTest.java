package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import keentally.study.run.SampleRun;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a caution's button does, and that the caution is gone then. */
class WaysOutWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @AfterEach
    void close() {
        desk.close();
    }

    private void open(Consumer<Graphics2D> drawing) throws Exception {
        BufferedImage picture = new BufferedImage(400, 300, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = picture.createGraphics();
        drawing.accept(pen);
        pen.dispose();
        Path file = folder.resolve("drawn.png");
        write(picture, file);
        desk = DeskDriver.start(folder);
        desk.open(file);
    }

    private static void write(BufferedImage picture, Path file) throws IOException {
        ImageIO.write(picture, "png", file.toFile());
    }

    private List<String> cautions() {
        return desk
                .onFx(() -> desk.model().shown().get().map(SampleRun::cautions).orElseThrow())
                .stream()
                .map(c -> c.id())
                .toList();
    }

    private List<String> steps() {
        return desk.model().method().steps().stream()
                .map(s -> s.description().id())
                .toList();
    }

    private void takeWayOut(String caution) {
        assertThat(cautions()).contains(caution);
        desk.click("cautions");
        Button go = (Button) desk.inPopup("way-out-" + caution);
        desk.onFx(() -> {
            go.fire();
            return null;
        });
        desk.quiet();
    }

    @Test
    void clumpsAreSplit() throws Exception {
        open(g -> {
            g.setColor(Color.BLACK);
            g.fillRect(0, 0, 400, 300);
            g.setColor(Color.LIGHT_GRAY);
            for (int i = 0; i < 9; i++) {
                g.fillOval(30 + 120 * (i % 3), 20 + 90 * (i / 3), 40, 40);
                g.fillOval(64 + 120 * (i % 3), 20 + 90 * (i / 3), 40, 40);
            }
            for (int i = 0; i < 4; i++) {
                g.fillOval(30 + 90 * i, 255, 40, 40);
            }
        });
        desk.stations("channel", "threshold");
        takeWayOut("touching");
        assertThat(steps()).endsWith("split-touching");
        assertThat(desk.count()).isEqualTo(22);
        assertThat(cautions()).doesNotContain("touching");
    }

    @Test
    void theGroundIsLeftOutOfTheWhole() throws Exception {
        open(g -> {
            g.setColor(new Color(244, 242, 238));
            g.fillRect(0, 0, 400, 300);
            g.setColor(new Color(200, 150, 170));
            g.fillOval(100, 50, 200, 200);
            g.setColor(new Color(110, 90, 160));
            g.fillOval(150, 100, 100, 100);
        });
        desk.stations("cluster");
        takeWayOut("wrong-whole");
        assertThat(steps())
                .containsExactly("similar-colour", "invert-mask", "remove-specks", "fill-holes", "within", "cluster");
        assertThat(cautions()).doesNotContain("wrong-whole");
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(steps()).containsExactly("cluster");
    }

    @Test
    void aBackgroundIsLabelledWithFour() throws Exception {
        open(g -> {
            for (int i = 0; i < 12; i++) {
                g.setColor((i % 4 + i / 4) % 2 == 0 ? Color.WHITE : Color.DARK_GRAY);
                g.fillRect(i % 4 * 100, i / 4 * 100, 100, 100);
            }
        });
        desk.stations("channel", "threshold", "invert-mask");
        assertThat(desk.count()).isEqualTo(1);
        takeWayOut("opened-background");
        assertThat(steps()).endsWith("label");
        assertThat(desk.count()).isEqualTo(6);
    }
}
