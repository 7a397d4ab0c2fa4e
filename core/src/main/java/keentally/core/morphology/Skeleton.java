package keentally.core.morphology;

import java.util.Arrays;
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
 * line. Cost: grows with the thickness of the things; one thread.
 *
 * <p>Source: A. Rosenfeld (1975), "A characterization of parallel thinning algorithms", Information and Control 29(3), 286–291.
 */
public final class Skeleton {
    /** Neighbours in a ring: right, upper right, above, and so on; then those above, below, left and right. */
    private static final int[] DX = {1, 1, 0, -1, -1, -1, 0, 1};

    private static final int[] DY = {0, -1, -1, -1, 0, 1, 1, 1};
    private static final int[] SIDES = {2, 6, 4, 0};

    /** By the ring of neighbours, a bit each: whether a pixel may go, its side left aside. */
    private static final boolean[] SPARE = spare();

    private Skeleton() {}

    private static boolean[] spare() {
        boolean[] spare = new boolean[256];
        for (int ring = 0; ring < 256; ring++) {
            int crossings = 0;
            for (int side = 0; side < 8; side += 2) {
                boolean here = (ring >> side & 1) != 0;
                boolean next = (ring >> (side + 1) % 8 & 1) != 0 || (ring >> (side + 2) % 8 & 1) != 0;
                crossings += !here && next ? 1 : 0;
            }
            spare[ring] = crossings == 1 && Integer.bitCount(ring) >= 2;
        }
        return spare;
    }

    /** The mask thinned; of the same size. */
    public static Mask of(Mask mask, Work work) {
        int width = mask.width() + 2;
        int height = mask.height() + 2;
        byte[] set = new byte[width * height];
        for (int y = 0; y < mask.height(); y++) {
            for (int x = mask.nextSet(y, 0); x < mask.width(); x = mask.nextSet(y, x + 1)) {
                set[(y + 1) * width + x + 1] = 1;
            }
        }
        int[] offsets = new int[8];
        for (int i = 0; i < 8; i++) {
            offsets[i] = DY[i] * width + DX[i];
        }
        Rim rim = new Rim(set.length);
        for (int i = 0; i < set.length; i++) {
            if (set[i] == 1
                    && set[i + offsets[0]] + set[i + offsets[2]] + set[i + offsets[4]] + set[i + offsets[6]] < 4) {
                rim.add(i);
            }
        }
        int idle = 0;
        for (int turn = 0; idle < SIDES.length; turn++) {
            work.cancel().check();
            idle = pass(set, rim, offsets, SIDES[turn % SIDES.length]) ? 0 : idle + 1;
        }
        return taken(set, mask.width(), mask.height());
    }

    /** Takes away what may go from one side, all at once; returns whether anything went. */
    private static boolean pass(byte[] set, Rim rim, int[] offsets, int side) {
        int[] gone = new int[rim.count];
        int taken = 0;
        int left = 0;
        for (int i = 0; i < rim.count; i++) {
            int at = rim.pixels[i];
            boolean goes = set[at + offsets[side]] == 0 && SPARE[ring(set, at, offsets)];
            if (goes) {
                gone[taken++] = at;
            } else {
                rim.pixels[left++] = at;
            }
        }
        rim.count = left;
        for (int i = 0; i < taken; i++) {
            set[gone[i]] = 0;
        }
        for (int i = 0; i < taken; i++) {
            for (int offset : offsets) {
                if (set[gone[i] + offset] == 1) {
                    rim.add(gone[i] + offset);
                }
            }
        }
        return taken > 0;
    }

    /** The pixels that may have background beside them, each once. */
    private static final class Rim {
        private final boolean[] listed;
        private int[] pixels = new int[1024];
        private int count;

        Rim(int size) {
            listed = new boolean[size];
        }

        void add(int pixel) {
            if (!listed[pixel]) {
                listed[pixel] = true;
                pixels = count == pixels.length ? Arrays.copyOf(pixels, 2 * count) : pixels;
                pixels[count++] = pixel;
            }
        }
    }

    private static Mask taken(byte[] set, int width, int height) {
        byte[] inner = new byte[width * height];
        for (int y = 0; y < height; y++) {
            System.arraycopy(set, (y + 1) * (width + 2) + 1, inner, y * width, width);
        }
        return Mask.from(inner, width, height);
    }

    private static int ring(byte[] set, int at, int[] offsets) {
        int ring = 0;
        for (int i = 0; i < 8; i++) {
            ring |= set[at + offsets[i]] << i;
        }
        return ring;
    }
}
