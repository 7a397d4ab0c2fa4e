package keentally.desk.stage;

import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import keentally.core.geometry.Point;
import keentally.core.view.Viewport;

/** What the mouse draws on the stage beside looking about: a line, a patch, a field. Its marks lie over the picture. */
public interface StageTool {
    /** Puts the marks where they belong; they are children of {@code over} as long as the tool is in the hand. */
    void place(Viewport view, Pane over);

    /**
     * The mouse was pressed.
     *
     * @param at in pixels of the picture
     * @param reach how many of them the hand may be off
     * @return whether the tool takes what follows; else the picture is moved
     */
    boolean pressed(Point at, double reach, MouseEvent e);

    void dragged(Point at, MouseEvent e);

    void released(Point at, MouseEvent e);

    /** The mouse moved with no button down. */
    default void moved(Point at) {}

    /** Drops what is drawn by half. Returns whether there was anything to drop. */
    default boolean giveUp() {
        return false;
    }

    /** Returns whether the key was the tool's. */
    default boolean key(KeyEvent e) {
        return false;
    }
}
