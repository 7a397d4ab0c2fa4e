package keentally.study.run;

import java.util.Collections;
import java.util.OptionalDouble;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * What a person typed for a sample, for the formulas of its method.
 *
 * @param tag the number on its label, in whatever unit that has
 * @param named by the names that formulas know them by
 */
public record TypedNumbers(OptionalDouble tag, SortedMap<String, Double> named) {
    public static final TypedNumbers NONE = new TypedNumbers(OptionalDouble.empty(), Collections.emptySortedMap());

    public TypedNumbers {
        named = Collections.unmodifiableSortedMap(new TreeMap<>(named));
    }
}
