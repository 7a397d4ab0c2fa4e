package keentally.desk.tally;

import java.util.List;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import keentally.core.geometry.Point;
import keentally.core.geometry.Rectangle;
import keentally.core.view.Viewport;
import keentally.desk.stage.MarkNodes;
import keentally.desk.stage.StageTool;

/**
 * Counts with the mouse: a click counts what is there, a drag moves a mark, the other button takes the mark under it away. Number keys
 * choose the class, Delete takes the mark under the pointer, Backspace the last one; Enter goes on to the next cell of the sweep, with
 * Shift to the one before. Shift and the middle button move the picture.
 */
final class TallyTool implements StageTool {
    /** How far from a mark the pointer still means it, in pixels of the window. */
    private static final double REACH = 8;

    private static final double INSET = 12;

    private final TallyModel model;
    private double zoom = 1;
    private int held = -1;
    private Point now;
    private Point pointer = new Point(0, 0);

    TallyTool(TallyModel model) {
        this.model = model;
    }

    @Override
    public void place(Viewport view, Pane over) {
        zoom = view.zoom();
        MarkNodes nodes = new MarkNodes(over, view);
        model.sweep().get().ifPresent(s -> {
            model.visited().forEach(i -> tick(nodes, view, s.cells().get(i)));
            Rectangle c = s.cells().get(model.cell().get());
            nodes.outline(
                    List.of(
                            new Point(c.x(), c.y()),
                            new Point(c.right(), c.y()),
                            new Point(c.right(), c.bottom()),
                            new Point(c.x(), c.bottom())),
                    "mark-line");
        });
        if (now != null) {
            nodes.handle(now, "handle-marker");
        }
    }

    /** In the upper left corner of a cell that was looked at, where it is in sight and large enough. */
    private static void tick(MarkNodes nodes, Viewport view, Rectangle cell) {
        double x = cell.x() + INSET / view.zoom();
        double y = cell.y() + INSET / view.zoom();
        boolean seen = view.windowX(x) > 0
                && view.windowY(y) > 0
                && view.windowX(x) < view.width()
                && view.windowY(y) < view.height();
        if (seen && Math.min(cell.width(), cell.height()) * view.zoom() > 3 * INSET) {
            double step = INSET / 3 / view.zoom();
            nodes.line(
                    List.of(new Point(x, y), new Point(x + step, y + step), new Point(x + 3 * step, y - step)),
                    "mark-line");
        }
    }

    @Override
    public boolean pressed(Point at, double within, MouseEvent e) {
        if (e.getButton() == MouseButton.MIDDLE || e.isShiftDown()) {
            return false;
        }
        int near = model.marks().nearest(at, within);
        if (e.getButton() == MouseButton.SECONDARY) {
            if (near >= 0) {
                model.remove(near);
            }
            return true;
        }
        held = near;
        now = near >= 0 ? model.marks().list().get(near).at() : at;
        return true;
    }

    @Override
    public void dragged(Point at, MouseEvent e) {
        now = now == null ? null : at;
    }

    @Override
    public void moved(Point at) {
        pointer = at;
    }

    @Override
    public void released(Point at, MouseEvent e) {
        Point last = now;
        int of = held;
        giveUp();
        if (last == null) {
            return;
        }
        if (of < 0) {
            model.place(last);
        } else if (of < model.marks().list().size()
                && !model.marks().list().get(of).at().equals(last)) {
            model.move(of, last);
        }
    }

    @Override
    public boolean giveUp() {
        boolean drawing = now != null;
        now = null;
        held = -1;
        return drawing;
    }

    @Override
    public boolean key(KeyEvent e) {
        if (e.isShortcutDown() || e.isAltDown()) {
            return false;
        }
        return switch (e.getCode()) {
            case DELETE -> {
                int near = model.marks().nearest(pointer, REACH / zoom);
                if (near >= 0) {
                    model.remove(near);
                }
                yield true;
            }
            case BACK_SPACE -> {
                model.removeLast();
                yield true;
            }
            case ENTER -> {
                boolean sweeping = model.sweep().get().isPresent();
                model.step(e.isShiftDown() ? -1 : 1);
                yield sweeping;
            }
            default -> e.getCode().isDigitKey() && model.choose(digit(e));
        };
    }

    private static int digit(KeyEvent e) {
        String name = e.getCode().getName();
        return List.of("1", "2", "3", "4", "5", "6", "7", "8", "9").indexOf(name.substring(name.length() - 1)) + 1;
    }
}
