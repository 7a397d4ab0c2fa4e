package keentally.desk.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import javax.imageio.ImageIO;
import keentally.core.geometry.Ellipse;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.quantity.LengthUnit;
import keentally.core.run.Jobs;
import keentally.core.run.Lanes.Urgency;
import keentally.core.step.Steps;
import keentally.desk.picture.PictureModel;
import keentally.desk.stage.StageModel;
import keentally.study.document.PictureRef;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.method.MethodFile;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What takes time comes back to where it was asked for, whatever is on the stage by then. */
class AddressTest {
    private final InterfaceThread ui = new InterfaceThread();
    private final List<Throwable> crashes = new ArrayList<>();
    private final DeskModel desk = new DeskModel(ui, crashes::add);
    private final SampleActions actions = new SampleActions(desk, ui);

    @TempDir
    private Path folder;

    /** Keeps the jobs busy until it is let go of. */
    private final CountDownLatch busy = new CountDownLatch(1);

    @BeforeEach
    void twoTrays() throws Exception {
        Study study = Study.empty().with("m2", Method.empty("Second", LengthUnit.PX));
        for (int i = 1; i <= 2; i++) {
            Path file = folder.resolve("tray" + i + ".png");
            ImageIO.write(Trays.image(60 + 10 * i), "png", file.toFile());
            study = study.with("s" + i, SampleThing.of("tray " + i, PictureRef.of(file, 1), i == 1 ? "m1" : "m2"));
        }
        desk.begin(study);
        ui.settle(() -> desk.shown().get().isPresent());
    }

    @AfterEach
    void close() {
        busy.countDown();
        desk.close();
        assertThat(crashes).isEmpty();
    }

    private void keepBusy() {
        desk.job("busy", job -> waitForRelease());
    }

    private void waitForRelease() {
        try {
            busy.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void showSecond() {
        desk.show("s2");
        ui.settle(() -> desk.open().get().isPresent() && desk.sampleId().get().equals("s2"));
    }

    private List<Field.Part> field(String sample) {
        return desk.study().get().sample(sample).orElseThrow().field();
    }

    @Test
    void aFieldThatIsFoundLateGoesToTheSampleThatItWasFoundFor() {
        PictureModel picture = new PictureModel(desk, new StageModel(), ui);
        desk.look("busy", Urgency.ASKED, cancel -> waitForRelease());
        picture.fields().findRound(0);
        showSecond();
        busy.countDown();
        ui.settle(() -> !field("s1").isEmpty());
        assertThat(field("s2")).isEmpty();
        Ellipse found = (Ellipse) field("s1").getFirst().shape();
        assertThat(found.a()).isBetween(68.0, 72.0);
    }

    /** It becomes one more method; none is replaced. */
    @Test
    void aMethodThatIsReadLateIsUsedOnTheSampleItWasOpenedFor() throws Exception {
        Path file = folder.resolve("three.method.json");
        MethodFile.write(
                file,
                Method.empty("From a file", LengthUnit.PX)
                        .add(0, Steps.find("threshold").orElseThrow()));
        keepBusy();
        new DeskFiles(desk, ui).openMethod(file);
        showSecond();
        busy.countDown();
        ui.settle(() -> desk.study().get().methods().size() == 3);
        assertThat(desk.study().get().method("m3").name()).isEqualTo("From a file");
        assertThat(desk.study().get().sample("s1").orElseThrow().method()).isEqualTo("m3");
        assertThat(desk.study().get().sample("s2").orElseThrow().method()).isEqualTo("m2");
        desk.undo();
        assertThat(desk.study().get().methods()).containsExactly("m1", "m2");
    }

    @Test
    void picturesReadLateAreAddedWithTheMethodThatWasInUse() throws Exception {
        Path late = folder.resolve("late.png");
        ImageIO.write(Trays.image(50), "png", late.toFile());
        keepBusy();
        actions.add(List.of(late), survey -> List.of());
        showSecond();
        busy.countDown();
        ui.settle(() -> desk.study().get().samples().size() == 3);
        assertThat(desk.study().get().sample("s3").orElseThrow().method()).isEqualTo("m1");
    }

    @Test
    void whatWasAskedForInAStudyThatIsGoneGoesNowhere() throws Exception {
        Path late = folder.resolve("late.png");
        ImageIO.write(Trays.image(50), "png", late.toFile());
        keepBusy();
        actions.add(List.of(late), survey -> List.of());
        desk.begin(Study.empty());
        busy.countDown();
        ui.settle(desk::quiet);
        assertThat(desk.study().get().samples()).isEmpty();
    }

    /** A person reads what is at work, and stops what they no longer want. */
    @Test
    void jobsAreListedAndStopped() throws Exception {
        Path many = Files.createDirectory(folder.resolve("many"));
        for (int i = 0; i < 12; i++) {
            ImageIO.write(
                    Trays.image(40 + i), "png", many.resolve("p" + i + ".png").toFile());
        }
        keepBusy();
        actions.add(List.of(many), survey -> List.of());
        ui.settle(() -> desk.jobs().get().size() == 2);
        assertThat(desk.jobs().get()).extracting(Jobs.Standing::title).containsExactly("busy", "Reading pictures");
        desk.jobs().get().get(1).stop();
        ui.settle(() -> desk.jobs().get().size() == 1);
        ui.settle(() -> desk.message().get().equals("Stopped: Reading pictures."));
        busy.countDown();
        ui.settle(() -> desk.jobs().get().isEmpty());
        assertThat(desk.study().get().samples()).hasSize(2);
    }

    /** Stopping is asked on the interface thread, which must not wait for a file to be closed. */
    @Test
    void puttingAStudyAwayIsOnlyMovedBehind() throws Exception {
        keepBusy();
        desk.begin(Study.empty());
        ui.settle(() -> desk.jobs().get().size() == 2);
        Jobs.Standing before = desk.jobs().get().get(1);
        before.stop();
        ui.settle(
                () -> desk.jobs().get().size() == 2 && desk.jobs().get().get(1).job() != before.job());
        assertThat(desk.jobs().get().get(1).title()).isEqualTo(before.title());
        busy.countDown();
        ui.settle(() -> desk.jobs().get().isEmpty());
    }
}
