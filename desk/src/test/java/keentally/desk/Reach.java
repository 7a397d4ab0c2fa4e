package keentally.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import javafx.geometry.Bounds;
import javafx.scene.AccessibleAttribute;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Slider;
import javafx.scene.control.TableView;
import javafx.scene.control.TextInputControl;
import javafx.scene.layout.Pane;
import javafx.scene.text.Text;

/** What of a part of the window people cannot reach who do not see it, or see it enlarged: looked at on the interface thread. */
final class Reach {
    private static final double BLANK = 2;

    private Reach() {}

    /** Whether a node is worked with. */
    static boolean isControl(Node node) {
        return node instanceof ButtonBase
                || node instanceof ComboBoxBase<?>
                || node instanceof TextInputControl
                || node instanceof Slider
                || node instanceof TableView<?>
                || node instanceof ListView<?>;
    }

    /** Controls that a screen reader has no name for. */
    static Set<String> nameless(Node root) {
        Set<String> found = new TreeSet<>();
        for (Node control : controls(root)) {
            if (!hasName(control)) {
                found.add(control.getClass().getSimpleName() + " #" + control.getId() + " has no name");
            }
        }
        return found;
    }

    static boolean hasName(Node node) {
        if (isSaid(node.getAccessibleText()) || node instanceof Labeled l && isSaid(l.getText())) {
            return true;
        }
        return node.queryAccessibleAttribute(AccessibleAttribute.LABELED_BY) != null;
    }

    private static boolean isSaid(String text) {
        return text != null && !text.isBlank();
    }

    /** Controls in sight, not those inside of others. */
    static List<Node> controls(Node root) {
        List<Node> found = new ArrayList<>();
        collect(root, found);
        return found;
    }

    private static void collect(Node node, List<Node> found) {
        if (!node.isVisible()) {
            return;
        }
        if (isControl(node)) {
            found.add(node);
            return;
        }
        if (node instanceof Parent parent && !(node instanceof MenuBar)) {
            parent.getChildrenUnmodifiable().forEach(child -> collect(child, found));
        }
    }

    /** Buttons that are mostly blank below what they show. */
    static Set<String> blank(Node root) {
        Set<String> found = new TreeSet<>();
        for (Node control : controls(root)) {
            if (control instanceof Labeled button && button.getGraphic() instanceof Pane face) {
                double end = face.getChildren().stream()
                        .mapToDouble(c -> c.getBoundsInParent().getMaxY())
                        .max()
                        .orElse(0);
                if (face.getHeight() > BLANK * end) {
                    found.add("#" + button.getId() + " shows " + end + " px in " + face.getHeight());
                }
            }
        }
        return found;
    }

    /** Texts of which only a part is shown, or that lie beyond the window. */
    static Set<String> cutOff(Node root) {
        Set<String> found = new TreeSet<>();
        cutOff(root, false, found);
        return found;
    }

    /** @param scrolls whether what lies outside can be brought in */
    private static void cutOff(Node node, boolean scrolls, Set<String> found) {
        if (!node.isVisible() || node instanceof TableView<?> || node instanceof ListView<?>) {
            return; // cells may be widened, and scroll
        }
        if (node instanceof Labeled label && isSaid(label.getText()) && label.getWidth() > 0) {
            label.getChildrenUnmodifiable().stream()
                    .filter(Text.class::isInstance)
                    .map(Text.class::cast)
                    .filter(t -> t.isVisible() && !t.getText().equals(label.getText()))
                    .filter(t -> t.getText().endsWith("…") || t.getText().endsWith("..."))
                    .filter(t -> !label.getText().endsWith(t.getText()))
                    .forEach(t -> found.add("“" + label.getText() + "” is shown as “" + t.getText() + "”"));
        }
        if (!scrolls && node instanceof Labeled label && isSaid(label.getText()) && isBeyond(label)) {
            found.add("“" + label.getText() + "” lies beyond the window");
        }
        if (node instanceof Parent parent) {
            boolean within = scrolls || node instanceof ScrollPane;
            parent.getChildrenUnmodifiable().forEach(child -> cutOff(child, within, found));
        }
    }

    private static boolean isBeyond(Labeled label) {
        Bounds bounds = label.localToScene(label.getBoundsInLocal());
        return label.getScene() != null
                && label.getWidth() > 0
                && (bounds.getMaxX() > label.getScene().getWidth() + 1 || bounds.getMinX() < -1);
    }
}
