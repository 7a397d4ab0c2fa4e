package keentally.core.watershed;

import java.util.Arrays;
import keentally.core.work.Cancel;

/**
 * The minima of a piece by their dynamics.
 *
 * <p>Method: pixels are taken from low to high; one without a lower neighbour begins a basin, one with several joins them, and of two
 * basins that join, the one with the higher minimum (of equal ones the later in reading order) has spilled: its dynamics are the height
 * of the place where they meet less its minimum. Pixels of one plateau meet at dynamics of 0, so that a basin of dynamics above 0 is a
 * true minimum. Source: M. Grimaud (1992), "A new measure of contrast: the dynamics", Proc. SPIE 1769, 292–305.
 */
final class Basins {
    private static final int NOT_YET = -1;
    private static final int OFTEN = (1 << 16) - 1;

    private Basins() {}

    /**
     * The first pixels of the minima whose dynamics are above 0 and at least {@code depth}, in reading order; of each part that hangs
     * together the deepest in any case.
     *
     * @param measure how deep a basin is, from the height where it spills and that of its minimum
     */
    static int[] seeds(Heights heights, double depth, Depth measure, Cancel cancel) {
        int[] level = heights.level;
        int[] leader = heights.spare;
        Arrays.fill(leader, NOT_YET);
        int[] seeds = new int[8];
        int count = 0;
        for (int i = 0; i < heights.count(); i++) {
            if ((i & OFTEN) == OFTEN) {
                cancel.check();
            }
            int p = heights.order[i];
            leader[p] = p;
            int own = p;
            int last = NOT_YET;
            for (int step : heights.steps) {
                int led = leader[p + step];
                // most neighbours were led to their basin by the same pixel as the one before them
                if (led == NOT_YET || led == last) {
                    continue;
                }
                last = led;
                int other = find(leader, p + step);
                if (other == own) {
                    continue;
                }
                if (own == p) {
                    leader[p] = other;
                    own = other;
                    continue;
                }
                boolean deeper = level[own] < level[other] || level[own] == level[other] && own < other;
                int spilled = deeper ? other : own;
                own = deeper ? own : other;
                boolean truly = level[p] > level[spilled];
                if (truly && measure.of(heights.height(level[p]), heights.height(level[spilled])) >= depth) {
                    seeds = count == seeds.length ? Arrays.copyOf(seeds, 2 * count) : seeds;
                    seeds[count++] = spilled;
                }
                leader[spilled] = own;
            }
        }
        return withDeepest(heights, leader, seeds, count);
    }

    private static int[] withDeepest(Heights heights, int[] leader, int[] spilled, int count) {
        int[] seeds = Arrays.copyOf(spilled, count + 1);
        seeds[count] = find(leader, heights.order[0]);
        Arrays.sort(seeds);
        return seeds;
    }

    /** Leaders are the first pixels of their basins' minima. */
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
