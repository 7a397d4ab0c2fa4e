package keentally.core.setting;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.quantity.Limit;

/**
 * A length, an area or a bare number, as the measure or the picture has it: text with a unit, or a number.
 *
 * @param usual the default; empty where it may be left out
 * @param elsewhere the default where {@code unless} does not hold
 */
public record LimitSetting(
        String id,
        Optional<Limit> usual,
        Optional<Condition> unless,
        Optional<Limit> elsewhere,
        List<Condition> onlyWhen)
        implements Setting<Limit> {
    /** One end of a range on a measure. May be left out. */
    public LimitSetting(String id) {
        this(id, Optional.empty(), Optional.empty(), Optional.empty(), List.of());
    }

    /** With one default where {@code when} holds and another where it does not. */
    public static LimitSetting of(String id, String usual, Condition when, String elsewhere, Condition onlyWhen) {
        return new LimitSetting(
                id,
                Optional.of(Limit.of(usual)),
                Optional.of(when),
                Optional.of(Limit.of(elsewhere)),
                List.of(onlyWhen));
    }

    @Override
    public Optional<Limit> fallback() {
        return usual;
    }

    @Override
    public Optional<Limit> fallback(Values values) {
        return unless.isPresent() && !unless.get().holds(values) ? elsewhere : usual;
    }

    @Override
    public boolean required() {
        return false;
    }

    @Override
    public Limit read(Object tree) {
        return switch (tree) {
            case Number n when Double.isFinite(n.doubleValue()) -> new Limit.Plain(n.doubleValue());
            case String text when !(Limit.of(text) instanceof Limit.Plain) -> Limit.of(text);
            case null, default ->
                throw new IllegalArgumentException(
                        "expected a number, or text with a unit such as \"35 um2\", but found " + Setting.found(tree));
        };
    }

    @Override
    public Object write(Limit value) {
        return value instanceof Limit.Plain plain ? Trees.number(plain.amount()) : value.toString();
    }

    @Override
    public String kind() {
        return "limit";
    }

    @Override
    public Map<String, Object> limits() {
        return elsewhere
                .<Map<String, Object>>map(other -> Map.of("otherwise", write(other)))
                .orElse(Map.of());
    }
}
