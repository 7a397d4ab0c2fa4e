package keentally.desk.stage;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import keentally.core.geometry.Point;
import keentally.core.hand.Seeds;
import keentally.core.view.Viewport;

/** Places, moves and removes markers: a click places one, a drag moves it, the other button removes it. */
public final class MarkerTool implements StageTool {
    private final Supplier<List<Point>> kept;
    private final Consumer<Seeds> done;

    /** The one in the hand, and where it was taken from; null for a new one. */
    private Point held;

    private Point from;

    /**
     * @param kept the markers to be shown
     * @param done told of all of them when one was placed, moved or removed
     */
    public MarkerTool(Supplier<List<Point>> kept, Consumer<Seeds> done) {
        this.kept = kept;
        this.done = done;
    }

    @Override
    public void place(Viewport view, Pane over) {
        MarkNodes marks = new MarkNodes(over, view);
        for (Point p : kept.get()) {
            if (!p.equals(from)) {
                marks.handle(p, "handle-marker");
            }
        }
        if (held != null) {
            marks.handle(held, "handle-marker");
        }
    }

    @Override
    public boolean pressed(Point at, double reach, MouseEvent e) {
        if (e.getButton() == MouseButton.MIDDLE || e.isShiftDown()) {
            return false;
        }
        from = nearest(at, reach);
        if (e.getButton() == MouseButton.SECONDARY) {
            if (from != null) {
                Point gone = from;
                from = null;
                done.accept(new Seeds(kept.get()).without(gone));
            }
            return true;
        }
        held = from == null ? at : from;
        return true;
    }

    private Point nearest(Point at, double reach) {
        Point best = null;
        double least = reach;
        for (Point p : kept.get()) {
            double apart = Math.hypot(p.x() - at.x(), p.y() - at.y());
            if (apart <= least) {
                least = apart;
                best = p;
            }
        }
        return best;
    }

    @Override
    public void dragged(Point at, MouseEvent e) {
        held = held == null ? null : at;
    }

    @Override
    public void released(Point at, MouseEvent e) {
        Point last = held;
        Point was = from;
        held = null;
        from = null;
        if (last != null && !last.equals(was)) {
            Seeds others = new Seeds(kept.get());
            done.accept((was == null ? others : others.without(was)).and(last));
        }
    }

    @Override
    public boolean giveUp() {
        boolean drawing = held != null;
        held = null;
        from = null;
        return drawing;
    }
}
