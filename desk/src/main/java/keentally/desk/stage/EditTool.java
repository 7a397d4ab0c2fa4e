package keentally.desk.stage;

import java.util.List;
import java.util.function.DoubleSupplier;
import java.util.function.Supplier;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import keentally.core.geometry.Point;
import keentally.core.view.Viewport;

/**
 * Corrects objects on the stage: lines across them, outlines of new ones, a brush that erases. While objects are picked, the first button
 * chooses as ever and the other one drops or brings back. Shift and the middle button move the picture.
 */
public final class EditTool implements StageTool {
    /** What the mouse does. */
    public enum Mode {
        PICK,
        CUT,
        DRAW,
        ERASE
    }

    /** Who does what was drawn. */
    public interface Hand {
        /** An object was clicked with the other button. */
        void turned(Point at);

        /** Something was drawn: a line, an outline or a path, of one point at least. */
        void drawn(Mode mode, List<Point> path);

        /** A key was pressed on the stage. Returns whether it was wanted. */
        boolean key(KeyEvent e);
    }

    private final Supplier<Mode> mode;
    private final DoubleSupplier brush;
    private final Hand hand;
    private final DrawnPath path = new DrawnPath();
    private Point pointer;

    /** @param brush width of the eraser, in pixels of the picture */
    public EditTool(Supplier<Mode> mode, DoubleSupplier brush, Hand hand) {
        this.mode = mode;
        this.brush = brush;
        this.hand = hand;
    }

    @Override
    public void place(Viewport view, Pane over) {
        MarkNodes marks = new MarkNodes(over, view);
        switch (mode.get()) {
            case PICK -> {}
            case CUT -> {
                if (!path.isEmpty()) {
                    marks.line(path.points(), "mark-line");
                }
            }
            case DRAW -> {
                if (!path.isEmpty()) {
                    marks.outline(path.points(), "mark-stroke");
                }
            }
            case ERASE -> {
                if (!path.isEmpty()) {
                    marks.brush(path.points(), brush.getAsDouble());
                } else if (pointer != null) {
                    marks.brush(List.of(pointer), brush.getAsDouble());
                }
            }
        }
    }

    @Override
    public boolean pressed(Point at, double within, MouseEvent e) {
        boolean looks = e.getButton() == MouseButton.MIDDLE || e.isShiftDown();
        boolean picks = mode.get() == Mode.PICK && e.getButton() == MouseButton.PRIMARY;
        if (looks || picks) {
            return false;
        }
        path.begin(at, within);
        return true;
    }

    @Override
    public void dragged(Point at, MouseEvent e) {
        pointer = at;
        path.drag(at);
    }

    @Override
    public void moved(Point at) {
        pointer = at;
    }

    @Override
    public void released(Point at, MouseEvent e) {
        List<Point> done = path.end();
        if (done.isEmpty()) {
            return;
        }
        if (mode.get() == Mode.PICK || e.getButton() == MouseButton.SECONDARY) {
            hand.turned(done.getFirst());
        } else {
            hand.drawn(mode.get(), done);
        }
    }

    @Override
    public boolean giveUp() {
        return path.giveUp();
    }

    @Override
    public boolean key(KeyEvent e) {
        return hand.key(e);
    }
}
