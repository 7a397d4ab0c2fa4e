package keentally.core.step;

import java.util.Optional;
import keentally.core.measure.Dimension;
import keentally.core.measure.Measure;
import keentally.core.quantity.Limit;
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
                || found == Dimension.NONE && measure.dimension().factor(2) == 1;
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

    /** The range in pixels. */
    Ends ends(Optional<Scale> scale) {
        return new Ends(
                atLeast.map(l -> l.px(scale)).orElse(Double.NEGATIVE_INFINITY),
                atMost.map(l -> l.px(scale)).orElse(Double.POSITIVE_INFINITY),
                measure == Measure.MEAN_HUE);
    }

    /** @param round whether it may go round */
    record Ends(double least, double most, boolean round) {
        boolean hold(double value) {
            return round && least > most ? value >= least || value <= most : value >= least && value <= most;
        }
    }
}
