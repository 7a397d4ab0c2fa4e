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
    private Flood() {}

    /**
     * @param order pixels from low to high
     * @param seeds pixels, in reading order
     * @return for each pixel the index of the seed whose water reached it; −1 where none did
     */
    static int[] of(Heights heights, int[] order, int[] seeds) {
        int n = heights.pixels();
        int[] level = new int[n];
        int levels = 0;
        for (int i = 0; i < n; i++) {
            boolean next = i > 0 && heights.height[order[i]] > heights.height[order[i - 1]];
            levels += next ? 1 : 0;
            level[order[i]] = levels;
        }
        int[] head = new int[levels + 1];
        int[] tail = new int[levels + 1];
        int[] behind = new int[n];
        Arrays.fill(head, -1);
        int[] label = new int[n];
        Arrays.fill(label, -1);
        for (int s = 0; s < seeds.length; s++) {
            label[seeds[s]] = s;
            wait(head, tail, behind, level[seeds[s]], seeds[s]);
        }
        for (int now = 0; now <= levels; now++) {
            while (head[now] >= 0) {
                int p = head[now];
                head[now] = behind[p];
                for (int step : heights.steps) {
                    int q = heights.number[heights.place[p] + step];
                    if (q >= 0 && label[q] < 0) {
                        label[q] = label[p];
                        wait(head, tail, behind, Math.max(now, level[q]), q);
                    }
                }
            }
        }
        return label;
    }

    private static void wait(int[] head, int[] tail, int[] behind, int level, int p) {
        behind[p] = -1;
        if (head[level] < 0) {
            head[level] = p;
        } else {
            behind[tail[level]] = p;
        }
        tail[level] = p;
    }
}
