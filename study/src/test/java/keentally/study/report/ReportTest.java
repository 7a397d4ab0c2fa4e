package keentally.study.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.StringReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.xml.parsers.DocumentBuilderFactory;
import keentally.core.geometry.Point;
import keentally.core.hand.Mark;
import keentally.core.hand.Marks;
import keentally.core.reader.Language;
import keentally.core.reader.Reader;
import keentally.core.run.Progress;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.study.DotSamples;
import keentally.study.document.Approval;
import keentally.study.document.ReportPlan;
import keentally.study.document.ReportPlan.Paper;
import keentally.study.document.ReportPlan.Part;
import keentally.study.document.SlideLabel;
import keentally.study.document.Study;
import keentally.study.document.Thing.SheetThing;
import keentally.study.picture.PictureWriter;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.xml.sax.InputSource;

class ReportTest {
    private static final LocalDate DAY = LocalDate.of(2026, 11, 30);
    private static final int SAMPLES = 4;

    @TempDir
    Path folder;

    private final Workers workers = Workers.of(2);
    private final ReportRun run = new ReportRun();
    private Study study;

    @BeforeEach
    void samples() throws Exception {
        study = DotSamples.study(folder, SAMPLES);
    }

    @AfterEach
    void close() {
        workers.close();
    }

    private ReportMaterial material() throws Exception {
        return gathered(run);
    }

    private ReportMaterial gathered(ReportRun by) throws Exception {
        return by.of(
                ReportSource.of("Dots of all kinds", study, DAY), new Work(workers, new Cancel()), Progress.SILENT);
    }

    private byte[] pdf() throws Exception {
        return PdfReport.bytes(Report.of(material()));
    }

    private static String text(byte[] pdf) throws Exception {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }

    @Test
    void itTellsWhatWasFoundAndHow() throws Exception {
        String text = text(pdf());
        assertThat(text)
                .contains("Dots of all kinds", "2026-11-30", "In short")
                .contains("Values above the cut were taken as bright; the cut was set on each field by the rule: Otsu")
                .contains("even, 2 samples", "odd, 2 samples")
                .contains("What was found: 5 objects")
                .contains("cover = kept-area / field-area")
                .contains("2 µm/px", "typed", "whole picture")
                .contains("The method was not locked.")
                .contains("Keen Tally 0.1.0", "1 of ");
        // counts 2 and 4, 3 and 5: means 3 and 4, s = √2, half width 12.706 · √2 / √2
        assertThat(text).contains("even 2 3 1.414 12.71 423.5").contains("odd 2 4 1.414 12.71 317.7");
    }

    @Test
    void theSameStudyGivesTheSameBytes() throws Exception {
        byte[] first = pdf();
        assertThat(pdf()).isEqualTo(first);
        assertThat(PdfReport.bytes(Report.of(gathered(new ReportRun()))))
                .as("gathered anew")
                .isEqualTo(first);
        Path html = folder.resolve("r.html");
        HtmlReport.write(Report.of(material()), html);
        String text = Files.readString(html);
        HtmlReport.write(Report.of(material()), html);
        assertThat(html).hasContent(text);
    }

    @Test
    void allTypeIsEmbeddedAndPlotsAreShapesWithText() throws Exception {
        try (PDDocument document = Loader.loadPDF(pdf())) {
            int fonts = 0;
            for (PDPage page : document.getPages()) {
                for (COSName name : page.getResources().getFontNames()) {
                    PDFont font = page.getResources().getFont(name);
                    assertThat(font.isEmbedded()).as(font.getName()).isTrue();
                    fonts++;
                }
            }
            assertThat(fonts).isPositive();
            assertThat(new PDFTextStripper().getText(document)).contains("even, 6 objects", "odd, 8");
        }
    }

    @Test
    void partsStandInTheOrderOfThePlan() throws Exception {
        study = study.with(ReportPlan.USUAL
                .of(List.of(Part.PROVENANCE, Part.RESULTS))
                .headed("Ours", "A laboratory", "Ana", "First words.\n\nSecond words.")
                .on(Paper.LETTER));
        byte[] pdf = pdf();
        String text = text(pdf);
        assertThat(text)
                .contains("A laboratory", "Ours", "Ana · 2026-11-30", "First words.", "Second words.")
                .doesNotContain("In short");
        assertThat(text.indexOf("Where every number comes from")).isLessThan(text.indexOf("Results"));
        try (ReportPages pages = new ReportPages(pdf)) {
            assertThat(pages.tall(0)).isEqualTo(11 / 8.5, org.assertj.core.api.Assertions.within(1e-6));
            assertThat(pages.page(0, 400).orElseThrow().getWidth()).isEqualTo(400);
        }
    }

    @Test
    void namesThatAreMarkupOrOutsideTheTypeDoNoHarm() throws Exception {
        String name = "<b>&amp;\u0007 \uD800 \u6F22\u5B57 =1+1 \"";
        study = study.with("s0", study.sample("s0").orElseThrow().with(SlideLabel.of(name)));
        String html = HtmlReport.text(Report.of(material()));
        assertThat(html).contains("&lt;b&gt;&amp;amp;").doesNotContain("<b>");
        DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new InputSource(new StringReader(html.substring(html.indexOf('\n')))));
        assertThat(text(pdf())).contains("<b>&amp;");
    }

    @Test
    void aPictureThatIsGoneIsSaidAndTheRestIsThere() throws Exception {
        Files.delete(folder.resolve("p1.png"));
        assertThat(text(pdf()))
                .contains("not to be run:", "takes no part in these numbers", "What was found: 5 objects");
    }

    @Test
    void whatWasKeptAndWhatHandsDidIsTold() throws Exception {
        String png = Base64.getEncoder().encodeToString(PictureWriter.pngBytes(2, 2, new int[4]));
        study = study.with(new SheetThing(
                        "Rules side by side",
                        "setting,share_percent,count\r\n1 px,21.14345974392361,5\r\n3 um,,6\r\n",
                        png))
                .with("s1", study.sample("s1").orElseThrow().leavingOut(Optional.of("out of focus")))
                .withTally(
                        "s2",
                        "Ana",
                        new Marks(List.of(new Mark(new Point(8, 8), "dot", 0), new Mark(new Point(60, 80), "dot", 1))));
        String text = text(pdf());
        assertThat(text)
                .contains("Rules side by side", "Setting Share, % Count", "1 px 21.14 5", "3 µm – 6")
                .contains("Left out of sums", "out of focus", "1 sample takes no part")
                .contains("p2 Ana – 2 4 1 1 3 0.25 0.5 0.3333 +2 ± 3.92");
    }

    @Test
    void itIsWrittenForWhoeverReadsIt() throws Exception {
        Reader.is(Language.GERMAN, true);
        try {
            String text = text(pdf());
            assertThat(text)
                    .contains("Dots of all kinds", "Kurz gefasst")
                    .contains("Werte über der Schwelle wurden als hell genommen")
                    .contains("even, 2 Proben", "Was gefunden wurde: 5 Objekte", "1 von 6")
                    .contains("Benutzt für 4 Proben. Die Helligkeit wurde gemessen in: dem Kanal")
                    .contains("2 µm/px eingetippt ganzes Bild", "Helligkeit: Mittel", "Objekte")
                    .contains("even 2 3 1,414 12,71 423,5");
        } finally {
            Reader.is(Language.ENGLISH, false);
        }
    }

    @Test
    void aLockIsToldWithWhetherItCameFirst() throws Exception {
        Instant noon = Instant.parse("2026-11-29T12:00:00Z");
        study = study.withApproval(Study.FIRST_METHOD, Optional.of(new Approval("Ana", noon)));
        ReportMaterial plain = material();
        assertThat(locked(plain, Map.of())).contains("Locked by Ana on 2026-11-29, before any sample of it was run.");
        assertThat(locked(plain, Map.of("s0", noon.plusSeconds(60), "s1", noon.plusSeconds(90_000))))
                .contains("Locked by Ana on 2026-11-29, before its first sample was run (2026-11-29).");
        assertThat(locked(plain, Map.of("s0", noon.minusSeconds(60))))
                .contains("Locked by Ana on 2026-11-29, after its first sample was run (2026-11-29).");
    }

    private static String locked(ReportMaterial plain, Map<String, Instant> ran) {
        return HtmlReport.text(
                Report.of(new ReportMaterial(plain.name(), plain.study(), plain.samples(), ran, plain.made())));
    }

    @Test
    void pagesCanBeLookedAt() throws Exception {
        ReportPages left;
        try (ReportPages pages = new ReportPages(pdf())) {
            left = pages;
            assertThat(pages.count()).isGreaterThan(2);
            BufferedImage first = pages.page(0, 300).orElseThrow();
            boolean inked = false;
            for (int x = 0; x < 300; x++) {
                for (int y = 0; y < first.getHeight(); y++) {
                    inked |= (first.getRGB(x, y) & 0xff) < 128;
                }
            }
            assertThat(inked).as("something stands on it").isTrue();
            assertThat(first.getRGB(1, 1)).as("on white").isEqualTo(0xffffffff);
        }
        assertThat(left.page(0, 300)).as("let go of").isEmpty();
    }
}
