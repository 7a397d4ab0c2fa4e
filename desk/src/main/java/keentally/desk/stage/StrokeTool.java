package keentally.desk.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import keentally.core.geometry.Point;
import keentally.core.hand.Stroke;
import keentally.core.view.Viewport;

/**
 * Strokes over the picture: with the first button over what is wanted, with the other over what is not. A click is a stroke of one
 * point. The middle button moves the picture as ever.
 */
public final class StrokeTool implements StageTool {
    private final Supplier<List<Stroke>> kept;
    private final Consumer<Stroke> onMove;
    private final Consumer<Stroke> onDone;
    private final Runnable onGiveUp;
    private BooleanSupplier wanted = () -> true;
    private List<Point> path = List.of();
    private boolean unwanted;
    private double reach;

    /**
     * @param kept the strokes to be shown beside the one being drawn
     * @param onMove told of the stroke while it is drawn
     * @param onDone told of it when it is let go
     * @param onGiveUp the stroke being drawn is wanted no more
     */
    public StrokeTool(
            Supplier<List<Stroke>> kept, Consumer<Stroke> onMove, Consumer<Stroke> onDone, Runnable onGiveUp) {
        this.kept = kept;
        this.onMove = onMove;
        this.onDone = onDone;
        this.onGiveUp = onGiveUp;
    }

    /** Takes strokes only while that holds; else the mouse looks about as ever. */
    public StrokeTool onlyWhile(BooleanSupplier asked) {
        wanted = asked;
        return this;
    }

    @Override
    public void place(Viewport view, Pane over) {
        MarkNodes marks = new MarkNodes(over, view);
        for (Stroke stroke : kept.get()) {
            mark(marks, stroke);
        }
        if (!path.isEmpty()) {
            mark(marks, now());
        }
    }

    private static void mark(MarkNodes marks, Stroke stroke) {
        String style = stroke.unwanted() ? "mark-away" : "mark-stroke";
        if (stroke.path().size() == 1) {
            marks.handle(stroke.path().getFirst(), stroke.unwanted() ? "handle-away" : "handle-plain");
        } else if (stroke.loop()) {
            marks.outline(stroke.path(), style);
        } else {
            marks.line(stroke.path(), style);
        }
    }

    /** How far from a place, in pixels of the picture, still hit it when the last stroke began. */
    public double reach() {
        return reach;
    }

    private Stroke now() {
        return new Stroke(path, false, unwanted);
    }

    private static double distance(Point a, Point b) {
        return Math.hypot(a.x() - b.x(), a.y() - b.y());
    }

    @Override
    public boolean pressed(Point at, double within, MouseEvent e) {
        if (!wanted.getAsBoolean() || e.getButton() == MouseButton.MIDDLE || e.isShiftDown()) {
            return false;
        }
        unwanted = e.getButton() == MouseButton.SECONDARY;
        reach = within;
        path = new ArrayList<>(List.of(at));
        return true;
    }

    @Override
    public void dragged(Point at, MouseEvent e) {
        if (!path.isEmpty() && distance(path.getLast(), at) >= reach / 6) {
            path.add(at);
            onMove.accept(now());
        }
    }

    @Override
    public void released(Point at, MouseEvent e) {
        if (!path.isEmpty()) {
            Stroke done = now();
            path = List.of();
            onDone.accept(done);
        }
    }

    @Override
    public boolean giveUp() {
        boolean drawing = !path.isEmpty();
        path = List.of();
        if (drawing) {
            onGiveUp.run();
        }
        return drawing;
    }
}
