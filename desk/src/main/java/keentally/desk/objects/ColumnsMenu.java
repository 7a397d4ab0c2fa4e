package keentally.desk.objects;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import keentally.core.measure.Measure;
import keentally.core.measure.OwnColumn;
import keentally.core.setting.ChoiceSetting;
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
            for (Measure measure : Measure.values()) {
                if (measure.group() == group) {
                    menu.getItems().add(item(measure, now));
                }
            }
        }
        getItems().add(new SeparatorMenuItem());
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
