package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Field;
import keentally.core.picture.Plane8;
import keentally.study.document.Calibration;
import keentally.study.document.Thing.SampleThing;
import keentally.study.picture.PictureWriter;
import keentally.study.store.StudyFile;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Looking, calibrating and fencing off at the real screen, with mouse and keys. */
class PictureWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.demo(folder);
        desk.click("slide-s3");
        desk.click("card-0");
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private SampleThing sample() {
        return desk.onFx(() -> desk.model().sample().orElseThrow());
    }

    private Set<String> cautions() {
        return desk.onFx(() -> Set.copyOf(desk.model().shown().get().orElseThrow().cautions().stream()
                .map(c -> c.id())
                .toList()));
    }

    @Test
    void theScaleIsDrawnAlongTheBarAndEverythingIsInMicrometres() {
        desk.click("section-scale");
        assertThat(desk.text("scale-now")).isEqualTo("No scale");
        desk.dragPicture(1014.4, 943, 1236.6, 944);
        assertThat(desk.text("scale-line")).endsWith("0.0°");
        desk.type("scale-real", "20 furlongs");
        assertThat(sample().scale()).isEmpty();
        desk.type("scale-real", "20 um");
        Calibration drawn = sample().calibration().orElseThrow();
        assertThat(drawn.origin()).isEqualTo(Calibration.Origin.DRAWN);
        assertThat(drawn.scale().umPerPx()).isCloseTo(0.09, within(0.001));
        assertThat(drawn.how()).endsWith("px are 20 um");
        assertThat(desk.text("scale-shown")).isEqualTo(desk.text("scale-now").replace(" a pixel", "/px"));
        assertThat(cautions()).doesNotContain("no-scale");
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(sample().scale()).isEmpty();
    }

    @Test
    void theLineIsLaidOnTheBarThatWasFoundAndMovedByTenths() {
        desk.click("section-scale");
        desk.click("scale-lay");
        assertThat(desk.text("scale-line")).isEqualTo("Line: 222.2 px, 0.0°");
        desk.click("section-scale");
        desk.focusStage();
        desk.keys(KeyCode.RIGHT);
        assertThat(desk.text("scale-line")).isEqualTo("Line: 222.3 px, 0.0°");
        desk.keys(KeyCode.SHIFT, KeyCode.LEFT);
        assertThat(desk.text("scale-line")).isEqualTo("Line: 221.3 px, 0.0°");
        desk.click("section-facts");
        desk.click("section-scale");
        assertThat(desk.text("scale-line")).isEqualTo("Line: 221.3 px, 0.0°");
    }

    @Test
    void theCaptionIsLeftOutOnceItIsOffered() {
        assertThat(cautions()).contains("bar-in-field");
        desk.click("section-field");
        desk.click("field-caption");
        assertThat(sample().field()).containsExactly(new Field.Part(new Rectangle(0, 888, 1280, 72), true));
        assertThat(cautions()).doesNotContain("bar-in-field");
        assertThat(desk.text("field-area")).isEqualTo("1,136,640 px²");
        desk.click("field-whole");
        assertThat(sample().field()).isEmpty();
    }

    @Test
    void aFieldIsDrawnMovedTypedAndTakenAway() {
        desk.click("section-field");
        desk.click("hand-ellipse");
        desk.dragPicture(200, 200, 600, 500);
        assertThat(sample().field()).hasSize(1);
        Ellipse drawn = (Ellipse) sample().field().getFirst().shape();
        assertThat(drawn.a()).isCloseTo(200, within(2.0));
        desk.dragPicture(400, 350, 500, 400);
        Ellipse moved = (Ellipse) sample().field().getFirst().shape();
        assertThat(moved.cx() - drawn.cx()).isCloseTo(100, within(2.0));
        desk.type("exact-half-a", "150.5");
        assertThat(((Ellipse) sample().field().getFirst().shape()).a()).isEqualTo(150.5);
        desk.focusStage();
        desk.keys(KeyCode.SHIFT, KeyCode.DOWN);
        assertThat(((Ellipse) sample().field().getFirst().shape()).cy()).isCloseTo(moved.cy() + 10, within(1e-9));
        desk.keys(KeyCode.DELETE);
        assertThat(sample().field()).isEmpty();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(sample().field()).hasSize(1);
    }

    @Test
    void aPolygonIsClickedCornerByCornerAndOneThatCrossesItselfIsRefused() {
        desk.click("section-field");
        desk.click("hand-polygon");
        desk.clickPicture(300, 200);
        desk.clickPicture(700, 200);
        desk.clickPicture(700, 600);
        desk.keys(KeyCode.ENTER);
        assertThat(sample().field()).hasSize(1);
        desk.click("hand-polygon");
        desk.clickPicture(100, 100);
        desk.clickPicture(300, 300);
        desk.clickPicture(300, 100);
        desk.clickPicture(100, 300);
        desk.keys(KeyCode.ENTER);
        assertThat(desk.text("message")).contains("crosses itself");
        assertThat(sample().field()).hasSize(1);
    }

    @Test
    void theSameFieldForAllIsOneActionAndUndoneAsOne() {
        desk.click("section-field");
        desk.click("hand-rectangle");
        desk.dragPicture(100, 100, 700, 500);
        List<Field.Part> field = sample().field();
        desk.click("field-same");
        assertThat(desk.onFx(() -> desk.model().study().get().samples().stream()
                        .map(id -> desk.model()
                                .study()
                                .get()
                                .sample(id)
                                .orElseThrow()
                                .field())
                        .toList()))
                .allMatch(field::equals);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.onFx(() ->
                        desk.model().study().get().sample("s1").orElseThrow().field()))
                .isEmpty();
        desk.click("field-round");
        assertThat(desk.text("message")).contains("No round field can be seen");
        assertThat(sample().field()).isEqualTo(field);
    }

    @Test
    void twoHistogramsAreComparedAndSaved() throws IOException {
        desk.click("section-histogram");
        assertThat(desk.text("summary-count-0")).isEqualTo("1,228,800");
        desk.click("histogram-compare");
        assertThat(desk.has("summary-mean-1")).isTrue();
        desk.click("section-scale");
        desk.type("scale", "0.09 um/px");
        desk.click("section-histogram");
        desk.choose("histogram-region-1", "phase:1");
        double bright = Double.parseDouble(desk.text("summary-mean-1"));
        assertThat(bright).isGreaterThan(Double.parseDouble(desk.text("summary-mean-0")) + 40);
        Path csv = folder.resolve("h.csv");
        desk.saveTo(csv);
        desk.click("histogram-save");
        List<String> lines = Files.readAllLines(csv);
        assertThat(lines.getFirst()).isEqualTo("from,to,pixels_grey_field,pixels_grey_phase_chosen");
        long sum = lines.stream()
                .skip(1)
                .mapToLong(l -> Long.parseLong(l.split(",")[2]))
                .sum();
        assertThat(sum).isEqualTo(1_228_800);
        Path svg = folder.resolve("h.svg");
        desk.saveTo(svg);
        desk.click("histogram-save");
        assertThat(svg).content().contains("<svg").contains("grey");
        desk.type("histogram-bins", "none");
        assertThat(desk.text("summary-mean-1")).isEqualTo(String.valueOf(bright));
    }

    @Test
    void aPatchOfTheStageHasItsOwnHistogram() {
        desk.click("section-histogram");
        desk.choose("histogram-region-0", "patch");
        desk.dragPicture(100, 890, 500, 950);
        int pixels = Integer.parseInt(desk.text("summary-count-0").replace(",", ""));
        assertThat(pixels).isBetween(400 * 60 - 900, 400 * 60 + 900);
        assertThat(desk.text("summary-median-0")).isEqualTo("12");
    }

    @Test
    void channelsContrastAndRulerChangeNothingButTheView() {
        desk.click("slide-s4");
        int[] together = desk.colours("stage");
        desk.onFx(() -> {
            @SuppressWarnings("unchecked") // a box of channel names
            ComboBox<String> box = (ComboBox<String>) desk.node("look-channel");
            assertThat(box.getItems()).containsExactly("all channels", "starch", "protein");
            box.setValue("protein");
            return null;
        });
        desk.quiet();
        assertThat(desk.colours("stage")).isNotEqualTo(together);
        desk.click("ruler");
        desk.dragPicture(100, 100, 400, 100);
        String length = desk.text("ruler-length");
        assertThat(length).contains("µm").contains("protein along the line");
        assertThat(Double.parseDouble(length.split(" ")[0])).isCloseTo(96, within(0.5));
        assertThat(desk.onFx(() -> desk.model().undoable())).isEmpty();
        desk.click("ruler");
        assertThat(desk.onFx(() -> desk.node("profile").isVisible())).isFalse();
    }

    @Test
    void valuesStandInThePixelsWhenTheyAreEnlargedFarEnough() {
        desk.click("slide-s3");
        desk.pointAt(640, 400);
        int[] before = desk.colours("stage");
        desk.scroll("stage", 22);
        assertThat(desk.view().zoom()).isGreaterThan(30);
        int white = 0xffffffff;
        assertThat(count(desk.colours("stage"), white)).isGreaterThan(500);
        assertThat(count(before, white)).isLessThan(200);
    }

    private static long count(int[] colours, int colour) {
        return Arrays.stream(colours).filter(c -> c == colour).count();
    }

    @Test
    void aStudyIsKeptClosedAndOpenedWithItsUndo() throws Exception {
        Path study = folder.resolve("mine.tally");
        Path picture = folder.resolve("own.png");
        PictureWriter.png(picture, Plane8.of(60, 40, new byte[2400]));
        desk.saveTo(study);
        desk.keys(KeyCode.CONTROL, KeyCode.S);
        assertThat(study).exists();
        assertThat(desk.text("kept")).isEqualTo("kept");
        desk.open(picture);
        assertThat(sample().name()).isEqualTo("own");
        desk.click("section-scale");
        desk.type("scale", "2 um/px");
        assertThat(desk.text("kept")).isEqualTo("kept");
        desk.close();
        desk = DeskDriver.start(folder);
        desk.open(study);
        assertThat(desk.onFx(() -> desk.model().study().get().samples())).hasSize(5);
        assertThat(desk.onFx(() -> desk.model().undoable())).contains("calibrate");
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.onFx(() ->
                        desk.model().study().get().sample("s5").orElseThrow().scale()))
                .isEmpty();
        try (StudyFile second = StudyFile.open(study, StudyFile.Watch.SILENT)) {
            assertThat(second.isReadOnly()).isTrue();
        }
    }

    @Test
    void aReadOnlyStudySaysSoAndStaysAsItIs() throws Exception {
        Path study = folder.resolve("shared.tally");
        try (StudyFile first = StudyFile.create(study, DeskDriver.demoStudy(), StudyFile.Watch.SILENT)) {
            desk.open(study);
            assertThat(desk.text("kept")).isEqualTo("read-only");
            assertThat(desk.text("message")).contains("open in another window");
            desk.click("card-0");
            desk.click("section-field");
            desk.click("hand-rectangle");
            desk.dragPicture(100, 100, 300, 300);
            assertThat(desk.text("message")).contains("read-only here");
            assertThat(sample().field()).isEmpty();
            assertThat(first.history().study().samples()).hasSize(4);
        }
    }

    @Test
    void aMissingPictureIsFoundAgainByItsContents() throws Exception {
        Path study = folder.resolve("moved.tally");
        Path picture = folder.resolve("before.png");
        byte[] values = new byte[2400];
        values[77] = 9;
        PictureWriter.png(picture, Plane8.of(60, 40, values));
        desk.saveTo(study);
        desk.keys(KeyCode.CONTROL, KeyCode.S);
        Path beside = folder.resolve("beside.png");
        PictureWriter.png(beside, Plane8.of(40, 60, values)); // of another size, else it could be a mask for the first
        desk.open(beside);
        desk.open(picture);
        Path away = Files.createDirectories(folder.resolve("archive/deep")).resolve("after.png");
        Files.move(picture, away);
        Files.move(beside, folder.resolve("archive/other.png"));
        desk.close();
        desk = DeskDriver.start(folder);
        desk.open(study);
        desk.onFx(() -> {
            desk.model().show("s6");
            return null;
        });
        desk.quiet();
        assertThat(desk.text("message")).contains("before.png is missing");
        assertThat(marks("s6")).containsExactly("picture missing");
        assertThat(marks("s5")).as("of a sample that is not on the stage").containsExactly("picture missing");
        desk.findPictures(folder.resolve("archive"));
        assertThat(desk.onFx(() -> desk.model().open().get())).isPresent();
        assertThat(sample().file()).isEqualTo(away);
        desk.quiet();
        assertThat(marks("s6")).contains("no scale").doesNotContain("picture missing");
        assertThat(marks("s5")).contains("no scale").doesNotContain("picture missing");
    }

    /** What a slide says is wrong. */
    private List<String> marks(String sample) {
        return desk.onFx(() -> desk.node("slide-" + sample).lookupAll(".slide-missing").stream()
                .map(n -> ((Label) n).getText())
                .toList());
    }

    @Test
    void slidesAreOrderedAndThePictureTellsItsFacts() {
        desk.onFx(() -> {
            desk.node("tray").requestFocus();
            return null;
        });
        desk.keys(KeyCode.ALT, KeyCode.UP);
        assertThat(desk.onFx(() -> desk.model().study().get().samples())).containsExactly("s1", "s3", "s2", "s4");
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.onFx(() -> desk.model().study().get().samples())).containsExactly("s1", "s2", "s3", "s4");
        desk.click("section-facts");
        assertThat(desk.text("fact-size")).isEqualTo("1,280 × 960 px");
        assertThat(desk.text("fact-kind")).isEqualTo("PNG");
        assertThat(desk.text("fact-sha").replaceAll("[^0-9a-f]", "")).hasSize(64);
    }

    @Test
    void aHalfDrawnPolygonIsGivenUpByEscapeAndNeverGoesToAnotherSample() {
        desk.click("section-field");
        desk.click("hand-polygon");
        desk.clickPicture(300, 200);
        desk.clickPicture(700, 200);
        desk.clickPicture(700, 600);
        desk.keys(KeyCode.ESCAPE);
        desk.keys(KeyCode.ENTER);
        assertThat(sample().field()).isEmpty();
        desk.click("hand-polygon");
        desk.clickPicture(300, 200);
        desk.clickPicture(700, 200);
        desk.clickPicture(700, 600);
        desk.click("slide-s2");
        desk.focusStage();
        desk.keys(KeyCode.ENTER);
        assertThat(sample().field()).isEmpty();
        assertThat(desk.onFx(() -> desk.model().undoable())).isEmpty();
    }

    @Test
    void aStationThatGoesOnWithOneChannelShowsThatChannelAlone() {
        desk.click("slide-s4");
        desk.click("card-0");
        assertThat(coloured()).isGreaterThan(50_000);
        desk.click("card-1");
        assertThat(coloured()).isZero();
        desk.click("card-0");
        assertThat(coloured()).isGreaterThan(50_000);
    }

    /** Pixels of the stage that are no grey, but for the ground around the picture, which is nearly one. */
    private long coloured() {
        return Arrays.stream(desk.colours("stage"))
                .filter(c -> Math.abs((c >> 16 & 255) - (c & 255)) > 8)
                .count();
    }
}
