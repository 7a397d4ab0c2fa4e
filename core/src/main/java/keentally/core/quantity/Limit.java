package keentally.core.quantity;

import java.util.Optional;

/** One end of a range on a measure: a length, an area, or a bare number where the measure has neither. */
public sealed interface Limit {
    record OfLength(Length length) implements Limit {
        @Override
        public String toString() {
            return length.toString();
        }
    }

    record OfArea(Area area) implements Limit {
        @Override
        public String toString() {
            return area.toString();
        }
    }

    record Plain(double amount) implements Limit {
        public Plain {
            Amounts.finite(amount, "limit");
        }

        @Override
        public String toString() {
            return Amounts.text(amount);
        }
    }

    /**
     * In the unit that numbers are told in, or its square; a bare number as it is.
     *
     * @throws MissingScaleException where that needs a scale and there is none
     */
    default double in(PixelSize told, Optional<Scale> scale) {
        return switch (this) {
            case OfLength l -> l.length().in(told, scale);
            case OfArea a -> a.area().in(told, scale);
            case Plain p -> p.amount();
        };
    }

    /** How numbers are to be told so that this limit is held against them as it stands; pixels for bare numbers. */
    default PixelSize told(Optional<Scale> scale) {
        LengthUnit unit = switch (this) {
            case OfLength l -> l.length().unit();
            case OfArea a -> a.area().unit();
            case Plain p -> LengthUnit.PX;
        };
        return unit.isReal() ? PixelSize.of(unit, Optional.of(Scale.needed(scale, toString()))) : PixelSize.PIXELS;
    }

    /**
     * Reads {@code "35 um2"}, {@code "3 um"} or {@code "0.8"}.
     *
     * @throws IllegalArgumentException saying what was found and what is expected
     */
    static Limit of(String text) {
        Optional<Amounts.Split> split = Amounts.split(text);
        if (split.isPresent() && split.get().unit().isEmpty()) {
            return new Plain(split.get().amount());
        }
        if (split.isPresent()
                && (split.get().unit().endsWith("2") || split.get().unit().endsWith("²"))) {
            return new OfArea(Area.of(text));
        }
        return new OfLength(Length.of(text));
    }
}
