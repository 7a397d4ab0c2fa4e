package keentally.core.setting;

import java.util.List;

/**
 * Another setting has one of some values.
 *
 * @param on a choice or a channel that always applies where this one is asked about
 * @param any the values
 */
public record Condition(Setting<?> on, List<?> any) {
    public Condition {
        any = List.copyOf(any);
    }

    /** Holds where this is chosen. */
    public static <E extends Enum<E>> Condition is(ChoiceSetting<E> on, E one) {
        return new Condition(on, List.of(one));
    }

    /** Holds where this channel is chosen. */
    public static Condition is(ChannelSetting on, String one) {
        return new Condition(on, List.of(one));
    }

    /** Holds where one of the two is chosen. */
    public static <E extends Enum<E>> Condition is(ChoiceSetting<E> on, E one, E other) {
        return new Condition(on, List.of(one, other));
    }

    /** Holds where one of the three is chosen. */
    public static <E extends Enum<E>> Condition is(ChoiceSetting<E> on, E one, E other, E third) {
        return new Condition(on, List.of(one, other, third));
    }

    boolean holds(Values values) {
        return any.contains(values.get(on));
    }

    /** Such as "rule is manual". */
    @Override
    public String toString() {
        return on.id() + " is "
                + String.join(" or ", any.stream().map(Condition::word).toList());
    }

    private static String word(Object value) {
        return value instanceof Enum<?> e ? ChoiceSetting.word(e) : value.toString();
    }
}
