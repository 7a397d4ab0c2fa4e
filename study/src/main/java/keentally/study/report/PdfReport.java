package keentally.study.report;

import com.openhtmltopdf.extend.FSObjectDrawer;
import com.openhtmltopdf.extend.FSObjectDrawerFactory;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfBoxRenderer;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.awt.Graphics2D;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.GregorianCalendar;
import java.util.List;
import java.util.Map;
import keentally.study.Program;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;
import keentally.study.plot.Drawing;
import keentally.study.plot.Typeface;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.w3c.dom.Element;

/** A report on pages: text as text, plots as shapes, all type embedded. The same report on the same day has the same bytes. */
public final class PdfReport {
    private static final int REGULAR = 400;
    private static final int BOLD = 700;

    /** The page's text is this wide, and plots are drawn at most so wide. */
    private static final double MOST_POINTS = 430;

    private PdfReport() {}

    public static void write(Report report, Path file) throws FileFault {
        byte[] bytes = bytes(report);
        WholeFile.write(file, out -> out.write(bytes));
    }

    /** The whole file. */
    public static byte[] bytes(Report report) {
        XRLog.setLoggingEnabled(false);
        List<Drawing> drawings = new ArrayList<>();
        String text = Markup.of(report, ReportStyle.page(report.plan().paper()), d -> placed(d, drawings));
        PdfRendererBuilder builder = new PdfRendererBuilder();
        builder.withHtmlContent(text, null);
        builder.withProducer(Program.NAME + " " + Program.VERSION);
        builder.useFont(() -> Typeface.file(Typeface.Style.REGULAR), Typeface.FAMILY, REGULAR, FontStyle.NORMAL, true);
        builder.useFont(() -> Typeface.file(Typeface.Style.BOLD), Typeface.FAMILY, BOLD, FontStyle.NORMAL, true);
        builder.useFont(
                () -> PDType1Font.class.getResourceAsStream(
                        "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf"),
                "Liberation Sans",
                REGULAR,
                FontStyle.NORMAL,
                true);
        builder.useObjectDrawerFactory(new Plots(drawings));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (PdfBoxRenderer renderer = builder.buildPdfRenderer()) {
            renderer.layout();
            renderer.createPDFWithoutClosing();
            PDDocument document = renderer.getPdfDocument();
            describe(document, report, text);
            document.save(out);
        } catch (IOException e) {
            throw new UncheckedIOException("memory can be written to", e);
        }
        return out.toByteArray();
    }

    private static void describe(PDDocument document, Report report, String text) {
        PDDocumentInformation told = document.getDocumentInformation();
        told.setTitle(report.title());
        told.setAuthor(report.plan().by());
        GregorianCalendar day = GregorianCalendar.from(report.made().atStartOfDay(ZoneOffset.UTC));
        told.setCreationDate(day);
        told.setModificationDate(day);
        document.setDocumentId((long) text.hashCode());
    }

    private static String placed(Drawing drawing, List<Drawing> drawings) {
        drawings.add(drawing);
        double shrink = Math.min(1, MOST_POINTS / drawing.width());
        return "<object type=\"plot\" data=\"%d\" style=\"width: %s; height: %s\"></object>"
                .formatted(drawings.size() - 1, Markup.points((int) (shrink * drawing.width())), Markup.points((int)
                        (shrink * drawing.height())));
    }

    /** Draws what the text only names. */
    private record Plots(List<Drawing> drawings) implements FSObjectDrawerFactory {
        @Override
        public boolean isReplacedObject(Element element) {
            return element.getNodeName().equals("object")
                    && element.getAttribute("type").equals("plot");
        }

        @Override
        public FSObjectDrawer createDrawer(Element element) {
            Drawing drawing = drawings.get(Integer.parseInt(element.getAttribute("data")));
            return (e, x, y, width, height, device, context, dotsPerPixel) -> {
                device.drawWithGraphics(
                        (float) x,
                        (float) y,
                        (float) width / dotsPerPixel,
                        (float) height / dotsPerPixel,
                        pen -> draw(drawing, pen, width / dotsPerPixel));
                return Map.of();
            };
        }

        private static void draw(Drawing drawing, Graphics2D pen, double width) {
            double shrink = width / drawing.width();
            pen.scale(shrink, shrink);
            drawing.draw(pen);
        }
    }
}
