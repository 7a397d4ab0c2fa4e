package keentally.core.measure;

import java.util.Set;
import java.util.regex.Pattern;
import keentally.core.quantity.LengthUnit;

/**
 * A column of a person's own.
 *
 * @param name letters, digits and hyphens, and no measure's
 */
public record OwnColumn(String name, Formula formula) implements Column {
    private static final Pattern NAME = Pattern.compile("[\\p{L}][\\p{L}\\p{Nd}-]{0,39}");
    private static final Set<String> TAKEN = Set.of("sample", "object", "phase");

    public OwnColumn {
        if (!NAME.matcher(name).matches()) {
            throw new IllegalArgumentException(
                    "a column's name is made of letters, digits and hyphens, but found \"" + name + "\"");
        }
        if (Measure.find(name).isPresent() || TAKEN.contains(name)) {
            throw new IllegalArgumentException("the column '" + name + "' is there already; take another name");
        }
    }

    @Override
    public String id() {
        return name;
    }

    @Override
    public double factor(double perPixel) {
        return Math.pow(perPixel, formula.kind().length());
    }

    @Override
    public String unitId(LengthUnit unit) {
        return formula.kind().unitId(unit);
    }

    @Override
    public String unitSymbol(LengthUnit unit) {
        return formula.kind().unitSymbol(unit);
    }
}
