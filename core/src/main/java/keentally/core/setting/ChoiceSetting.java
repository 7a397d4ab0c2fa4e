package keentally.core.setting;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * One of a few words, each a constant of an enum: {@code MIN_ERROR} is {@code min-error}.
 *
 * @param usual the default
 */
public record ChoiceSetting<E extends Enum<E>>(String id, E usual, List<Condition> onlyWhen) implements Setting<E> {
    public ChoiceSetting {
        onlyWhen = List.copyOf(onlyWhen);
    }

    /**
     * @param usual what is chosen at first; its kind gives the list
     * @param onlyWhen all have to hold for the setting to matter
     */
    public static <E extends Enum<E>> ChoiceSetting<E> of(String id, E usual, Condition... onlyWhen) {
        return new ChoiceSetting<>(id, usual, List.of(onlyWhen));
    }

    /** The word of a method file for one of the list: {@code LOWER_CASE} becomes {@code lower-case}. */
    public static String word(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public List<E> constants() {
        return Arrays.asList(usual.getDeclaringClass().getEnumConstants());
    }

    @Override
    public Optional<E> fallback() {
        return Optional.of(usual);
    }

    @Override
    public boolean required() {
        return false;
    }

    @Override
    public E read(Object tree) {
        return constants().stream()
                .filter(c -> word(c).equals(tree))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(
                        "expected one of " + String.join(", ", words()) + " but found " + Setting.found(tree)));
    }

    private List<String> words() {
        return constants().stream().map(ChoiceSetting::word).toList();
    }

    @Override
    public Object write(E value) {
        return word(value);
    }

    @Override
    public String kind() {
        return "choice";
    }

    @Override
    public Map<String, Object> limits() {
        return Map.of("words", words());
    }
}
