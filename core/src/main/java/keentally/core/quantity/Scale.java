package keentally.core.quantity;

import java.math.BigDecimal;
import java.util.Optional;

/**
 * How long one pixel is, in the unit a person chose; pixels are square.
 *
 * @param amount from a millionth of a nanometre to a kilometre
 * @param unit a real unit
 */
public record Scale(double amount, LengthUnit unit) {
    private static final double LEAST_UM = 1e-9;
    private static final double MOST_UM = 1e9;

    public Scale {
        if (!unit.isReal()) {
            throw new IllegalArgumentException("a scale needs a real unit: nm, um, mm or cm");
        }
        if (!(amount > 0) || !Double.isFinite(amount)) {
            throw new IllegalArgumentException("a pixel must be longer than 0, was " + amount + " " + unit.id());
        }
        double um = unit.to(LengthUnit.UM, BigDecimal.valueOf(amount)).doubleValue();
        if (!(um >= LEAST_UM && um <= MOST_UM)) {
            throw new IllegalArgumentException(
                    "a pixel must be between a millionth of a nanometre and a kilometre long," + " was "
                            + Amounts.text(amount) + " " + unit.id());
        }
    }

    /**
     * Reads {@code "0.85 um/px"}; the {@code /px} may be left out.
     *
     * @throws IllegalArgumentException with a sentence that says what was found and what is expected
     */
    public static Scale of(String text) {
        String plain = text.strip();
        if (plain.endsWith("/px")) {
            plain = plain.substring(0, plain.length() - 3);
        }
        Amounts.Split split = Amounts.split(plain).orElseThrow(() -> malformed(text));
        LengthUnit unit =
                LengthUnit.find(split.unit()).filter(LengthUnit::isReal).orElseThrow(() -> malformed(text));
        return new Scale(split.amount(), unit);
    }

    private static IllegalArgumentException malformed(String text) {
        return new IllegalArgumentException("expected the length of a pixel in nm, um, mm or cm, such as"
                + " \"0.85 um/px\", but found \"" + text + "\"");
    }

    public double umPerPx() {
        return perPixel(LengthUnit.UM);
    }

    /** Length of one pixel in {@code unit}; 1 for pixels. */
    public double perPixel(LengthUnit in) {
        return PixelSize.of(in, Optional.of(this)).length(1);
    }

    static Scale needed(Optional<Scale> scale, String what) {
        return scale.orElseThrow(() -> new MissingScaleException(what));
    }

    /** As in files: {@code 0.85 um/px}. */
    @Override
    public String toString() {
        return Amounts.text(amount) + " " + unit.id() + "/px";
    }
}
