package keentally.core.stats;

import java.util.ArrayList;
import java.util.List;

/**
 * How many peaks a histogram has that are no ripple.
 *
 * <p>Definition: gathered in {@value #GROUPS} groups from the 0.1 to the 99.9 percentile and smoothed three times by 1-2-1; a peak counts
 * where the lowest place towards any higher peak is below {@value #DIP} of its own height and it holds at least {@value #LEAST_SHARE} of
 * the tallest's height.
 */
public final class Modes {
    private static final int GROUPS = 64;
    private static final double DIP = 0.8;
    private static final double LEAST_SHARE = 0.004;

    private Modes() {}

    /** How many peaks stand apart in a histogram, at least one. */
    public static int count(Histogram h) {
        double low = Percentiles.of(h, 0.001);
        double high = Percentiles.of(h, 0.999);
        if (!(high > low)) {
            return 1;
        }
        double[] heights = new double[GROUPS];
        for (int i = 0; i < h.bins(); i++) {
            double place = (h.upperEdge(i) - low) / (high - low);
            if (h.count(i) > 0 && place >= 0 && place <= 1) {
                heights[Math.min(GROUPS - 1, (int) (place * GROUPS))] += h.count(i);
            }
        }
        for (int round = 0; round < 3; round++) {
            heights = smoothed(heights);
        }
        return peaks(heights);
    }

    private static double[] smoothed(double[] heights) {
        double[] out = new double[heights.length];
        for (int i = 0; i < out.length; i++) {
            double left = heights[Math.max(0, i - 1)];
            double right = heights[Math.min(out.length - 1, i + 1)];
            out[i] = (left + 2 * heights[i] + right) / 4;
        }
        return out;
    }

    private static int peaks(double[] heights) {
        List<Integer> tops = new ArrayList<>();
        double tallest = 0;
        for (int i = 0; i < heights.length; i++) {
            boolean up = i == 0 || heights[i] > heights[i - 1];
            boolean down = i == heights.length - 1 || heights[i] >= heights[i + 1];
            if (up && down) {
                tops.add(i);
            }
            tallest = Math.max(tallest, heights[i]);
        }
        int count = 0;
        for (int top : tops) {
            if (heights[top] >= LEAST_SHARE * tallest && stands(heights, top)) {
                count++;
            }
        }
        return count;
    }

    /** Whether the way to anything higher, on either side, leads deep enough down. */
    private static boolean stands(double[] heights, int top) {
        for (int step = -1; step <= 1; step += 2) {
            double lowest = heights[top];
            for (int i = top + step; i >= 0 && i < heights.length; i += step) {
                lowest = Math.min(lowest, heights[i]);
                if (heights[i] > heights[top]) {
                    if (lowest > DIP * heights[top]) {
                        return false;
                    }
                    break;
                }
            }
        }
        return true;
    }
}
