package keentally.core.words;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keentally.core.method.MethodStep;
import keentally.core.quantity.PixelSize;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Setting;
import keentally.core.step.Finding;
import keentally.core.step.Findings;

/** The one line a station has to say: "cut at 2,310 · 27.3 % bright". */
public final class Headline {
    private static final Pattern PLACE = Pattern.compile("\\{([a-zA-Z0-9-]+)}");

    private Headline() {}

    /**
     * From the step's pattern, its findings and its choices; empty where no pattern has all its numbers.
     *
     * @param told what lengths and areas are told in
     */
    public static String of(MethodStep step, Findings findings, PixelSize told) {
        for (String pattern : Words.headline(step.description()).split("\\|")) {
            Optional<String> filled = fill(pattern.strip(), step, findings, told);
            if (filled.isPresent()) {
                return filled.get();
            }
        }
        return "";
    }

    /** By what a step that is held found its values: "Otsu". */
    public static String fitted(MethodStep held) {
        MethodStep free = held.freed();
        return fill(Words.fitted(free.description()), free, Findings.NONE, PixelSize.PIXELS)
                .orElseGet(() -> Words.title(free.description()));
    }

    private static Optional<String> fill(String pattern, MethodStep step, Findings findings, PixelSize told) {
        StringBuilder text = new StringBuilder();
        Matcher place = PLACE.matcher(pattern);
        while (place.find()) {
            Optional<String> value = value(place.group(1), step, findings, told);
            if (value.isEmpty()) {
                return Optional.empty();
            }
            place.appendReplacement(text, Matcher.quoteReplacement(value.get()));
        }
        return Optional.of(Plural.fit(place.appendTail(text).toString()));
    }

    private static Optional<String> value(String name, MethodStep step, Findings findings, PixelSize told) {
        Optional<Finding> found =
                findings.all().stream().filter(f -> f.name().equals(name)).findFirst();
        if (found.isPresent()) {
            return found.map(f -> text(f, told));
        }
        return step.description()
                .setting(name)
                .filter(s -> s.applies(step.values()))
                .flatMap(s -> value(step, s));
    }

    private static String text(Finding found, PixelSize told) {
        return switch (found) {
            case Finding.Percent share -> Figures.percent(share.value());
            case Finding.Area area -> Figures.area(area.value(), told);
            case Finding.Distance distance -> Figures.length(distance.value(), told);
            case Finding.Count count -> Figures.number(count.value());
            case Finding.Cut cut -> Figures.number(cut.value());
            case Finding.Places places -> Figures.number(places.value());
            case Finding.Unfit unfit -> Figures.number(unfit.value());
        };
    }

    private static <T> Optional<String> value(MethodStep step, Setting<T> setting) {
        return step.values()
                .find(setting)
                .map(v -> v instanceof Enum<?> word && setting instanceof ChoiceSetting<?>
                        ? Words.label(step.description(), setting, word)
                        : Plural.kept(String.valueOf(setting.write(v))));
    }
}
