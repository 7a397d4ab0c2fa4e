package keentally.core.watershed;

import java.util.Arrays;
import keentally.core.work.Cancel;

/**
 * Floods a piece from seeds.
 *
 * <p>Definition: all seeds wait in a queue, in reading order. Again and again the lowest pixel that waits is taken, of equal ones the
 * one that came first; each of its eight neighbours, in reading order, that has no label yet takes the pixel's label and waits, at its
 * own height or that of the pixel, whichever is higher. Source: F. Meyer (1994), "Topographic distance and watershed lines", Signal
 * Processing 38(1), 113–125 (flooding by an ordered queue).
 *
 * <p>Method: what waits for a level that has not come yet are pixels of that very level, so they fit into the stretch that the level
 * takes in the order of the pixels. When it comes, lower pixels wait there too; they and the rest of the level's own are at most as many
 * as the pixels up to this level, so that the stretch below, which nobody needs any more, makes a ring with it. No other memory is taken
 * than the three arrays of {@link Heights}, whatever the number of levels.
 */
final class Flood {
    /** Labels stand in the place of levels, below {@link Heights#OUTSIDE}: a place is looked at once, not in two arrays. */
    private static final int FIRST_LABEL = Heights.OUTSIDE - 1;

    private static final int OFTEN = (1 << 16) - 1;

    private Flood() {}

    /**
     * @param heights which are used up
     * @param seeds places, in reading order
     * @return for each place the index of the seed whose water reached it; −1 where none did
     */
    static int[] of(Heights heights, int[] seeds, Cancel cancel) {
        int[] at = heights.level;
        int[] steps = heights.steps;
        int[] waiting = heights.spare;
        int[] filled = heights.order; // at each level, how many wait for it
        Arrays.fill(filled, 0, heights.count(), 0);
        for (int s = 0; s < seeds.length; s++) {
            int level = at[seeds[s]];
            waiting[level + filled[level]++] = seeds[s];
            at[seeds[s]] = FIRST_LABEL - s;
        }
        int done = 0;
        for (int now = 0; now < heights.count(); ) {
            int end = heights.above(now);
            int left = filled[now];
            int head = now;
            int tail = now + left == end ? 0 : now + left;
            while (left > 0) {
                if ((++done & OFTEN) == 0) {
                    cancel.check();
                }
                int p = waiting[head++];
                head = head == end ? 0 : head;
                left--;
                int own = at[p];
                for (int step : steps) {
                    int q = p + step;
                    int level = at[q];
                    if (level < 0) {
                        continue;
                    }
                    at[q] = own;
                    if (level > now) {
                        waiting[level + filled[level]++] = q;
                    } else {
                        waiting[tail++] = q;
                        tail = tail == end ? 0 : tail;
                        left++;
                    }
                }
            }
            now = end;
        }
        for (int p = 0; p < at.length; p++) {
            at[p] = at[p] <= FIRST_LABEL ? FIRST_LABEL - at[p] : -1;
        }
        return at;
    }
}
