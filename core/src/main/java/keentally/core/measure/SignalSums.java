package keentally.core.measure;

import keentally.core.picture.Plane;
import keentally.core.region.Regions;

/**
 * What the values of a plane are inside one object; pixels without a number are left out. All not-a-number where no pixel
 * holds one.
 *
 * @param sd over n
 */
record SignalSums(double mean, double sd, double min, double max) {

    static SignalSums of(Regions regions, int region, Plane plane) {
        float[] row = new float[longestRun(regions, region)];
        double sum = 0;
        long n = 0;
        float min = Float.POSITIVE_INFINITY;
        float max = Float.NEGATIVE_INFINITY;
        for (int i = regions.firstRun(region); i < regions.firstRun(region + 1); i++) {
            int length = read(regions, i, plane, row);
            for (int x = 0; x < length; x++) {
                float v = row[x];
                if (v == v) {
                    sum += v;
                    n++;
                    min = Math.min(min, v);
                    max = Math.max(max, v);
                }
            }
        }
        if (n == 0) {
            return new SignalSums(Double.NaN, Double.NaN, Double.NaN, Double.NaN);
        }
        double mean = sum / n;
        double squares = 0;
        for (int i = regions.firstRun(region); i < regions.firstRun(region + 1); i++) {
            int length = read(regions, i, plane, row);
            for (int x = 0; x < length; x++) {
                float v = row[x];
                if (v == v) {
                    squares += (v - mean) * (v - mean);
                }
            }
        }
        return new SignalSums(mean, Math.sqrt(squares / n), min, max);
    }

    private static int longestRun(Regions regions, int region) {
        int longest = 0;
        for (int i = regions.firstRun(region); i < regions.firstRun(region + 1); i++) {
            longest = Math.max(longest, regions.runTo(i) - regions.runFrom(i));
        }
        return longest;
    }

    private static int read(Regions regions, int place, Plane plane, float[] row) {
        plane.readRow(regions.runY(place), regions.runFrom(place), regions.runTo(place), row, 0);
        return regions.runTo(place) - regions.runFrom(place);
    }
}
