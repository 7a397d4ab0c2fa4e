package keentally.core.trial;

import java.util.OptionalDouble;
import keentally.core.setting.Values;

/**
 * One alternative.
 *
 * @param label as a person reads it
 * @param values of the step
 * @param at where it stands on the axis; empty where the axis has words and no places
 */
public record Variant(String label, Values values, OptionalDouble at) {}
