package keentally.desk.model;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;

/** Pictures of 220 by 200 pixels of a bright round tray in the middle of a dark bench. */
public final class Trays {
    private Trays() {}

    /** @param radius 0 for an empty bench */
    public static BufferedImage image(int radius) {
        BufferedImage image = new BufferedImage(220, 200, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = image.createGraphics();
        pen.setColor(new Color(60, 62, 66));
        pen.fillRect(0, 0, 220, 200);
        pen.setColor(new Color(225, 222, 215));
        pen.fillOval(110 - radius, 100 - radius, 2 * radius, 2 * radius);
        pen.dispose();
        return image;
    }
}
