package keentally.core.words;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.stream.Collectors;
import keentally.core.reader.Reader;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.Setting;
import keentally.core.step.StepDescription;

/**
 * What the help says of steps and their settings, from {@code about.properties}; ranges and what is usual are read from the descriptions
 * themselves. A missing text is a defect, and throws.
 */
public final class About {
    private static final String BUNDLE = "keentally.core.words.about";

    /** Under which settings stand that mean the same in every step. */
    private static final String ANY = "any";

    private About() {}

    /** What a setting does, in two or three sentences. */
    public static String of(StepDescription step, Setting<?> setting) {
        return find(step.id() + "." + setting.id()).orElseGet(() -> bundle().getString(ANY + "." + setting.id()));
    }

    /** Where a step's method comes from. */
    public static String source(StepDescription step) {
        return bundle().getString(step.id() + ".source");
    }

    /** What a step works out, where a formula says it best. */
    public static Optional<String> formula(StepDescription step) {
        return find(step.id() + ".formula");
    }

    /** What holds when nothing is said, between which ends it may lie, and when the setting matters at all. */
    public static String limits(StepDescription step, Setting<?> setting) {
        StringBuilder text = new StringBuilder();
        usual(step, setting)
                .filter(u -> !u.isBlank())
                .ifPresent(u -> text.append(Words.about("usual", u)).append(' '));
        Map<String, Object> limits = setting.limits();
        if (limits.get("least") instanceof Number least && limits.get("most") instanceof Number most) {
            text.append(Words.about("from-to", Figures.number(least.doubleValue()), Figures.number(most.doubleValue())))
                    .append(' ');
        }
        for (Condition condition : setting.onlyWhen()) {
            text.append(Words.about("only-when", Words.label(step, condition.on()), words(step, condition)))
                    .append(' ');
        }
        return text.toString().strip();
    }

    private static <T> Optional<String> usual(StepDescription step, Setting<T> setting) {
        return setting.fallback().map(v -> SettingWords.value(step, setting, Optional.ofNullable(setting.write(v))));
    }

    private static String words(StepDescription step, Condition condition) {
        return condition.any().stream()
                .map(v -> v instanceof Enum<?> e && condition.on() instanceof ChoiceSetting<?> choice
                        ? Words.label(step, choice, e)
                        : v.toString())
                .collect(Collectors.joining(", "));
    }

    /** All keys there are, for whoever looks whether each is of something. */
    static List<String> keys() {
        return List.copyOf(bundle().keySet());
    }

    private static Optional<String> find(String key) {
        return bundle().containsKey(key) ? Optional.of(bundle().getString(key)) : Optional.empty();
    }

    private static ResourceBundle bundle() {
        return Reader.bundle(BUNDLE);
    }
}
