package keentally.study.report;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/** The pages of a report as pictures, as they will be printed. Used by one thread at a time. */
public final class ReportPages implements AutoCloseable {
    private final PDDocument document;
    private final PDFRenderer renderer;

    /** @param pdf as {@link PdfReport#bytes} makes it */
    public ReportPages(byte[] pdf) {
        try {
            document = Loader.loadPDF(pdf);
        } catch (IOException e) {
            throw new UncheckedIOException("what was just written can be read", e);
        }
        renderer = new PDFRenderer(document);
    }

    public int count() {
        return document.getNumberOfPages();
    }

    /** A page's height over its width. */
    public double tall(int page) {
        return document.getPage(page).getMediaBox().getHeight()
                / document.getPage(page).getMediaBox().getWidth();
    }

    /** A page, from 0, so many pixels wide. */
    public BufferedImage page(int page, int width) {
        float scale = width / document.getPage(page).getMediaBox().getWidth();
        try {
            return renderer.renderImage(page, scale, ImageType.RGB);
        } catch (IOException e) {
            throw new UncheckedIOException("what was just written can be read", e);
        }
    }

    @Override
    public void close() {
        try {
            document.close();
        } catch (IOException e) {
            throw new UncheckedIOException("memory can be let go of", e);
        }
    }
}
