package keentally.study.plot;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.Locale;
import java.util.function.Supplier;
import javax.imageio.ImageIO;
import keentally.study.file.FileFault;
import keentally.study.file.Sheet;
import keentally.study.file.WholeFile;
import org.jfree.chart.JFreeChart;
import org.jfree.svg.SVGGraphics2D;

/**
 * A chart as pixels or shapes.
 *
 * @param width in points
 * @param height in points
 */
record ChartDrawing(JFreeChart chart, int width, int height) implements Drawing {
    /** @param density pixels to a point */
    BufferedImage image(double density) {
        BufferedImage image = new BufferedImage(
                (int) Math.round(width * density), (int) Math.round(height * density), BufferedImage.TYPE_INT_ARGB_PRE);
        Graphics2D pen = image.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        pen.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        pen.scale(density, density);
        draw(pen);
        pen.dispose();
        return image;
    }

    @Override
    public void draw(Graphics2D pen) {
        chart.draw(pen, new Rectangle2D.Double(0, 0, width, height));
    }

    @Override
    public String svg(String name) {
        SVGGraphics2D pen = new SVGGraphics2D(width, height);
        pen.setDefsKeyPrefix(name);
        draw(pen);
        return pen.getSVGDocument();
    }

    /** Writes PNG, SVG or its numbers as CSV, as the file's ending says. @param density pixels to a point */
    void save(Path file, double density, Supplier<String> csv) throws FileFault {
        String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
        if (name.endsWith(".svg")) {
            WholeFile.write(file, svg("plot"));
        } else if (name.endsWith(".png")) {
            WholeFile.write(file, out -> ImageIO.write(image(density), "png", out));
        } else {
            Sheet.toFile(file, csv.get());
        }
    }
}
