package keentally.core.setting;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.quantity.Amounts;

/**
 * A finite number without a dimension, or in the picture's values.
 *
 * @param least included
 * @param most included
 * @param whole whether only whole numbers will do
 */
public record NumberSetting(
        String id,
        Optional<Double> fallback,
        boolean required,
        double least,
        double most,
        boolean whole,
        List<Condition> onlyWhen)
        implements Setting<Double> {
    public NumberSetting {
        onlyWhen = List.copyOf(onlyWhen);
    }

    /** Any number; may be left out, which then is a meaning of its own. */
    public static NumberSetting free(String id, Condition... onlyWhen) {
        return new NumberSetting(
                id, Optional.empty(), false, -Double.MAX_VALUE, Double.MAX_VALUE, false, List.of(onlyWhen));
    }

    /** Any number; must be given where it applies. */
    public static NumberSetting needed(String id, Condition... onlyWhen) {
        return new NumberSetting(
                id, Optional.empty(), true, -Double.MAX_VALUE, Double.MAX_VALUE, false, List.of(onlyWhen));
    }

    /** A number in a range, both ends included, with a default. */
    public static NumberSetting of(String id, double usual, double least, double most, Condition... onlyWhen) {
        return new NumberSetting(id, Optional.of(usual), false, least, most, false, List.of(onlyWhen));
    }

    /** A whole number in a range, both ends included, with a default. */
    public static NumberSetting whole(String id, int usual, int least, int most, Condition... onlyWhen) {
        return new NumberSetting(id, Optional.of((double) usual), false, least, most, true, List.of(onlyWhen));
    }

    @Override
    public Double read(Object tree) {
        if (!(tree instanceof Number number) || !Double.isFinite(number.doubleValue())) {
            throw new IllegalArgumentException("expected a number but found " + Setting.found(tree));
        }
        double value = number.doubleValue();
        if (value < least || value > most || whole && value != Math.rint(value)) {
            throw new IllegalArgumentException("expected a " + (whole ? "whole " : "") + "number from "
                    + Amounts.text(least) + " to " + Amounts.text(most) + " but found " + Amounts.text(value));
        }
        return value;
    }

    @Override
    public Object write(Double value) {
        return Trees.number(value);
    }

    @Override
    public String kind() {
        return "number";
    }

    @Override
    public Map<String, Object> limits() {
        return least == -Double.MAX_VALUE ? Map.of() : Map.of("least", Trees.number(least), "most", Trees.number(most));
    }
}
