package keentally.desk.view;

import javafx.collections.SetChangeListener;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import keentally.core.setting.ChoiceSetting;
import keentally.core.view.Look;
import keentally.desk.look.Texts;
import keentally.desk.stage.StageModel;

/** What is marked on the picture besides outlines: numbers, centres, boxes, changes; and how objects are coloured. */
final class MarksMenu extends MenuButton {
    MarksMenu(StageModel stage) {
        super(Texts.of("marks"));
        setId("marks");
        setFocusTraversable(false);
        for (Look.Mark mark : Look.Mark.values()) {
            String word = ChoiceSetting.word(mark);
            CheckMenuItem item = new CheckMenuItem(Texts.of("marks." + word));
            item.setId("mark-" + word);
            item.setSelected(stage.marks().contains(mark));
            item.setOnAction(e -> stage.toggle(mark));
            stage.marks().addListener((SetChangeListener<Look.Mark>)
                    c -> item.setSelected(stage.marks().contains(mark)));
            getItems().add(item);
        }
        CheckMenuItem mean = new CheckMenuItem(Texts.of("marks.mean"));
        mean.setId("mark-mean");
        mean.selectedProperty().bindBidirectional(stage.meanFill());
        MenuItem again = new MenuItem(Texts.of("marks.again"));
        again.setId("mark-again");
        again.setOnAction(e -> stage.again().set(stage.again().get() + 1));
        getItems().addAll(new SeparatorMenuItem(), mean, again);
    }
}
