package keentally.core.setting;

import java.util.List;

/**
 * Another setting has one of some values.
 *
 * @param on a choice that always applies where this one is asked about
 * @param any the values
 */
public record Condition(ChoiceSetting<?> on, List<? extends Enum<?>> any) {
    public Condition {
        any = List.copyOf(any);
    }

    public static <E extends Enum<E>> Condition is(ChoiceSetting<E> on, E one) {
        return new Condition(on, List.of(one));
    }

    public static <E extends Enum<E>> Condition is(ChoiceSetting<E> on, E one, E other) {
        return new Condition(on, List.of(one, other));
    }

    boolean holds(Values values) {
        return any.contains(values.get(on));
    }

    /** Such as "rule is manual". */
    @Override
    public String toString() {
        return on.id() + " is "
                + String.join(" or ", any.stream().map(ChoiceSetting::word).toList());
    }
}
