package keentally.desk.view;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.collections.SetChangeListener;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleGroup;
import keentally.core.setting.ChoiceSetting;
import keentally.core.view.Look;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.StageModel;

/** What is marked on the picture besides outlines: numbers, centres, boxes, changes; and how objects are coloured. */
final class MarksMenu extends MenuButton {
    MarksMenu(DeskModel desk, StageModel stage) {
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
        Menu others = new Menu(Texts.of("marks.other"));
        others.setId("mark-other");
        MenuItem bar = new MenuItem(Texts.of("marks.bar"));
        bar.setId("mark-bar");
        bar.setOnAction(e -> ScaleBarDialog.ask(getScene(), desk, stage));
        getItems().addAll(new SeparatorMenuItem(), mean, again, new SeparatorMenuItem(), others, bar);
        setOnShowing(e -> list(desk, stage, others));
        list(desk, stage, others);
    }

    private static String title(String other) {
        return switch (other) {
            case StageModel.BEFORE -> Texts.of("marks.other.before");
            case StageModel.SECOND -> Texts.of("marks.other.second");
            default -> other;
        };
    }

    /** Masks whose outline can be laid over: none, the one before, those set aside. */
    private static void list(DeskModel desk, StageModel stage, Menu others) {
        ToggleGroup group = new ToggleGroup();
        List<Optional<String>> all = new ArrayList<>(List.of(Optional.empty(), Optional.of(StageModel.BEFORE)));
        stage.beside().get().ifPresent(m -> all.add(Optional.of(StageModel.SECOND)));
        desk.shown()
                .get()
                .map(s -> s.run().last().aside().keySet())
                .ifPresent(names -> names.forEach(n -> all.add(Optional.of(n))));
        others.getItems().clear();
        for (Optional<String> other : all) {
            String title = other.map(MarksMenu::title).orElse(Texts.of("marks.other.none"));
            RadioMenuItem item = new RadioMenuItem(title);
            item.setId("mark-other-"
                    + other.map(n -> n.isBlank() ? n.isEmpty() ? "before" : "second" : n)
                            .orElse("none"));
            item.setToggleGroup(group);
            item.setSelected(stage.other().get().equals(other));
            item.setOnAction(e -> stage.other().set(other));
            others.getItems().add(item);
        }
    }
}
