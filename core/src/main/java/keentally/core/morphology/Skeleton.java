package keentally.core.morphology;

import keentally.core.picture.Mask;
import keentally.core.work.Work;

/**
 * Thins a mask to lines one pixel wide that run in its middle and hang together as it does.
 *
 * <p>Definition: again and again, from above, below, left and right in turn, all pixels are taken away that have background there, that
 * two or more of the mask's eight neighbours touch, and whose loss joins, parts or empties nothing (objects by eight neighbours,
 * background by four); until a round of all four takes none. What lies outside the picture is background.
 *
 * <p>Edge cases: an empty mask stays empty; single pixels, lines and rings one pixel wide stay as they are; a full picture becomes a
 * line. Cost: 64 pixels at a time, once for each turn in which something near them went; 2 bits a pixel.
 *
 * <p>Source: A. Rosenfeld (1975), "A characterization of parallel thinning algorithms", Information and Control 29(3), 286–291.
 */
public final class Skeleton {
    /** The sides that pixels are taken from, as places in the ring of neighbours: above, below, left and right. */
    private static final int[] SIDES = {2, 6, 4, 0};

    private final int width;
    private final int height;
    private final int stride;
    private final long[] set;
    private final long[] gone;

    /** The turn in which a row changed last. */
    private final int[] changed;

    private Skeleton(Mask mask) {
        this.width = mask.width();
        this.height = mask.height();
        this.stride = mask.stride();
        this.set = mask.words().clone();
        this.gone = new long[set.length];
        this.changed = new int[height];
    }

    /** The mask thinned; of the same size. */
    public static Mask of(Mask mask, Work work) {
        Skeleton thinned = new Skeleton(mask);
        int idle = 0;
        for (int turn = 0; idle < SIDES.length; turn++) {
            idle = thinned.turn(turn, work) ? 0 : idle + 1;
        }
        return Mask.of(thinned.width, thinned.height, thinned.set);
    }

    /** Takes away what may go from one side, all at once; returns whether anything went. */
    private boolean turn(int turn, Work work) {
        int side = SIDES[turn % SIDES.length];
        boolean[] goes = new boolean[height];
        work.bands(height, (from, to) -> {
            long[] ring = new long[8];
            for (int y = from; y < to; y++) {
                goes[y] = hasChangedNear(y, turn - SIDES.length) && find(y, side, ring);
            }
        });
        boolean any = false;
        for (int y = 0; y < height; y++) {
            if (goes[y]) {
                any = true;
                changed[y] = turn;
                for (int i = y * stride; i < (y + 1) * stride; i++) {
                    set[i] &= ~gone[i];
                }
            }
        }
        return any;
    }

    /** Whether a row may have something to give since the side was last looked at. */
    private boolean hasChangedNear(int y, int turn) {
        return changed[y] >= turn || y > 0 && changed[y - 1] >= turn || y + 1 < height && changed[y + 1] >= turn;
    }

    /** What goes from a row; returns whether anything does. @param ring room for the neighbours: right, upper right, above, and so on */
    private boolean find(int y, int side, long[] ring) {
        boolean any = false;
        for (int word = 0; word < stride; word++) {
            long here = set[y * stride + word];
            if (here != 0) {
                ring[0] = right(y, word);
                ring[2] = at(y - 1, word);
                ring[4] = left(y, word);
                ring[6] = at(y + 1, word);
                here &= ~ring[side];
            }
            if (here != 0) {
                ring[1] = right(y - 1, word);
                ring[3] = left(y - 1, word);
                ring[5] = left(y + 1, word);
                ring[7] = right(y + 1, word);
                here &= spare(ring);
            }
            gone[y * stride + word] = here;
            any |= here != 0;
        }
        return any;
    }

    private long at(int y, int word) {
        return y < 0 || y >= height || word < 0 || word >= stride ? 0 : set[y * stride + word];
    }

    private long right(int y, int word) {
        return at(y, word) >>> 1 | at(y, word + 1) << 63;
    }

    private long left(int y, int word) {
        return at(y, word) << 1 | at(y, word - 1) >>> 63;
    }

    /** Pixels that two or more neighbours touch and round which the mask begins once: these may go, their side left aside. */
    private static long spare(long[] ring) {
        long one = 0;
        long two = 0;
        long begins = 0;
        long beginsTwice = 0;
        for (int i = 0; i < 8; i++) {
            two |= one & ring[i];
            one |= ring[i];
            if (i % 2 == 0) {
                long begin = ~ring[i] & (ring[i + 1] | ring[(i + 2) % 8]);
                beginsTwice |= begins & begin;
                begins |= begin;
            }
        }
        return two & begins & ~beginsTwice;
    }
}
