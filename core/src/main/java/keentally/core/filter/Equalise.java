package keentally.core.filter;

import keentally.core.picture.Field;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.stats.Histogram;
import keentally.core.work.Work;

/**
 * Spreads values so that every stretch of the result holds the same share of the field.
 *
 * <p>Definition: a value becomes the share of the field's pixels below it and half of those in its bin, times the greatest value the
 * result is to have. Values outside the field's range become 0 or the greatest; not-a-number stays. Cost: a histogram and one
 * more pass.
 *
 * <p>Source: E. L. Hall (1974), "Almost uniform distributions for computer image enhancement", IEEE Transactions on Computers 23(2).
 */
public final class Equalise {
    private Equalise() {}

    /** @param most the greatest value of the result */
    public static PlaneF of(Plane plane, Field field, double most, Work work) {
        Histogram h = Histogram.of(plane, field, work);
        float[] to = new float[h.bins()];
        long below = 0;
        for (int i = 0; i < to.length; i++) {
            to[i] = h.total() == 0 ? 0 : (float) (most * (below + h.count(i) / 2.0) / h.total());
            below += h.count(i);
        }
        return EachValue.of(plane, v -> v - v == 0 ? to[h.bin(v)] : Float.NaN, work);
    }
}
