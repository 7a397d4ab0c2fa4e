package keentally.core.agree;

import java.util.Arrays;
import keentally.core.distance.SquaredDistance;
import keentally.core.picture.Mask;
import keentally.core.work.Work;

/**
 * How far the borders of two masks lie from each other, in pixels.
 *
 * <p>Definition: a border pixel is one of the mask with a pixel beside it, above or below that is not of it; beyond the picture nothing
 * is. From each border pixel of one mask the distance to the nearest border pixel of the other is taken, both ways, and all of these
 * together give the mean, the 95th percentile (linear between order statistics) and the greatest, which is the Hausdorff distance of the
 * borders. Edge cases: not-a-number where a mask has no pixel. Cost: two distance transforms and a sort of the borders.
 *
 * <p>Source: D. P. Huttenlocher, G. A. Klanderman and W. J. Rucklidge (1993), "Comparing images using the Hausdorff distance", IEEE
 * Transactions on Pattern Analysis and Machine Intelligence 15(9), 850–863.
 */
public record BorderDistance(double mean, double p95, double greatest) {
    private static final double SHARE = 0.95;

    /** Of two masks of one size. */
    public static BorderDistance of(Mask first, Mask second, Work work) {
        Mask one = border(first);
        Mask other = border(second);
        int n = Math.toIntExact(one.count() + other.count());
        if (one.count() == 0 || other.count() == 0) {
            return new BorderDistance(Double.NaN, Double.NaN, Double.NaN);
        }
        int[] squares = new int[n];
        int at = collect(one, SquaredDistance.to(other, work), squares, 0);
        collect(other, SquaredDistance.to(one, work), squares, at);
        Arrays.sort(squares);
        double sum = 0;
        for (int square : squares) {
            sum += Math.sqrt(square);
        }
        double place = SHARE * (n - 1);
        double lower = Math.sqrt(squares[(int) Math.floor(place)]);
        double upper = Math.sqrt(squares[(int) Math.ceil(place)]);
        return new BorderDistance(
                sum / n, lower + (place - Math.floor(place)) * (upper - lower), Math.sqrt(squares[n - 1]));
    }

    private static int collect(Mask border, int[] distances, int[] into, int at) {
        int next = at;
        for (int y = 0; y < border.height(); y++) {
            for (int x = border.nextSet(y, 0); x < border.width(); x = border.nextSet(y, x + 1)) {
                into[next++] = distances[y * border.width() + x];
            }
        }
        return next;
    }

    /** 64 pixels at a time: those of the mask whose four neighbours are not all of it. */
    static Mask border(Mask mask) {
        int stride = mask.stride();
        long[] words = mask.words();
        long[] found = new long[words.length];
        for (int y = 0; y < mask.height(); y++) {
            for (int w = 0; w < stride; w++) {
                int i = y * stride + w;
                long above = y > 0 ? words[i - stride] : 0;
                long below = y + 1 < mask.height() ? words[i + stride] : 0;
                long left = words[i] << 1 | (w > 0 ? words[i - 1] >>> 63 : 0);
                long right = words[i] >>> 1 | (w + 1 < stride ? words[i + 1] << 63 : 0);
                found[i] = words[i] & ~(above & below & left & right);
            }
        }
        return Mask.of(mask.width(), mask.height(), found);
    }
}
