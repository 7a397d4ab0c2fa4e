package keentally.study.plot;

import java.awt.Graphics2D;

/** A plot as shapes and text, for a page. */
public interface Drawing {
    /** In points. */
    int width();

    /** In points. */
    int height();

    /** From (0, 0) to its width and height. */
    void draw(Graphics2D pen);

    /** @param name of what the drawing defines for itself; another one for each drawing of a page */
    String svg(String name);
}
