package keentally.core.threshold.rule;

import java.util.OptionalDouble;
import keentally.core.stats.Histogram;

/**
 * The cut that keeps a share of the field that is known beforehand.
 *
 * <p>Definition: the bin at which the kept side's share comes nearest to what is asked for; ties take the first. At least one
 * value stays on either side.
 *
 * <p>Known weakness: it finds that share in any picture, whether the thing is there or not.
 */
public final class Share {
    private Share() {}

    /** @param dark whether the dark side is kept, or the bright one */
    public static OptionalDouble cut(Histogram h, double percent, boolean dark) {
        double wanted = (dark ? percent : 100 - percent) / 100 * h.total();
        long[] below = new long[1];
        return Candidates.best(h, (k, count) -> {
            below[0] += count;
            return -Math.abs(below[0] - wanted);
        });
    }
}
