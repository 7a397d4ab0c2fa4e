package keentally.core.watershed;

import java.util.Arrays;
import keentally.core.picture.Buffers;
import keentally.core.picture.HoldsBuffers;
import keentally.core.picture.Mask;
import keentally.core.work.Work;

/**
 * Where a mask can part, for one depth after another: its basins, found once, of which those that are not deep enough go with the one that
 * they spill into.
 *
 * <p>There are as many parts as {@link SplitTouching} finds, and they begin at the same places. Their borders are those between basins, while a
 * flood comes into shallow ones from all sides: a pixel may lie in the other of two parts. For who drags the depth, and gets the flood when the
 * hand lets go.
 *
 * <p>Memory: four bytes a place. Cost of an answer: one pass over the mask.
 */
public final class Divides implements HoldsBuffers {
    private final Mask mask;
    private final Terrain terrain;

    /** One more than the number of the basin of each place; 0 outside. */
    private final int[] basin;

    private final int[] minimum;

    /** Of each basin the one that it spills into; none of the deepest of each part that hangs together. */
    private final int[] beyond;

    private final double[] dynamics;

    Divides(Mask mask, Terrain terrain, Basins.Depth depth, Work work) {
        Basins basins = new Basins(terrain, work);
        this.mask = mask;
        this.terrain = terrain.withoutHeights();
        this.basin = basins.numbers();
        this.minimum = basins.minima();
        this.beyond = basins.beyond();
        this.dynamics = basins.dynamics(depth);
    }

    /** What parts at basins that are so deep. */
    public Parted at(double depth, Work work) {
        int[] part = new int[minimum.length]; // one more than its number
        int[] places = new int[minimum.length];
        int parts = 0;
        for (int b = 0; b < minimum.length; b++) {
            if (dynamics[b] >= depth) {
                places[parts++] = minimum[b];
                part[b] = parts;
            }
        }
        for (int b = 0; b < minimum.length; b++) {
            int end = b;
            while (part[end] == 0) {
                end = beyond[end];
            }
            for (int on = b; part[on] == 0; on = beyond[on]) {
                part[on] = part[end];
            }
        }
        return Parted.of(mask, terrain, Arrays.copyOf(places, parts), place -> part[basin[place] - 1], work);
    }

    @Override
    public void addTo(Buffers buffers) {
        buffers.add(mask);
        buffers.add(basin, 4L * basin.length);
        buffers.add(dynamics, 16L * dynamics.length);
    }
}
