package keentally.core.watershed;

import java.util.Arrays;

/**
 * Floods a piece from seeds.
 *
 * <p>Definition: all seeds wait in a queue, in reading order. Again and again the lowest pixel that waits is taken, of equal ones the
 * one that came first; each of its eight neighbours, in reading order, that has no label yet takes the pixel's label and waits, at its
 * own height or that of the pixel, whichever is higher. Source: F. Meyer (1994), "Topographic distance and watershed lines", Signal
 * Processing 38(1), 113–125 (flooding by an ordered queue).
 */
final class Flood {
    private static final int NONE = -1;

    private final int[] head;
    private final int[] tail;
    private final int[] behind;

    private Flood(int levels, int places) {
        this.head = new int[levels];
        this.tail = new int[levels];
        this.behind = new int[places];
        Arrays.fill(head, NONE);
    }

    /**
     * @param seeds places, in reading order
     * @return for each place the index of the seed whose water reached it; −1 where none did
     */
    static int[] of(Heights heights, int[] seeds) {
        int levels = heights.height.length;
        int[] level = heights.level;
        int[] label = new int[level.length];
        Arrays.fill(label, NONE);
        Flood flood = new Flood(levels, level.length);
        for (int s = 0; s < seeds.length; s++) {
            label[seeds[s]] = s;
            flood.wait(level[seeds[s]], seeds[s]);
        }
        for (int now = 0; now < levels; now++) {
            while (flood.head[now] != NONE) {
                int p = flood.head[now];
                flood.head[now] = flood.behind[p];
                for (int step : heights.steps) {
                    int q = p + step;
                    if (label[q] == NONE && level[q] != Heights.OUTSIDE) {
                        label[q] = label[p];
                        flood.wait(Math.max(now, level[q]), q);
                    }
                }
            }
        }
        return label;
    }

    private void wait(int level, int p) {
        behind[p] = NONE;
        if (head[level] == NONE) {
            head[level] = p;
        } else {
            behind[tail[level]] = p;
        }
        tail[level] = p;
    }
}
