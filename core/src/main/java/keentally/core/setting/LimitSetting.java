package keentally.core.setting;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.quantity.Limit;

/** One end of a range on a measure: text with a unit where the measure has one, else a number. May be left out. */
public record LimitSetting(String id) implements Setting<Limit> {
    @Override
    public Optional<Limit> fallback() {
        return Optional.empty();
    }

    @Override
    public boolean required() {
        return false;
    }

    @Override
    public List<Condition> onlyWhen() {
        return List.of();
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
        return Map.of();
    }
}
