package keentally.core.setting;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A name that a person gives: letters, digits, spaces, whatever is not blank. */
public record NameSetting(String id, String usual, List<Condition> onlyWhen) implements Setting<String> {
    public NameSetting {
        onlyWhen = List.copyOf(onlyWhen);
    }

    /** @param onlyWhen all have to hold for the setting to matter */
    public NameSetting(String id, String usual, Condition... onlyWhen) {
        this(id, usual, List.of(onlyWhen));
    }

    private static final int LONGEST = 60;

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
        if (tree instanceof String s && !s.isBlank() && s.strip().length() <= LONGEST) {
            return s.strip();
        }
        throw new IllegalArgumentException(
                "expected a name of 1 to " + LONGEST + " letters, but found " + Setting.found(tree));
    }

    @Override
    public Object write(String value) {
        return value;
    }

    @Override
    public String kind() {
        return "name";
    }

    @Override
    public Map<String, Object> limits() {
        return Map.of();
    }
}
