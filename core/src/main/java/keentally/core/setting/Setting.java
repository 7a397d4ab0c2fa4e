package keentally.core.setting;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * One setting of a step.
 *
 * @param <T> the type of its value
 */
public sealed interface Setting<T>
        permits ChannelSetting,
                ChoiceSetting,
                FlagSetting,
                NumberSetting,
                LengthSetting,
                AreaSetting,
                LimitSetting,
                RangeSetting,
                ReferenceSetting,
                NameSetting,
                ListSetting {
    /** As in files: lower camel case. */
    String id();

    /** What holds when nothing is said; empty where something must be, or where nothing is a meaning of its own. */
    Optional<T> fallback();

    /** What holds when nothing is said, among these values. */
    default Optional<T> fallback(Values values) {
        return fallback();
    }

    /** Whether a step cannot do without it where it applies. */
    boolean required();

    /** All must hold for the setting to have an effect. */
    List<Condition> onlyWhen();

    /**
     * The value from its tree.
     *
     * @throws IllegalArgumentException saying what was expected and what was found
     */
    T read(Object tree);

    /** The tree from a value; reads back the same. */
    Object write(T value);

    /** The value as it enters the method's hash. */
    default Object canonical(T value) {
        return write(value);
    }

    /** channel, choice, flag, number, length, area, limit, range, reference, name, or what a list holds: numbers, colours, vectors, places, names or groups. */
    String kind();

    /** What limits the value, for people and programs: words, least, most. */
    Map<String, Object> limits();

    /** Whether the setting has an effect among these values. */
    default boolean applies(Values values) {
        return onlyWhen().stream().allMatch(c -> c.holds(values));
    }

    /** What {@code tree} is, for a message. */
    static String found(Object tree) {
        return switch (tree) {
            case null -> "null";
            case String s -> "\"" + s + "\"";
            case Number n -> "the number " + n;
            case Boolean b -> b.toString();
            case List<?> l -> "a list";
            case Map<?, ?> m -> "an object";
            default -> tree.toString();
        };
    }
}
