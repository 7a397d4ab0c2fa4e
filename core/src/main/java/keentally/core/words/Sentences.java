package keentally.core.words;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keentally.core.reader.Language;
import keentally.core.reader.Reader;

/**
 * What the code itself says: faults, cautions, heads of columns. They are written where they are thought, in English and with points, and go
 * into files so. {@code sentences.properties} holds each of them once more, with {0}, {1} for what is filled in; whoever reads another language
 * gets what stands under the same key there, with the fillings told the same way. What no sentence fits stays as it is.
 */
public final class Sentences {
    private static final String BUNDLE = "keentally.core.words.sentences";
    private static final Pattern PLACE = Pattern.compile("\\{(\\d)}");

    /** What is filled in holds no end of a sentence. */
    private static final String WITHIN = "((?:(?!\\. \\p{Lu}).)+?)";

    /** Between things that are listed, the wider first. */
    private static final List<String> JOINTS = List.of(" \u00b7 ", "; ", ", ", ": ");

    /** A station by its number and title. */
    private static final Pattern NUMBERED = Pattern.compile("(\\d+ +)(\\p{Lu}.*)");

    private static final Map<Language, Sentences> KNOWN = new EnumMap<>(Language.class);

    private final Map<String, String> whole = new LinkedHashMap<>();
    private final List<Form> forms = new ArrayList<>();

    /** A sentence with places, and how it is said. */
    private record Form(Pattern english, String told, String first, int letters) {}

    private Sentences(Language language) {
        names(Words.names(Language.ENGLISH), Words.names(language));
        ResourceBundle english = Reader.bundle(BUNDLE, Language.ENGLISH);
        ResourceBundle told = Reader.bundle(BUNDLE, language);
        for (String key : english.keySet()) {
            String sentence = english.getString(key);
            if (PLACE.matcher(sentence).find()) {
                forms.add(form(sentence, told.getString(key)));
            } else {
                whole.put(sentence, told.getString(key));
            }
        }
        forms.sort(Comparator.comparingInt(Form::letters).reversed());
    }

    /** Steps, settings and measures are called so inside of sentences. */
    private void names(Map<String, String> english, Map<String, String> told) {
        english.forEach((key, name) -> whole.putIfAbsent(name, told.get(key)));
    }

    private static Form form(String sentence, String told) {
        StringBuilder pattern = new StringBuilder();
        Matcher place = PLACE.matcher(sentence);
        int from = 0;
        while (place.find()) {
            pattern.append(Pattern.quote(sentence.substring(from, place.start())))
                    .append(WITHIN);
            from = place.end();
        }
        pattern.append(Pattern.quote(sentence.substring(from)));
        String first = sentence.substring(0, sentence.indexOf('{'));
        int letters = PLACE.matcher(sentence).replaceAll("").length();
        return new Form(Pattern.compile(pattern.toString(), Pattern.DOTALL), told, first, letters);
    }

    /** A sentence of ours as the reader is told it, its numbers too. */
    public static String told(String sentence) {
        return of(Reader.language())
                .map(s -> s.said(sentence, Reader::marksIn))
                .orElseGet(() -> Reader.marksIn(sentence));
    }

    /** A sentence of ours whose numbers are the reader's already. */
    public static String worded(String sentence) {
        return of(Reader.language())
                .map(s -> s.said(sentence, UnaryOperator.identity()))
                .orElse(sentence);
    }

    private static Optional<Sentences> of(Language language) {
        if (language == Language.ENGLISH) {
            return Optional.empty();
        }
        synchronized (KNOWN) {
            return Optional.of(KNOWN.computeIfAbsent(language, Sentences::new));
        }
    }

    private String said(String sentence, UnaryOperator<String> marks) {
        String bare = sentence.strip();
        String known = whole.get(bare);
        if (known != null) {
            return known;
        }
        for (Form form : forms) {
            if (bare.startsWith(form.first())) {
                Matcher matcher = form.english().matcher(bare);
                if (matcher.matches()) {
                    return filled(form.told(), matcher, marks);
                }
            }
        }
        int end = bare.indexOf(". ");
        if (end > 0) {
            return said(bare.substring(0, end + 1), marks) + " " + said(bare.substring(end + 2), marks);
        }
        if (bare.endsWith(".")) { // a fault becomes a sentence by its full stop
            return said(bare.substring(0, bare.length() - 1), marks) + ".";
        }
        Matcher numbered = NUMBERED.matcher(bare);
        if (numbered.matches()) {
            return numbered.group(1) + said(numbered.group(2), marks);
        }
        for (String joint : JOINTS) {
            int at = bare.indexOf(joint);
            if (at > 0) {
                return said(bare.substring(0, at), marks) + joint + said(bare.substring(at + joint.length()), marks);
            }
        }
        return marks.apply(bare);
    }

    private String filled(String told, Matcher parts, UnaryOperator<String> marks) {
        return PLACE.matcher(told)
                .replaceAll(p -> Matcher.quoteReplacement(said(parts.group(Integer.parseInt(p.group(1)) + 1), marks)));
    }
}
