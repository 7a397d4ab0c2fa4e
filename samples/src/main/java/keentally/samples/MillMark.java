package keentally.samples;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import keentally.study.picture.PictureWriter;

/** The mark of the made-up laboratory: a wheel in its race. */
final class MillMark {
    private static final int SIZE = 240;
    private static final int PADDLES = 10;

    private MillMark() {}

    /** As PNG. */
    static byte[] png() {
        BufferedImage image = new BufferedImage(SIZE, SIZE, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = image.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        pen.setColor(Color.WHITE);
        pen.fillRect(0, 0, SIZE, SIZE);
        pen.setColor(new Color(0x0E6470));
        pen.setStroke(new BasicStroke(9, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
        double middle = SIZE / 2.0;
        pen.draw(new Ellipse2D.Double(middle - 62, 32, 124, 124));
        for (int i = 0; i < PADDLES; i++) {
            double angle = 2 * Math.PI * i / PADDLES;
            Path2D paddle = new Path2D.Double();
            paddle.moveTo(middle + 18 * StrictMath.cos(angle), 94 + 18 * StrictMath.sin(angle));
            paddle.lineTo(middle + 80 * StrictMath.cos(angle), 94 + 80 * StrictMath.sin(angle));
            pen.draw(paddle);
        }
        pen.setColor(new Color(0x7A2E6E));
        Path2D race = new Path2D.Double();
        race.moveTo(14, 196);
        for (int i = 0; i < 4; i++) {
            double left = 14 + 53 * i;
            race.curveTo(left + 14, 178, left + 38, 214, left + 53, 196);
        }
        pen.draw(race);
        pen.dispose();
        return PictureWriter.pngBytes(SIZE, SIZE, image.getRGB(0, 0, SIZE, SIZE, null, 0, SIZE));
    }
}
