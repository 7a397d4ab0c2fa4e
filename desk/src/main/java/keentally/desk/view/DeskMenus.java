package keentally.desk.view;

import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.property.BooleanProperty;
import javafx.event.Event;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuBar;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleGroup;
import keentally.core.setting.ChoiceSetting;
import keentally.core.view.Look;
import keentally.core.words.Words;
import keentally.desk.bring.TableDialog;
import keentally.desk.find.Commands;
import keentally.desk.find.FindCommand;
import keentally.desk.find.Places;
import keentally.desk.look.Ask;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Theme;
import keentally.desk.model.DeskModel;
import keentally.desk.model.MethodActions;
import keentally.desk.model.SampleActions;
import keentally.desk.objects.ObjectsPane;
import keentally.desk.picture.PictureModel;
import keentally.desk.picture.PictureModel.Section;
import keentally.desk.stage.StageModel;
import keentally.desk.station.StationActions;
import keentally.desk.station.StepMenus;
import keentally.study.Program;

/** The menus: Study, Sample, Method, Look, Help. */
final class DeskMenus {
    private final DeskWindow window;
    private final DeskModel desk;
    private final StageModel stage;
    private final PictureModel picture;
    private final StationActions stations;
    private final Commands commands = new Commands();
    private final FindCommand find;

    /** @param places what can be found besides commands */
    DeskMenus(DeskWindow window, DeskModel desk, StageModel stage, PictureModel picture, Places places) {
        this.find = new FindCommand(commands, places);
        this.window = window;
        this.desk = desk;
        this.stage = stage;
        this.picture = picture;
        this.stations = new StationActions(desk);
    }

    MenuBar bar() {
        MenuBar bar = new MenuBar(study(), sample(), method(), look(), help());
        bar.setUseSystemMenuBar(false);
        return bar;
    }

    private MenuItem item(String key, String keys, Runnable does) {
        return commands.item(key, keys, does);
    }

    private static Menu menu(String key, MenuItem... items) {
        Menu menu = new Menu(Texts.of("menu." + key));
        menu.setId("menu-" + key);
        menu.getItems().setAll(items);
        return menu;
    }

    private static MenuItem line() {
        return new SeparatorMenuItem();
    }

    private Menu study() {
        MenuItem undo = item("undo", "Shortcut+Z", desk::undo);
        MenuItem redo = item("redo", "Shortcut+Shift+Z", desk::redo);
        Menu recent = menu("recent");
        StudyDialogs studies = window.studies();
        Menu menu = menu(
                "study",
                item("study-new", "Shortcut+N", studies::newStudy),
                item("study-open", "Shortcut+Shift+O", studies::open),
                recent,
                line(),
                item("study-keep", "Shortcut+S", studies::keepAs),
                item("study-copy", "", studies::copy),
                item("study-pack", "", studies::pack),
                item("study-find", "", studies::findPictures),
                line(),
                item("open", "Shortcut+O", () -> window.comingIn().choosePictures()),
                item("folder", "", () -> window.comingIn().chooseFolder()),
                line(),
                item("series", "", () -> window.runSeries()),
                item("leave-out", "", () -> window.leaveOutChosen()),
                line(),
                undo,
                redo,
                item("copy", "Shortcut+C", () -> window.copy()),
                item("paste", "Shortcut+V", () -> window.paste()),
                line(),
                item("export", "Shortcut+E", () -> window.take().table()),
                taken(),
                item("sheets", "", () -> window.showSheets()),
                line(),
                item("preferences", "Shortcut+Comma", () -> window.askPreferences()),
                item("quit", "Shortcut+Q", () -> window.quit()));
        menu.addEventHandler(Menu.ON_SHOWING, (Event e) -> {
            name(undo, "undo", desk.undoable());
            name(redo, "redo", desk.redoable());
            recent.getItems().setAll(window.recent().stream().map(this::recent).toList());
            recent.setDisable(recent.getItems().isEmpty());
        });
        return menu;
    }

    private Menu taken() {
        Menu menu = menu("take");
        window.take()
                .all()
                .forEach((key, does) -> menu.getItems()
                        .add(commands.item(
                                "take-" + key,
                                Texts.of("take." + key),
                                Texts.find("take." + key + ".purpose").orElse(""),
                                does)));
        return menu;
    }

    private MenuItem recent(Path study) {
        MenuItem item = new MenuItem(study.toString());
        item.setMnemonicParsing(false);
        item.setOnAction(e -> window.studies().open(study));
        return item;
    }

    /** Keys must work whether or not the menu was ever shown, so items stay enabled; undo without anything to undo does nothing. */
    private static void name(MenuItem item, String key, Optional<String> what) {
        item.setText(what.map(w -> Texts.of("menu." + key + ".what", w)).orElse(Texts.of("menu." + key)));
    }

    private void go(Section section) {
        window.showBench();
        picture.go(section);
    }

    private void withSample(Consumer<String> does) {
        String id = desk.sampleId().get();
        if (!id.isEmpty()) {
            does.accept(id);
        }
    }

    private Menu sample() {
        SampleActions actions = picture.actions();
        return menu(
                "sample",
                item("facts", "", () -> go(Section.FACTS)),
                item("scale", "", () -> go(Section.SCALE)),
                item("field", "", () -> go(Section.FIELD)),
                item("histogram", "", () -> go(Section.HISTOGRAM)),
                line(),
                item("field-round", "", () -> picture.fields().findRound(0)),
                item("field-round-all", "", () -> picture.fields().findRoundInAll(0)),
                item("field-same", "", picture.fields()::sameForAll),
                item("field-caption", "", picture.fields()::leaveOutCaption),
                line(),
                item("table", "", () -> TableDialog.show(window.scene(), desk, "")),
                item("bring", "", () -> withSample(id -> window.comingIn().chooseMask())),
                line(),
                item("label", "", () -> withSample(id -> LabelDialog.ask(window.scene(), desk, actions, id))),
                item("watch-folder", "", () -> window.watchFolder()),
                item("join", "", () -> JoinDialog.ask(window.scene(), desk, actions)),
                item("sample-earlier", "", () -> withSample(id -> actions.move(id, -1))),
                item("sample-later", "", () -> withSample(id -> actions.move(id, 1))),
                item("sample-remove", "", () -> withSample(actions::remove)),
                line(),
                item("sample-before", "Shortcut+Up", () -> desk.showNext(-1)),
                item("sample-after", "Shortcut+Down", () -> desk.showNext(1)));
    }

    private Menu method() {
        Menu add = menu("add");
        add.getItems().addAll(StepMenus.of(step -> {
            String title = Words.title(step);
            MenuItem item =
                    commands.item("add-" + step.id(), Texts.of("menu.add.step", title), Words.question(step), () -> {
                        window.showBench();
                        stations.add(step);
                    });
            item.setText(title);
            return item;
        }));
        return menu(
                "method",
                item("show-how", "", () -> window.showHow()),
                item("method-open", "", () -> window.comingIn().chooseMethod()),
                item("method-save", "Shortcut+Shift+S", () -> window.saveMethod()),
                line(),
                item("method-new", "", () -> new MethodActions(desk).add()),
                item("method-copy", "", () -> withSample(id -> new MethodActions(desk).copy())),
                item("method-rename", "", () -> new MethodDialogs(desk).rename(window.scene())),
                item("method-lock", "", () -> new MethodDialogs(desk).lock(window.scene())),
                item("method-assign", "", () -> withSample(id -> new MethodDialogs(desk).assign(window.scene()))),
                item("method-remove", "", () -> new MethodDialogs(desk).remove(window.scene())),
                line(),
                item("starters", "", () -> {
                    go(Section.FACTS);
                    window.starters().ask();
                }),
                add,
                item("trial", "", () -> {
                    window.showBench();
                    window.trials().toggle();
                }),
                item(
                        "station-mute",
                        "Shortcut+M",
                        () -> stations.mute(desk.station().get())),
                item("station-earlier", "", () -> stations.move(desk.station().get(), -1)),
                item("station-later", "", () -> stations.move(desk.station().get(), 1)),
                item("station-remove", "", () -> stations.remove(desk.station().get())),
                line(),
                item("station-before", "Page Up", () -> stations.go(-1)),
                item("station-after", "Page Down", () -> stations.go(1)));
    }

    private static void turn(BooleanProperty what) {
        what.set(!what.get());
    }

    private Menu look() {
        return menu(
                "look",
                item("bench", "", () -> window.showBench()),
                item("training", "", () -> window.showTraining()),
                item("phases", "", () -> window.showPhases()),
                item("objects", "", () -> window.showObjects()),
                together(),
                item("ledger", "", () -> window.showLedger()),
                item("report", "", () -> window.showReport()),
                item("tally", "", () -> window.showTally()),
                item("compare", "", () -> window.showCompare()),
                line(),
                overlays(),
                marks(),
                item("ruler", "", () -> picture.ruling().set(!picture.ruling().get())),
                item("contrast-as-is", "", () -> stage.contrast().set(Optional.empty())),
                item("tray", "", () -> window.foldTray()),
                line(),
                item("two-views", "", () -> turn(window.pair().open())),
                item("two-views-swap", "", () -> turn(window.pair().swapped())),
                item("two-views-turn", "", () -> turn(window.pair().stacked())),
                line(),
                item("fit", "", () -> window.stage().fit()),
                item("real", "Shortcut+1", () -> window.stage().realPixels()),
                item("closer", "Shortcut+Plus", () -> window.stage().zoomBy(1.25)),
                item("farther", "Shortcut+Minus", () -> window.stage().zoomBy(0.8)),
                line(),
                item("theme", "", () -> window.put(window.theme() == Theme.DARK ? Theme.LIGHT : Theme.DARK)));
    }

    private Menu together() {
        Menu menu = menu("together");
        for (ObjectsPane.Together how : ObjectsPane.Together.values()) {
            String word = ChoiceSetting.word(how);
            menu.getItems()
                    .add(commands.item(
                            "see-" + word,
                            Texts.of("together." + word),
                            Texts.of("together." + word + ".help"),
                            () -> window.showObjects(how)));
        }
        return menu;
    }

    private Menu overlays() {
        Menu menu = menu("overlays");
        ToggleGroup group = new ToggleGroup();
        for (Look.Overlay overlay : Look.Overlay.values()) {
            String word = ChoiceSetting.word(overlay);
            RadioMenuItem item = new RadioMenuItem(Texts.of("overlay." + word));
            item.setToggleGroup(group);
            item.setSelected(stage.overlay().get() == overlay);
            item.setOnAction(e -> stage.overlay().set(overlay));
            stage.overlay().addListener((o, was, is) -> item.setSelected(is == overlay));
            commands.item(
                    "overlay-" + word,
                    Texts.of("overlay." + word),
                    Texts.of("overlay." + word + ".help"),
                    () -> stage.overlay().set(overlay));
            menu.getItems().add(item);
        }
        return menu;
    }

    private Menu marks() {
        Menu menu = menu("marks");
        for (Look.Mark mark : Look.Mark.values()) {
            String word = ChoiceSetting.word(mark);
            menu.getItems()
                    .add(commands.item(
                            "mark-" + word, Texts.of("marks." + word), Texts.of("marks"), () -> stage.toggle(mark)));
        }
        menu.getItems()
                .addAll(
                        commands.item(
                                "mean-fill", Texts.of("marks.mean"), Texts.of("marks"), () -> turn(stage.meanFill())),
                        commands.item(
                                "mark-bar",
                                Texts.of("marks.bar"),
                                Texts.of("bar.about"),
                                () -> ScaleBarDialog.ask(window.scene(), desk, stage)),
                        commands.item(
                                "colours-again",
                                Texts.of("marks.again"),
                                Texts.of("marks"),
                                () -> stage.again().set(stage.again().get() + 1)));
        return menu;
    }

    private Menu help() {
        return menu(
                "help",
                item("find", "Shortcut+F", () -> find.show(window.scene())),
                item("help-station", "F1", () -> window.showHelp()),
                item("why", "Shift+F1", () -> window.why()),
                item("help-page", "", () -> HelpPage.open(window.scene())),
                item("licences", "", () -> HelpPage.licences(window.scene())),
                item("keys", "", () -> tell(Texts.of("help.keys.title"), Texts.of("help.keys"))),
                item("about", "", () -> tell(Texts.of("help.about.title"), Texts.of("help.about", Program.VERSION))));
    }

    private void tell(String title, String text) {
        var prose = Prose.of(text, "help-text");
        prose.setPrefWidth(460);
        Ask.show(window.scene(), title, prose);
    }
}
