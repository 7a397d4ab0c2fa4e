package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.RadioButton;
import javafx.scene.image.Image;
import javafx.scene.image.WritableImage;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import keentally.study.picture.PictureReader;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** From the welcome to a picture, however it is brought; what else is brought is recognised; what one is at is copied. */
class ComingInWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @AfterEach
    void close() {
        desk.close();
    }

    private Path png(String name, int type, Consumer<Graphics2D> drawing) throws Exception {
        BufferedImage picture = new BufferedImage(400, 300, type);
        Graphics2D pen = picture.createGraphics();
        pen.setColor(Color.WHITE);
        drawing.accept(pen);
        pen.dispose();
        Path file = folder.resolve(name);
        ImageIO.write(picture, "png", file.toFile());
        return file;
    }

    private List<String> samples() {
        return desk.onFx(() -> desk.model().study().get().samples().stream()
                .map(id -> desk.model().study().get().sample(id).orElseThrow().name())
                .toList());
    }

    private void onClipboard(ClipboardContent content) {
        desk.onFx(() -> Clipboard.getSystemClipboard().setContent(content));
    }

    private void choose(String id) {
        RadioButton button = (RadioButton) desk.asked().orElseThrow().lookup("#" + id);
        desk.onFx(() -> {
            button.fire();
            return null;
        });
    }

    private void counted() throws Exception {
        desk = DeskDriver.drawn(Files.createDirectory(folder.resolve("drawn")), pen -> {
            pen.fillRect(40, 40, 40, 40);
            pen.fillRect(200, 100, 60, 60);
        });
        desk.stations("threshold", "label");
    }

    @Test
    void theWelcomeMakesRoomForTheFirstPictureAndComesBackWithoutOne() throws Exception {
        desk = DeskDriver.start(folder.resolve("home"));
        assertThat(desk.node("welcome").isVisible()).isTrue();
        assertThat(desk.onFx(() -> desk.node("view-bench").getParent().isVisible()))
                .as("there is nothing to be done in the views")
                .isFalse();
        desk.open(png("one.png", BufferedImage.TYPE_INT_RGB, pen -> pen.fillRect(10, 10, 90, 90)));
        assertThat(samples()).containsExactly("one");
        assertThat(desk.node("welcome").isVisible()).isFalse();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.node("welcome").isVisible()).isTrue();
    }

    @Test
    void whatWasWorkedOnLastIsOfferedInNoMoreRoomThanItTakes() throws Exception {
        desk = DeskDriver.start(folder.resolve("home"));
        desk.open(png("one.png", BufferedImage.TYPE_INT_RGB, pen -> pen.fillRect(10, 10, 90, 90)));
        desk.onFx(() -> {
            desk.window().studyActions().keepAs(folder.resolve("first.tally"));
            return null;
        });
        desk.quiet();
        desk.close();
        desk = DeskDriver.start(folder.resolve("home"));
        desk.settleBeside();
        assertThat(desk.has("welcome-last-0")).isTrue();
        assertThat(desk.onFx(() -> {
                    desk.node("desk").getScene().getRoot().applyCss();
                    desk.node("desk").getScene().getRoot().layout();
                    return Reach.blank(desk.node("welcome"));
                }))
                .isEmpty();
    }

    @Test
    void aPictureOnTheClipboardBecomesASampleOfTheStudy() throws Exception {
        desk = DeskDriver.start(folder.resolve("home"));
        WritableImage image = new WritableImage(30, 20);
        image.getPixelWriter().setArgb(3, 4, 0xff123456);
        ClipboardContent content = new ClipboardContent();
        content.putImage(image);
        onClipboard(content);
        desk.click("welcome-paste");
        desk.quiet();
        assertThat(samples()).containsExactly("Pasted picture");
        Path kept = desk.onFx(
                () -> desk.model().sample().orElseThrow().picture().first().file());
        assertThat(PictureReader.size(kept)).isEqualTo(new PictureReader.Size(30, 20));
        assertThat(ImageIO.read(kept.toFile()).getRGB(3, 4)).isEqualTo(0xff123456);
    }

    /** Where the program's own folder cannot be, pictures come in all the same; what must be kept there is said. */
    @Test
    void withoutAPlaceOfItsOwnTheDeskWorksAndSaysWhatCannotBeKept() throws Exception {
        desk = DeskDriver.start(Files.writeString(folder.resolve("home"), "a file, not a folder"));
        ClipboardContent content = new ClipboardContent();
        content.putImage(new WritableImage(30, 20));
        onClipboard(content);
        desk.click("welcome-paste");
        desk.quiet();
        assertThat(desk.text("message")).startsWith("The pasted picture cannot be kept in ");
        desk.open(png("one.png", BufferedImage.TYPE_INT_RGB, pen -> pen.fillRect(10, 10, 90, 90)));
        assertThat(samples()).containsExactly("one");
    }

    @Test
    void whatIsNoPictureIsSaidOnTheWelcomeToo() throws Exception {
        desk = DeskDriver.start(folder.resolve("home"));
        desk.open(Files.writeString(folder.resolve("film.png"), "this is no picture"), folder.resolve("gone.tif"));
        assertThat(desk.text("message")).contains("film.png", "gone.tif does not exist.");
        assertThat(desk.node("welcome").isVisible()).isTrue();
    }

    @Test
    void aClipboardWithoutAnythingOfUseIsSaidSo() throws Exception {
        desk = DeskDriver.start(folder.resolve("home"));
        ClipboardContent content = new ClipboardContent();
        content.putString("Dear colleague");
        onClipboard(content);
        desk.click("welcome-paste");
        assertThat(desk.text("message")).startsWith("There is no picture, file or table on the clipboard.");
        assertThat(samples()).isEmpty();
    }

    @Test
    void aMaskThatIsDroppedIsHeldAgainstOursOrBecomesASample() throws Exception {
        counted();
        Path mask = png("mask.png", BufferedImage.TYPE_BYTE_GRAY, pen -> pen.fillRect(40, 40, 40, 40));
        desk.later(() -> desk.window().open(List.of(mask)));
        desk.settleBeside();
        assertThat(desk.asked()).isPresent();
        desk.answer(true);
        desk.settleBeside();
        assertThat(desk.asked().orElseThrow().lookup("#bring-told")).isNotNull();
        desk.answer(true);
        desk.quiet();
        assertThat(desk.has("compare")).isTrue();
        assertThat(samples()).hasSize(1);

        desk.later(() -> desk.window().open(List.of(mask)));
        desk.settleBeside();
        choose("door-sample");
        desk.answer(true);
        desk.quiet();
        assertThat(samples()).hasSize(2);
    }

    @Test
    void marksTablesAndModelsAreLedToWhereTheyBelong() throws Exception {
        counted();
        Path marks = Files.writeString(folder.resolve("marks.csv"), "x_px,y_px,class\n50,50,wheat\n70,60,wheat\n");
        desk.open(marks);
        assertThat(desk.has("tally-pane")).isTrue();
        assertThat(desk.onFx(() -> desk.model().study().get().tallies("s1"))).hasSize(1);
        Path table = Files.writeString(folder.resolve("counts.csv"), "picture,count\ndrawn,2\n");
        desk.later(() -> desk.window().open(List.of(table)));
        desk.settleBeside();
        assertThat(desk.asked().orElseThrow().lookup("#table-column")).isNotNull();
        desk.answer(false);
        Path model = Files.writeString(folder.resolve("pasta.model.json"), "{}");
        Path letter = Files.writeString(folder.resolve("letter.txt"), "Dear colleague\n");
        desk.open(model, letter);
        assertThat(desk.text("message")).contains("add a station Classify", "letter.txt is text, but neither");
        assertThat(samples()).hasSize(1);
    }

    @Test
    void filesThatDifferInOneWordAreAskedAbout() throws Exception {
        desk = DeskDriver.start(folder.resolve("home"));
        Path starch = png("dish starch.png", BufferedImage.TYPE_BYTE_GRAY, pen -> pen.fillRect(0, 0, 90, 90));
        Path protein = png("dish protein.png", BufferedImage.TYPE_BYTE_GRAY, pen -> pen.fillRect(50, 50, 90, 90));
        desk.later(() -> desk.window().open(List.of(starch, protein)));
        desk.settleBeside();
        assertThat(desk.asked()).isPresent();
        desk.answer(true);
        desk.quiet();
        assertThat(samples()).containsExactly("dish");
        assertThat(desk.onFx(() -> desk.model()
                        .open()
                        .get()
                        .orElseThrow()
                        .file()
                        .picture()
                        .channels()
                        .size()))
                .isEqualTo(2);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        desk.later(() -> desk.window().open(List.of(starch, protein)));
        desk.settleBeside();
        choose("channels-each");
        desk.answer(true);
        desk.quiet();
        assertThat(samples()).containsExactly("dish starch", "dish protein");
    }

    @Test
    void whatOneIsAtIsCopied() throws Exception {
        counted();
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.C);
        Image image = desk.onFx(() -> Clipboard.getSystemClipboard().getImage());
        assertThat(image.getWidth() / image.getHeight()).isBetween(1.32, 1.34); // the whole picture, without the ground
        assertThat(image.getWidth()).isGreaterThan(700);
        assertThat(desk.text("message")).startsWith("The picture as it is shown was copied");

        desk.onFx(() -> {
            desk.node("card-1").requestFocus();
            return null;
        });
        desk.keys(KeyCode.CONTROL, KeyCode.C);
        assertThat(desk.onFx(() -> Clipboard.getSystemClipboard().getString()))
                .startsWith("Threshold: ")
                .contains("%");
        assertThat(desk.text("message")).isEqualTo("Copied.");
    }
}
