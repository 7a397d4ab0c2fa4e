package keentally.core.measure;

import java.util.Set;
import java.util.regex.Pattern;
import keentally.core.quantity.LengthUnit;
import keentally.core.stats.Averaging;

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
    public double lengths() {
        return formula.kind().length();
    }

    /** A measure under another name is averaged as that measure; of a formula nobody knows whether its angles go round. */
    @Override
    public Averaging averaging() {
        return formula.onlyMeasure().map(Measure::averaging).orElse(Averaging.PLAIN);
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
