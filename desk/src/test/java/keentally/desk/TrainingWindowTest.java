package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import keentally.core.classify.Classifier;
import keentally.core.picture.PhaseMap;
import keentally.core.setting.Reference;
import keentally.core.step.ClassifyStep;
import keentally.desk.help.Topic;
import keentally.desk.help.Why;
import keentally.study.method.ModelFile;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A station taught by examples, with the mouse, at the real screen. */
class TrainingWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    /** At the left stripes that run across, at the right stripes that run down, both on the same greys. */
    private static void weave(Graphics2D pen) {
        weave(pen, 4);
    }

    private static void weave(Graphics2D pen, long seed) {
        Random chance = new Random(seed);
        for (int y = 0; y < 300; y++) {
            for (int x = 0; x < 400; x++) {
                int along = x < 200 ? y : x;
                int grey = 110 + (along / 3 % 2 == 0 ? 50 : 0) + chance.nextInt(20);
                pen.setColor(new Color(grey, grey, grey));
                pen.fillRect(x, y, 1, 1);
            }
        }
    }

    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.drawn(folder, TrainingWindowTest::weave);
        desk.stations("channel", "classify");
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private void addClass(String name) {
        desk.click("training-new-class");
        desk.write(name);
        desk.keys(KeyCode.ENTER);
    }

    /** Two strokes a class, far from one another. */
    private void paint() {
        desk.click("view-training");
        addClass("across");
        desk.dragPicture(30, 40, 150, 40);
        desk.dragPicture(30, 250, 150, 250);
        addClass("down");
        desk.dragPicture(250, 40, 370, 40);
        desk.dragPicture(250, 250, 370, 250);
        desk.quiet();
    }

    private double right(PhaseMap map) {
        int right = 0;
        for (int i = 0; i < 400 * 300; i++) {
            right += map.map().values()[i] == (i % 400 < 200 ? 0 : 1) ? 1 : 0;
        }
        return right / 120_000.0;
    }

    private PhaseMap phases() {
        return desk.onFx(
                () -> desk.model().reached("classify-1").orElseThrow().after().needPhases());
    }

    @Test
    void twoTexturesOfOneGreyAreTaughtScoredAndUsedAtTheStationAndOnAnotherSample() throws Exception {
        desk.click("classify-train");
        assertThat(desk.text("training-told")).contains("Name two classes");
        paint();
        assertThat(desk.text("training-told")).startsWith("Learnt from ").doesNotContain("coarsely");
        assertThat(desk.text("training-strokes-1")).isEqualTo("2 strokes");
        assertThat(Double.parseDouble(desk.text("training-score-1-overlap"))).isGreaterThan(85);
        assertThat(desk.text("training-score-note")).contains("Whole strokes");
        assertThat(Why.at(desk.node("training-score-1-f1")))
                .get()
                .isInstanceOfSatisfying(Topic.OfSeveral.class, why -> {
                    assertThat(why.name()).isEqualTo("F1: across");
                    assertThat(why.told()).isEqualTo(desk.text("training-score-1-f1") + " %");
                    assertThat(why.from()).extracting(Topic.Source::told).containsExactly("strokes: 4");
                });
        desk.click("training-take");
        desk.quiet();
        assertThat(right(phases())).isGreaterThan(0.93);
        assertThat(phases().names()).containsExactly("across", "down");
        assertThat(desk.texts("station-panel")).contains("across", "down");
        assertThat(desk.fieldText("reference-model")).isEqualTo("trained here");
        File other = folder.resolve("other.png").toFile();
        BufferedImage picture = new BufferedImage(400, 300, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D pen = picture.createGraphics();
        weave(pen, 5);
        pen.dispose();
        ImageIO.write(picture, "png", other);
        desk.open(other.toPath());
        assertThat(right(phases()))
                .as("on a sample that nothing was painted on")
                .isGreaterThan(0.93);
        desk.click("view-training");
        desk.dragPicture(30, 150, 150, 150);
        assertThat(desk.text("training-strokes-1")).as("on both samples").matches("[1-3] strokes?");
        assertThat(desk.text("training-told")).startsWith("Learnt from ");
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(model()).isEmpty();
    }

    @Test
    void aClassPictureIsTakenInOnceItIsSaidWhichValueIsNothing() throws Exception {
        BufferedImage classes = new BufferedImage(400, 300, BufferedImage.TYPE_BYTE_GRAY);
        for (int y = 20; y < 280; y++) {
            for (int x = 20; x < 380; x++) {
                classes.getRaster().setSample(x, y, 0, x < 180 ? 1 : x > 220 ? 2 : 0);
            }
        }
        File file = folder.resolve("classes.png").toFile();
        ImageIO.write(classes, "png", file);
        desk.click("view-training");
        desk.readFrom(file.toPath());
        desk.click("training-bring");
        desk.settle();
        desk.until("the class picture is asked about", () -> desk.asked().isPresent());
        desk.answer(true);
        assertThat(((Labeled) desk.asked().orElseThrow().lookup("#ask-complaint")).getText())
                .contains("say which value means not painted");
        desk.onFx(() -> {
            ((ComboBox<?>) desk.asked().orElseThrow().lookup("#classes-unpainted"))
                    .getSelectionModel()
                    .select(1);
            return null;
        });
        desk.fill("classes-name-1", "across");
        desk.answer(true);
        desk.quiet();
        assertThat(desk.text("training-strokes-1")).isEqualTo("1 stroke");
        assertThat(desk.text("training-score-1-painted")).isEqualTo("41,600");
        assertThat(Double.parseDouble(desk.text("training-score-1-overlap")))
                .as("of blocks held out")
                .isGreaterThan(85);
    }

    private Optional<Reference> model() {
        return desk.onFx(() ->
                desk.model().method().step("classify-1").orElseThrow().values().find(ClassifyStep.MODEL));
    }

    @Test
    void strokesAreUndoneRubbedOutRenamedAndTakenOff() {
        paint();
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.text("training-strokes-2")).isEqualTo("1 stroke");
        assertThat(desk.text("training-score-2-overlap"))
                .as("a single stroke is never held out")
                .isEqualTo("\u2013");
        assertThat(desk.text("training-score-note")).contains("for lack of a second stroke farther away: down");
        desk.keys(KeyCode.DIGIT0);
        desk.dragPicture(240, 40, 380, 40);
        desk.quiet();
        assertThat(desk.text("training-told"))
                .as("nothing is left of the second")
                .contains("class down");
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        desk.keys(KeyCode.DIGIT1);
        desk.type("training-name-1", "rows");
        assertThat(desk.text("training-strokes-1")).isEqualTo("2 strokes");
        desk.type("training-name-1", "down");
        assertThat(desk.texts("training-pane")).anyMatch(t -> t.contains("there is a class down already"));
        desk.click("training-clear");
        desk.quiet();
        assertThat(desk.text("training-strokes-1")).isEqualTo("0 strokes");
        assertThat(desk.text("training-told")).contains("Name two classes");
    }

    @Test
    void whatWasLearntIsWrittenAndLearnersAreTriedSideBySide() throws Exception {
        paint();
        written();
        desk.reach("training-try");
        desk.quiet();
        List<String> told = desk.onFx(() -> desk.trials().tiles().get().stream()
                .map(t -> t.variant().told())
                .toList());
        assertThat(told).hasSize(2).allMatch(t -> t.startsWith("learnt in "));
        desk.onFx(() -> desk.trials().take(desk.trials().tiles().get().getLast()));
        desk.quiet();
        assertThat(model().orElseThrow().held().orElseThrow()).contains("\"linear\"");
    }

    private void written() throws Exception {
        Path model = folder.resolve("weave.model.json");
        desk.saveTo(model);
        desk.click("training-save");
        desk.settle();
        Classifier read = ModelFile.read(model);
        assertThat(read.names()).containsExactly("across", "down");
        Path scores = folder.resolve("weave.csv");
        desk.saveTo(scores);
        desk.reach("training-save-scores");
        desk.settle();
        assertThat(Files.readString(scores))
                .startsWith("class,colour,painted_px,")
                .contains("across,\"#");
        assertThat(Files.readString(folder.resolve("weave-importance.csv"))).contains("group,gabor,");
        assertThat(Files.readString(folder.resolve("weave-confusion.csv")))
                .startsWith("is_px,called across,called down");
    }

    @Test
    void theNextPlaceIsShownAndSettingsChangeWhatIsLearnt() {
        paint();
        desk.focusStage();
        desk.keys(KeyCode.ENTER);
        assertThat(desk.onFx(() -> desk.model().message().get()))
                .contains("across")
                .contains("down");
        desk.reach("training-how");
        desk.reach("training-learner-linear");
        desk.quiet();
        desk.type("training-rounds", "1");
        desk.quiet();
        assertThat(desk.text("training-told")).contains("did not converge");
        desk.type("training-rounds", "none");
        assertThat(desk.fieldText("training-rounds")).isEqualTo("1");
        desk.reach("training-features");
        desk.reach("training-features-gabor");
        desk.quiet();
        assertThat(desk.onFx(() ->
                        desk.model().study().get().training("m1", "classify-1").groups()))
                .hasSize(8);
        desk.type("training-widest", "16 px");
        assertThat(desk.onFx(() ->
                        desk.model().study().get().training("m1", "classify-1").stretch()))
                .isEqualTo(2);
    }
}
