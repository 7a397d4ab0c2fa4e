package keentally.study.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import keentally.core.reader.Language;
import keentally.core.reader.Reader;
import keentally.study.caution.CautionKind;
import keentally.study.document.FieldOrigin;
import keentally.study.document.ReportPlan;
import keentally.study.report.Report;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Every sentence that stands in the sources can be said in every language, with all that is filled into it. */
class EverySentenceTest {
    private static final String SENTENCES = "keentally.core.words.sentences";
    private static final Pattern PLACE = Pattern.compile("\\{\\w[\\w-]*}");

    /** Of databases, pages and drawings; and what the command line alone says, which is in English. */
    private static final Pattern NO_SENTENCE =
            Pattern.compile("^\\W*<|SELECT|INSERT|CREATE|PRAGMA|DELETE|ALTER|UPDATE|VACUUM|ORDER BY|WHERE|#!/bin|\\{ ");

    private static Set<String> told() {
        ResourceBundle english = Reader.bundle(SENTENCES, Language.ENGLISH);
        return english.keySet().stream().map(english::getString).collect(Collectors.toCollection(TreeSet::new));
    }

    /** What nobody gets to see: that our own code is wrong, what stands in the log, what the command line alone says. */
    private static List<String> inside() throws Exception {
        try (var in = EverySentenceTest.class.getResourceAsStream("inside.txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList();
        }
    }

    @Test
    void ofTheSourcesIsKnown() throws Exception {
        Set<String> missing = SourceSentences.in(
                List.of(Path.of("../core/src/main/java"), Path.of("src/main/java"), Path.of("../desk/src/main/java")));
        missing.removeIf(s -> NO_SENTENCE.matcher(s).find());
        missing.removeAll(told());
        missing.removeAll(inside());
        assertThat(missing)
                .as("sentences for sentences.properties, or for inside.txt where nobody gets to see them")
                .isEmpty();
    }

    @Test
    void whatStandsInListsIsKnownToo() {
        Set<String> told = told();
        for (CautionKind kind : CautionKind.values()) {
            assertThat(told).contains(kind.title(), kind.when());
        }
        for (FieldOrigin origin : FieldOrigin.values()) {
            assertThat(told).contains(origin.words());
        }
        for (ReportPlan.Part part : ReportPlan.Part.values()) {
            assertThat(told).contains(Report.title(part));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {SENTENCES, "keentally.core.words.words", "keentally.core.words.about"})
    void isSaidInGermanWithAllThatIsFilledIn(String bundle) {
        ResourceBundle english = Reader.bundle(bundle, Language.ENGLISH);
        ResourceBundle german = Reader.bundle(bundle, Language.GERMAN);
        for (String key : english.keySet()) {
            assertThat(places(german.getString(key))).as(key).isEqualTo(places(english.getString(key)));
        }
        assertThat(untold(english, german)).isEmpty();
    }

    /** What is the same in both, but for names, symbols and writings. */
    private static List<String> untold(ResourceBundle english, ResourceBundle german) {
        Pattern sentence = Pattern.compile("\\b(the|of|and|with|is|are|to)\\b");
        return english.keySet().stream()
                .filter(k -> !k.endsWith(".source"))
                .filter(k -> english.getString(k).equals(german.getString(k)))
                .filter(k -> sentence.matcher(PLACE.matcher(english.getString(k))
                                .replaceAll("")
                                .toLowerCase(Locale.ROOT))
                        .find())
                .toList();
    }

    private static List<String> places(String text) {
        return PLACE.matcher(text).results().map(MatchResult::group).sorted().toList();
    }
}
