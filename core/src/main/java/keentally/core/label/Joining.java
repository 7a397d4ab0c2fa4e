package keentally.core.label;

import java.util.Arrays;
import java.util.stream.IntStream;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/**
 * Makes one region of pieces that lie near each other; no pixel is added.
 *
 * <p>Definition: two regions are one where the centres of a pixel of each lie nearer than a distance, and where a chain of such regions
 * leads from one to the other. Sides that touch are 1 apart, corners √2.
 *
 * <p>Algorithm: every row's runs are held against those of each of the next rows within the distance, reaching as far along the row as
 * is left there; what meets is joined in a forest. Edge cases: at 1 and less nothing changes. Cost: runs times rows within the distance,
 * for things spread evenly.
 */
public final class Joining {
    private final Regions regions;
    private final int[] rowStart;
    private final int[] from;
    private final int[] to;
    private final int[] owner;
    private final int[] leader;

    private Joining(Regions regions) {
        this.regions = regions;
        int runs = regions.runCount();
        this.rowStart = new int[regions.height() + 1];
        this.from = new int[runs];
        this.to = new int[runs];
        this.owner = new int[runs];
        this.leader = new int[regions.count()];
        Arrays.setAll(leader, i -> i);
        int[] n = {0};
        regions.rows(0, regions.height(), (region, y, first, behind) -> {
            from[n[0]] = first;
            to[n[0]] = behind;
            owner[n[0]++] = region;
            rowStart[y + 1] = n[0];
        });
        for (int y = 1; y <= regions.height(); y++) {
            rowStart[y] = Math.max(rowStart[y], rowStart[y - 1]);
        }
    }

    /** @param within in pixels */
    public static Regions of(Regions regions, double within, Work work) {
        if (within <= 1) {
            return regions;
        }
        Joining joining = new Joining(regions);
        for (int y = 0; y < regions.height(); y++) {
            work.cancel().check();
            joining.joinFrom(y, within);
        }
        return joining.joined();
    }

    private void joinFrom(int y, double within) {
        for (int dy = 0; dy < within && y + dy < regions.height(); dy++) {
            join(y, y + dy, reach(within * within - (double) dy * dy));
        }
    }

    /** The greatest whole number whose square is less than that; −1 where there is none. */
    private static int reach(double square) {
        if (square <= 0) {
            return -1;
        }
        int reach = (int) Math.ceil(Math.sqrt(square));
        while ((double) reach * reach >= square) {
            reach--;
        }
        return reach;
    }

    /** Joins runs of two rows between which at most {@code reach} columns lie from centre to centre. */
    private void join(int upper, int lower, int reach) {
        int start = rowStart[lower];
        for (int i = rowStart[upper]; i < rowStart[upper + 1]; i++) {
            while (start < rowStart[lower + 1] && to[start] - 1 + reach < from[i]) {
                start++;
            }
            for (int j = start; j < rowStart[lower + 1] && from[j] - reach <= to[i] - 1; j++) {
                int a = find(owner[i]);
                int b = find(owner[j]);
                leader[Math.max(a, b)] = Math.min(a, b);
            }
        }
    }

    private int find(int region) {
        int at = region;
        while (leader[at] != at) {
            leader[at] = leader[leader[at]];
            at = leader[at];
        }
        return at;
    }

    private Regions joined() {
        return regions.joined(
                IntStream.range(0, regions.count()).map(this::find).toArray());
    }
}
