package keentally.core.setting;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A channel by its word, by the name that a sample gives it, or by its number from 1.
 *
 * @param usual the default
 * @param words those that are always known
 */
public record ChannelSetting(String id, String usual, List<String> words, List<Condition> onlyWhen)
        implements Setting<String> {
    private static final int LONGEST = 60;

    public ChannelSetting {
        words = List.copyOf(words);
        onlyWhen = List.copyOf(onlyWhen);
    }

    @Override
    public Optional<String> fallback() {
        return Optional.of(usual);
    }

    @Override
    public boolean required() {
        return false;
    }

    @Override
    public String read(Object tree) {
        if (tree instanceof Number n && n.doubleValue() == n.intValue() && n.intValue() >= 1) {
            return String.valueOf(n.intValue());
        }
        if (tree instanceof String s && !s.isBlank() && s.length() <= LONGEST) {
            return s;
        }
        throw new IllegalArgumentException("expected one of " + String.join(", ", words)
                + ", the name of a channel, or its number from 1, but found " + Setting.found(tree));
    }

    @Override
    public Object write(String value) {
        return value;
    }

    @Override
    public String kind() {
        return "channel";
    }

    @Override
    public Map<String, Object> limits() {
        return Map.of("words", words);
    }
}
