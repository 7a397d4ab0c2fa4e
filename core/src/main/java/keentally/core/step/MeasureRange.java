package keentally.core.step;

import java.util.Optional;
import keentally.core.measure.Dimension;
import keentally.core.measure.Measure;
import keentally.core.quantity.Limit;
import keentally.core.quantity.PixelSize;
import keentally.core.quantity.Scale;

/**
 * A range of a measure, both ends included, either of which may be open. A range of hues may go round: from the higher to the lower. A
 * measure that is empty lies in none.
 */
record MeasureRange(Measure measure, Optional<Limit> atLeast, Optional<Limit> atMost) {
    /** @throws IllegalArgumentException where a limit is not of the measure's kind */
    MeasureRange {
        atLeast.ifPresent(l -> fits(measure, l));
        atMost.ifPresent(l -> fits(measure, l));
    }

    private static void fits(Measure measure, Limit limit) {
        Dimension found = switch (limit) {
            case Limit.OfLength l -> Dimension.LENGTH;
            case Limit.OfArea a -> Dimension.AREA;
            case Limit.Plain p -> Dimension.NONE;
        };
        boolean fits = measure.dimension() == found
                || found == Dimension.NONE && measure.dimension().lengths() == 0;
        if (!fits) {
            String expected = switch (measure.dimension()) {
                case LENGTH -> "a length such as \"3 um\"";
                case AREA -> "an area such as \"35 um2\"";
                case NONE, ANGLE, SIGNAL, FLAG -> "a number without a unit";
            };
            throw new IllegalArgumentException(
                    "the measure " + measure.id() + " is limited by " + expected + ", but found " + limit);
        }
    }

    /** The range on a sample. */
    Ends ends(Optional<Scale> scale) {
        return new Ends(atLeast.map(l -> End.of(measure, l, scale)), atMost.map(l -> End.of(measure, l, scale)));
    }

    /** A limit, and what makes of a measure the number that a table tells in the limit's own unit. */
    private record End(double amount, Measure measure, PixelSize told) {
        static End of(Measure measure, Limit limit, Optional<Scale> scale) {
            PixelSize told = limit.told(scale);
            return new End(limit.in(told, scale), measure, told);
        }

        /** Below 0, 0 or above 0, as the measure is less than the limit, equal or more. */
        int compared(double px) {
            return Double.compare(measure.told(px, told) + 0.0, amount + 0.0);
        }
    }

    /** Limits, compared where the numbers of tables are made, so that one that was copied from a table holds what it was copied from. */
    record Ends(Optional<End> least, Optional<End> most) {
        /** @param px the measure in pixels; not-a-number where it is empty */
        boolean hold(double px) {
            if (Double.isNaN(px)) {
                return false;
            }
            boolean above = least.map(l -> l.compared(px) >= 0).orElse(true);
            boolean below = most.map(m -> m.compared(px) <= 0).orElse(true);
            return goesRound() ? above || below : above && below;
        }

        private boolean goesRound() {
            return least.isPresent()
                    && most.isPresent()
                    && least.get().measure == Measure.MEAN_HUE
                    && least.get().amount > most.get().amount;
        }
    }
}
