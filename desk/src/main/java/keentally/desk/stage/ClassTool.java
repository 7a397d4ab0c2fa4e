package keentally.desk.stage;

import java.util.List;
import java.util.Optional;
import java.util.function.DoubleSupplier;
import java.util.function.Supplier;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import keentally.core.colour.Rgb;
import keentally.core.geometry.Point;
import keentally.core.geometry.Rectangle;
import keentally.core.hand.ClassStroke;
import keentally.core.view.Viewport;

/**
 * Paints examples of classes: the first button paints the chosen class, the other one rubs out. Number keys choose the class, 0 the rubber; Enter goes to the next place that should be
 * painted, with Shift to the one before. Shift and the middle button move the picture.
 */
public final class ClassTool implements StageTool {
    /** What rubbing out is drawn in. */
    public static final Rgb RUBBING = Rgb.from(0xf4efe4);

    private final DoubleSupplier width;
    private final Supplier<Rgb> colour;
    private final Supplier<List<ClassStroke.Brush>> pending;
    private final Hand hand;
    private final DrawnPath path = new DrawnPath();
    private boolean rubs;
    private Point pointer;
    private Optional<Rectangle> ring = Optional.empty();

    /** Does what the mouse and the keys say. */
    public interface Hand {
        /** Of a class by its name. */
        Rgb colour(String name);

        /** @param rubs with the other button */
        void painted(List<Point> path, boolean rubs);

        /** @param number of a class from 1; 0 for the rubber */
        boolean choose(int number);

        void next(int by);
    }

    /**
     * @param width of the brush, in pixels of the picture
     * @param colour that it paints in
     * @param pending strokes that are not part of the stage's layers yet
     */
    public ClassTool(DoubleSupplier width, Supplier<Rgb> colour, Supplier<List<ClassStroke.Brush>> pending, Hand hand) {
        this.width = width;
        this.colour = colour;
        this.pending = pending;
        this.hand = hand;
    }

    /** Calls a place out, or none. */
    public void ring(Optional<Rectangle> where) {
        ring = where;
    }

    @Override
    public void place(Viewport view, Pane over) {
        MarkNodes marks = new MarkNodes(over, view);
        pending.get().forEach(s -> marks.paint(s.path(), s.width(), hand.colour(s.as())));
        ring.ifPresent(r -> marks.outline(
                List.of(
                        new Point(r.x(), r.y()),
                        new Point(r.right(), r.y()),
                        new Point(r.right(), r.bottom()),
                        new Point(r.x(), r.bottom())),
                "mark-line"));
        if (!path.isEmpty()) {
            marks.paint(path.points(), width.getAsDouble(), rubs ? RUBBING : colour.get());
        } else if (pointer != null) {
            marks.brush(List.of(pointer), width.getAsDouble());
        }
    }

    @Override
    public boolean pressed(Point at, double within, MouseEvent e) {
        if (e.getButton() == MouseButton.MIDDLE || e.isShiftDown()) {
            return false;
        }
        rubs = e.getButton() == MouseButton.SECONDARY;
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
        List<Point> drawn = path.end();
        if (!drawn.isEmpty()) {
            ring = Optional.empty();
            hand.painted(drawn, rubs);
        }
    }

    @Override
    public boolean giveUp() {
        return path.giveUp();
    }

    @Override
    public boolean key(KeyEvent e) {
        if (e.isShortcutDown() || e.isAltDown()) {
            return false;
        }
        if (e.getText().matches("[0-9]")) {
            return hand.choose(Integer.parseInt(e.getText()));
        }
        return switch (e.getCode()) {
            case ENTER -> {
                hand.next(e.isShiftDown() ? -1 : 1);
                yield true;
            }
            default -> false;
        };
    }
}
