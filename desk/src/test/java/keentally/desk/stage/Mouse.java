package keentally.desk.stage;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import keentally.core.geometry.Point;

/** A hand with a mouse over a tool, without a stage; it may be off by four pixels. */
final class Mouse {
    static final double REACH = 4;

    private final StageTool tool;
    private MouseButton button = MouseButton.PRIMARY;
    private boolean shift;
    private boolean alt;
    private int clicks = 1;

    Mouse(StageTool tool) {
        this.tool = tool;
    }

    Mouse with(MouseButton other) {
        button = other;
        return this;
    }

    Mouse withShift(boolean held) {
        shift = held;
        return this;
    }

    Mouse withAlt(boolean held) {
        alt = held;
        return this;
    }

    private MouseEvent event(boolean down) {
        return new MouseEvent(
                down ? MouseEvent.MOUSE_PRESSED : MouseEvent.MOUSE_RELEASED,
                0,
                0,
                0,
                0,
                button,
                clicks,
                shift,
                false,
                alt,
                false,
                down && button == MouseButton.PRIMARY,
                down && button == MouseButton.MIDDLE,
                down && button == MouseButton.SECONDARY,
                false,
                false,
                true,
                null);
    }

    /** Whether the tool takes it. */
    boolean press(double x, double y) {
        return tool.pressed(new Point(x, y), REACH, event(true));
    }

    void drag(double x, double y) {
        tool.dragged(new Point(x, y), event(true));
    }

    void release(double x, double y) {
        tool.released(new Point(x, y), event(false));
    }

    boolean click(double x, double y) {
        boolean taken = press(x, y);
        if (taken) {
            release(x, y);
        }
        return taken;
    }

    boolean clickTwice(double x, double y) {
        click(x, y);
        clicks = 2;
        boolean taken = click(x, y);
        clicks = 1;
        return taken;
    }

    /** Over places, x and y in turn, with a few between any two. */
    boolean trace(double... places) {
        boolean taken = press(places[0], places[1]);
        List<Point> way = new ArrayList<>();
        for (int i = 2; i < places.length; i += 2) {
            for (int part = 1; part <= 4; part++) {
                double share = part / 4.0;
                way.add(new Point(
                        places[i - 2] + share * (places[i] - places[i - 2]),
                        places[i - 1] + share * (places[i + 1] - places[i - 1])));
            }
        }
        if (taken) {
            way.forEach(p -> drag(p.x(), p.y()));
            release(places[places.length - 2], places[places.length - 1]);
        }
        return taken;
    }

    /** Whether the key was the tool's. */
    boolean key(KeyCode code) {
        return tool.key(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, shift, false, alt, false));
    }
}
