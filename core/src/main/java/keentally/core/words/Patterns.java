package keentally.core.words;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keentally.core.measure.Measure;
import keentally.core.method.MethodStep;
import keentally.core.reader.Language;
import keentally.core.reader.Reader;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.RangeSetting;
import keentally.core.setting.Setting;

/**
 * Texts about a step with places for its values, separated by {@code |}; the first whose places can all be filled is the one. A text may
 * begin with what it holds for: {@code by=median: Smoothed by a median, radius {radius}.}, or {@code from: ...} where that is set; a value's
 * blanks are written as {@code _}.
 */
final class Patterns {
    private static final Pattern PLACE = Pattern.compile("\\{([a-zA-Z0-9-]+)}");
    private static final Pattern CONDITIONS =
            Pattern.compile("(?<all>(?:[a-zA-Z]+=[^ :]+ )*[a-zA-Z]+=[^ :]+|[a-z][a-zA-Z]*): (?<text>.*)");

    private Patterns() {}

    /**
     * The first text that fits.
     *
     * @param found what a place holds that is no setting, by its name
     */
    static Optional<String> first(String patterns, MethodStep step, Function<String, Optional<String>> found) {
        for (String pattern : patterns.split("\\|")) {
            Matcher bound = CONDITIONS.matcher(pattern.strip());
            boolean isBound = bound.matches();
            if (isBound && !holds(bound.group("all"), step)) {
                continue;
            }
            Optional<String> filled = fill(isBound ? bound.group("text") : pattern.strip(), step, found);
            if (filled.isPresent()) {
                return filled;
            }
        }
        return Optional.empty();
    }

    private static boolean holds(String conditions, MethodStep step) {
        for (String condition : conditions.split(" ")) {
            String[] sides = condition.split("=", 2);
            Optional<String> value = set(step, sides[0]).map(String::valueOf);
            if (value.isEmpty() || sides.length > 1 && !value.get().equals(wordInFile(sides[1]))) {
                return false;
            }
        }
        return true;
    }

    private static String wordInFile(String word) {
        return word.equals("yes") ? "true" : word.equals("no") ? "false" : word.replace('_', ' ');
    }

    private static Optional<Object> set(MethodStep step, String setting) {
        return step.description()
                .setting(setting)
                .filter(s -> s.applies(step.values()))
                .flatMap(s -> tree(step, s));
    }

    private static <T> Optional<Object> tree(MethodStep step, Setting<T> setting) {
        return step.values()
                .find(setting)
                .map(setting::write)
                .filter(t -> !List.of().equals(t));
    }

    private static Optional<String> fill(String pattern, MethodStep step, Function<String, Optional<String>> found) {
        StringBuilder text = new StringBuilder();
        Matcher place = PLACE.matcher(pattern);
        while (place.find()) {
            String name = place.group(1);
            Optional<String> value = found.apply(name)
                    .or(() -> step.description()
                            .setting(name)
                            .filter(s -> s.applies(step.values()))
                            .flatMap(s -> value(step, s)));
            if (value.isEmpty()) {
                return Optional.empty();
            }
            place.appendReplacement(text, Matcher.quoteReplacement(value.get()));
        }
        return Optional.of(Plural.fit(place.appendTail(text).toString()));
    }

    private static <T> Optional<String> value(MethodStep step, Setting<T> setting) {
        return tree(step, setting).map(tree -> {
            String text = SettingWords.value(step.description(), setting, Optional.of(tree));
            return setting instanceof ChoiceSetting<?>
                    ? within(text, step.values().find(setting).orElseThrow())
                    : Plural.kept(setting instanceof RangeSetting && tree instanceof List<?> ends ? range(ends) : text);
        });
    }

    private static String range(List<?> ends) {
        return Words.range(SettingWords.value(ends.getFirst()), SettingWords.value(ends.getLast()));
    }

    /** Measures are called by their titles, which in English begin small within a sentence, but for abbreviations. */
    private static String within(String title, Object choice) {
        return choice instanceof Measure
                        && Reader.language() == Language.ENGLISH
                        && !Character.isUpperCase(title.codePointAt(1))
                ? title.substring(0, 1).toLowerCase(Locale.ROOT) + title.substring(1)
                : title;
    }
}
