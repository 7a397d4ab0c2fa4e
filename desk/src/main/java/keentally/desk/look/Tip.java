package keentally.desk.look;

import javafx.event.EventHandler;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;

/**
 * What is said of a part of the window while the mouse rests on it, and by a screen reader. A tooltip is a window of its own, and the desk
 * has some hundred of them: each is made when the mouse comes for the first time.
 */
public final class Tip {
    private static final String KEY = "keentally.tip";

    private Tip() {}

    /**
     * In the place of what was said before; the name of a button without words of its own.
     *
     * @param text empty where there is nothing to be said
     */
    public static void on(Node node, String text) {
        node.setAccessibleHelp(text.isEmpty() ? null : text);
        boolean wordless = node instanceof ButtonBase button
                && (button.getText() == null || button.getText().isBlank());
        if (wordless && node.getAccessibleText() == null && !text.isEmpty()) {
            node.setAccessibleText(text);
        }
        Object before = node.getProperties().put(KEY, text);
        if (before == null) {
            node.addEventHandler(MouseEvent.MOUSE_ENTERED, new Making(node));
        }
    }

    /** What is said of a node; empty where nothing is. */
    public static String of(Node node) {
        return node.getProperties().get(KEY) instanceof String text ? text : "";
    }

    /** Makes the tooltip once, and tells it what is to be said now each time that the mouse comes. */
    private static final class Making implements EventHandler<MouseEvent> {
        private final Node node;
        private Tooltip made;

        Making(Node node) {
            this.node = node;
        }

        @Override
        public void handle(MouseEvent e) {
            String text = of(node);
            if (text.isEmpty()) {
                Tooltip.uninstall(node, made);
                made = null;
            } else if (made == null) {
                made = new Tooltip(text);
                Tooltip.install(node, made);
            } else {
                made.setText(text);
            }
        }
    }
}
