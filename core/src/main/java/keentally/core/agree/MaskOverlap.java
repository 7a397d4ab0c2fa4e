package keentally.core.agree;

import keentally.core.picture.Field;
import keentally.core.picture.Mask;

/**
 * How two masks cover a field: four numbers of pixels that add up to it.
 *
 * <p>Definition: intersection over union is both / (both + only one + only the other), Dice 2 both / (first + second). Edge cases: two
 * empty masks agree about nothing; both are not-a-number then.
 *
 * <p>Source: P. Jaccard (1912), "The distribution of the flora in the alpine zone", New Phytologist 11(2), 37–50; L. R. Dice (1945),
 * "Measures of the amount of ecologic association between species", Ecology 26(3), 297–302.
 *
 * @param neither pixels of the field that neither covers
 */
public record MaskOverlap(long both, long onlyFirst, long onlySecond, long neither) {
    /** @throws IllegalArgumentException where the masks are of different sizes */
    public static MaskOverlap of(Mask first, Mask second, Field field) {
        if (first.width() != second.width() || first.height() != second.height()) {
            throw new IllegalArgumentException("a mask of " + first.width() + " × " + first.height()
                    + " px cannot be laid on one of " + second.width() + " × " + second.height() + " px");
        }
        Mask one = field.clip(first);
        Mask other = field.clip(second);
        long both = one.and(other).count();
        long onlyFirst = one.count() - both;
        long onlySecond = other.count() - both;
        return new MaskOverlap(both, onlyFirst, onlySecond, field.pixels() - both - onlyFirst - onlySecond);
    }

    /** Intersection over union. */
    public double iou() {
        return (double) both / (both + onlyFirst + onlySecond);
    }

    public double dice() {
        return 2.0 * both / (2 * both + onlyFirst + onlySecond);
    }
}
