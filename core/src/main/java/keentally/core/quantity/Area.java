package keentally.core.quantity;

import java.math.BigDecimal;
import java.util.Optional;

/**
 * An area as a person told it.
 *
 * @param amount finite
 * @param unit the unit of length whose square it is told in
 */
public record Area(double amount, LengthUnit unit) {
    /** More than any picture has. */
    private static final double MOST_PIXELS = 1e15;

    public Area {
        Amounts.finite(amount, "area");
    }

    /** An area in places of the picture. */
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
        return in(PixelSize.PIXELS, scale);
    }

    /**
     * In the square of the unit that numbers are told in: its own number where that is this unit.
     *
     * @param scale needed where one of the two is in pixels and the other is not
     * @throws MissingScaleException where it is needed and not there
     */
    public double in(PixelSize told, Optional<Scale> scale) {
        if (unit == told.unit()) {
            return amount;
        }
        if (unit == LengthUnit.PX) {
            return told.area(amount);
        }
        return told.isReal()
                ? unit.to(told.unit(), unit.to(told.unit(), BigDecimal.valueOf(amount)))
                        .doubleValue()
                : size(scale).px2(amount);
    }

    /** The least number of pixels whose area, as a table tells it in this unit, is at least this one. */
    public long leastPixels(Optional<Scale> scale) {
        PixelSize size = size(scale);
        long n = whole(Math.ceil(size.px2(amount)));
        while (n > 0 && size.area(n - 1) >= amount) {
            n--;
        }
        return size.area(n) < amount ? n + 1 : n;
    }

    /** The greatest number of pixels whose area, as a table tells it in this unit, is at most this one. */
    public long mostPixels(Optional<Scale> scale) {
        PixelSize size = size(scale);
        long n = whole(Math.floor(size.px2(amount)));
        while (size.area(n + 1) <= amount && n < MOST_PIXELS) {
            n++;
        }
        return n > 0 && size.area(n) > amount ? n - 1 : n;
    }

    private static long whole(double pixels) {
        return (long) Math.clamp(pixels, 0.0, MOST_PIXELS);
    }

    private PixelSize size(Optional<Scale> scale) {
        return unit.isReal() ? PixelSize.of(unit, Optional.of(Scale.needed(scale, toString()))) : PixelSize.PIXELS;
    }

    /** As in files: {@code 35 um2}. */
    @Override
    public String toString() {
        return Amounts.text(amount) + " " + unit.id() + "2";
    }
}
