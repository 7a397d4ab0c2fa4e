import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.RoundRectangle2D;
import java.awt.image.BufferedImage;
import java.io.File;
import javax.imageio.ImageIO;

/** Draws the program's icon: grains that are outlined, and five strokes of a tally. Run with the file to write. */
class Icon {
    private static final int SIZE = 256;

    public static void main(String[] words) throws Exception {
        BufferedImage picture = new BufferedImage(SIZE, SIZE, BufferedImage.TYPE_INT_ARGB);
        Graphics2D pen = picture.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        pen.setColor(new Color(0x0E6570));
        pen.fill(new RoundRectangle2D.Double(8, 8, 240, 240, 56, 56));
        grain(pen, 40, 36, 78, 58, new Color(0xE8F1EE));
        grain(pen, 142, 50, 66, 50, new Color(0xE8F1EE));
        pen.setStroke(new BasicStroke(14, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
        pen.setColor(Color.WHITE);
        for (int i = 0; i < 4; i++) {
            pen.draw(new Line2D.Double(66 + 40 * i, 132, 66 + 40 * i, 214));
        }
        pen.setColor(new Color(0xF2C14E));
        pen.draw(new Line2D.Double(40, 202, 214, 144));
        pen.dispose();
        ImageIO.write(picture, "png", new File(words[0]));
    }

    private static void grain(Graphics2D pen, int x, int y, int width, int height, Color inside) {
        Ellipse2D grain = new Ellipse2D.Double(x, y, width, height);
        pen.setColor(inside);
        pen.fill(grain);
        pen.setColor(new Color(0xF2C14E));
        pen.setStroke(new BasicStroke(9));
        pen.draw(grain);
    }
}
