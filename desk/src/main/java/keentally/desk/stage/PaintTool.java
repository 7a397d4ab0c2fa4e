package keentally.desk.stage;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.DoubleSupplier;
import java.util.function.Supplier;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import keentally.core.geometry.Point;
import keentally.core.hand.Dab;
import keentally.core.view.Viewport;

/**
 * Paints on a mask: the first button adds, the other one takes away. A brush follows the hand, a line is straight, an outline is filled,
 * a click fills a gap or empties a piece. Shift and the middle button move the picture.
 */
public final class PaintTool implements StageTool {
    /** What the mouse does. */
    public enum Mode {
        BRUSH,
        LINE,
        OUTLINE,
        FILL
    }

    private final Supplier<Mode> mode;
    private final DoubleSupplier width;
    private final Supplier<List<Dab>> seen;
    private final Consumer<Dab> done;
    private final Runnable tooShort;
    private final DrawnPath path = new DrawnPath();
    private Point pointer;

    /**
     * @param width of brush and line, in pixels of the picture
     * @param seen dabs that stay in sight: strokes inside whole, those outside dashed
     * @param done told of each dab
     * @param tooShort an outline went round nothing
     */
    public PaintTool(
            Supplier<Mode> mode,
            DoubleSupplier width,
            Supplier<List<Dab>> seen,
            Consumer<Dab> done,
            Runnable tooShort) {
        this.mode = mode;
        this.width = width;
        this.seen = seen;
        this.done = done;
        this.tooShort = tooShort;
    }

    @Override
    public void place(Viewport view, Pane over) {
        MarkNodes marks = new MarkNodes(over, view);
        for (Dab dab : seen.get()) {
            switch (dab) {
                case Dab.Brush brush -> marks.scribble(brush.path(), brush.width(), brush.adds());
                case Dab.Outline outline -> marks.outline(outline.path(), "mark-part");
                case Dab.Fill fill -> marks.handle(fill.at(), "handle-marker");
            }
        }
        boolean brushes = mode.get() == Mode.BRUSH || mode.get() == Mode.LINE;
        if (!path.isEmpty() && mode.get() == Mode.OUTLINE) {
            marks.outline(path.points(), "mark-stroke");
        } else if (!path.isEmpty() && brushes) {
            marks.brush(path.points(), width.getAsDouble());
        } else if (pointer != null && brushes) {
            marks.brush(List.of(pointer), width.getAsDouble());
        }
    }

    @Override
    public boolean pressed(Point at, double within, MouseEvent e) {
        if (e.getButton() == MouseButton.MIDDLE || e.isShiftDown()) {
            return false;
        }
        path.begin(at, within);
        return true;
    }

    @Override
    public void dragged(Point at, MouseEvent e) {
        pointer = at;
        if (mode.get() == Mode.LINE) {
            path.stretch(at);
        } else {
            path.drag(at);
        }
    }

    @Override
    public void moved(Point at) {
        pointer = at;
    }

    @Override
    public void released(Point at, MouseEvent e) {
        List<Point> drawn = path.end();
        if (!drawn.isEmpty()) {
            Optional<Dab> dab = dab(drawn, e.getButton() != MouseButton.SECONDARY);
            dab.ifPresentOrElse(done, tooShort);
        }
    }

    private Optional<Dab> dab(List<Point> drawn, boolean adds) {
        return switch (mode.get()) {
            case BRUSH, LINE -> Optional.of(new Dab.Brush(drawn, width.getAsDouble(), adds));
            case OUTLINE -> drawn.size() < 3 ? Optional.empty() : Optional.of(new Dab.Outline(drawn, adds));
            case FILL -> Optional.of(new Dab.Fill(drawn.getLast(), adds));
        };
    }

    @Override
    public boolean giveUp() {
        return path.giveUp();
    }
}
