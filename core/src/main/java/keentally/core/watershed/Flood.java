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
    /** Labels stand in the place of levels, below {@link Heights#OUTSIDE}: a place is looked at once, not in two arrays. */
    private static final int FIRST_LABEL = Heights.OUTSIDE - 1;

    /** Places that wait at a level lie in links of so many; the first number of a link is the next one. */
    private static final int LINK = 256;

    private int[] links = new int[64 * LINK];
    private int used = 1;

    /** Where each level reads on and writes on; 0 where nothing ever waited. */
    private final int[] read;

    private final int[] write;

    private Flood(int levels) {
        this.read = new int[levels];
        this.write = new int[levels];
    }

    /**
     * @param heights whose levels are used up
     * @param seeds places, in reading order
     * @return for each place the index of the seed whose water reached it; −1 where none did
     */
    static int[] of(Heights heights, int[] seeds) {
        int levels = heights.height.length;
        int[] steps = heights.steps;
        int[] at = heights.level;
        Flood flood = new Flood(levels);
        for (int s = 0; s < seeds.length; s++) {
            flood.wait(at[seeds[s]], seeds[s]);
            at[seeds[s]] = FIRST_LABEL - s;
        }
        for (int now = 0; now < levels; now++) {
            while (flood.read[now] != flood.write[now]) {
                int p = flood.next(now);
                int own = at[p];
                for (int step : steps) {
                    int level = at[p + step];
                    if (level >= 0) {
                        at[p + step] = own;
                        flood.wait(Math.max(now, level), p + step);
                    }
                }
            }
        }
        for (int p = 0; p < at.length; p++) {
            at[p] = at[p] <= FIRST_LABEL ? FIRST_LABEL - at[p] : -1;
        }
        return at;
    }

    private int next(int level) {
        int at = read[level];
        if (at % LINK == 0) {
            at = links[at - LINK] + 1; // behind the last of a link: on with the next one
        }
        read[level] = at + 1;
        return links[at];
    }

    private void wait(int level, int p) {
        int at = write[level];
        if (at == 0) {
            at = link() + 1;
            read[level] = at;
        } else if (at % LINK == 0) {
            int next = link();
            links[at - LINK] = next;
            at = next + 1;
        }
        links[at] = p;
        write[level] = at + 1;
    }

    /** The place of a new link's first number. */
    private int link() {
        int start = used * LINK;
        used++;
        if (used * LINK > links.length) {
            links = Arrays.copyOf(links, 2 * links.length);
        }
        return start;
    }
}
