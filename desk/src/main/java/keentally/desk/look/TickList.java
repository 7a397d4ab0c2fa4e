package keentally.desk.look;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.Scene;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Asks which ones of several things, each a line with a tick. */
public final class TickList {
    private static final double WIDTH = 460;
    private static final double MOST_HEIGHT = 360;
    private static final int FEW = 3;

    private final Map<String, CheckBox> boxes = new LinkedHashMap<>();

    /** @param id of the control, and what {@link #ask} answers with */
    public void add(String id, String text, boolean ticked) {
        CheckBox box = new CheckBox(text);
        box.setId("tick-" + id);
        box.setWrapText(true);
        box.setSelected(ticked);
        boxes.put(id, box);
    }

    /** The ids that are ticked; none where the person left. */
    public List<String> ask(Scene owner, String title, String about, String yes) {
        return Ask.that(owner, title, content(about), yes) ? ticked() : List.of();
    }

    /** @param take told of the ids that are ticked, until it can take them; throws IllegalArgumentException with a sentence */
    public void until(Scene owner, String title, String about, String yes, Consumer<List<String>> take) {
        Ask.until(owner, title, content(about), yes, () -> take.accept(ticked()));
    }

    private VBox content(String about) {
        VBox list = new VBox(8);
        list.getChildren().setAll(boxes.values());
        ScrollPane scroll = new ScrollPane(list);
        scroll.setFitToWidth(true);
        scroll.setMaxHeight(MOST_HEIGHT);
        HBox ways = new HBox(
                8,
                Pieces.button("tick-all", "tick.all", () -> boxes.values().forEach(b -> b.setSelected(true))),
                Pieces.button("tick-none", "tick.none", () -> boxes.values().forEach(b -> b.setSelected(false))));
        VBox content = new VBox(12, Prose.of(about, "hint"), scroll);
        if (boxes.size() > FEW) {
            content.getChildren().add(1, ways);
        }
        content.setPrefWidth(WIDTH);
        return content;
    }

    private List<String> ticked() {
        return boxes.keySet().stream().filter(id -> boxes.get(id).isSelected()).toList();
    }
}
