package keentally.desk.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import keentally.core.reader.Language;
import keentally.desk.look.Theme;
import keentally.desk.view.Preferences.Mark;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is remembered between two starts; nothing of it is worth a complaint. */
class PreferencesTest {
    @TempDir
    private Path folder;

    private Preferences preferences() {
        return new Preferences(folder, FileQuestions.SYSTEM);
    }

    @Test
    void aFirstStartHasUsualOnes() {
        Preferences first = preferences();
        assertThat(List.of(first.width(), first.height())).containsExactly(1280.0, 800.0);
        assertThat(first.theme()).isEqualTo(Theme.LIGHT);
        assertThat(first.unit()).isEqualTo("auto");
        assertThat(first.memoryPercent()).isEqualTo(60);
        assertThat(first.recent()).isEmpty();
        assertThat(folder).isEmptyDirectory();
    }

    @Test
    void theyAreThereAtTheNextStart() {
        Preferences before = preferences();
        before.remember(Theme.DARK);
        before.remember("mm", 45, 150);
        before.opened(folder.resolve("a.tally"));
        Preferences after = preferences();
        assertThat(after.theme()).isEqualTo(Theme.DARK);
        assertThat(after.unit()).isEqualTo("mm");
        assertThat(after.memoryPercent()).isEqualTo(45);
        assertThat(after.sizePercent()).isEqualTo(150);
        assertThat(after.recent()).containsExactly(folder.resolve("a.tally"));
        assertThat(folder.resolve("memory-percent")).hasContent("45");
    }

    @Test
    void theDecimalMarkIsThatOfTheLanguageUnlessSomebodySaysOtherwise() {
        Preferences preferences = preferences();
        assertThat(preferences.language()).isEqualTo(Language.ENGLISH);
        assertThat(preferences.decimalComma()).isFalse();
        assertThat(preferences.commaTables()).isFalse();
        preferences.remember(Language.GERMAN, Mark.USUAL, true);
        Preferences after = preferences();
        assertThat(after.language()).isEqualTo(Language.GERMAN);
        assertThat(after.decimalComma()).isTrue();
        assertThat(after.commaTables()).isTrue();
        after.remember(Language.GERMAN, Mark.POINT, false);
        assertThat(after.decimalComma()).isFalse();
        after.remember(Language.ENGLISH, Mark.COMMA, false);
        assertThat(preferences().decimalComma()).isTrue();
    }

    @Test
    void theLastTenStudiesAreKnownTheNewestFirst() {
        Preferences preferences = preferences();
        for (int i = 1; i <= 12; i++) {
            preferences.opened(folder.resolve(i + ".tally"));
        }
        preferences.opened(folder.resolve("5.tally"));
        assertThat(preferences.recent())
                .hasSize(10)
                .startsWith(folder.resolve("5.tally"), folder.resolve("12.tally"))
                .doesNotHaveDuplicates()
                .doesNotContain(folder.resolve("1.tally"));
    }

    @Test
    void whatCannotBeReadIsForgotten() throws IOException {
        for (String text : List.of(
                "",
                "{",
                "[1]",
                "null",
                "{\"width\": \"wide\", \"recent\": 3, \"theme\": 7, \"unit\": [], \"memory\": {}}")) {
            Files.writeString(folder.resolve("desk.json"), text);
            Preferences read = preferences();
            assertThat(read.width()).isEqualTo(1280);
            assertThat(read.theme()).isEqualTo(Theme.LIGHT);
            assertThat(read.unit()).isEqualTo("auto");
            assertThat(read.memoryPercent()).isEqualTo(60);
            assertThat(read.recent()).isEmpty();
            read.remember(Theme.DARK);
            assertThat(preferences().theme()).isEqualTo(Theme.DARK);
        }
    }

    /** A window of no size, a share of memory of minus one: nobody set those. */
    @Test
    void valuesThatCannotBeAreNotTaken() throws IOException {
        Files.writeString(
                folder.resolve("desk.json"),
                "{\"width\": -3, \"height\": 1e9, \"memory\": 900, \"unit\": \"furlong\", \"recent\": [\"a\\u0000b\", 5]}");
        Preferences read = preferences();
        assertThat(read.width()).isEqualTo(1280);
        assertThat(read.height()).isEqualTo(800);
        assertThat(read.memoryPercent()).isEqualTo(60);
        assertThat(read.unit()).isEqualTo("auto");
        assertThat(read.recent()).noneMatch(p -> p.toString().contains("\u0000"));
    }

    @Test
    void aFolderThatCannotBeWrittenTroublesNobody() throws IOException {
        Path file = Files.writeString(folder.resolve("taken"), "a file where the folder should be");
        Preferences preferences = new Preferences(file, FileQuestions.SYSTEM);
        preferences.remember(Theme.DARK);
        preferences.remember("um", 50, 100);
        assertThat(preferences.theme()).isEqualTo(Theme.DARK);
        assertThat(file).hasContent("a file where the folder should be");
    }
}
