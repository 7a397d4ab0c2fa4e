package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.ListView;
import keentally.core.picture.Plane8;
import keentally.desk.report.ReportModel.Made;
import keentally.study.document.ReportPlan.Paper;
import keentally.study.document.ReportPlan.Part;
import keentally.study.picture.PictureWriter;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The report is looked at, headed, put in order and saved; what was changed is on its pages. */
class ReportWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void aSample() throws Exception {
        desk = DeskDriver.start(folder.resolve("home"));
        Path file = folder.resolve("square.png");
        byte[] values = new byte[60 * 50];
        for (int i = 0; i < 8; i++) {
            values[(10 + i) * 60 + 20] = (byte) 200;
        }
        PictureWriter.png(file, Plane8.of(60, 50, values));
        desk.open(file);
        desk.quiet();
        desk.stations("threshold");
        desk.settle();
        desk.click("view-report");
        desk.settleBeside();
    }

    @AfterEach
    void stop() {
        desk.close();
    }

    private Optional<Made> made() {
        return desk.onFx(() -> desk.window().handing().made().get());
    }

    private String saved() throws Exception {
        Path pdf = folder.resolve("out.pdf");
        Files.deleteIfExists(pdf);
        desk.saveTo(pdf);
        desk.fire("report-pdf");
        desk.settleBeside();
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            return new PDFTextStripper().getText(document);
        }
    }

    @Test
    void itsPagesAreSeenAndSaved() throws Exception {
        int pages = made().orElseThrow().pages().count();
        assertThat(pages).isPositive();
        assertThat(desk.text("report-said")).startsWith(pages + " page");
        ListView<?> list = (ListView<?>) desk.node("report-pages");
        assertThat(desk.onFx(() -> list.getItems().size())).isEqualTo(pages);
        assertThat(desk.has("method-line")
                        && desk.onFx(() -> desk.node("method-line").isVisible()))
                .as("what is about one sample makes room")
                .isFalse();
        assertThat(saved()).contains("square", "What was found: 1 object");
        Path html = folder.resolve("out.html");
        desk.saveTo(html);
        desk.fire("report-html");
        desk.settleBeside();
        assertThat(html).content().contains("data:image/jpeg;base64,", "What was found: 1 object");
    }

    @Test
    void whatIsTypedAndChosenStaysWithTheStudyAndIsOnThePages() throws Exception {
        desk.type("report-title", "One square");
        desk.type("report-laboratory", "Ours");
        desk.settleBeside();
        desk.fire("report-part-scale");
        desk.fire("report-part-provenance-up");
        desk.fire("report-paper-letter");
        desk.settleBeside();
        var plan = desk.onFx(() -> desk.model().study().get().report());
        assertThat(plan.title()).isEqualTo("One square");
        assertThat(plan.paper()).isEqualTo(Paper.LETTER);
        assertThat(plan.parts()).doesNotContain(Part.SCALE).endsWith(Part.PROVENANCE, Part.BY_HAND);
        assertThat(saved())
                .contains("One square", "Ours")
                .doesNotContain("Scale and field")
                .containsSubsequence("Where every number comes from", "Departures and work by hand");
        desk.command("undo");
        desk.settleBeside();
        assertThat(desk.onFx(() -> desk.model().study().get().report().paper())).isEqualTo(Paper.A4);
    }

    @Test
    void aLogoIsTakenAndWhatIsNoPictureIsRefused() throws Exception {
        desk.readFrom(folder.resolve("square.png"));
        desk.fire("report-logo");
        desk.settleBeside();
        assertThat(desk.onFx(() -> desk.model().study().get().report().logo())).isPresent();
        desk.fire("report-no-logo");
        desk.settleBeside();
        assertThat(desk.onFx(() -> desk.model().study().get().report().logo())).isEmpty();
        desk.readFrom(Files.writeString(folder.resolve("words.png"), "no picture"));
        desk.fire("report-logo");
        desk.settleBeside();
        assertThat(desk.onFx(() -> desk.model().message().get())).contains("words.png");
        assertThat(desk.onFx(() -> desk.model().study().get().report().logo())).isEmpty();
    }

    @Test
    void anotherStudyHasAnotherReport() {
        Made first = made().orElseThrow();
        desk.onFx(() -> {
            desk.model().begin(keentally.study.document.Study.empty());
            return null;
        });
        desk.settleBeside();
        assertThat(made().orElseThrow()).isNotSameAs(first);
        assertThat(made().orElseThrow().study().samples()).isEqualTo(List.of());
    }
}
