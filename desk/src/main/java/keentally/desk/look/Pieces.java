package keentally.desk.look;

import javafx.beans.property.ObjectProperty;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import javafx.scene.TraversalDirection;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import keentally.core.setting.ChoiceSetting;

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

    /** A number with its unit, never cut off. */
    public static Label figure(String id, String text) {
        Label label = new Label(text);
        label.setId(id);
        label.getStyleClass().addAll("figure", "number");
        label.setMinWidth(Region.USE_PREF_SIZE);
        return label;
    }

    /** One button a word, the chosen one down. @param key of their texts, and of their names */
    public static <E extends Enum<E>> HBox choices(String key, E[] all, ObjectProperty<E> chosen) {
        HBox row = new HBox();
        row.getStyleClass().add("choices");
        for (E each : all) {
            String word = key + "-" + ChoiceSetting.word(each);
            String text = key + "." + ChoiceSetting.word(each);
            ToggleButton button = new ToggleButton(Texts.of(text));
            button.setId(word);
            Tip.on(button, Texts.of(text + ".help"));
            button.setSelected(chosen.get() == each);
            button.setOnAction(e -> {
                button.setSelected(true);
                chosen.set(each);
            });
            chosen.addListener((o, was, is) -> button.setSelected(is == each));
            row.getChildren().add(button);
        }
        return row;
    }

    /** Tab goes on to the next control, as everywhere else, instead of into the text. */
    public static TextArea area(String text) {
        TextArea area = new TextArea(text);
        area.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.TAB && !e.isControlDown()) {
                area.requestFocusTraversal(e.isShiftDown() ? TraversalDirection.PREVIOUS : TraversalDirection.NEXT);
                e.consume();
            }
        });
        return area;
    }

    /** A value that outlives a node, heard only while the node stands in a window: what is taken away is let go of with its listeners. */
    public static <T> ObservableValue<T> whileSeen(Node node, ObservableValue<T> of) {
        return of.when(node.sceneProperty().map(scene -> true).orElse(false));
    }
}
