package keentally.core.measure;

import java.util.Arrays;
import java.util.List;
import keentally.core.colour.ColourSpace;
import keentally.core.picture.Depth;
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

    /** What one of 255 is in the picture's own values. */
    private final double perLevel;

    ColourSums(Regions regions, int region, List<Plane> colours, Depth depth) {
        this.regions = regions;
        this.region = region;
        this.colours = colours;
        this.perLevel = depth.most() / 255.0;
    }

    /** Red, green and blue in the picture's own values, or the three components of another space. */
    double[] means(ColourSpace space) {
        double[] sums = new double[COMPONENTS];
        double[] round = new double[2];
        long[] counts = new long[2];
        if (colours.isEmpty()) {
            Arrays.fill(sums, Double.NaN);
            return sums;
        }
        double[] rgb = new double[COMPONENTS];
        double[] is = new double[COMPONENTS];
        float[][] rows = new float[COMPONENTS][regions.width()];
        for (int place = regions.firstRun(region); place < regions.firstRun(region + 1); place++) {
            int from = regions.runFrom(place);
            int to = regions.runTo(place);
            for (int c = 0; c < COMPONENTS; c++) {
                colours.get(c).readRow(regions.runY(place), from, to, rows[c], 0);
            }
            for (int x = 0; x < to - from; x++) {
                for (int c = 0; c < COMPONENTS; c++) {
                    rgb[c] = rows[c][x] / perLevel;
                }
                if (Double.isNaN(rgb[0] + rgb[1] + rgb[2])) {
                    continue;
                }
                space.of(rgb, is);
                counts[0]++;
                for (int c = 0; c < COMPONENTS; c++) {
                    sums[c] += is[c];
                }
                if (space == ColourSpace.HSV && is[1] > 0) {
                    counts[1]++;
                    round[0] += StrictMath.cos(StrictMath.toRadians(is[0]));
                    round[1] += StrictMath.sin(StrictMath.toRadians(is[0]));
                }
            }
        }
        for (int c = 0; c < COMPONENTS; c++) {
            sums[c] *= (space == ColourSpace.RGB ? perLevel : 1) / counts[0];
        }
        if (space == ColourSpace.HSV) {
            sums[0] = direction(round, counts[1]);
        }
        return sums;
    }

    /** From 0 up to 360 degrees; not-a-number where no direction leads. */
    private static double direction(double[] sum, long count) {
        if (!(Math.hypot(sum[0], sum[1]) > 1e-9 * count)) {
            return Double.NaN;
        }
        double degrees = StrictMath.toDegrees(StrictMath.atan2(sum[1], sum[0]));
        return degrees < 0 ? degrees + 360 : degrees;
    }
}
