package keentally.desk.view;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.Scene;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;
import keentally.desk.look.Ask;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.SampleActions;
import keentally.study.document.Thing.SampleThing;

/** Which grey samples become the channels of one more sample. */
final class JoinDialog {
    private static final double MOST_HEIGHT = 320;

    private JoinDialog() {}

    static void ask(Scene owner, DeskModel desk, SampleActions actions) {
        Map<String, CheckBox> boxes = new LinkedHashMap<>();
        VBox list = new VBox(6);
        for (String id : desk.study().get().samples()) {
            SampleThing sample = desk.study().get().sample(id).orElseThrow();
            if (!sample.picture().isComposed()) {
                CheckBox box = new CheckBox(sample.name());
                box.setId("join-" + id);
                boxes.put(id, box);
                list.getChildren().add(box);
            }
        }
        ScrollPane scroll = new ScrollPane(list);
        scroll.setFitToWidth(true);
        scroll.setMaxHeight(MOST_HEIGHT);
        VBox content = new VBox(10, Prose.of(Texts.of("join.about"), "hint"), scroll);
        content.setPrefWidth(420);
        if (Ask.that(owner, Texts.of("join.title"), content, Texts.of("join.yes"))) {
            List<String> chosen = boxes.keySet().stream()
                    .filter(id -> boxes.get(id).isSelected())
                    .toList();
            if (chosen.size() < 2) {
                desk.say(Texts.of("join.too-few"));
                return;
            }
            try {
                actions.join(chosen);
            } catch (IllegalArgumentException e) {
                desk.say(Texts.of("complaint", e.getMessage()));
            }
        }
    }
}
