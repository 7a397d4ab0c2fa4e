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

    /** In pixels or square pixels, or the bare number. */
    default double px(Optional<Scale> scale) {
        return switch (this) {
            case OfLength l -> l.length().px(scale);
            case OfArea a -> a.area().px2(scale);
            case Plain p -> p.amount();
        };
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
