package keentally.study.report;

import java.awt.AlphaComposite;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import keentally.core.quantity.Length;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.core.words.Figures;
import keentally.study.plot.Typeface;

/** A bar of a round length in the lower right corner of a picture; none where a pixel has no size. */
final class ScaleBar {
    static final LengthUnit USUAL_UNIT = LengthUnit.UM;

    /** The bar is at most this part of the picture's width. */
    private static final double MOST = 0.3;

    private ScaleBar() {}

    /**
     * Paints it.
     *
     * @param colours 0xRRGGBB, row by row; changed in place
     * @param zoom px of the picture painted to one that was measured
     */
    static void paint(int[] colours, int width, int height, double zoom, PixelSize size) {
        if (!size.isReal()) {
            return;
        }
        double length = Length.roundBelow(size.length(MOST * width / zoom));
        String label = Figures.number(length) + " " + size.unit().symbol();
        double bar = size.px(length) * zoom;
        double unit = Math.max(1, Math.min(width, height) / 100.0);
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, width, height, colours, 0, width);
        Graphics2D pen = image.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        Font font = Typeface.regular((float) (4 * unit));
        pen.setFont(font);
        double text = pen.getFontMetrics().stringWidth(label);
        double wide = Math.max(bar, text) + 3 * unit;
        double high = 8.5 * unit;
        double left = width - wide - 2 * unit;
        double top = height - high - 2 * unit;
        pen.setComposite(AlphaComposite.getInstance(AlphaComposite.SRC_OVER, 0.8f));
        pen.setColor(Color.WHITE);
        pen.fill(new Rectangle2D.Double(left, top, wide, high));
        pen.setComposite(AlphaComposite.SrcOver);
        pen.setColor(Color.BLACK);
        pen.fill(new Rectangle2D.Double(left + (wide - bar) / 2, top + high - 2.5 * unit, bar, 1.2 * unit));
        pen.drawString(label, (float) (left + (wide - text) / 2), (float) (top + 4.6 * unit));
        pen.dispose();
        image.getRGB(0, 0, width, height, colours, 0, width);
    }
}
