package keentally.core.setting;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.quantity.Length;

/** A length with its unit, 0 or more. */
public record LengthSetting(String id, Length usual, List<Condition> onlyWhen) implements Setting<Length> {
    public LengthSetting {
        onlyWhen = List.copyOf(onlyWhen);
    }

    /**
     * @param usual in the words of a method file, such as {@code 2 px}
     * @param onlyWhen all have to hold for the setting to matter
     */
    public static LengthSetting of(String id, String usual, Condition... onlyWhen) {
        return new LengthSetting(id, Length.of(usual), List.of(onlyWhen));
    }

    @Override
    public Optional<Length> fallback() {
        return Optional.of(usual);
    }

    @Override
    public boolean required() {
        return false;
    }

    @Override
    public Length read(Object tree) {
        if (!(tree instanceof String text)) {
            throw new IllegalArgumentException(
                    "expected a length with its unit, such as \"1.5 px\" or \"3 um\", but found "
                            + Setting.found(tree));
        }
        Length length = Length.of(text);
        if (length.amount() < 0) {
            throw new IllegalArgumentException("expected a length of 0 or more but found " + Setting.found(tree));
        }
        return length;
    }

    @Override
    public Object write(Length value) {
        return value.toString();
    }

    @Override
    public String kind() {
        return "length";
    }

    @Override
    public Map<String, Object> limits() {
        return Map.of("least", 0L);
    }
}
