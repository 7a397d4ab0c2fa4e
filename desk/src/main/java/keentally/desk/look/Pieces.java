package keentally.desk.look;

import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;

/** Small pieces that panels are put together from. */
public final class Pieces {
    private Pieces() {}

    /** The head of a part of a panel. @param key of its text */
    public static Label head(String key) {
        Label head = new Label(Texts.of(key));
        head.getStyleClass().add("section-head");
        return head;
    }

    /** The name of a field, never cut off. @param key of its text */
    public static Label name(String key) {
        Label name = new Label(Texts.of(key));
        name.setMinWidth(Region.USE_PREF_SIZE);
        return name;
    }

    /** A button that is never cut off. @param key of its text */
    public static Button button(String id, String key, Runnable does) {
        Button button = new Button(Texts.of(key));
        button.setId(id);
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(e -> does.run());
        return button;
    }
}
