package keentally.desk.view;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Toggle;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.VBox;
import keentally.desk.look.Texts;

/** The words at the left, one for each view of the desk. */
final class Rail extends VBox {
    private final ToggleGroup words = new ToggleGroup();
    private final Consumer<DeskView> onShow;

    Rail(List<DeskView> views, Consumer<DeskView> onShow) {
        this.onShow = onShow;
        getStyleClass().add("rail");
        views.forEach(v -> getChildren().add(word(v)));
    }

    private ToggleButton word(DeskView view) {
        ToggleButton word = new ToggleButton(Texts.of("view." + view.id()));
        word.setId("view-" + view.id());
        word.setUserData(view);
        word.getStyleClass().setAll("rail-word");
        word.setToggleGroup(words);
        word.setOnAction(e -> show(view));
        return word;
    }

    /** Shows a view of the list. Putting away what was there may ask for another view; this one comes last. */
    void show(DeskView view) {
        view.entering().run();
        for (Toggle word : words.getToggles()) {
            word.setSelected(word.getUserData() == view);
        }
        onShow.accept(view);
    }
}
