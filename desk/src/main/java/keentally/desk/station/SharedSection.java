package keentally.desk.station;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.method.Departures.Departure;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.setting.Setting;
import keentally.core.words.SettingWords;
import keentally.core.words.Words;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;
import keentally.desk.model.MethodActions;

/** Nobody changes other samples without knowing: how many share the station, what this one has of its own, and the ways to part from them. */
final class SharedSection extends VBox {
    private final DeskModel desk;

    /** What the sample on the stage has of its own at a station. */
    SharedSection(DeskModel desk, MethodStep step) {
        this.desk = desk;
        setSpacing(6);
        desk.departures().of(step.id()).forEach(d -> getChildren().add(own(d, step)));
        managedProperty().bind(visibleProperty());
        setVisible(!getChildren().isEmpty());
    }

    /** Whom a change concerns, where the method is used on several samples. */
    static Optional<HBox> who(DeskModel desk) {
        MethodActions methods = new MethodActions(desk);
        int users = methods.users(desk.methodId()).size();
        if (users < 2) {
            return Optional.empty();
        }
        CheckBox here = new CheckBox(Texts.of("only-here", String.valueOf(users)));
        here.setId("only-here");
        here.setMinWidth(USE_PREF_SIZE);
        Tip.on(here, Texts.of("only-here.help", String.valueOf(users)));
        here.setOnAction(e -> desk.onlyHere().set(here.isSelected()));
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        Button own = Pieces.button("method-own", "method.own.short", methods::copy);
        Tip.on(own, Texts.of("method.own"));
        HBox row = new HBox(8, here, gap, own);
        row.getStyleClass().add("row");
        Pieces.whileSeen(row, desk.onlyHere()).subscribe(here::setSelected);
        return Optional.of(row);
    }

    /** A setting of this sample's own, what the method has instead, and the way back. */
    private HBox own(Departure departure, MethodStep step) {
        Method method = desk.study().get().method(desk.methodId());
        Optional<Setting<?>> setting = step.description().setting(departure.setting());
        String name = setting.map(s -> Words.label(step.description(), s)).orElse(departure.setting());
        String own = setting.map(s -> SettingWords.value(step.description(), s, departure.value()))
                .orElse("");
        String usual = method.step(step.id())
                .flatMap(s -> setting.map(what -> usual(s, what)))
                .orElse("");
        Label said = Prose.of(Texts.of("departs.here", name, own, usual), "departs");
        said.setId("departs-" + departure.setting());
        HBox.setHgrow(said, Priority.ALWAYS);
        said.setMaxWidth(Double.MAX_VALUE);
        HBox row = new HBox(
                8,
                said,
                Pieces.button(
                        "take-back-" + departure.setting(), "departs.back", () -> desk.takeBack(List.of(departure))));
        row.getStyleClass().add("row");
        row.setMinHeight(Region.USE_PREF_SIZE);
        return row;
    }

    private static <T> String usual(MethodStep step, Setting<T> setting) {
        return SettingWords.value(
                step.description(), setting, step.values().find(setting).map(setting::write));
    }
}
