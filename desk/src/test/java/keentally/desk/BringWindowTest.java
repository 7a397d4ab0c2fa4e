package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Labeled;
import javafx.scene.control.RadioButton;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import keentally.desk.model.MethodActions;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What was made elsewhere is recognised, shown, taken in and held against what the method finds. */
class BringWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.drawn(folder, pen -> {
            pen.fillRect(40, 40, 40, 40);
            pen.fillRect(200, 100, 60, 60);
        });
        desk.stations("threshold");
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private Path mask(String name, int width, int height, int type, Consumer<Graphics2D> drawing) throws Exception {
        BufferedImage picture = new BufferedImage(width, height, type);
        Graphics2D pen = picture.createGraphics();
        pen.setColor(Color.WHITE);
        drawing.accept(pen);
        pen.dispose();
        Path file = folder.resolve(name);
        ImageIO.write(picture, name.substring(name.length() - 3), file.toFile());
        return file;
    }

    private String told() {
        return ((Labeled) desk.asked().orElseThrow().lookup("#bring-told")).getText();
    }

    @Test
    void aRoughMaskIsTakenInAndHeldAgainstOurs() throws Exception {
        Path rough = mask("rough.jpg", 200, 150, BufferedImage.TYPE_BYTE_GRAY, pen -> {
            pen.fillRect(20, 20, 20, 20);
            pen.fillRect(100, 50, 30, 40);
        });
        desk.bring(rough);
        assertThat(told()).endsWith("% of the field is chosen.");
        desk.answer(true);
        assertThat(desk.asked()).isEmpty();
        desk.quiet();
        assertThat(desk.has("compare")).isTrue();
        assertThat(desk.text("compare-only-first")).isEqualTo("0 px\u00b2");
        assertThat(Double.parseDouble(desk.text("compare-only-second").replaceAll("[^0-9.]", "")))
                .isBetween(60.0 * 18, 60.0 * 22);
        assertThat(desk.onFx(() -> desk.model().study().get().methods())).hasSize(2);
        desk.onFx(() -> {
            desk.model().undo();
            return null;
        });
        desk.quiet();
        assertThat(desk.onFx(() -> desk.model().study().get().methods())).hasSize(1);
    }

    @Test
    void oneOfAnotherSizeIsRefusedWithTheReason() throws Exception {
        desk.bring(mask("other.png", 130, 100, BufferedImage.TYPE_BYTE_GRAY, pen -> pen.fillRect(0, 0, 9, 9)));
        assertThat(told()).contains("only the same size, or a whole multiple");
        desk.answer(true);
        assertThat(desk.asked()).as("it still asks").isPresent();
        desk.answer(false);
        assertThat(desk.onFx(() -> desk.model().study().get().methods())).hasSize(1);
        Path none = folder.resolve("none.png");
        Files.writeString(none, "no picture");
        desk.bring(none);
        assertThat(desk.asked()).isEmpty();
        assertThat(desk.text("message")).contains("none.png");
    }

    @Test
    void everyWayToReadItIsShown() throws Exception {
        desk.bring(mask("classes.png", 400, 300, BufferedImage.TYPE_BYTE_GRAY, pen -> {
            pen.fillRect(0, 0, 100, 100);
            pen.setColor(new Color(100, 100, 100));
            pen.fillRect(100, 100, 100, 100);
            pen.setColor(new Color(50, 50, 50));
            pen.fillRect(300, 100, 100, 100);
        }));
        for (String way : List.of("labels", "mask", "classes")) {
            RadioButton button = (RadioButton) desk.asked().orElseThrow().lookup("#bring-as-" + way);
            desk.onFx(() -> {
                button.fire();
                return null;
            });
            desk.settleBeside();
            assertThat(told())
                    .contains(way.equals("mask") ? "chosen" : way.equals("labels") ? "3 objects" : "value 50");
        }
        desk.answer(true);
        desk.quiet();
        assertThat(desk.text("compare-note")).contains("no mask");
    }

    @Test
    void withoutASampleThereIsNothingToLayItOn() throws Exception {
        desk.close();
        desk = DeskDriver.start(folder.resolve("empty"));
        desk.bring(mask("m.png", 10, 10, BufferedImage.TYPE_BYTE_GRAY, pen -> pen.fillRect(0, 0, 5, 5)));
        assertThat(desk.asked()).isEmpty();
        assertThat(desk.text("message")).contains("Put a sample on the stage first");
    }

    private String inTable(String id) {
        return ((Labeled) desk.asked().orElseThrow().lookup("#" + id)).getText();
    }

    private void hold() {
        Button hold = (Button) desk.asked().orElseThrow().lookup("#table-hold");
        desk.later(hold::fire);
        desk.settleBeside();
    }

    /** Two squares that meet at a corner are one object by eight neighbours and two by four. */
    @Test
    void aPastedTableStandsBesideOursAndWhatMakesTheDifferenceIsFound() throws Exception {
        desk.close();
        Path corner = Files.createDirectory(folder.resolve("corner"));
        desk = DeskDriver.drawn(corner, pen -> {
            pen.fillRect(100, 100, 40, 40);
            pen.fillRect(140, 140, 40, 40);
        });
        desk.stations("threshold");
        desk.command("table");
        desk.fill("table-pasted", "picture;grains\nDRAWN.png;2\nother;7\n");
        hold();
        assertThat(inTable("table-verdict"))
                .isEqualTo(
                        "The differences add up to 1, whatever their signs.\nNo sample is called: other.\n"
                                + "Nearer with \u201cLabel, Pixels hang together by: sides (4 neighbours)\u201d: then 0 is left.");
        desk.fill("table-pasted", "drawn;40\n");
        hold();
        assertThat(inTable("table-verdict")).contains("add up to 39", "then 38 is left");
        desk.fill("table-pasted", "nobody;40\n");
        hold();
        assertThat(inTable("table-verdict")).isEqualTo("No row has the name of a sample.");
        desk.fill("table-pasted", "only words");
        hold();
        desk.answer(false);
    }

    /** Whoever goes to another sample while the picture is read is not asked about the first one. */
    @Test
    void whatIsReadWhileAnotherSampleComesIsNotLaidOnThat() throws Exception {
        desk.open(mask("second.jpg", 400, 300, BufferedImage.TYPE_BYTE_GRAY, pen -> pen.fillRect(5, 5, 50, 50)));
        desk.show("s1", "threshold-1");
        Path rough = mask("m.png", 400, 300, BufferedImage.TYPE_BYTE_GRAY, pen -> pen.fillRect(0, 0, 50, 50));
        desk.onFx(() -> {
            desk.window().bring(rough);
            desk.model().show("s2");
            return null;
        });
        desk.quiet();
        assertThat(desk.asked()).isEmpty();
        assertThat(desk.text("message")).contains("Another sample is on the stage");
    }

    /** A method that cannot be followed on a sample shows its picture, and says why. */
    @Test
    void theSecondViewSaysWhyItShowsNoMask() throws Exception {
        desk.onFx(() -> {
            new MethodActions(desk.model()).copy();
            return null;
        });
        desk.stations("paint");
        desk.open(mask("second.jpg", 400, 300, BufferedImage.TYPE_BYTE_GRAY, pen -> pen.fillRect(5, 5, 50, 50)));
        desk.onFx(() -> {
            new MethodActions(desk.model()).assign("m1", List.of("s2"));
            return null;
        });
        desk.show("s2", "");
        desk.focusStage();
        desk.keys(KeyCode.V);
        desk.choose("pair-method", "Untitled method 2");
        desk.choose("pair-place", "at the end of the method");
        assertThat(desk.text("second-note")).contains("nobody has looked at the mask of this sample yet");
        desk.choose("pair-sample", "drawn");
        assertThat(desk.text("second-note")).isEmpty();
    }
}
