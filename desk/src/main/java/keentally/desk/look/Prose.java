package keentally.desk.look;

import javafx.scene.control.Label;
import javafx.scene.layout.Region;

/** Text that may take several lines and is never cut off. */
public final class Prose {
    private Prose() {}

    /** @param style a class of the style sheet: {@code question}, {@code hint}, {@code complaint}, {@code headline} */
    public static Label of(String text, String style) {
        Label label = new Label(text);
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        label.getStyleClass().add(style);
        return label;
    }

    /** So wide, whatever is around it: a button asks how high what it shows is without saying how wide it will be. */
    public static Label of(String text, String style, double width) {
        Label label = of(text, style);
        label.setMinWidth(width);
        label.setMaxWidth(width);
        return label;
    }

    /** A complaint that takes no room until there is one. */
    public static Label complaint() {
        Label label = of("", "complaint");
        label.managedProperty().bind(label.visibleProperty());
        label.setVisible(false);
        return label;
    }
}
