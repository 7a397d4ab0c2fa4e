package keentally.desk.stage;

import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Rectangle;
import keentally.core.geometry.Shape;
import keentally.core.picture.Field;
import keentally.core.view.Viewport;

/** Shapes drawn on the picture, added or taken away, chosen, moved and reshaped by handles. */
public final class ShapesTool implements StageTool {
    private static final double SIMPLER = 0.7;
    private static final double FREEHAND_STEP = 1.5;

    /** What pressing the mouse begins. */
    public enum Hand {
        CHOOSE,
        RECTANGLE,
        ELLIPSE,
        POLYGON,
        FREEHAND
    }

    private final ObjectProperty<List<Field.Part>> parts = new SimpleObjectProperty<>(List.of());
    private final IntegerProperty chosen = new SimpleIntegerProperty(-1);
    private final ObjectProperty<Hand> hand = new SimpleObjectProperty<>(Hand.CHOOSE);
    private final BooleanProperty takingAway = new SimpleBooleanProperty();
    private final Runnable onDone;
    private final boolean single;

    private final List<Point> path = new ArrayList<>();
    private Point start;
    private Point hover;
    private int handle = -1;
    private double zoom = 1;
    private List<Field.Part> before = List.of();

    /**
     * @param single whether a new shape takes the place of the one before
     * @param onDone the shapes were changed and let go
     */
    public ShapesTool(boolean single, Runnable onDone) {
        this.single = single;
        this.onDone = onDone;
        hand.addListener(o -> {
            path.clear();
            hover = null;
        });
    }

    public ObjectProperty<List<Field.Part>> parts() {
        return parts;
    }

    /** The place of the chosen shape; −1 for none. */
    public IntegerProperty chosen() {
        return chosen;
    }

    public ObjectProperty<Hand> hand() {
        return hand;
    }

    /** Whether the next shape is taken away from what there is. */
    public BooleanProperty takingAway() {
        return takingAway;
    }

    @Override
    public void place(Viewport view, Pane over) {
        zoom = view.zoom();
        MarkNodes marks = new MarkNodes(over, view);
        for (int i = 0; i < parts.get().size(); i++) {
            Field.Part part = parts.get().get(i);
            marks.outline(ShapeHandles.outline(part.shape()), part.takenAway() ? "mark-away" : "mark-line");
        }
        if (chosen.get() >= 0 && chosen.get() < parts.get().size()) {
            ShapeHandles.of(parts.get().get(chosen.get()).shape()).forEach(h -> marks.handle(h, "handle-plain"));
        }
        if (!path.isEmpty()) {
            List<Point> line = new ArrayList<>(path);
            if (hover != null) {
                line.add(hover);
            }
            marks.line(line, takingAway.get() ? "mark-away" : "mark-line");
            marks.handle(path.getFirst(), "handle-active");
        }
    }

    @Override
    public boolean pressed(Point at, double reach, MouseEvent e) {
        if (!e.isPrimaryButtonDown()) {
            return false;
        }
        before = parts.get();
        start = at;
        return switch (hand.get()) {
            case CHOOSE -> choose(at, reach);
            case RECTANGLE, ELLIPSE, FREEHAND -> {
                path.clear();
                path.add(at);
                yield true;
            }
            case POLYGON -> {
                corner(at, reach, e.getClickCount() > 1);
                yield true;
            }
        };
    }

    private boolean choose(Point at, double reach) {
        handle = -1;
        if (chosen.get() >= 0 && chosen.get() < parts.get().size()) {
            List<Point> handles = ShapeHandles.of(parts.get().get(chosen.get()).shape());
            for (int i = 0; i < handles.size(); i++) {
                if (StrictMath.hypot(handles.get(i).x() - at.x(), handles.get(i).y() - at.y()) <= reach) {
                    handle = i;
                    return true;
                }
            }
        }
        for (int i = parts.get().size() - 1; i >= 0; i--) {
            if (parts.get().get(i).shape().contains(at.x(), at.y())) {
                chosen.set(i);
                return true;
            }
        }
        chosen.set(-1);
        return false;
    }

    /** A click near the first corner, or a double click, closes the polygon. */
    private void corner(Point at, double reach, boolean twice) {
        boolean closes = path.size() >= 3
                && (twice
                        || StrictMath.hypot(
                                        path.getFirst().x() - at.x(),
                                        path.getFirst().y() - at.y())
                                <= reach);
        if (closes) {
            closePolygon();
        } else if (!twice) {
            path.add(at);
        }
    }

    private void closePolygon() {
        Polygon polygon = new Polygon(path);
        path.clear();
        hover = null;
        put(polygon);
    }

    private void put(Shape shape) {
        List<Field.Part> next = single ? new ArrayList<>() : new ArrayList<>(parts.get());
        next.add(new Field.Part(shape, takingAway.get()));
        parts.set(List.copyOf(next));
        chosen.set(next.size() - 1);
        if (!single) {
            hand.set(Hand.CHOOSE);
        }
        onDone.run();
    }

    @Override
    public void dragged(Point at, MouseEvent e) {
        switch (hand.get()) {
            case CHOOSE -> reshape(at);
            case FREEHAND -> {
                Point last = path.getLast();
                if (StrictMath.hypot(at.x() - last.x(), at.y() - last.y()) * zoom > FREEHAND_STEP) {
                    path.add(at);
                }
            }
            case RECTANGLE, ELLIPSE -> {
                path.clear();
                path.addAll(ShapeHandles.outline(spanned(at, e.isShiftDown())));
                path.add(path.getFirst());
            }
            case POLYGON -> hover = at;
        }
    }

    private Shape spanned(Point at, boolean even) {
        double w = at.x() - start.x();
        double h = at.y() - start.y();
        double side = Math.max(Math.abs(w), Math.abs(h));
        Point corner = even ? new Point(start.x() + Math.copySign(side, w), start.y() + Math.copySign(side, h)) : at;
        Rectangle box = ShapeHandles.spanned(start, corner);
        return hand.get() == Hand.RECTANGLE
                ? box
                : new Ellipse(
                        box.x() + box.width() / 2, box.y() + box.height() / 2, box.width() / 2, box.height() / 2, 0);
    }

    private void reshape(Point at) {
        int i = chosen.get();
        if (i < 0 || i >= before.size()) {
            return;
        }
        Field.Part part = before.get(i);
        Shape shape = handle >= 0
                ? ShapeHandles.moved(part.shape(), handle, at)
                : ShapeHandles.shifted(part.shape(), at.x() - start.x(), at.y() - start.y());
        replace(i, shape);
    }

    private void replace(int i, Shape shape) {
        List<Field.Part> next = new ArrayList<>(before);
        next.set(i, new Field.Part(shape, before.get(i).takenAway()));
        parts.set(List.copyOf(next));
    }

    @Override
    public void released(Point at, MouseEvent e) {
        boolean drawn = StrictMath.hypot(at.x() - start.x(), at.y() - start.y()) * zoom > 3;
        switch (hand.get()) {
            case CHOOSE -> {
                handle = -1;
                if (!parts.get().equals(before)) {
                    onDone.run();
                }
            }
            case RECTANGLE, ELLIPSE -> {
                path.clear();
                if (drawn) {
                    put(spanned(at, e.isShiftDown()));
                }
            }
            case FREEHAND -> {
                List<Point> line = ShapeHandles.simplified(List.copyOf(path), SIMPLER / zoom);
                path.clear();
                if (line.size() >= 3) {
                    put(new Polygon(line));
                }
            }
            case POLYGON -> {}
        }
    }

    @Override
    public void moved(Point at) {
        if (hand.get() == Hand.POLYGON && !path.isEmpty()) {
            hover = at;
        }
    }

    @Override
    public boolean key(KeyEvent e) {
        double by = e.isShiftDown() ? 10 : 1;
        return switch (e.getCode()) {
            case LEFT -> nudge(-by, 0);
            case RIGHT -> nudge(by, 0);
            case UP -> nudge(0, -by);
            case DOWN -> nudge(0, by);
            case DELETE, BACK_SPACE -> remove();
            case ENTER -> {
                boolean closes = path.size() >= 3 && hand.get() == Hand.POLYGON;
                if (closes) {
                    closePolygon();
                }
                yield closes;
            }
            default -> false;
        };
    }

    /** Also lays the drawing hand down. */
    @Override
    public boolean giveUp() {
        boolean drawing = !path.isEmpty() || !single && hand.get() != Hand.CHOOSE;
        path.clear();
        hover = null;
        if (!single) {
            hand.set(Hand.CHOOSE);
        }
        return drawing;
    }

    private boolean nudge(double dx, double dy) {
        int i = chosen.get();
        if (i < 0 || i >= parts.get().size()) {
            return false;
        }
        before = parts.get();
        replace(i, ShapeHandles.shifted(before.get(i).shape(), dx, dy));
        onDone.run();
        return true;
    }

    private boolean remove() {
        int i = chosen.get();
        if (i < 0 || i >= parts.get().size()) {
            return false;
        }
        List<Field.Part> next = new ArrayList<>(parts.get());
        next.remove(i);
        chosen.set(-1);
        parts.set(List.copyOf(next));
        onDone.run();
        return true;
    }
}
