package keentally.core;

import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keentally.core.geometry.Ellipse;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import org.junit.jupiter.params.provider.Arguments;

/** Random input for property tests; the seed is the test's argument, and so is printed with a failure. */
public final class Chance {
    private final SplittableRandom random;

    public Chance(long seed) {
        this.random = new SplittableRandom(seed);
    }

    /** Seeds as arguments of a test. */
    public static Stream<Arguments> seeds(int count) {
        return IntStream.range(0, count).mapToObj(Arguments::of);
    }

    public int below(int bound) {
        return random.nextInt(bound);
    }

    public int between(int from, int to) {
        return from + random.nextInt(to - from + 1);
    }

    public double between(double from, double to) {
        return from + (to - from) * random.nextDouble();
    }

    public boolean toss(double share) {
        return random.nextDouble() < share;
    }

    /** From empty to full, often in clumps. */
    public Mask mask(int width, int height) {
        double share = random.nextDouble();
        boolean clumped = toss(0.5);
        long[] words = new long[Mask.stride(width) * height];
        int stride = Mask.stride(width);
        for (int y = 0; y < height; y++) {
            boolean set = toss(share);
            for (int x = 0; x < width; x++) {
                set = clumped && toss(0.7) ? set : toss(share);
                if (set) {
                    words[y * stride + (x >>> 6)] |= 1L << x;
                }
            }
        }
        return Mask.of(width, height, words);
    }

    /** The whole picture, an ellipse that may be cut off, or anything at all. */
    public Field field(int width, int height) {
        if (toss(0.4)) {
            return Field.whole(width, height);
        }
        if (toss(0.5)) {
            double cx = between(0, (double) width);
            double cy = between(0, (double) height);
            Field.Part part = new Field.Part(new Ellipse(cx, cy, width, height / 2.0 + 1, 0), false);
            return Field.of(width, height, List.of(part));
        }
        Mask mask = mask(width, height);
        return mask.count() == 0 ? Field.whole(width, height) : Field.of(mask);
    }

    public Plane8 plane8(int width, int height) {
        int levels = between(1, 256);
        byte[] values = new byte[width * height];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) below(levels);
        }
        return Plane8.of(width, height, values);
    }

    public Plane16 plane16(int width, int height) {
        int levels = between(1, 65536);
        short[] values = new short[width * height];
        for (int i = 0; i < values.length; i++) {
            values[i] = (short) below(levels);
        }
        return Plane16.of(width, height, values);
    }

    /** With a few values that are no numbers where {@code holes}. */
    public PlaneF planeF(int width, int height, boolean holes) {
        double low = between(-1000.0, 1000);
        double range = toss(0.1) ? 0 : between(0.001, 5000);
        float[] values = new float[width * height];
        for (int i = 0; i < values.length; i++) {
            values[i] = holes && toss(0.02) ? Float.NaN : (float) (low + range * random.nextDouble());
        }
        return PlaneF.of(width, height, values);
    }

    /** Red, green and blue of 8 or 16 bits, some of it grey. */
    public Picture colour(int width, int height) {
        boolean deep = toss(0.3);
        Plane red = deep ? plane16(width, height) : plane8(width, height);
        boolean grey = toss(0.2);
        Plane green = grey ? red : deep ? plane16(width, height) : plane8(width, height);
        Plane blue = grey ? red : deep ? plane16(width, height) : plane8(width, height);
        return Picture.colour(red, green, blue);
    }
}
