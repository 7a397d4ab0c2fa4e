package keentally.core.setting;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Yes or no. */
public record FlagSetting(String id, boolean usual, List<Condition> onlyWhen) implements Setting<Boolean> {
    public FlagSetting {
        onlyWhen = List.copyOf(onlyWhen);
    }

    /** @param onlyWhen all have to hold for the setting to matter */
    public static FlagSetting of(String id, boolean usual, Condition... onlyWhen) {
        return new FlagSetting(id, usual, List.of(onlyWhen));
    }

    @Override
    public Optional<Boolean> fallback() {
        return Optional.of(usual);
    }

    @Override
    public boolean required() {
        return false;
    }

    @Override
    public Boolean read(Object tree) {
        if (tree instanceof Boolean flag) {
            return flag;
        }
        throw new IllegalArgumentException("expected true or false but found " + Setting.found(tree));
    }

    @Override
    public Object write(Boolean value) {
        return value;
    }

    @Override
    public String kind() {
        return "flag";
    }

    @Override
    public Map<String, Object> limits() {
        return Map.of();
    }
}
