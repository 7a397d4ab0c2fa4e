package keentally.core.setting;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What was set, by setting. A setting that was not set has its default. Values of settings that do not apply now are kept, so
 * that going back to a choice finds them again, but they take no part in {@link #tree}.
 */
public final class Values {
    public static final Values NONE = new Values(Map.of());

    private final Map<String, Object> set;

    private Values(Map<String, Object> set) {
        this.set = Map.copyOf(set);
    }

    /** The value or the default. */
    public <T> Optional<T> find(Setting<T> setting) {
        Object value = set.get(setting.id());
        if (value == null) {
            return setting.fallback(this);
        }
        @SuppressWarnings("unchecked") // with() let only this setting's type in under its id
        T typed = (T) value;
        return Optional.of(typed);
    }

    /** The value or the default of a setting that always has one. */
    public <T> T get(Setting<T> setting) {
        return find(setting).orElseThrow(() -> new IllegalArgumentException("'" + setting.id() + "' is not set"));
    }

    /** Whether the setting was given; otherwise it has its usual value. */
    public boolean isSet(Setting<?> setting) {
        return set.containsKey(setting.id());
    }

    /** With one setting given. */
    public <T> Values with(Setting<T> setting, T value) {
        Map<String, Object> changed = new HashMap<>(set);
        changed.put(setting.id(), value);
        return new Values(changed);
    }

    /** With the value that {@code tree} stands for. */
    public <T> Values withTree(Setting<T> setting, Object tree) {
        return with(setting, setting.read(tree));
    }

    /** With one setting at its usual value again. */
    public Values without(Setting<?> setting) {
        Map<String, Object> changed = new HashMap<>(set);
        changed.remove(setting.id());
        return new Values(changed);
    }

    /** With one setting as it stands among other values, set or not. */
    public Values taking(Setting<?> setting, Values from) {
        Map<String, Object> changed = new HashMap<>(set);
        changed.remove(setting.id());
        if (from.isSet(setting)) {
            changed.put(setting.id(), from.set.get(setting.id()));
        }
        return new Values(changed);
    }

    /** Whether a setting comes to the same among other values. */
    public boolean alike(Setting<?> setting, Values other) {
        return setting.applies(this) == setting.applies(other) && find(setting).equals(other.find(setting));
    }

    /** The settings that apply, defaults filled in, in the order given. */
    public Map<String, Object> tree(List<Setting<?>> settings) {
        Map<String, Object> tree = new LinkedHashMap<>();
        settings.stream().filter(s -> s.applies(this)).forEach(s -> put(tree, s));
        return tree;
    }

    /** As {@link #tree}, without what does not enter the method's hash. */
    public Map<String, Object> canonical(List<Setting<?>> settings) {
        Map<String, Object> tree = new LinkedHashMap<>();
        settings.stream().filter(s -> s.applies(this)).forEach(s -> putCanonical(tree, s));
        return tree;
    }

    /** Exactly what was set, whether or not it applies now, in the order given; no defaults. */
    public Map<String, Object> asSet(List<Setting<?>> settings) {
        Map<String, Object> tree = new LinkedHashMap<>();
        settings.stream().filter(this::isSet).forEach(s -> put(tree, s));
        return tree;
    }

    private <T> void putCanonical(Map<String, Object> tree, Setting<T> setting) {
        find(setting).ifPresent(value -> tree.put(setting.id(), setting.canonical(value)));
    }

    private <T> void put(Map<String, Object> tree, Setting<T> setting) {
        find(setting).ifPresent(value -> tree.put(setting.id(), setting.write(value)));
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Values v && v.set.equals(set);
    }

    @Override
    public int hashCode() {
        return set.hashCode();
    }

    @Override
    public String toString() {
        return set.toString();
    }
}
