package keentally.desk.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import keentally.core.geometry.Point;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.quantity.LengthUnit;
import keentally.core.step.Steps;
import keentally.core.view.Layers;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureReader;
import keentally.study.result.TakenAway;
import keentally.study.result.TrialFiles;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is taken away holds what the desk showed, and never takes the place of a picture. */
class DeskFilesTest {
    private static final int DISCS = 3;

    private final InterfaceThread ui = new InterfaceThread();
    private final List<Throwable> crashes = new ArrayList<>();
    private final DeskModel desk = new DeskModel(ui, crashes::add);
    private final DeskFiles files = new DeskFiles(desk, ui);

    @TempDir
    private Path folder;

    @BeforeEach
    void layOut() throws FileFault {
        Method method = Method.empty("Discs", LengthUnit.PX);
        for (String step : List.of("smooth", "threshold", "label")) {
            method = method.add(method.steps().size(), Steps.find(step).orElseThrow());
        }
        desk.begin(Study.empty().with(Study.FIRST_METHOD, method).with("s1", Discs.sample(folder, DISCS)));
        ui.settle(() -> desk.shown().get().isPresent());
    }

    @AfterEach
    void close() {
        desk.close();
        assertThat(crashes).isEmpty();
    }

    private Path written(String name, DeskFiles.Take take) {
        Path file = folder.resolve(name);
        files.take(file, take);
        ui.settle(() -> desk.message().get().equals("Written: " + file));
        return file;
    }

    private static Plane plane(Path file) throws FileFault {
        return PictureReader.read(file).picture().single().orElseThrow();
    }

    private static long different(Plane plane) {
        return values(plane).distinct().count();
    }

    private static Stream<Double> values(Plane plane) {
        return Stream.iterate(0, y -> y + 1)
                .limit(plane.height())
                .flatMap(y -> Stream.iterate(0, x -> x + 1).limit(plane.width()).map(x -> (double) plane.at(x, y)));
    }

    @Test
    void labelsMaskAndBlankedPictureAgree() throws FileFault {
        Plane labels = plane(written("labels.tif", TakenAway::labels));
        Plane mask = plane(written("mask.png", TakenAway::mask));
        Plane blanked = plane(written("blanked.tif", TakenAway::blanked));
        Plane source = plane(folder.resolve(DISCS + ".tif"));
        assertThat(different(labels)).isEqualTo(DISCS + 1);
        assertThat(different(mask)).isEqualTo(2);
        for (int y = 0; y < source.height(); y++) {
            for (int x = 0; x < source.width(); x++) {
                boolean kept = labels.at(x, y) > 0;
                assertThat(mask.at(x, y)).isEqualTo(kept ? 255 : 0);
                assertThat(blanked.at(x, y)).isEqualTo(Float.valueOf(kept ? source.at(x, y) : Float.NaN));
            }
        }
    }

    @Test
    void outlinesAndWorkbookAreWritten() throws IOException {
        assertThat(Files.readString(written("outlines.geojson", TakenAway::outlines))
                        .split("\"Feature\""))
                .hasSize(DISCS + 1);
        byte[] book = Files.readAllBytes(written("table.xlsx", TakenAway::table));
        assertThat(new String(book, 0, 2, StandardCharsets.US_ASCII)).isEqualTo("PK");
        assertThat(Files.readAllLines(written("table.csv", TakenAway::table))).hasSize(DISCS + 1);
    }

    @Test
    void aStationGivesWhatItMade() throws FileFault {
        Path smoothed = folder.resolve("smoothed.tif");
        files.takeState(smoothed, "smooth-1");
        ui.settle(() -> desk.message().get().startsWith("Written"));
        Plane made = desk.reached("smooth-1")
                .orElseThrow()
                .after()
                .current()
                .single()
                .orElseThrow();
        assertThat(values(plane(smoothed)).toList()).isEqualTo(values(made).toList());
        files.takeState(folder.resolve("nothing.tif"), "gone-7");
        assertThat(desk.message().get()).isEqualTo("Choose a station first; what it gives is written.");
        assertThat(folder.resolve("nothing.tif")).doesNotExist();
    }

    @Test
    void theStagesPictureHasThePicturesSize() throws FileFault {
        Path shown = folder.resolve("shown.png");
        OpenSample open = desk.open().get().orElseThrow();
        files.takeShown(
                shown,
                work -> Layers.bare(
                        open.pyramid(),
                        desk.shown().get().orElseThrow().run().sample().field()));
        ui.settle(() -> desk.message().get().startsWith("Written"));
        Picture written = PictureReader.read(shown).picture();
        assertThat(List.of(written.width(), written.height())).containsExactly(90, 40);
    }

    @Test
    void everyObjectIsCutOut() throws IOException {
        Path out = folder.resolve("cut");
        files.takeCutOuts(out, Optional.empty());
        ui.settle(() -> desk.message().get().startsWith("Written"));
        try (Stream<Path> all = Files.list(out)) {
            assertThat(all.filter(f -> f.toString().endsWith(".png")).count()).isEqualTo(DISCS);
        }
    }

    @Test
    void aPictureOfTheStudyIsNeverWrittenOver() throws IOException {
        Path input = folder.resolve(DISCS + ".tif");
        byte[] before = Files.readAllBytes(input);
        files.take(input, TakenAway::mask);
        assertThat(desk.message().get())
                .endsWith("is a picture of this study and is not overwritten; choose another name.");
        files.take(folder.resolve("x/../" + DISCS + ".tif"), TakenAway::mask);
        files.takeState(input, "smooth-1");
        files.saveMethod(input);
        TallyActions tally = new TallyActions(desk);
        tally.place("Ada", tally.add("disc"), new Point(15, 20));
        files.takeMarks(input);
        files.takeShown(input, work -> {
            throw new AssertionError("nothing is to be painted");
        });
        ui.settle(desk::quiet);
        assertThat(Files.readAllBytes(input)).isEqualTo(before);
    }

    @Test
    void whereThereIsNoTableNothingIsWritten() {
        desk.change("no objects", m -> m.remove("label-1").remove("threshold-1"));
        ui.settle(() -> desk.shown().get().orElseThrow().objects().isEmpty());
        files.takeCutOuts(folder.resolve("none"), Optional.empty());
        assertThat(desk.message().get()).isEqualTo("There is no table to export yet.");
        Path mask = folder.resolve("mask.png");
        files.take(mask, TakenAway::mask);
        ui.settle(() -> desk.message().get().contains("nothing to write"));
        assertThat(mask).doesNotExist();
        desk.begin(Study.empty());
        files.take(mask, TakenAway::table);
        assertThat(desk.message().get()).isEqualTo("There is no table to export yet.");
        assertThat(mask).doesNotExist();
    }

    @Test
    void aSheetIsMadeKeptSavedAndTakenOutAgain() throws IOException {
        int[] colours = new int[20 * 10];
        Arrays.fill(colours, 0xff336699);
        List<TrialFiles.Row> rows = List.of();
        files.sheet("Cuts", 20, 10, colours, rows, files::keepSheet);
        ui.settle(() -> !desk.study().get().sheets().isEmpty());
        assertThat(desk.undoable()).contains("keep the trial sheet Cuts");
        String id = desk.study().get().sheets().keySet().iterator().next();
        Path png = folder.resolve("sheet.png");
        files.saveSheet(png, desk.study().get().sheets().get(id));
        ui.settle(() -> desk.message().get().startsWith("Written"));
        assertThat(Files.readString(folder.resolve("sheet.csv"))).startsWith("sample,setting,");
        files.removeSheet(id, "Cuts");
        assertThat(desk.study().get().sheets()).isEmpty();
        desk.undo();
        assertThat(desk.study().get().sheets()).containsOnlyKeys(id);
    }

    @Test
    void aMethodThatIsNoneIsSaidAndTheOneInUseStays() throws IOException {
        Method before = desk.method();
        Path broken = folder.resolve("broken.method.json");
        for (String text :
                List.of("", "[]", "{\"steps\": 3}", "{\"method\": \"Discs\", \"steps\": [{\"step\": \"no-such\"}]}")) {
            Files.writeString(broken, text);
            desk.say("");
            files.openMethod(broken);
            ui.settle(() -> !desk.message().get().isEmpty());
            assertThat(desk.message().get()).doesNotContain("Exception").endsWith(".");
            assertThat(desk.method()).isSameAs(before);
        }
        files.openMethod(folder.resolve("missing.method.json"));
        ui.settle(() -> desk.message().get().contains("missing.method.json"));
        assertThat(desk.method()).isSameAs(before);
        assertThat(desk.undoable()).isEqualTo(Optional.empty());
    }
}
