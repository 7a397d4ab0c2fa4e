package keentally.core.quantity;

import java.math.BigDecimal;
import java.util.Optional;

/**
 * A length as a person told it.
 *
 * @param amount finite; may be 0 or negative, which the setting that holds it may forbid
 * @param unit pixels or a real unit
 */
public record Length(double amount, LengthUnit unit) {
    private static final int[] ROUND = {5, 2, 1};

    public Length {
        Amounts.finite(amount, "length");
    }

    /** A length in sides of a place of the picture. */
    public static Length px(double amount) {
        return new Length(amount, LengthUnit.PX);
    }

    /**
     * Reads {@code "1.5 px"} or {@code "3 um"}.
     *
     * @throws IllegalArgumentException saying what was found and what is expected
     */
    public static Length of(String text) {
        return Amounts.split(text)
                .flatMap(s -> LengthUnit.find(s.unit()).map(unit -> new Length(s.amount(), unit)))
                .orElseThrow(() -> new IllegalArgumentException(
                        "expected a length with its unit, such as \"1.5 px\" or \"3 um\", but found \"" + text + "\""));
    }

    /** The greatest of 1, 2 and 5 times a power of ten that is not above, as bars and rulers have it. */
    public static double roundBelow(double most) {
        double ten = Math.pow(10, Math.floor(Math.log10(most)));
        for (int times : ROUND) {
            if (times * ten <= most) {
                return times * ten;
            }
        }
        return ten;
    }

    /** In pixels. */
    public double px(Optional<Scale> scale) {
        return in(PixelSize.PIXELS, scale);
    }

    /**
     * In the unit that numbers are told in: its own number where that is this unit.
     *
     * @param scale needed where one of the two is in pixels and the other is not
     * @throws MissingScaleException where it is needed and not there
     */
    public double in(PixelSize told, Optional<Scale> scale) {
        if (unit == told.unit()) {
            return amount;
        }
        if (unit == LengthUnit.PX) {
            return told.length(amount);
        }
        return told.isReal()
                ? unit.to(told.unit(), BigDecimal.valueOf(amount)).doubleValue()
                : PixelSize.of(unit, Optional.of(Scale.needed(scale, toString())))
                        .px(amount);
    }

    /** As in files: {@code 1.5 px}. */
    @Override
    public String toString() {
        return Amounts.text(amount) + " " + unit.id();
    }
}
