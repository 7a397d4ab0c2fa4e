package keentally.desk.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.ResourceBundle;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import keentally.core.reader.Language;
import keentally.core.reader.Reader;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What the desk says is there in every language, with all that is filled in. */
class GermanTextsTest {
    private static final Pattern PLACE = Pattern.compile("\\{\\d}");

    private static final Pattern WORDS = Pattern.compile("\\p{L}{2,} \\p{L}{2,} \\p{L}{2,}");

    @AfterEach
    void english() {
        Reader.is(Language.ENGLISH, false);
    }

    @ParameterizedTest
    @ValueSource(strings = {"desk", "cautions", "find"})
    void everyTextIsThere(String name) {
        ResourceBundle english = Reader.bundle("keentally.desk." + name, Language.ENGLISH);
        ResourceBundle german = Reader.bundle("keentally.desk." + name, Language.GERMAN);
        for (String key : english.keySet()) {
            String text = german.getString(key);
            assertThat(places(text)).as(key).isEqualTo(places(english.getString(key)));
            if (!key.contains("formula")
                    && WORDS.matcher(english.getString(key)).find()) {
                assertThat(text).as(key).isNotEqualTo(english.getString(key));
            }
        }
    }

    private static List<String> places(String text) {
        return PLACE.matcher(text)
                .results()
                .map(MatchResult::group)
                .distinct()
                .sorted()
                .toList();
    }

    @Test
    void theHelpHasTheSamePages() {
        int pages = HelpText.parts().size();
        Reader.is(Language.GERMAN, true);
        assertThat(HelpText.parts()).hasSize(pages);
        assertThat(HelpText.parts().getFirst().heading()).isEqualTo("Womit beginnen");
        assertThat(HelpText.parts()).anyMatch(p -> p.heading().equals(HelpText.cautions()));
    }
}
