package keentally.core.measure;

import java.util.Arrays;
import java.util.List;
import keentally.core.colour.ColourSpace;
import keentally.core.picture.Plane;
import keentally.core.region.Regions;

/**
 * Means of an object's colours, each component by itself over the pixels; pixels without a number are left out. Hues go round: their mean
 * is the direction of the sum of unit vectors, over pixels that have a hue. All not-a-number for a picture without colour.
 */
final class ColourSums {
    private static final int COMPONENTS = 3;

    private final Regions regions;
    private final int region;
    private final List<Plane> colours;
    private final ColourMemo memo;

    ColourSums(Regions regions, int region, List<Plane> colours, ColourMemo memo) {
        this.regions = regions;
        this.region = region;
        this.colours = colours;
        this.memo = memo;
    }

    /** Red, green and blue in the picture's own values, or the three components of another space. */
    double[] means(ColourSpace space) {
        double[] sums = new double[ColourMemo.NUMBERS];
        if (colours.isEmpty()) {
            Arrays.fill(sums, Double.NaN);
            return sums;
        }
        long count = 0;
        long hued = 0;
        ColourMemo.Table table = memo.in(space);
        float[][] rows = new float[COMPONENTS][SignalSums.longestRun(regions, region)];
        for (int place = regions.firstRun(region); place < regions.firstRun(region + 1); place++) {
            int from = regions.runFrom(place);
            int to = regions.runTo(place);
            for (int c = 0; c < COMPONENTS; c++) {
                colours.get(c).readRow(regions.runY(place), from, to, rows[c], 0);
            }
            for (int x = 0; x < to - from; x++) {
                if (Float.isNaN(rows[0][x] + rows[1][x] + rows[2][x])) {
                    continue;
                }
                int at = table.find(rows[0][x], rows[1][x], rows[2][x]);
                count++;
                for (int i = 0; i < sums.length; i++) {
                    sums[i] += table.numbers[at + i];
                }
                hued += space == ColourSpace.HSV && table.numbers[at + 1] > 0 ? 1 : 0;
            }
        }
        for (int c = 0; c < COMPONENTS; c++) {
            sums[c] *= (space == ColourSpace.RGB ? memo.perLevel() : 1) / count;
        }
        if (space == ColourSpace.HSV) {
            sums[0] = direction(sums[3], sums[4], hued);
        }
        return sums;
    }

    /** From 0 up to 360 degrees; not-a-number where no direction leads. */
    private static double direction(double x, double y, long count) {
        if (!(Math.hypot(x, y) > 1e-9 * count)) {
            return Double.NaN;
        }
        double degrees = StrictMath.toDegrees(StrictMath.atan2(y, x));
        return degrees < 0 ? degrees + 360 : degrees;
    }
}
