package keentally.core.words;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keentally.core.method.MethodStep;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Setting;
import keentally.core.step.Findings;

/** The one line a station has to say: "cut at 2,310 · 27.3 % bright". */
public final class Headline {
    private static final Pattern PLACE = Pattern.compile("\\{([a-zA-Z0-9-]+)}");

    private Headline() {}

    /** From the step's pattern, its findings and its choices; empty where no pattern has all its numbers. */
    public static String of(MethodStep step, Findings findings) {
        for (String pattern : Words.headline(step.description()).split("\\|")) {
            Optional<String> filled = fill(pattern.strip(), step, findings);
            if (filled.isPresent()) {
                return filled.get();
            }
        }
        return "";
    }

    private static Optional<String> fill(String pattern, MethodStep step, Findings findings) {
        StringBuilder text = new StringBuilder();
        Matcher place = PLACE.matcher(pattern);
        while (place.find()) {
            Optional<String> value = value(place.group(1), step, findings);
            if (value.isEmpty()) {
                return Optional.empty();
            }
            place.appendReplacement(text, Matcher.quoteReplacement(value.get()));
        }
        return Optional.of(Plural.fit(place.appendTail(text).toString()));
    }

    private static Optional<String> value(String name, MethodStep step, Findings findings) {
        if (findings.find(name).isPresent()) {
            double number = findings.find(name).getAsDouble();
            return Optional.of(name.endsWith("-percent") ? Figures.percent(number) : Figures.number(number));
        }
        return step.description()
                .setting(name)
                .filter(s -> s.applies(step.values()))
                .flatMap(s -> value(step, s));
    }

    private static <T> Optional<String> value(MethodStep step, Setting<T> setting) {
        return step.values()
                .find(setting)
                .map(v -> v instanceof Enum<?> word && setting instanceof ChoiceSetting<?>
                        ? Words.label(step.description(), setting, word)
                        : String.valueOf(setting.write(v)));
    }
}
