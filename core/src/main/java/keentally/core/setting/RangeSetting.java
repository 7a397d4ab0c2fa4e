package keentally.core.setting;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.quantity.Amounts;

/**
 * From one number to another, both included.
 *
 * @param usual the default, which is the whole range
 * @param wraps whether the range may run over its end to its beginning, as angles do
 */
public record RangeSetting(String id, Range usual, boolean wraps, List<Condition> onlyWhen)
        implements Setting<RangeSetting.Range> {
    public RangeSetting {
        onlyWhen = List.copyOf(onlyWhen);
    }

    /**
     * @param from included
     * @param to included; below {@code from} where the range runs over its end
     */
    public record Range(double from, double to) {
        /** Whether a value may be one of the ends. */
        public boolean contains(double value) {
            return from <= to ? value >= from && value <= to : value >= from || value <= to;
        }
    }

    /**
     * @param least the lowest end there can be
     * @param most the highest
     * @param onlyWhen all have to hold for the setting to matter
     */
    public static RangeSetting of(String id, double least, double most, Condition... onlyWhen) {
        return new RangeSetting(id, new Range(least, most), false, List.of(onlyWhen));
    }

    /** Of angles or the like. */
    public static RangeSetting wrapping(String id, double least, double most, Condition... onlyWhen) {
        return new RangeSetting(id, new Range(least, most), true, List.of(onlyWhen));
    }

    @Override
    public Optional<Range> fallback() {
        return Optional.of(usual);
    }

    @Override
    public boolean required() {
        return false;
    }

    @Override
    public Range read(Object tree) {
        if (!(tree instanceof List<?> list)
                || list.size() != 2
                || !(list.get(0) instanceof Number from)
                || !(list.get(1) instanceof Number to)
                || !Double.isFinite(from.doubleValue())
                || !Double.isFinite(to.doubleValue())) {
            throw new IllegalArgumentException("expected a range such as [" + Amounts.text(usual.from) + ", "
                    + Amounts.text(usual.to) + "] but found " + Setting.found(tree));
        }
        if (!wraps && from.doubleValue() > to.doubleValue()) {
            throw new IllegalArgumentException("expected a range that does not end before it begins, but found "
                    + Amounts.text(from.doubleValue()) + " to " + Amounts.text(to.doubleValue()));
        }
        return new Range(from.doubleValue(), to.doubleValue());
    }

    @Override
    public Object write(Range value) {
        return List.of(Trees.number(value.from), Trees.number(value.to));
    }

    @Override
    public String kind() {
        return "range";
    }

    @Override
    public Map<String, Object> limits() {
        return Map.of("least", Trees.number(usual.from), "most", Trees.number(usual.to));
    }
}
