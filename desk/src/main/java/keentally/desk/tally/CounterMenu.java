package keentally.desk.tally;

import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import keentally.core.words.Figures;
import keentally.desk.look.Ask;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;

/** What can be done to a counter: another name, or all their marks taken out. */
final class CounterMenu extends MenuButton {
    private final TallyModel model;

    CounterMenu(TallyModel model) {
        super(Texts.of("tally.counter.more"));
        this.model = model;
        setId("tally-counter-more");
        setMinWidth(USE_PREF_SIZE);
        getItems().addAll(item("rename", this::rename), item("remove", this::remove));
    }

    private static MenuItem item(String key, Runnable does) {
        MenuItem item = new MenuItem(Texts.of("tally.counter." + key));
        item.setId("tally-counter-" + key);
        item.setOnAction(e -> does.run());
        return item;
    }

    private void rename() {
        String before = model.counter().get();
        TextField name = new TextField(before);
        name.setId("counter-name");
        Ask.until(getScene(), Texts.of("tally.counter.rename"), name, Texts.of("tally.counter.rename.yes"), () -> {
            model.actions().renameCounter(before, name.getText());
            model.counter().set(name.getText().strip());
        });
    }

    private void remove() {
        String who = model.counter().get();
        int marks = model.actions().marksBy(who);
        boolean sure = marks > 0
                && Ask.that(
                        getScene(),
                        Texts.of("tally.counter.remove"),
                        Prose.of(Texts.of("tally.counter.remove.sure", who, Figures.number(marks)), "help-text"),
                        Texts.of("tally.counter.remove.yes"));
        if (sure) {
            model.actions().removeCounter(who);
        }
    }
}
