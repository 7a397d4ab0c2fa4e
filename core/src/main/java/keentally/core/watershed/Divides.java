package keentally.core.watershed;

import java.util.Arrays;
import keentally.core.picture.Buffers;
import keentally.core.picture.HoldsBuffers;
import keentally.core.picture.Mask;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/**
 * Where a mask can part, for one depth after another: its basins, found once, of which those that are not deep enough go with the one that
 * they spill into.
 *
 * <p>There are as many parts as {@link SplitTouching} finds, and they begin at the same places. Their borders are those between basins, while a
 * flood comes into shallow ones from all sides: a pixel may lie in the other of two parts. For who drags the depth, and gets the flood when the
 * hand lets go.
 *
 * <p>Memory: 20 bytes a stretch of pixels of a row that lie in one basin. Cost of an answer: one pass over these.
 */
public final class Divides implements HoldsBuffers {
    private final Regions basins;

    /** The place of each basin's minimum, in reading order: row times the picture's width, and column. */
    private final int[] minimum;

    /** The region of each basin. */
    private final int[] region;

    /** Of each basin the one that it spills into; none of the deepest of each part that hangs together. */
    private final int[] beyond;

    private final double[] dynamics;

    Divides(Mask mask, Terrain terrain, Basins.Depth depth, Work work) {
        Basins found = new Basins(terrain, work);
        int[] number = found.numbers();
        Parted apart = Parted.of(mask, terrain, found.minima(), place -> number[place], work);
        this.basins = apart.regions();
        this.minimum = apart.markers();
        int width = mask.width();
        this.region =
                Arrays.stream(minimum).map(m -> basins.at(m % width, m / width)).toArray();
        this.beyond = found.beyond();
        this.dynamics = found.dynamics(depth);
    }

    /** What parts at basins that are so deep. */
    public Parted at(double depth) {
        int[] end = new int[minimum.length]; // one more than the basin that a part is named by
        for (int b = 0; b < end.length; b++) {
            end[b] = dynamics[b] >= depth ? b + 1 : 0;
        }
        int[] deep =
                Arrays.stream(end).filter(e -> e > 0).map(e -> minimum[e - 1]).toArray();
        for (int b = 0; b < end.length; b++) {
            int last = b;
            while (end[last] == 0) {
                last = beyond[last];
            }
            for (int on = b; end[on] == 0; on = beyond[on]) {
                end[on] = end[last];
            }
        }
        int[] into = new int[region.length];
        for (int b = 0; b < region.length; b++) {
            into[region[b]] = end[b] - 1;
        }
        return new Parted(basins.joined(into), deep);
    }

    @Override
    public void addTo(Buffers buffers) {
        buffers.add(basins);
        buffers.add(dynamics, 20L * dynamics.length);
    }
}
