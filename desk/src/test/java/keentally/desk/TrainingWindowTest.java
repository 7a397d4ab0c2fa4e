package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import javafx.scene.input.KeyCode;
import keentally.core.classify.Classifier;
import keentally.core.picture.PhaseMap;
import keentally.core.setting.Reference;
import keentally.core.step.ClassifyStep;
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
        Random chance = new Random(4);
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
    void twoTexturesOfOneGreyAreTaughtScoredAndUsedAtTheStation() {
        desk.click("classify-train");
        assertThat(desk.text("training-told")).contains("Name two classes");
        paint();
        assertThat(desk.text("training-told")).startsWith("Learnt from ").doesNotContain("coarsely");
        assertThat(desk.text("training-strokes-1")).isEqualTo("2 strokes");
        assertThat(Double.parseDouble(desk.text("training-score-1-overlap"))).isGreaterThan(85);
        assertThat(desk.text("training-score-note")).contains("Whole strokes");
        desk.click("training-take");
        desk.quiet();
        assertThat(right(phases())).isGreaterThan(0.93);
        assertThat(phases().names()).containsExactly("across", "down");
        assertThat(desk.texts("station-panel")).contains("across", "down");
        assertThat(desk.fieldText("reference-model")).isEqualTo("trained here");
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(model()).isEmpty();
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
    void learnersAreTriedSideBySideAndOneIsTaken() {
        paint();
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

    @Test
    void aModelIsWrittenAndScoresBesideIt() throws Exception {
        paint();
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
