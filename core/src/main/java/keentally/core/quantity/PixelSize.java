package keentally.core.quantity;

import java.math.BigDecimal;
import java.util.Optional;

/**
 * How large a pixel is in the unit that numbers are told in; the one place where pixels become real units. Tables, limits and columns
 * all come here, so that a number copied from a table is the number that a limit is held against.
 *
 * <p>The side is the decimal that a person gave, and a pixel's area is the square of that decimal: a whole number of pixels of 0.8 µm has
 * an area that is the nearest there is to a multiple of 0.64 µm².
 */
public final class PixelSize {
    /** The largest power of ten, and the largest whole number, up to which doubles are exact. */
    private static final int EXACT_TENS = 22;

    private static final double EXACT_WHOLE = 1L << 53;

    /** Where lengths are told in pixels. */
    public static final PixelSize PIXELS = new PixelSize(LengthUnit.PX, BigDecimal.ONE);

    private final LengthUnit unit;
    private final BigDecimal side;
    private final double length;
    private final double area;

    /** A pixel's area is {@code over} ÷ {@code under}, both exact where they can be. */
    private final double over;

    private final double under;

    private PixelSize(LengthUnit unit, BigDecimal side) {
        this.unit = unit;
        this.side = side;
        this.length = side.doubleValue();
        BigDecimal square = side.multiply(side).stripTrailingZeros();
        double whole = square.unscaledValue().doubleValue();
        boolean exact = square.scale() >= 0 && square.scale() <= EXACT_TENS && whole <= EXACT_WHOLE;
        this.area = square.doubleValue();
        this.over = exact ? whole : area;
        this.under = exact ? Double.parseDouble("1e" + square.scale()) : 1;
    }

    /** In a unit where there is a scale; in pixels where there is none, or where pixels are asked for. */
    public static PixelSize of(LengthUnit unit, Optional<Scale> scale) {
        return unit.isReal() && scale.isPresent()
                ? new PixelSize(
                        unit,
                        scale.get()
                                .unit()
                                .to(unit, BigDecimal.valueOf(scale.get().amount())))
                : PIXELS;
    }

    /** What lengths are told in. */
    public LengthUnit unit() {
        return unit;
    }

    /** Whether numbers are told in a real unit. */
    public boolean isReal() {
        return unit.isReal();
    }

    /** A length, from pixels. */
    public double length(double px) {
        return px * length;
    }

    /** An area, from square pixels. */
    public double area(double px2) {
        double product = px2 * over;
        return product <= EXACT_WHOLE ? product / under : px2 * area;
    }

    /** A number made of lengths multiplied with each other, from pixels: 1 for a length, 2 for an area, −1 for one over a length. */
    public double power(double px, double lengths) {
        return lengths == 0 ? px : lengths == 1 ? length(px) : lengths == 2 ? area(px) : px * Math.pow(length, lengths);
    }

    /** A length in pixels, from the unit. */
    public double px(double amount) {
        return amount / length;
    }

    /** An area in square pixels, from the unit. */
    public double px2(double amount) {
        return amount / area;
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof PixelSize p && p.unit == unit && p.side.compareTo(side) == 0;
    }

    @Override
    public int hashCode() {
        return 31 * unit.hashCode() + Double.hashCode(length);
    }

    @Override
    public String toString() {
        return side.toPlainString() + " " + unit.id() + "/px";
    }
}
