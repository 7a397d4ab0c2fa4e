package keentally.desk.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Field;
import keentally.desk.model.DeskModel;
import keentally.desk.model.InterfaceThread;
import keentally.desk.model.SampleActions;
import keentally.desk.model.Trays;
import keentally.study.document.FieldOrigin;
import keentally.study.document.PictureRef;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Fencing off, over trays of which one is empty. */
class FieldActionsTest {
    private final InterfaceThread ui = new InterfaceThread();
    private final List<Throwable> crashes = new ArrayList<>();
    private final DeskModel desk = new DeskModel(ui, crashes::add);
    private final FieldActions fields = new FieldActions(desk, new SampleActions(desk, ui), ui);
    private int answered;

    @TempDir
    private Path folder;

    @BeforeEach
    void trays() throws IOException {
        Study study = Study.empty();
        for (int i = 1; i <= 3; i++) {
            study = study.with(
                    "s" + i,
                    SampleThing.of(
                            "tray " + i, PictureRef.of(tray(i, i == 3 ? 0 : 60 + 10 * i), 1), Study.FIRST_METHOD));
        }
        desk.begin(study);
        ui.settle(() -> desk.shown().get().isPresent());
    }

    @AfterEach
    void close() {
        desk.close();
        assertThat(crashes).isEmpty();
    }

    /** @param radius of a bright tray in the middle; 0 for none */
    private Path tray(int number, int radius) throws IOException {
        Path file = folder.resolve("tray" + number + ".png");
        ImageIO.write(Trays.image(radius), "png", file.toFile());
        return file;
    }

    private List<Field.Part> field(String sample) {
        return desk.study().get().sample(sample).orElseThrow().field();
    }

    private List<FieldOrigin> origins(String sample) {
        return desk.study().get().sample(sample).orElseThrow().fieldFrom();
    }

    private static List<Field.Part> box(double x, double y, double width, double height) {
        return List.of(new Field.Part(new Rectangle(x, y, width, height), false));
    }

    private void fence(List<Field.Part> parts) {
        int before = answered;
        fields.fence(parts, FieldOrigin.DRAWN, () -> answered++);
        ui.settle(() -> answered > before);
    }

    @Test
    void aDrawnFieldIsTakenAndTheWholePictureComesBack() {
        fence(box(10, 10, 50, 40));
        assertThat(field("s1")).isEqualTo(box(10, 10, 50, 40));
        assertThat(origins("s1")).containsExactly(FieldOrigin.DRAWN);
        assertThat(desk.undoable()).contains("draw the field");
        fields.whole();
        assertThat(field("s1")).isEmpty();
        desk.undo();
        assertThat(field("s1")).hasSize(1);
    }

    /** Refused in a sentence, with the field as it was. */
    @Test
    void aFieldThatIsNoneIsRefused() {
        fence(box(10, 10, 50, 40));
        fence(box(900, 900, 50, 40));
        assertThat(desk.message().get()).isEqualTo("Such a field holds no pixel of the picture; it stays as it was.");
        fence(List.of(
                new Field.Part(new Rectangle(10, 10, 50, 40), true),
                new Field.Part(new Rectangle(0, 0, 999, 999), true)));
        assertThat(desk.message().get()).startsWith("Such a field holds no pixel");
        fence(List.of(new Field.Part(Polygon.of(0, 0, 50, 50, 50, 0, 0, 50), false)));
        assertThat(desk.message().get()).startsWith("A field whose outline crosses itself");
        assertThat(field("s1")).isEqualTo(box(10, 10, 50, 40));
    }

    @Test
    void aRimIsFoundAndDrawnInByAMargin() {
        fields.findRound(0);
        ui.settle(() -> !field("s1").isEmpty());
        double whole = ((Ellipse) field("s1").getFirst().shape()).a();
        assertThat(whole).isCloseTo(70, within(1.5));
        assertThat(origins("s1")).containsExactly(FieldOrigin.FOUND);
        fields.findRound(12);
        ui.settle(() -> ((Ellipse) field("s1").getFirst().shape()).a() < whole);
        assertThat(((Ellipse) field("s1").getFirst().shape()).a()).isCloseTo(whole - 12, within(0.02));
        fields.findRound(5000);
        ui.settle(() -> !desk.message().get().isEmpty());
        assertThat(desk.message().get()).isEqualTo("No round field can be seen in this picture; draw it.");
    }

    /** In all but the empty one, which is named; one undo takes all of it back. */
    @Test
    void theRimIsFoundInAllAndThoseWithoutOneAreNamed() {
        fields.findRoundInAll(0);
        ui.settle(() -> desk.message().get().startsWith("The round field"));
        assertThat(desk.message().get()).isEqualTo("The round field was found in 2 of 3 samples; not in: tray 3.");
        assertThat(((Ellipse) field("s2").getFirst().shape()).a()).isCloseTo(80, within(1.5));
        assertThat(field("s3")).isEmpty();
        desk.undo();
        assertThat(field("s1")).isEmpty();
        assertThat(field("s2")).isEmpty();
    }

    @Test
    void aPictureThatIsGoneIsNamedToo() throws IOException {
        Files.delete(folder.resolve("tray2.png"));
        fields.findRoundInAll(0);
        ui.settle(() -> desk.message().get().startsWith("The round field"));
        assertThat(desk.message().get()).endsWith("found in 1 of 3 samples; not in: tray 2, tray 3.");
    }

    @Test
    void theSameFieldForAllIsOneAction() {
        fence(box(10, 10, 50, 40));
        fields.sameForAll();
        assertThat(field("s2")).isEqualTo(field("s1"));
        assertThat(field("s3")).isEqualTo(field("s1"));
        assertThat(origins("s1")).as("it stays its own").containsExactly(FieldOrigin.DRAWN);
        assertThat(origins("s3")).containsExactly(FieldOrigin.COPIED);
        assertThat(desk.undoable()).contains("give the field to 3 samples");
        desk.undo();
        assertThat(field("s1")).hasSize(1);
        assertThat(field("s2")).isEmpty();
    }

    @Test
    void withoutACaptionThereIsNothingToLeaveOut() {
        fields.leaveOutCaption();
        ui.settle(() -> !desk.message().get().isEmpty());
        assertThat(desk.message().get()).isEqualTo("No caption or scale bar was found in this picture.");
        assertThat(field("s1")).isEmpty();
    }

    @Test
    void withoutASampleNothingHappens() {
        desk.begin(Study.empty());
        fields.fence(box(1, 1, 5, 5), FieldOrigin.DRAWN, () -> answered++);
        fields.findRound(0);
        fields.leaveOutCaption();
        fields.sameForAll();
        ui.settle(desk::quiet);
        assertThat(answered).isZero();
        assertThat(desk.undoable()).isEmpty();
    }
}
