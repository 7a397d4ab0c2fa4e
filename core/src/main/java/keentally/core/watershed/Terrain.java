package keentally.core.watershed;

import java.util.Arrays;
import java.util.List;
import java.util.function.IntToDoubleFunction;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import keentally.core.geometry.Point;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.work.Work;

/**
 * The heights of a mask's pixels in its box, which has one pixel of nothing round it: a pixel is known by its place in that, so that places
 * go in reading order and neighbours lie at fixed steps.
 *
 * <p>Heights are whole numbers or floats, kept as whole numbers in the same order; not-a-number counts as the highest. Of two pixels of
 * equal height the one that comes first in reading order counts as lower, so that no two are alike.
 *
 * <p>Memory: four bytes a place.
 */
final class Terrain {
    /** The height of what does not belong to the mask. */
    static final int OUTSIDE = Integer.MAX_VALUE;

    /** Where a place leads to nowhere else. */
    static final byte HERE = 4;

    /** Rows that are worked on together. */
    private static final int ROWS = 32;

    final int[] height;

    /** From a place to itself and its eight neighbours, in reading order. */
    final int[] steps;

    private final Mask mask;
    private final int left;
    private final int top;
    /** From a place to the one below it. */
    final int stride;

    private final int rows;
    private final int width;
    private final IntToDoubleFunction value;

    /** Heights of pixels [fromX, toX) of row y. */
    @FunctionalInterface
    interface Ground {
        void read(int y, int fromX, int toX, int[] into, int start);
    }

    /** Places of the mask that lie side by side, [from, to). */
    @FunctionalInterface
    interface Stretch {
        void of(int from, int to);
    }

    private Terrain(Mask mask, Supplier<Ground> grounds, IntToDoubleFunction value, Work work) {
        this.mask = mask;
        this.width = mask.width();
        this.value = value;
        int first = 0;
        int end = mask.height();
        while (first < end && mask.nextSet(first, 0) == width) {
            first++;
        }
        while (first < end && mask.nextSet(end - 1, 0) == width) {
            end--;
        }
        int least = width;
        int most = 0;
        for (int y = first; y < end; y++) {
            least = Math.min(least, mask.nextSet(y, 0));
            for (int x = mask.nextSet(y, most); x < width; x = mask.nextSet(y, most)) {
                most = mask.nextClear(y, x);
            }
        }
        this.left = Math.min(least, most);
        this.top = first;
        this.rows = end - first;
        this.stride = most - left + 2;
        this.steps = new int[] {-stride - 1, -stride, -stride + 1, -1, 0, 1, stride - 1, stride, stride + 1};
        this.height = new int[Math.multiplyExact(stride, rows + 2)];
        Arrays.fill(height, 0, stride, OUTSIDE);
        Arrays.fill(height, height.length - stride, height.length, OUTSIDE);
        int right = most;
        work.bands(rows, (from, to) -> {
            Ground ground = grounds.get();
            for (int row = from; row < to; row++) {
                row(ground, row, right);
            }
        });
    }

    private void row(Ground ground, int row, int right) {
        int y = top + row;
        int start = first(row) - left;
        int done = left - 1;
        for (int x = mask.nextSet(y, left); x < right; ) {
            int end = mask.nextClear(y, x);
            Arrays.fill(height, start + done, start + x, OUTSIDE);
            ground.read(y, x, end, height, start + x);
            done = end;
            x = mask.nextSet(y, end);
        }
        Arrays.fill(height, start + done, start + right + 1, OUTSIDE);
    }

    /** The first place of a row of the box. */
    private int first(int row) {
        return (row + 1) * stride + 1;
    }

    /** Of whole numbers. */
    static Terrain of(Mask mask, Ground whole, Work work) {
        return new Terrain(mask, () -> whole, key -> key, work);
    }

    /** Of a plane's values. */
    static Terrain of(Mask mask, Plane plane, boolean upsideDown, Work work) {
        return new Terrain(mask, () -> ground(plane, upsideDown), Terrain::ofKey, work);
    }

    /** Of a plane's values, from low to high. @param deepest what lies below all else */
    static Terrain of(Mask mask, Plane plane, Mask deepest, Work work) {
        Supplier<Ground> grounds = () -> {
            Ground values = ground(plane, false);
            return (y, fromX, toX, into, start) -> {
                values.read(y, fromX, toX, into, start);
                for (int x = deepest.nextSet(y, fromX); x < toX; x = deepest.nextSet(y, x + 1)) {
                    into[start + x - fromX] = key(Float.NEGATIVE_INFINITY);
                }
            };
        };
        return new Terrain(mask, grounds, Terrain::ofKey, work);
    }

    private static Ground ground(Plane plane, boolean upsideDown) {
        float[] values = new float[plane.width()];
        return (y, fromX, toX, into, start) -> {
            plane.readRow(y, fromX, toX, values, fromX);
            for (int x = fromX; x < toX; x++) {
                into[start + x - fromX] = key(upsideDown ? -values[x] : values[x]);
            }
        };
    }

    /** The bits of a value, so that whole numbers come in the same order. */
    private static int key(float value) {
        int bits = Float.floatToRawIntBits(comparable(value));
        return bits ^ bits >> 31 & 0x7fffffff;
    }

    private static double ofKey(double key) {
        int bits = (int) key;
        return Float.intBitsToFloat(bits ^ bits >> 31 & 0x7fffffff);
    }

    /** A value as heights are compared: no negative zero, not-a-number the highest. */
    static float comparable(float value) {
        return Float.isNaN(value) ? Float.POSITIVE_INFINITY : value + 0.0f;
    }

    double value(int place) {
        return value.applyAsDouble(height[place]);
    }

    /** Whether a place is lower than another, of equal ones earlier. */
    boolean isLower(int place, int other) {
        return height[place] < height[other] || height[place] == height[other] && place < other;
    }

    /** How many parts {@link #stretches} knows. */
    int parts() {
        return (rows + ROWS - 1) / ROWS;
    }

    /** All places of the mask in a part, in reading order. */
    void stretches(int part, Stretch each) {
        for (int row = part * ROWS; row < Math.min(rows, (part + 1) * ROWS); row++) {
            int y = top + row;
            int start = first(row) - left;
            for (int x = mask.nextSet(y, left); x < width; ) {
                int end = mask.nextClear(y, x);
                each.of(start + x, start + end);
                x = mask.nextSet(y, end);
            }
        }
    }

    /** The places that hold some of the picture's, in reading order. */
    int[] places(List<Point> points) {
        return points.stream()
                .mapToInt(p -> place((int) Math.floor(p.x()), (int) Math.floor(p.y())))
                .filter(place -> place >= 0)
                .sorted()
                .distinct()
                .toArray();
    }

    /** The place of a pixel of the picture; −1 where the pixel does not belong to the mask. */
    private int place(int x, int y) {
        if (x < left || y < top || x > left + stride - 3 || y >= top + rows) {
            return -1;
        }
        int place = (y - top + 1) * stride + x - left + 1;
        return height[place] == OUTSIDE ? -1 : place;
    }

    int x(int place) {
        return left + place % stride - 1;
    }

    int y(int place) {
        return top + place / stride - 1;
    }

    /** Where it is in the picture: row times width, and column. */
    int pixel(int place) {
        return y(place) * width + x(place);
    }

    /**
     * Gives each place the label of the one that its way leads to.
     *
     * @param ways which of {@link #steps} leads on from each place
     * @param label of the places whose way is {@link #HERE}; 0 elsewhere
     */
    void follow(byte[] ways, int[] label, Work work) {
        work.each(
                parts(),
                part -> stretches(part, (from, to) -> {
                    for (int place = from; place < to; place++) {
                        if (height[place] != OUTSIDE && label[place] == 0) {
                            follow(ways, label, place);
                        }
                    }
                }));
    }

    /** Where threads meet both write the same. */
    private void follow(byte[] ways, int[] label, int place) {
        int end = place;
        while (label[end] == 0) {
            end += steps[ways[end]];
        }
        int found = label[end];
        for (int p = place; label[p] == 0; p += steps[ways[p]]) {
            label[p] = found;
        }
    }

    /** Numbers from 1 for places, where they are. */
    static void number(int[] places, int[] label) {
        IntStream.range(0, places.length).forEach(i -> label[places[i]] = i + 1);
    }
}
