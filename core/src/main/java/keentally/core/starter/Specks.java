package keentally.core.starter;

import java.util.Arrays;
import java.util.Comparator;
import java.util.stream.IntStream;
import keentally.core.picture.Plane;
import keentally.core.region.Regions;

/** Which of the pieces of a cut are specks: those that hardly reach over it. */
final class Specks {
    /** Pixels; fewer have no shape. */
    private static final int LEAST = 5;

    /** How far a speck reaches over the cut at most, in what things of the usual size reach. */
    private static final double WEAK = 0.45;

    /** The largest speck, in the usual area. */
    private static final double LARGEST = 1 / 6.0;

    private final Regions pieces;

    /** How far each reaches over the cut. */
    private final double[] reach;

    private Specks(Regions pieces, Plane plane, boolean bright) {
        this.pieces = pieces;
        this.reach = reach(pieces, plane, bright);
    }

    /** The area below which pieces are specks: fewest that reach far are below it, and fewest that do not are above. */
    static long below(Regions pieces, Plane plane, boolean bright) {
        return new Specks(pieces, plane, bright).below();
    }

    private static double[] reach(Regions pieces, Plane plane, boolean bright) {
        double[] peaks = new double[pieces.count()];
        double[] cut = {Double.POSITIVE_INFINITY};
        for (int i = 0; i < peaks.length; i++) {
            double[] peak = {Double.NEGATIVE_INFINITY};
            pieces.runs(i, (y, from, to) -> {
                for (int x = from; x < to; x++) {
                    double v = bright ? plane.at(x, y) : -plane.at(x, y);
                    cut[0] = Math.min(cut[0], v);
                    peak[0] = Math.max(peak[0], v);
                }
            });
            peaks[i] = peak[0];
        }
        return Arrays.stream(peaks).map(p -> p - cut[0]).toArray();
    }

    private long below() {
        int n = pieces.count();
        double usual = usual(pieces);
        double[] ofLarge = IntStream.range(0, n)
                .filter(i -> pieces.pixels(i) >= usual)
                .mapToDouble(i -> reach[i])
                .sorted()
                .toArray();
        if (ofLarge.length == 0) {
            return LEAST;
        }
        double weak = WEAK * ofLarge[ofLarge.length / 2];
        int[] bySize = IntStream.range(0, n)
                .boxed()
                .sorted(Comparator.comparingLong(pieces::pixels))
                .mapToInt(i -> i)
                .toArray();
        long strongBelow = 0;
        long weakAbove = Arrays.stream(reach).filter(r -> r < weak).count();
        long fewest = weakAbove;
        long below = LEAST;
        for (int i : bySize) {
            long pixels = pieces.pixels(i);
            if (pixels >= LARGEST * usual) {
                break;
            }
            if (reach[i] < weak) {
                weakAbove--;
            } else if (pixels >= LEAST) {
                strongBelow++;
            }
            if (strongBelow + weakAbove < fewest) {
                fewest = strongBelow + weakAbove;
                below = Math.max(LEAST, pixels + 1);
            }
        }
        return below;
    }

    /** Half of what is covered is covered by things that are larger. */
    static double usual(Regions things) {
        long[] areas = IntStream.range(0, things.count())
                .mapToLong(things::pixels)
                .sorted()
                .toArray();
        double half = Arrays.stream(areas).sum() / 2.0;
        long sum = 0;
        for (long area : areas) {
            sum += area;
            if (sum >= half) {
                return area;
            }
        }
        return 0;
    }
}
