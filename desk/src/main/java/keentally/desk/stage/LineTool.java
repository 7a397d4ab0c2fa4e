package keentally.desk.stage;

import java.util.List;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import keentally.core.geometry.Point;
import keentally.core.geometry.Segment;
import keentally.core.view.Viewport;

/**
 * A line with two ends: drawn by dragging, its ends dragged or moved by the arrow keys in tenths of a pixel (with Shift, whole
 * ones). It snaps level or upright when it is nearly so; Alt lets it lie as it is drawn.
 */
public final class LineTool implements StageTool {
    private static final double SNAP_DEGREES = 2.5;
    private static final double FINE = 0.1;
    private static final double SHORTEST = 2;

    private final ObjectProperty<Optional<Segment>> line = new SimpleObjectProperty<>(Optional.empty());
    private final Runnable onDone;

    /** Which end the hand holds: 0, 1, or −1. */
    private int held = -1;

    private int active = 1;
    private Optional<Segment> before = Optional.empty();

    /** @param onDone the line was drawn, or moved, and let go */
    public LineTool(Runnable onDone) {
        this.onDone = onDone;
    }

    public ObjectProperty<Optional<Segment>> line() {
        return line;
    }

    @Override
    public void place(Viewport view, Pane over) {
        MarkNodes marks = new MarkNodes(over, view);
        line.get().ifPresent(l -> {
            marks.line(List.of(l.from(), l.to()), "mark-line");
            tick(marks, view, l, l.from());
            tick(marks, view, l, l.to());
            marks.handle(l.from(), active == 0 ? "handle-active" : "handle-plain");
            marks.handle(l.to(), active == 1 ? "handle-active" : "handle-plain");
        });
    }

    /** A short stroke across the end, so that its place can be judged against the bar's. */
    private static void tick(MarkNodes marks, Viewport view, Segment l, Point at) {
        double length = l.length();
        if (length > 0) {
            double half = 11 / view.zoom() / length;
            double dx = -(l.to().y() - l.from().y()) * half;
            double dy = (l.to().x() - l.from().x()) * half;
            marks.line(List.of(new Point(at.x() - dx, at.y() - dy), new Point(at.x() + dx, at.y() + dy)), "mark-line");
        }
    }

    @Override
    public boolean pressed(Point at, double reach, MouseEvent e) {
        if (!e.isPrimaryButtonDown()) {
            return false;
        }
        before = line.get();
        held = line.get().map(l -> near(l, at, reach)).orElse(-1);
        if (held < 0) {
            line.set(Optional.of(new Segment(at, at)));
            held = 1;
        }
        active = held;
        return true;
    }

    private static int near(Segment l, Point at, double reach) {
        double from = StrictMath.hypot(l.from().x() - at.x(), l.from().y() - at.y());
        double to = StrictMath.hypot(l.to().x() - at.x(), l.to().y() - at.y());
        return Math.min(from, to) > reach ? -1 : from < to ? 0 : 1;
    }

    @Override
    public void dragged(Point at, MouseEvent e) {
        line.get().ifPresent(l -> {
            Point fixed = held == 0 ? l.to() : l.from();
            Point end = e.isAltDown() ? at : snapped(fixed, at);
            line.set(Optional.of(held == 0 ? new Segment(end, fixed) : new Segment(fixed, end)));
        });
    }

    private static Point snapped(Point fixed, Point at) {
        double dx = Math.abs(at.x() - fixed.x());
        double dy = Math.abs(at.y() - fixed.y());
        double limit = StrictMath.tan(StrictMath.toRadians(SNAP_DEGREES));
        if (dy <= limit * dx) {
            return new Point(at.x(), fixed.y());
        }
        return dx <= limit * dy ? new Point(fixed.x(), at.y()) : at;
    }

    /** A click beside the line, or a line without length, leaves the one before. */
    @Override
    public void released(Point at, MouseEvent e) {
        if (line.get().map(Segment::length).orElse(0.0) < SHORTEST) {
            line.set(before);
        }
        held = -1;
        onDone.run();
    }

    @Override
    public boolean giveUp() {
        boolean drawing = held >= 0;
        if (drawing) {
            line.set(before);
            held = -1;
        }
        return drawing;
    }

    @Override
    public boolean key(KeyEvent e) {
        if (line.get().isEmpty()) {
            return false;
        }
        double by = e.isShiftDown() ? 1 : FINE;
        boolean tool = switch (e.getCode()) {
            case LEFT -> nudge(-by, 0);
            case RIGHT -> nudge(by, 0);
            case UP -> nudge(0, -by);
            case DOWN -> nudge(0, by);
            default -> false;
        };
        if (tool) {
            onDone.run();
        }
        return tool;
    }

    private boolean nudge(double dx, double dy) {
        Segment l = line.get().orElseThrow();
        Point end = active == 0 ? l.from() : l.to();
        Point moved = new Point(tenth(end.x() + dx), tenth(end.y() + dy));
        line.set(Optional.of(active == 0 ? new Segment(moved, l.to()) : new Segment(l.from(), moved)));
        return true;
    }

    private static double tenth(double value) {
        return Math.rint(value * 100) / 100;
    }
}
