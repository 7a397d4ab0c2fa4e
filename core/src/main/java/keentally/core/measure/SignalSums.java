package keentally.core.measure;

import java.util.Arrays;
import keentally.core.picture.Plane;
import keentally.core.region.Regions;

/**
 * What the values of a plane are inside one object; pixels without a number are left out. All not-a-number where no pixel
 * holds one.
 *
 * @param sd over n
 * @param x of the centre of brightness, not-a-number where the values sum up to nothing
 * @param y likewise
 */
record SignalSums(double sum, double mean, double sd, double min, double max, double x, double y) {

    static SignalSums of(Regions regions, int region, Plane plane) {
        float[] row = new float[longestRun(regions, region)];
        double sum = 0;
        double sumX = 0;
        double sumY = 0;
        long n = 0;
        float min = Float.POSITIVE_INFINITY;
        float max = Float.NEGATIVE_INFINITY;
        for (int i = regions.firstRun(region); i < regions.firstRun(region + 1); i++) {
            int length = read(regions, i, plane, row);
            double before = sum;
            for (int x = 0; x < length; x++) {
                float v = row[x];
                if (v == v) {
                    sum += v;
                    sumX += v * (x + 0.5);
                    n++;
                    min = Math.min(min, v);
                    max = Math.max(max, v);
                }
            }
            sumX += (sum - before) * regions.runFrom(i);
            sumY += (sum - before) * (regions.runY(i) + 0.5);
        }
        if (n == 0) {
            double none = Double.NaN;
            return new SignalSums(none, none, none, none, none, none, none);
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
        double x = sum == 0 ? Double.NaN : sumX / sum;
        double y = sum == 0 ? Double.NaN : sumY / sum;
        return new SignalSums(sum, mean, Math.sqrt(squares / n), min, max, x, y);
    }

    /** All values that are numbers, upwards. */
    static float[] sorted(Regions regions, int region, Plane plane) {
        float[] values = new float[Math.toIntExact(regions.pixels(region))];
        int n = 0;
        for (int i = regions.firstRun(region); i < regions.firstRun(region + 1); i++) {
            plane.readRow(regions.runY(i), regions.runFrom(i), regions.runTo(i), values, n);
            n += regions.runTo(i) - regions.runFrom(i);
        }
        if (plane.depth().bits() == Byte.SIZE) {
            count(values);
        } else {
            Arrays.sort(values);
        }
        int numbers = n;
        while (numbers > 0 && Float.isNaN(values[numbers - 1])) {
            numbers--;
        }
        return Arrays.copyOf(values, numbers);
    }

    /** Sorts whole values of 0 to 255. */
    private static void count(float[] values) {
        int[] counts = new int[1 << Byte.SIZE];
        for (float v : values) {
            counts[(int) v]++;
        }
        int at = 0;
        for (int level = 0; level < counts.length; level++) {
            Arrays.fill(values, at, at + counts[level], level);
            at += counts[level];
        }
    }

    static int longestRun(Regions regions, int region) {
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
