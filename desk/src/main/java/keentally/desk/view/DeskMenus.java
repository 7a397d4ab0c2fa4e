package keentally.desk.view;

import java.util.Optional;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.scene.control.Alert;
import javafx.scene.control.ButtonType;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuBar;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyCombination;
import keentally.core.setting.ChoiceSetting;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.core.view.Layers;
import keentally.core.words.Words;
import keentally.desk.look.Texts;
import keentally.desk.look.Theme;
import keentally.desk.model.DeskModel;
import keentally.desk.model.SampleActions;
import keentally.desk.stage.StageModel;
import keentally.desk.station.StationActions;
import keentally.study.Program;

/** The menus: Study, Sample, Method, Look, Help. */
final class DeskMenus {
    private final DeskWindow window;
    private final DeskModel desk;
    private final StageModel stage;
    private final StationActions stations;

    DeskMenus(DeskWindow window, DeskModel desk, StageModel stage) {
        this.window = window;
        this.desk = desk;
        this.stage = stage;
        this.stations = new StationActions(desk);
    }

    MenuBar bar() {
        MenuBar bar = new MenuBar(study(), sample(), method(), look(), help());
        bar.setUseSystemMenuBar(false);
        return bar;
    }

    private static MenuItem item(String key, String keys, Runnable does) {
        MenuItem item = new MenuItem(Texts.of("menu." + key));
        item.setId("menu-" + key);
        if (!keys.isEmpty()) {
            item.setAccelerator(KeyCombination.keyCombination(keys));
        }
        item.setOnAction(e -> does.run());
        return item;
    }

    private static Menu menu(String key, MenuItem... items) {
        Menu menu = new Menu(Texts.of("menu." + key));
        menu.setId("menu-" + key);
        menu.getItems().setAll(items);
        return menu;
    }

    private Menu study() {
        MenuItem undo = item("undo", "Shortcut+Z", desk::undo);
        MenuItem redo = item("redo", "Shortcut+Shift+Z", desk::redo);
        Menu menu = menu(
                "study",
                item("open", "Shortcut+O", () -> window.choosePictures()),
                new SeparatorMenuItem(),
                undo,
                redo,
                new SeparatorMenuItem(),
                item("export", "Shortcut+E", () -> window.exportTable()),
                new SeparatorMenuItem(),
                item("quit", "Shortcut+Q", () -> window.quit()));
        menu.addEventHandler(Menu.ON_SHOWING, (Event e) -> {
            name(undo, "undo", desk.undoable());
            name(redo, "redo", desk.redoable());
        });
        return menu;
    }

    /** Keys must work whether or not the menu was ever shown, so items stay enabled; undo without anything to undo does nothing. */
    private static void name(MenuItem item, String key, Optional<String> what) {
        item.setText(what.map(w -> Texts.of("menu." + key + ".what", w)).orElse(Texts.of("menu." + key)));
    }

    private Menu sample() {
        return menu(
                "sample",
                item("scale", "", () -> {
                    window.showBench();
                    desk.station().set(DeskModel.PICTURE);
                }),
                new SeparatorMenuItem(),
                item("sample-before", "Shortcut+Up", () -> desk.showNext(-1)),
                item("sample-after", "Shortcut+Down", () -> desk.showNext(1)),
                new SeparatorMenuItem(),
                item("sample-remove", "", () -> {
                    if (!desk.sampleId().get().isEmpty()) {
                        new SampleActions(desk, Platform::runLater)
                                .remove(desk.sampleId().get());
                    }
                }));
    }

    private Menu method() {
        Menu add = menu("add");
        for (StepDescription step : Steps.all()) {
            MenuItem item = new MenuItem(Words.title(step));
            item.setOnAction(e -> stations.add(step));
            add.getItems().add(item);
        }
        return menu(
                "method",
                item("method-open", "", () -> window.chooseMethod()),
                item("method-save", "Shortcut+Shift+S", () -> window.saveMethod()),
                new SeparatorMenuItem(),
                add,
                item(
                        "station-mute",
                        "Shortcut+M",
                        () -> stations.mute(desk.station().get())),
                item("station-earlier", "", () -> stations.move(desk.station().get(), -1)),
                item("station-later", "", () -> stations.move(desk.station().get(), 1)),
                item("station-remove", "", () -> stations.remove(desk.station().get())),
                new SeparatorMenuItem(),
                item("station-before", "Page_Up", () -> stations.go(-1)),
                item("station-after", "Page_Down", () -> stations.go(1)));
    }

    private Menu look() {
        ToggleGroup overlays = new ToggleGroup();
        Menu menu = menu(
                "look",
                item("bench", "", () -> window.showBench()),
                item("objects", "", () -> window.showObjects()),
                new SeparatorMenuItem());
        for (Layers.Overlay overlay : Layers.Overlay.values()) {
            RadioMenuItem item = new RadioMenuItem(Texts.of("overlay." + ChoiceSetting.word(overlay)));
            item.setToggleGroup(overlays);
            item.setSelected(stage.overlay().get() == overlay);
            item.setOnAction(e -> stage.overlay().set(overlay));
            stage.overlay().addListener((o, was, is) -> item.setSelected(is == overlay));
            menu.getItems().add(item);
        }
        menu.getItems()
                .addAll(
                        new SeparatorMenuItem(),
                        item("fit", "", () -> window.stage().fit()),
                        item("real", "Shortcut+1", () -> window.stage().realPixels()),
                        item("closer", "Shortcut+Plus", () -> window.stage().zoomBy(1.25)),
                        item("farther", "Shortcut+Minus", () -> window.stage().zoomBy(0.8)),
                        new SeparatorMenuItem(),
                        item("theme", "", () -> window.put(window.theme() == Theme.DARK ? Theme.LIGHT : Theme.DARK)));
        return menu;
    }

    private Menu help() {
        return menu(
                "help",
                item("keys", "F1", () -> tell(Texts.of("help.keys.title"), Texts.of("help.keys"))),
                item("about", "", () -> tell(Texts.of("help.about.title"), Texts.of("help.about", Program.VERSION))));
    }

    private void tell(String title, String text) {
        Alert alert = new Alert(Alert.AlertType.NONE, text, ButtonType.CLOSE);
        alert.initOwner(window.stage().getScene().getWindow());
        alert.setTitle(title);
        alert.setHeaderText(title);
        alert.getDialogPane()
                .getScene()
                .getStylesheets()
                .setAll(window.stage().getScene().getStylesheets());
        alert.show();
    }
}
