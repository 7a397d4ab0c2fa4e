package keentally.desk.view;

import java.util.List;
import java.util.Locale;
import javafx.scene.Scene;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.util.StringConverter;
import keentally.core.reader.Language;
import keentally.core.words.Figures;
import keentally.desk.look.Ask;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Theme;
import keentally.desk.view.Preferences.Mark;

/** Language, decimal mark, theme, unit, memory and size. */
final class PreferencesDialog {
    private PreferencesDialog() {}

    static void ask(Scene owner, DeskWindow window, Preferences preferences) {
        ComboBox<Language> language = choice("language", List.of(Language.values()), preferences.language());
        ComboBox<Mark> mark = choice("mark", List.of(Mark.values()), preferences.mark());
        CheckBox tables = new CheckBox(Texts.of("preferences.tables"));
        tables.setId("preferences-tables");
        tables.setSelected(preferences.commaTables());
        tables.setWrapText(true);
        tables.setMinHeight(Region.USE_PREF_SIZE);
        ComboBox<Theme> theme = choice("theme", List.of(Theme.values()), preferences.theme());
        ComboBox<String> unit =
                choice("unit", List.of(Preferences.AUTO_UNIT, "nm", "um", "mm", "cm"), preferences.unit());
        Slider memory = new Slider(Preferences.LEAST_MEMORY, Preferences.MOST_MEMORY, preferences.memoryPercent());
        memory.setId("preferences-memory");
        memory.setMajorTickUnit(5);
        memory.setSnapToTicks(true);
        Label share = new Label();
        share.setMinWidth(48);
        share.textProperty().bind(memory.valueProperty().asString("%.0f %%"));
        GridPane grid = new GridPane();
        grid.getStyleClass().add("label-grid");
        int row = 0;
        grid.addRow(row++, Pieces.name("preferences.language"), language);
        grid.add(Prose.of(Texts.of("preferences.language.hint"), "hint"), 1, row++);
        grid.addRow(row++, Pieces.name("preferences.mark"), mark);
        grid.add(tables, 1, row++);
        grid.addRow(row++, Pieces.name("preferences.theme"), theme);
        grid.addRow(row++, Pieces.name("preferences.unit"), unit);
        grid.addRow(row++, Pieces.name("preferences.memory"), new HBox(8, memory, share));
        String now = Figures.number(Math.rint(Runtime.getRuntime().maxMemory() / 1e8) / 10);
        grid.add(Prose.of(Texts.of("preferences.memory.hint", now), "hint"), 1, row++);
        ComboBox<Integer> size = choice("size", Preferences.SIZES, preferences.sizePercent());
        grid.addRow(row++, Pieces.name("preferences.size"), size);
        grid.add(Prose.of(Texts.of("preferences.size.hint"), "hint"), 1, row);
        if (Ask.that(owner, Texts.of("preferences.title"), grid, Texts.of("preferences.yes"))) {
            preferences.remember(unit.getValue(), (int) memory.getValue(), size.getValue());
            preferences.remember(language.getValue(), mark.getValue(), tables.isSelected());
            window.put(theme.getValue());
        }
    }

    private static <T> ComboBox<T> choice(String of, List<T> choices, T now) {
        ComboBox<T> box = new ComboBox<>();
        box.setId("preferences-" + of);
        box.getItems().setAll(choices);
        box.setConverter(new Words<>("preferences." + of + "."));
        box.setValue(now);
        return box;
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
