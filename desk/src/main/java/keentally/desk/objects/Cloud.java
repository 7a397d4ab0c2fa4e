package keentally.desk.objects;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;
import java.util.function.IntPredicate;

/**
 * Objects as points of a plot, each by two of its numbers.
 *
 * @param ofRegions their regions at the end of the method; −1 for none
 * @param x one number of each, not-a-number where it has none
 * @param y another
 */
record Cloud(int[] ofRegions, double[] x, double[] y) {
    static final Cloud NONE = new Cloud(new int[0], new double[0], new double[0]);

    int size() {
        return x.length;
    }

    /** From the least to the greatest number of an axis; of positive ones only where {@code log}. */
    static MeasureGate.Range extent(double[] values, boolean log) {
        double[] known = Arrays.stream(values)
                .filter(v -> !Double.isNaN(v) && (!log || v > 0))
                .toArray();
        double least = Arrays.stream(known).min().orElse(0);
        double most = Arrays.stream(known).max().orElse(1);
        if (least < most) {
            return new MeasureGate.Range(least, most);
        }
        double room = least == 0 ? 1 : Math.abs(least) / 2;
        return new MeasureGate.Range(least - room, most + room);
    }

    /** The regions at the end whose points lie in a box. */
    Set<Integer> within(MeasureGate.Range across, MeasureGate.Range up, IntPredicate kept) {
        Set<Integer> regions = new HashSet<>();
        for (int i = 0; i < x.length; i++) {
            if (ofRegions[i] >= 0 && across.holds(x[i]) && up.holds(y[i]) && kept.test(ofRegions[i])) {
                regions.add(ofRegions[i]);
            }
        }
        return Set.copyOf(regions);
    }
}
