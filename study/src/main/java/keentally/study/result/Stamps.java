package keentally.study.result;

import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.font.FontRenderContext;
import java.awt.image.BufferedImage;
import java.util.Locale;
import java.util.Optional;
import keentally.core.view.Layer;
import keentally.core.view.Layers;
import keentally.core.view.MeasureInks;
import keentally.core.words.Figures;
import keentally.study.plot.PlotLook;

/**
 * What is stamped on a picture that is taken away: a scale bar in a corner, left out where there is no room for it, and below the picture
 * the legend of what objects are filled by.
 */
final class Stamps {
    private static final int LEGEND = 48;
    private static final int RAMP = 240;
    private static final int RAMP_HEIGHT = 14;
    private static final int MARGIN = 12;
    private static final float LEAST_TEXT = 12f;
    private static final double LINES = 3.5;
    private static final int RIM = 2;
    private static final FontRenderContext SIMPLE = new FontRenderContext(null, true, false);
    private static final double TEXT_OF_WIDTH = 0.02;

    private Stamps() {}

    /** A picture with its stamps; higher than before where it has a legend. @param zoom pixels of it for one of the sample */
    static BufferedImage on(int[] painted, int width, int height, double zoom, Layers layers) {
        BufferedImage picture = new BufferedImage(width, height + below(layers), BufferedImage.TYPE_INT_RGB);
        picture.getRaster().setDataElements(0, 0, width, height, painted);
        Graphics2D pen = picture.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        bar(layers, width, height, zoom).ifPresent(bar -> bar(pen, bar, width, height, zoom));
        layers.find(Layer.Legend.class).ifPresent(legend -> legend(pen, legend, width, height));
        pen.dispose();
        return picture;
    }

    /** How much higher a picture becomes by its legend. */
    static int below(Layers layers) {
        return layers.find(Layer.Legend.class).isPresent() ? LEGEND : 0;
    }

    /** Whether a bar and what it says can stand on a picture so large. */
    static boolean hasRoom(Layer.ScaleBar bar, int width, int height, double zoom) {
        float text = text(width);
        return bar.px() * zoom <= width - 2 * text && wide(bar, text) <= width - 2 * RIM && height >= LINES * text;
    }

    private static Optional<Layer.ScaleBar> bar(Layers layers, int width, int height, double zoom) {
        return layers.find(Layer.ScaleBar.class).filter(bar -> hasRoom(bar, width, height, zoom));
    }

    private static Font font(float text) {
        return PlotLook.PRINT.font().deriveFont(text);
    }

    /** How wide is what a bar says. */
    private static double wide(Layer.ScaleBar bar, float text) {
        return font(text).getStringBounds(bar.text(), SIMPLE).getWidth();
    }

    /** Where the middle of what it says stands: over the bar's, but whole on the picture. */
    private static double middle(Layer.ScaleBar bar, int[] at, int width, float text) {
        double half = wide(bar, text) / 2 + RIM;
        return Math.clamp(at[0] + at[2] / 2.0, half, width - half);
    }

    /** How high the text of a bar is on a picture so wide. */
    private static float text(int width) {
        return (float) Math.max(LEAST_TEXT, TEXT_OF_WIDTH * width);
    }

    /** Left, top, width and height of a bar. */
    private static int[] place(Layer.ScaleBar bar, int width, int height, double zoom, float text) {
        int wide = Math.max(1, (int) Math.round(bar.px() * zoom));
        int tall = Math.max(3, Math.round(text / 4));
        int edge = Math.round(text);
        int left = bar.right() ? width - edge - wide : edge;
        int top = bar.below() ? height - edge - tall : edge + Math.round(text * 1.3f);
        return new int[] {left, top, wide, tall};
    }

    private static void bar(Graphics2D pen, Layer.ScaleBar bar, int width, int height, double zoom) {
        float text = text(width);
        int[] at = place(bar, width, height, zoom, text);
        Color ink = bar.light() ? Color.WHITE : PlotLook.PRINT.ink();
        Color rim = bar.light() ? PlotLook.PRINT.ink() : Color.WHITE;
        pen.setFont(font(text));
        int x = (int) Math.round(middle(bar, at, width, text) - wide(bar, text) / 2);
        int y = at[1] - Math.round(text / 3);
        pen.setColor(rim);
        pen.fillRect(at[0] - 1, at[1] - 1, at[2] + 2, at[3] + 2);
        for (int d = -1; d <= 1; d++) {
            pen.drawString(bar.text(), x + d, y - 1);
            pen.drawString(bar.text(), x + d, y + 1);
        }
        pen.setColor(ink);
        pen.fillRect(at[0], at[1], at[2], at[3]);
        pen.drawString(bar.text(), x, y);
    }

    private static void legend(Graphics2D pen, Layer.Legend legend, int width, int top) {
        pen.setColor(PlotLook.PRINT.paper());
        pen.fillRect(0, top, width, LEGEND);
        int wide = Math.min(RAMP, width - 2 * MARGIN);
        for (int x = 0; x < wide; x++) {
            pen.setColor(new Color(MeasureInks.at(x / Math.max(1.0, wide - 1))));
            pen.fillRect(MARGIN + x, top + 8, 1, RAMP_HEIGHT);
        }
        pen.setColor(PlotLook.PRINT.ink());
        pen.setFont(PlotLook.PRINT.font().deriveFont(LEAST_TEXT));
        int y = top + 8 + RAMP_HEIGHT + 16;
        String to = Figures.number(legend.to());
        pen.drawString(Figures.number(legend.from()), MARGIN, y);
        pen.drawString(to, MARGIN + wide - pen.getFontMetrics().stringWidth(to), y);
        pen.drawString(legend.title(), MARGIN + wide + MARGIN, top + 8 + RAMP_HEIGHT - 2);
    }

    /** The bar as SVG; nothing where there is none. */
    static String svg(Layers layers, int width, int height) {
        return bar(layers, width, height, 1)
                .map(bar -> {
                    float text = text(width);
                    int[] at = place(bar, width, height, 1, text);
                    String ink = bar.light() ? "#ffffff" : "#1e2730";
                    String rim = bar.light() ? "#1e2730" : "#ffffff";
                    return String.format(
                            Locale.ROOT,
                            "<rect id=\"scale-bar\" x=\"%d\" y=\"%d\" width=\"%d\" height=\"%d\" fill=\"%s\" stroke=\"%s\"/>%n"
                                    + "<text x=\"%.1f\" y=\"%.1f\" font-family=\"sans-serif\" font-size=\"%.1f\""
                                    + " text-anchor=\"middle\" fill=\"%s\" stroke=\"%s\" stroke-width=\"2\""
                                    + " paint-order=\"stroke\">%s</text>%n",
                            at[0],
                            at[1],
                            at[2],
                            at[3],
                            ink,
                            rim,
                            middle(bar, at, width, text),
                            at[1] - text / 3,
                            text,
                            ink,
                            rim,
                            bar.text());
                })
                .orElse("");
    }
}
