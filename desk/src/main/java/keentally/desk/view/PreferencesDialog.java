package keentally.desk.view;

import java.util.List;
import java.util.Locale;
import javafx.scene.Scene;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.util.StringConverter;
import keentally.core.words.Figures;
import keentally.desk.look.Ask;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Theme;

/** Theme, unit, memory and size. */
final class PreferencesDialog {
    private PreferencesDialog() {}

    static void ask(Scene owner, DeskWindow window, Preferences preferences) {
        ComboBox<Theme> theme = new ComboBox<>();
        theme.setId("preferences-theme");
        theme.getItems().setAll(Theme.values());
        theme.setConverter(new Words<>("preferences.theme."));
        theme.setValue(preferences.theme());
        ComboBox<String> unit = new ComboBox<>();
        unit.setId("preferences-unit");
        unit.getItems().setAll(List.of(Preferences.AUTO_UNIT, "nm", "um", "mm", "cm"));
        unit.setConverter(new Words<>("preferences.unit."));
        unit.setValue(preferences.unit());
        Slider memory = new Slider(Preferences.LEAST_MEMORY, Preferences.MOST_MEMORY, preferences.memoryPercent());
        memory.setId("preferences-memory");
        memory.setMajorTickUnit(5);
        memory.setSnapToTicks(true);
        Label share = new Label();
        share.setMinWidth(48);
        share.textProperty().bind(memory.valueProperty().asString("%.0f %%"));
        GridPane grid = new GridPane();
        grid.getStyleClass().add("label-grid");
        grid.addRow(0, Pieces.name("preferences.theme"), theme);
        grid.addRow(1, Pieces.name("preferences.unit"), unit);
        grid.addRow(2, Pieces.name("preferences.memory"), new HBox(8, memory, share));
        String now = Figures.number(Math.rint(Runtime.getRuntime().maxMemory() / 1e8) / 10);
        grid.add(Prose.of(Texts.of("preferences.memory.hint", now), "hint"), 1, 3);
        ComboBox<Integer> size = new ComboBox<>();
        size.setId("preferences-size");
        size.getItems().setAll(Preferences.SIZES);
        size.setConverter(new Words<>("preferences.size."));
        size.setValue(preferences.sizePercent());
        grid.addRow(4, Pieces.name("preferences.size"), size);
        grid.add(Prose.of(Texts.of("preferences.size.hint"), "hint"), 1, 5);
        if (Ask.that(owner, Texts.of("preferences.title"), grid, Texts.of("preferences.yes"))) {
            preferences.remember(unit.getValue(), (int) memory.getValue(), size.getValue());
            window.put(theme.getValue());
        }
    }

    private static final class Words<T> extends StringConverter<T> {
        private final String prefix;

        Words(String prefix) {
            this.prefix = prefix;
        }

        @Override
        public String toString(T value) {
            return value == null ? "" : Texts.of(prefix + value.toString().toLowerCase(Locale.ROOT));
        }

        @Override
        public T fromString(String text) {
            throw new UnsupportedOperationException("chosen, not typed");
        }
    }
}
