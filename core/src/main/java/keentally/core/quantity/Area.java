package keentally.core.quantity;

import java.util.Optional;

/**
 * An area as a person told it.
 *
 * @param amount finite
 * @param unit the unit of length whose square it is told in
 */
public record Area(double amount, LengthUnit unit) {
    public Area {
        Amounts.finite(amount, "area");
    }

    public static Area px2(double amount) {
        return new Area(amount, LengthUnit.PX);
    }

    /**
     * Reads {@code "35 um2"} or {@code "20 px2"}; {@code "35 um²"} is understood too.
     *
     * @throws IllegalArgumentException saying what was found and what is expected
     */
    public static Area of(String text) {
        return Amounts.split(text)
                .filter(s -> s.unit().endsWith("2") || s.unit().endsWith("²"))
                .flatMap(s -> LengthUnit.find(s.unit().substring(0, s.unit().length() - 1))
                        .map(unit -> new Area(s.amount(), unit)))
                .orElseThrow(() -> new IllegalArgumentException(
                        "expected an area with its unit, such as \"20 px2\" or \"35 um2\", but found \"" + text
                                + "\""));
    }

    /** In square pixels. */
    public double px2(Optional<Scale> scale) {
        if (unit == LengthUnit.PX) {
            return amount;
        }
        double perPixel = Scale.needed(scale, toString()).umPerPx() / unit.micrometres();
        return amount / (perPixel * perPixel);
    }

    /** As in files: {@code 35 um2}. */
    @Override
    public String toString() {
        return Amounts.text(amount) + " " + unit.id() + "2";
    }
}
