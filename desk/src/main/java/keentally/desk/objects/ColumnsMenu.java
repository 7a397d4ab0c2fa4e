package keentally.desk.objects;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleGroup;
import keentally.core.colour.ChannelPlane;
import keentally.core.measure.Measure;
import keentally.core.measure.OwnColumn;
import keentally.core.quantity.LengthUnit;
import keentally.core.setting.ChoiceSetting;
import keentally.core.step.State;
import keentally.core.words.Words;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** Which columns the table of objects has: measures by what they tell about, and formulas of a person's own. */
final class ColumnsMenu extends MenuButton {
    private final DeskModel desk;

    ColumnsMenu(DeskModel desk) {
        super(Texts.of("objects.columns"));
        this.desk = desk;
        setId("columns");
        setMinWidth(USE_PREF_SIZE);
        setOnShowing(e -> list());
        list();
    }

    private void list() {
        getItems().clear();
        List<Measure> now = desk.method().measures();
        for (Measure.Group group : Measure.Group.values()) {
            Menu menu = new Menu(Texts.of("measures." + ChoiceSetting.word(group)));
            menu.setId("measures-" + ChoiceSetting.word(group));
            getItems().add(menu);
            for (Measure measure : Measure.of(group)) {
                menu.getItems().add(item(measure, now));
            }
        }
        getItems().addAll(new SeparatorMenuItem(), signal(), unit(), new SeparatorMenuItem());
        for (OwnColumn own : desk.method().own()) {
            MenuItem item = new MenuItem(Texts.of("own.edit", own.name()));
            item.setId("own-" + own.name());
            item.setOnAction(e -> OwnColumnDialog.change(getScene(), desk, own));
            getItems().add(item);
        }
        MenuItem another = new MenuItem(Texts.of("own.new"));
        another.setId("own-new");
        another.setOnAction(e -> OwnColumnDialog.add(getScene(), desk));
        getItems().add(another);
    }

    /** What brightness is taken from: never by accident from the channel that was cut. */
    private Menu signal() {
        Menu menu = new Menu(Texts.of("signal"));
        menu.setId("signal");
        List<String> words = new ArrayList<>(desk.open()
                .get()
                .map(o -> ChannelPlane.wordsFor(o.file().picture()))
                .orElse(List.of()));
        words.add(State.PREPARED);
        ToggleGroup group = new ToggleGroup();
        for (String word : words) {
            RadioMenuItem item = new RadioMenuItem(word.equals(State.PREPARED) ? Texts.of("signal.prepared") : word);
            item.setId("signal-" + word);
            item.setToggleGroup(group);
            item.setSelected(desk.method().signal().equals(word));
            item.setOnAction(e -> desk.change(Texts.of("action.signal"), m -> m.of(word)));
            menu.getItems().add(item);
        }
        return menu;
    }

    /** What the method's lengths and areas are told in. */
    private Menu unit() {
        Menu menu = new Menu(Texts.of("unit"));
        menu.setId("unit");
        ToggleGroup group = new ToggleGroup();
        for (LengthUnit unit : LengthUnit.values()) {
            RadioMenuItem item = new RadioMenuItem(unit.symbol());
            item.setId("unit-" + unit.id());
            item.setToggleGroup(group);
            item.setSelected(desk.method().unit() == unit);
            item.setDisable(unit.isReal() && desk.scale().isEmpty());
            item.setOnAction(e -> desk.change(Texts.of("action.unit"), m -> m.in(unit)));
            menu.getItems().add(item);
        }
        return menu;
    }

    private CheckMenuItem item(Measure measure, List<Measure> now) {
        CheckMenuItem item = new CheckMenuItem(Words.title(measure));
        item.setId("measure-" + measure.id());
        item.setSelected(now.contains(measure));
        item.setDisable(now.equals(List.of(measure)));
        item.setOnAction(e -> toggle(measure));
        return item;
    }

    private void toggle(Measure measure) {
        List<Measure> next = new ArrayList<>(desk.method().measures());
        if (!next.remove(measure)) {
            next.add(measure);
        }
        desk.change(Texts.of("action.columns"), m -> m.measuring(next));
    }
}
