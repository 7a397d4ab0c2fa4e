package keentally.core.colour;

import java.util.Arrays;
import java.util.Optional;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.Supplier;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.work.Work;

/**
 * A number from 0 to 255 for every pixel of the field by its colour alone. A colour that was met lately is not worked out again:
 * pictures hold far fewer colours than pixels, and neighbours are alike.
 */
public final class EachColour {
    /** As many as a core keeps at hand. */
    private static final int SLOT_BITS = 17;

    private EachColour() {}

    /** Decides on a colour; one is made for each thread, and so may hold places to work in. */
    @FunctionalInterface
    public interface Decision {
        /** @param rgb on the 0 to 255 scale; not to be kept or changed */
        int of(double[] rgb);
    }

    /** The answers, row by row, {@code outside} where the field or a number ends. */
    public static byte[] of(ColourRows rows, Field field, int outside, Supplier<Decision> decisions, Work work) {
        int width = rows.width();
        Mask inside = field.mask();
        byte[] out = new byte[width * rows.height()];
        Arrays.fill(out, (byte) outside);
        Queue<Lately> free =
                new ConcurrentLinkedQueue<>(); // one for each thread, so that it knows the colours of other bands
        work.bands(rows.height(), (from, to) -> {
            Lately lately = rows.isBytes()
                    ? Optional.ofNullable(free.poll()).orElseGet(() -> new Lately(decisions.get()))
                    : null;
            Decision decision = decisions.get();
            float[] red = new float[width];
            float[] green = new float[width];
            float[] blue = new float[width];
            double[] rgb = new double[3];
            for (int y = from; y < to; y++) {
                work.cancel().check();
                rows.read(y, red, green, blue);
                for (int x = inside.nextSet(y, 0); x < width; ) {
                    int end = inside.nextClear(y, x);
                    for (; x < end; x++) {
                        if (lately != null) {
                            out[y * width + x] = (byte) lately.of((int) red[x], (int) green[x], (int) blue[x]);
                        } else if (Float.isFinite(red[x] + green[x] + blue[x])) {
                            rgb[0] = red[x];
                            rgb[1] = green[x];
                            rgb[2] = blue[x];
                            out[y * width + x] = (byte) decision.of(rgb);
                        }
                    }
                    x = inside.nextSet(y, end);
                }
            }
            if (lately != null) {
                free.add(lately);
            }
        });
        return out;
    }

    /** Answers by colour, the newest in each slot: the colour above the eight bits of its answer. */
    private static final class Lately {
        private final Decision decision;
        private final int[] slots = new int[1 << SLOT_BITS];
        private final double[] rgb = new double[3];

        Lately(Decision decision) {
            this.decision = decision;
            slots[0] = -1; // all others hold black, which has its place in the first
        }

        int of(int red, int green, int blue) {
            int colour = red << 16 | green << 8 | blue;
            int slot = colour * 0x9E3779B1 >>> Integer.SIZE - SLOT_BITS;
            if (slots[slot] >>> 8 != colour) {
                rgb[0] = red;
                rgb[1] = green;
                rgb[2] = blue;
                slots[slot] = colour << 8 | decision.of(rgb) & 0xff;
            }
            return slots[slot] & 0xff;
        }
    }
}
