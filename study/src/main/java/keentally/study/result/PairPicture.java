package keentally.study.result;

import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.Base64;
import keentally.core.view.Layers;
import keentally.core.view.StageComposer;
import keentally.core.view.Viewport;
import keentally.core.work.Work;
import keentally.study.document.Thing.SheetThing;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;
import keentally.study.picture.PictureWriter;
import keentally.study.plot.PlotLook;

/**
 * Two views as one picture, each under its caption.
 *
 * @param stacked whether the second stands below the first, else beside it
 */
public record PairPicture(View first, View second, boolean stacked) {
    private static final int DENSITY = 2;
    private static final int CAPTION = 26 * DENSITY;
    private static final int MARGIN = 8 * DENSITY;
    private static final float TEXT = 12f * DENSITY;
    private static final float LEAST_TEXT = 7f * DENSITY;

    /**
     * One of the two.
     *
     * @param part that is seen, in pixels of the screen; twice as many are painted
     */
    public record View(String caption, Layers layers, Viewport part) {
        int[] painted(Work work) {
            return StageComposer.compose(layers, fine(), work);
        }

        private Viewport fine() {
            return new Viewport(
                    part.left(), part.top(), part.zoom() * DENSITY, part.width() * DENSITY, part.height() * DENSITY);
        }
    }

    /** As PNG. */
    public void write(Path file, Work work) throws FileFault {
        WholeFile.write(file, PictureWriter.png(sheet(work), work));
    }

    /** To be kept with a study, under its captions. */
    public SheetThing kept(Work work) {
        BufferedImage sheet = sheet(work);
        byte[] png = PictureWriter.pngBytes(sheet.getWidth(), sheet.getHeight(), colours(sheet));
        return new SheetThing(
                first.caption() + " / " + second.caption(),
                "",
                Base64.getEncoder().encodeToString(png));
    }

    private static int[] colours(BufferedImage sheet) {
        return sheet.getRGB(0, 0, sheet.getWidth(), sheet.getHeight(), null, 0, sheet.getWidth());
    }

    private BufferedImage sheet(Work work) {
        int firstWidth = first.part().width() * DENSITY;
        int firstHeight = first.part().height() * DENSITY + Stamps.below(first.layers());
        int secondWidth = second.part().width() * DENSITY;
        int secondHeight = second.part().height() * DENSITY + Stamps.below(second.layers());
        int width = stacked ? Math.max(firstWidth, secondWidth) : firstWidth + MARGIN + secondWidth;
        int height = CAPTION
                + (stacked ? firstHeight + MARGIN + CAPTION + secondHeight : Math.max(firstHeight, secondHeight));
        BufferedImage sheet = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = sheet.createGraphics();
        pen.setColor(PlotLook.PRINT.paper());
        pen.fillRect(0, 0, width, height);
        pen.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        put(sheet, pen, first, 0, 0, work);
        put(sheet, pen, second, stacked ? 0 : firstWidth + MARGIN, stacked ? CAPTION + firstHeight + MARGIN : 0, work);
        pen.dispose();
        return sheet;
    }

    private static void put(BufferedImage sheet, Graphics2D pen, View view, int left, int top, Work work) {
        Viewport fine = view.fine();
        pen.setColor(PlotLook.PRINT.ink());
        Font font = PlotLook.PRINT.font().deriveFont(TEXT);
        int room = fine.width() - MARGIN;
        while (pen.getFontMetrics(font).stringWidth(view.caption()) > room && font.getSize2D() > LEAST_TEXT) {
            font = font.deriveFont(font.getSize2D() - 1);
        }
        pen.setFont(font);
        pen.drawString(view.caption(), left + MARGIN / 2, top + CAPTION - MARGIN);
        BufferedImage stamped = Stamps.on(view.painted(work), fine.width(), fine.height(), fine.zoom(), view.layers());
        pen.drawImage(stamped, left, top + CAPTION, null);
    }
}
