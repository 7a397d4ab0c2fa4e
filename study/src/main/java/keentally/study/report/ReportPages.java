package keentally.study.report;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;

/** The pages of a report as pictures, as they will be printed. Safe for many threads, of which one reads at a time. */
public final class ReportPages implements AutoCloseable {
    private final PDDocument document;
    private final PDFRenderer renderer;
    private boolean closed;

    /** @param pdf as {@link PdfReport#bytes} makes it */
    public ReportPages(byte[] pdf) {
        try {
            document = Loader.loadPDF(pdf);
        } catch (IOException e) {
            throw new UncheckedIOException("what was just written can be read", e);
        }
        renderer = new PDFRenderer(document);
    }

    public synchronized int count() {
        return document.getNumberOfPages();
    }

    /** A page's height over its width. */
    public synchronized double tall(int page) {
        return document.getPage(page).getMediaBox().getHeight()
                / document.getPage(page).getMediaBox().getWidth();
    }

    /** A page, from 0, on white and so many pixels wide; empty once the pages are let go of. */
    public synchronized Optional<BufferedImage> page(int page, int width) {
        if (closed) {
            return Optional.empty();
        }
        float scale = width / document.getPage(page).getMediaBox().getWidth();
        int height = Math.round(document.getPage(page).getMediaBox().getHeight() * scale);
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB_PRE);
        Graphics2D pen = image.createGraphics();
        pen.setBackground(Color.WHITE);
        pen.clearRect(0, 0, width, height);
        try {
            renderer.renderPageToGraphics(page, pen, scale);
        } catch (IOException e) {
            throw new UncheckedIOException("what was just written can be read", e);
        } finally {
            pen.dispose();
        }
        return Optional.of(image);
    }

    @Override
    public synchronized void close() {
        closed = true;
        try {
            document.close();
        } catch (IOException e) {
            throw new UncheckedIOException("memory can be let go of", e);
        }
    }
}
