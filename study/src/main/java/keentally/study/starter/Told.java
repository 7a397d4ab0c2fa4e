package keentally.study.starter;

import java.util.Optional;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.core.quantity.Scale;
import keentally.core.starter.Answer;
import keentally.core.starter.Spread;

/**
 * An answer as people say it.
 *
 * @param unit of lengths, and of the sides of the area in which things are counted; pixels where the sample has no scale
 * @param least what it may be at least; not-a-number where no setting says how sure it is
 * @param most what it may be at most
 */
public record Told(Answer.Kind kind, LengthUnit unit, double value, double least, double most) {
    /** Square pixels in which things are counted where there is no scale. */
    private static final double MILLION = 1e6;

    /** @param spread of the answer, where there is one */
    public static Told of(Answer answer, Optional<Spread> spread, Optional<Scale> scale) {
        LengthUnit unit = unit(answer, scale);
        double value = answer.value() * times(answer.kind(), unit, scale);
        double least = value * spread.map(Spread::least).orElse(Double.NaN);
        double most = value * spread.map(Spread::most).orElse(Double.NaN);
        return switch (answer.kind()) {
            case COUNT, PHASES -> new Told(answer.kind(), unit, value, Math.rint(least), Math.rint(most));
            case SHARE -> new Told(answer.kind(), unit, value, least, Math.min(100, most));
            case SIZE_PX, PER_PX2 -> new Told(answer.kind(), unit, value, least, most);
        };
    }

    /** Whether it was tried how far the number may be off. */
    public boolean hasRange() {
        return !Double.isNaN(least);
    }

    /** In a square millimetre, or in a square centimetre where that holds less than one. */
    private static LengthUnit unit(Answer answer, Optional<Scale> scale) {
        if (scale.isEmpty()) {
            return LengthUnit.PX;
        }
        boolean few = answer.value() * times(Answer.Kind.PER_PX2, LengthUnit.MM, scale) < 1;
        return answer.kind() != Answer.Kind.PER_PX2 ? scale.get().unit() : few ? LengthUnit.CM : LengthUnit.MM;
    }

    /** From pixels. */
    private static double times(Answer.Kind kind, LengthUnit unit, Optional<Scale> scale) {
        return switch (kind) {
            case COUNT, SHARE, PHASES -> 1;
            case SIZE_PX -> PixelSize.of(unit, scale).length(1);
            case PER_PX2 ->
                scale.isEmpty() ? MILLION : 1 / PixelSize.of(unit, scale).area(1);
        };
    }

    /** What the number is in, as in files. */
    public String symbol() {
        return switch (kind) {
            case COUNT -> "objects";
            case PHASES -> "shades";
            case SHARE -> "%";
            case SIZE_PX -> unit.id();
            case PER_PX2 -> unit.isReal() ? "per " + unit.id() + "2" : "per million px2";
        };
    }
}
