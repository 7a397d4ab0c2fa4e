package keentally.core.classify;

import java.util.SplittableRandom;
import keentally.core.picture.Plane8;

/** Pictures of the same greys in two directions: waves across in the left half, down in the right, with noise. */
public final class Weaves {
    private Weaves() {}

    /** Of a side that is even. */
    public static Plane8 drawn(int side, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        byte[] values = new byte[side * side];
        for (int i = 0; i < values.length; i++) {
            int x = i % side;
            int y = i / side;
            int along = isAcross(x, side) ? x : y;
            values[i] = (byte) (128 + 60 * Math.sin(2 * Math.PI * along / 6) + random.nextInt(41) - 20);
        }
        return Plane8.of(side, side, values);
    }

    /** Whether the waves go across here. */
    public static boolean isAcross(int x, int side) {
        return x < side / 2;
    }

    /** Strokes in both halves: 1 and 2, 0 where nothing is painted. */
    public static Plane8 strokes(int side) {
        byte[] values = new byte[side * side];
        for (int i = 0; i < values.length; i++) {
            int x = i % side;
            int y = i / side;
            boolean painted = y % 40 < 6 && x % (side / 2) > 8 && x % (side / 2) < side / 2 - 8;
            values[i] = (byte) (painted ? isAcross(x, side) ? 1 : 2 : 0);
        }
        return Plane8.of(side, side, values);
    }
}
