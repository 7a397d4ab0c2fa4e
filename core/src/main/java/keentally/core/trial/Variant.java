package keentally.core.trial;

import java.util.Optional;
import java.util.OptionalDouble;
import keentally.core.setting.Values;
import keentally.core.work.Work;

/**
 * One alternative.
 *
 * @param label as a person reads it
 * @param values of the step
 * @param at where it stands on the axis; empty where the axis has words and no places
 * @param beside the other setting's, where two are tried at once; else empty
 * @param making works the values out when its turn comes, where that takes long
 * @param score how well what was worked out does, in per cent, where that is known
 * @param told what came of that, for a person; empty where there was nothing to do
 */
public record Variant(
        String label,
        Values values,
        OptionalDouble at,
        String beside,
        Optional<Making> making,
        OptionalDouble score,
        String told) {
    /** Known as it stands. */
    public Variant(String label, Values values, OptionalDouble at) {
        this(label, values, at, "", Optional.empty(), OptionalDouble.empty(), "");
    }

    /** To be worked out. @param now the values until then */
    public static Variant of(String label, Values now, OptionalDouble at, Making making) {
        return new Variant(label, now, at, "", Optional.of(making), OptionalDouble.empty(), "");
    }

    /** One of a first setting, and then one of another that was made from its values. */
    public static Variant both(Variant first, Variant then) {
        return new Variant(
                first.label + " \u00b7 " + then.label,
                then.values,
                first.at,
                then.label,
                then.making,
                OptionalDouble.empty(),
                "");
    }

    /** Works values out, and says what came of it. */
    @FunctionalInterface
    public interface Making {
        /** @throws IllegalArgumentException in a sentence, where it cannot be */
        Made make(Work work);
    }

    /** What was worked out. */
    public record Made(Values values, OptionalDouble score, String told) {}

    /** With its values worked out. */
    public Variant made(Work work) {
        if (making.isEmpty()) {
            return this;
        }
        Made made = making.get().make(work);
        return new Variant(label, made.values(), at, beside, Optional.empty(), made.score(), made.told());
    }
}
