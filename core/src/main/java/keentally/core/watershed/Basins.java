package keentally.core.watershed;

import java.util.Arrays;

/**
 * The minima of a piece with their dynamics.
 *
 * <p>Method: pixels are taken from low to high; one without a lower neighbour begins a basin, one with several joins them, and of two
 * basins that join, the one with the higher minimum (of equal ones the later in reading order) has spilled: its dynamics are the height
 * of the place where they meet less its minimum. Pixels of one plateau meet at dynamics of 0, so that a basin of dynamics above 0 is a
 * true minimum. Source: M. Grimaud (1992), "A new measure of contrast: the dynamics", Proc. SPIE 1769, 292–305.
 */
final class Basins {
    /** The first pixel of each minimum, in reading order. */
    final int[] seeds;

    private Basins(int[] seeds) {
        this.seeds = seeds;
    }

    /**
     * Those whose dynamics are above 0 and at least {@code depth}; of each part that hangs together, the deepest in any case.
     *
     * @param order pixels from low to high
     * @param measure how deep a basin is, from the height where it spills and that of its minimum
     */
    static Basins of(Heights heights, int[] order, double depth, Depth measure) {
        int n = heights.pixels();
        int[] leader = new int[n];
        Arrays.fill(leader, -1);
        int[] seeds = new int[8];
        int count = 0;
        for (int p : order) {
            leader[p] = p;
            int own = p;
            for (int step : heights.steps) {
                int q = heights.number[heights.place[p] + step];
                if (q < 0 || leader[q] < 0) {
                    continue;
                }
                int other = find(leader, q);
                if (other == own) {
                    continue;
                }
                if (own == p) {
                    leader[p] = other;
                    own = other;
                    continue;
                }
                int deeper = isDeeper(heights, own, other) ? own : other;
                int spilled = deeper == own ? other : own;
                double dynamics = measure.of(heights.height[p], heights.height[spilled]);
                if (heights.height[p] > heights.height[spilled] && dynamics >= depth) {
                    seeds = put(seeds, count++, spilled);
                }
                leader[spilled] = deeper;
                own = deeper;
            }
        }
        for (int p = 0; p < n; p++) {
            if (leader[p] == p) {
                seeds = put(seeds, count++, p);
            }
        }
        int[] kept = Arrays.copyOf(seeds, count);
        Arrays.sort(kept);
        return new Basins(kept);
    }

    /** Leaders are the first pixels of their basins' minima. */
    private static boolean isDeeper(Heights heights, int a, int b) {
        int by = Double.compare(heights.height[a], heights.height[b]);
        return by < 0 || by == 0 && a < b;
    }

    private static int[] put(int[] seeds, int count, int seed) {
        int[] room = count == seeds.length ? Arrays.copyOf(seeds, 2 * count) : seeds;
        room[count] = seed;
        return room;
    }

    private static int find(int[] leader, int p) {
        int r = p;
        while (leader[r] != r) {
            leader[r] = leader[leader[r]];
            r = leader[r];
        }
        return r;
    }

    /** How deep a basin is. */
    @FunctionalInterface
    interface Depth {
        double of(double spill, double minimum);
    }
}
