package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.input.KeyCode;
import keentally.samples.DemoFiles;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The story that the README tells: from a folder of six pictures to a report in ten steps. */
class StoryWindowTest {
    private static final int SAMPLES = 6;

    @TempDir
    private Path folder;

    private Path pictures;
    private DeskDriver desk;

    @BeforeEach
    void aFolderOfSixPictures() throws Exception {
        pictures = Files.createDirectory(folder.resolve("proving"));
        List<DemoFiles.Entry> drawn = DeskDriver.drawn().stream()
                .filter(d -> d.title().endsWith("field 1"))
                .toList();
        assertThat(drawn).hasSize(SAMPLES);
        for (DemoFiles.Entry entry : drawn) {
            Path file = entry.picture().first().file();
            Files.copy(file, pictures.resolve(file.getFileName()));
        }
        desk = DeskDriver.start(folder.resolve("home"));
    }

    @AfterEach
    void stop() {
        desk.close();
    }

    @Test
    void fromAFolderOfSixPicturesToAReport() throws Exception {
        desk.open(pictures); // 1: dropped on the window
        desk.settle();
        assertThat(desk.onFx(() -> desk.model().study().get().samples())).hasSize(SAMPLES);
        desk.starters();
        desk.reach("starter-shades"); // 2
        desk.settle();
        desk.click("card-2");
        desk.settle();
        desk.type("phase-name-0", "pores"); // 3
        desk.type("phase-name-1", "crumb");
        desk.type("phase-name-2", "plate");
        desk.settle();
        desk.fire("hold"); // 4
        for (int i = 1; i <= SAMPLES; i++) {
            tick("tick-s" + i);
        }
        desk.answer(true);
        desk.settleBeside();
        desk.click("card-0"); // 5
        desk.click("section-scale");
        desk.type("scale", "25 um/px");
        desk.settle();
        desk.fire("scale-give");
        for (int i = 2; i <= SAMPLES; i++) {
            tick("tick-s" + i);
        }
        desk.answer(true);
        desk.settleBeside();
        desk.press("card-numbers", 0.5, 0.5); // 6
        desk.release();
        desk.quiet();
        desk.fire("add-number");
        desk.fill("number-name", "porosity");
        desk.fill("number-formula", "area of pores / (area of pores + area of crumb)");
        desk.answer(true);
        desk.settle();
        desk.click("view-ledger"); // 7
        desk.quiet();
        desk.fire("ledger-run-all");
        desk.settleBeside();
        Path csv = folder.resolve("porosity.csv"); // 8
        desk.saveTo(csv);
        desk.click("ledger-take");
        desk.clickInPopup("ledger-take-table");
        desk.settleBeside();
        desk.click("view-report"); // 9
        desk.settleBeside();
        desk.type("report-title", "Porosity of six doughs");
        desk.keys(KeyCode.ENTER);
        desk.settleBeside();
        Path pdf = folder.resolve("porosity.pdf"); // 10
        desk.saveTo(pdf);
        desk.fire("report-pdf");
        desk.settleBeside();
        porosityGrowsWithTime(csv);
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            assertThat(new PDFTextStripper().getText(document))
                    .contains("Porosity of six doughs", "porosity = area of pores / (area of pores + area of crumb)")
                    .contains("What was found on 6 samples taken together was held for all: 3 groups by k-means")
                    .contains("25 µm/px", "copied");
        }
    }

    private void tick(String id) {
        desk.onFx(() -> {
            var box = (javafx.scene.control.CheckBox) desk.asked().orElseThrow().lookup("#" + id);
            box.setSelected(true);
            return null;
        });
    }

    private static void porosityGrowsWithTime(Path csv) throws Exception {
        try (CSVParser parser = CSVParser.parse(
                Files.readString(csv),
                CSVFormat.RFC4180
                        .builder()
                        .setHeader()
                        .setSkipHeaderRecord(true)
                        .get())) {
            List<CSVRecord> rows = parser.getRecords();
            assertThat(rows).extracting(r -> r.get("status")).containsOnly("ok").hasSize(SAMPLES);
            assertThat(rows).extracting(r -> r.get("sample")).isSorted();
            List<Double> porosity = rows.stream()
                    .map(r -> Double.parseDouble(r.get("porosity")))
                    .toList();
            assertThat(porosity).isSorted();
            assertThat(porosity.getFirst()).isCloseTo(0.06, within(0.02));
            assertThat(porosity.getLast()).isCloseTo(0.47, within(0.03));
        }
    }
}
