package keentally.core.filter;

import java.util.Arrays;
import java.util.Optional;
import keentally.core.picture.Field;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/**
 * The least and the greatest value around each pixel, and what is built from them.
 *
 * <p>Definition: over a disk, all pixels whose centre is within r: dx² + dy² ≤ r²; over a square, |dx| ≤ r and |dy| ≤ r, r
 * rounded down. An opening is the greatest of the least, a closing the least of the greatest.
 *
 * <p>Without a field the picture is mirrored at its border; with one, what lies outside it takes no part, and pixels outside have no
 * meaning in the result. Edge cases: a radius below 1 changes nothing. Not-a-number spreads to all whose surroundings hold it.
 *
 * <p>Cost: about 2 comparisons a pixel and row of the shape, many pixels at a time. Memory: the rows in reach for each band. Bands are
 * independent, so any number of threads gives the same bytes.
 *
 * <p>Source: J. Serra (1982), "Image Analysis and Mathematical Morphology", chapter XII; runs of all lengths: E. R. Urbach and M. H. F.
 * Wilkinson (2008), "Efficient 2-D grayscale morphological transformations with arbitrary flat structuring elements", IEEE Transactions
 * on Image Processing 17(1), 1–8.
 */
public final class GreyMorphology {
    /** Rows done together at least: each part begins with the rows around its first one. */
    private static final int LEAST_ROWS = 250;

    private final int[] reach;
    private final Optional<Field> field;

    private GreyMorphology(int[] reach, Optional<Field> field) {
        this.reach = reach;
        this.field = field;
    }

    /**
     * With a disk.
     *
     * @param radius in px, from 0 to 10,000
     * @param field where values count; empty for the whole plane, mirrored at its border
     */
    public static GreyMorphology disk(double radius, Optional<Field> field) {
        int r = checked(radius);
        int[] reach = new int[2 * r + 1];
        for (int dy = -r; dy <= r; dy++) {
            reach[dy + r] = (int) Math.floor(Math.sqrt(radius * radius - (double) dy * dy) + 1e-9);
        }
        return new GreyMorphology(reach, field);
    }

    /**
     * With a square.
     *
     * @param radius half its side less half a px, in px, from 0 to 10,000
     * @param field where values count; empty for the whole plane, mirrored at its border
     */
    public static GreyMorphology square(double radius, Optional<Field> field) {
        int r = checked(radius);
        int[] reach = new int[2 * r + 1];
        Arrays.fill(reach, r);
        return new GreyMorphology(reach, field);
    }

    private static int checked(double radius) {
        if (!(radius >= 0) || radius > 10_000) {
            throw new IllegalArgumentException("the radius must be from 0 to 10,000 px, was " + radius);
        }
        return (int) Math.floor(radius + 1e-9);
    }

    /** The least value under the element at every place: grey erosion. */
    public PlaneF least(Plane plane, Work work) {
        return extreme(plane, false, work);
    }

    /** The greatest value under the element at every place: grey dilation. */
    public PlaneF greatest(Plane plane, Work work) {
        return extreme(plane, true, work);
    }

    /** Takes away what is brighter than its surroundings and narrower than the element. */
    public PlaneF opening(Plane plane, Work work) {
        return greatest(least(plane, work), work);
    }

    /** Takes away what is darker than its surroundings and narrower than the element. */
    public PlaneF closing(Plane plane, Work work) {
        return least(greatest(plane, work), work);
    }

    private PlaneF extreme(Plane plane, boolean most, Work work) {
        float neutral = most ? Float.NEGATIVE_INFINITY : Float.POSITIVE_INFINITY;
        int r = reach.length / 2;
        RowWindow rows = field.map(f -> RowWindow.inside(plane, r, f.mask(), neutral))
                .orElseGet(() -> RowWindow.mirrored(plane, r));
        int height = plane.height();
        float[] out = new float[plane.width() * height];
        int parts = Math.clamp(height / Math.max(LEAST_ROWS, 4 * r), 1, height);
        work.each(parts, part -> {
            int from = (int) ((long) height * part / parts);
            int to = (int) ((long) height * (part + 1) / parts);
            Band band = new Band(rows, plane.width(), most);
            for (int y = from - r; y < to + r; y++) {
                work.cancel().check();
                band.spread(y, from, to - 1);
                if (y - r >= from) {
                    band.take(y - r, out);
                }
            }
        });
        return PlaneF.of(plane.width(), height, out);
    }

    /**
     * What is known so far of the rows that a row of values reaches. A row is joined with itself shifted by two, again and again, so that
     * its runs grow from the element's shortest to its longest; each length goes to the rows in which the element is as wide.
     *
     * <p>Values are whole numbers that go up with them, or down where the greatest is looked for, so that the least is always wanted. All
     * arrays are read at the same place, or one or two places on, so that the compiler can do many pixels at a time.
     */
    private final class Band {
        private final RowWindow rows;
        private final int width;
        private final int turn;
        private final int r = reach.length / 2;

        /** Row {@code y} is known at place {@code y} modulo their number. */
        private final int[][] known;

        private final float[] values;
        private int[] runs;
        private int[] longer;
        private final int[] shifted;

        /** Takes what is told to rows outside the band. */
        private final int[] nowhere;

        Band(RowWindow rows, int width, boolean most) {
            this.rows = rows;
            this.width = width;
            this.turn = most ? -1 : 0;
            this.known = new int[reach.length][width];
            this.values = new float[width + 2 * r];
            this.runs = new int[values.length + 2];
            this.longer = new int[runs.length];
            this.shifted = new int[width];
            this.nowhere = new int[width];
            for (int[] row : known) {
                Arrays.fill(row, Integer.MAX_VALUE);
            }
        }

        /** Tells the rows in its reach from {@code first} to {@code last} of row {@code y}. */
        void spread(int y, int first, int last) {
            rows.read(y, values);
            for (int x = 0; x < values.length; x++) {
                int bits = Float.floatToIntBits(values[x]);
                int key = (bits ^ bits >> 31 & Integer.MAX_VALUE) ^ turn;
                runs[x] = values[x] == values[x] ? key : Integer.MIN_VALUE;
            }
            int dy = r;
            for (int half = 0; half <= reach[r]; half++) {
                if (half > 0) {
                    grow(half);
                }
                if (reach[r + dy] == half) {
                    System.arraycopy(runs, r - half, shifted, 0, width);
                    for (; dy >= 0 && reach[r + dy] == half; dy--) {
                        join(row(y - dy, first, last), row(y + dy, first, last), shifted);
                    }
                }
            }
        }

        private int[] row(int y, int first, int last) {
            return y < first || y > last ? nowhere : known[Math.floorMod(y, known.length)];
        }

        /** Runs of 2·half − 1 values become runs of two more; each is known at its first value. */
        private void grow(int half) {
            if (half == 1) {
                joinNext(runs, longer);
                joinNext(longer, runs);
            } else {
                joinSecond(runs, longer);
                int[] swap = runs;
                runs = longer;
                longer = swap;
            }
        }

        void take(int y, float[] out) {
            int[] row = known[Math.floorMod(y, known.length)];
            for (int x = 0; x < width; x++) {
                int key = row[x] ^ turn;
                out[y * width + x] = row[x] == Integer.MIN_VALUE
                        ? Float.NaN
                        : Float.intBitsToFloat(key ^ key >> 31 & Integer.MAX_VALUE);
            }
            Arrays.fill(row, Integer.MAX_VALUE);
        }

        private static void join(int[] one, int[] other, int[] values) {
            for (int x = 0; x < values.length; x++) {
                one[x] = Math.min(one[x], values[x]);
            }
            if (other != one) {
                for (int x = 0; x < values.length; x++) {
                    other[x] = Math.min(other[x], values[x]);
                }
            }
        }

        private static void joinNext(int[] of, int[] to) {
            for (int x = 0; x < of.length - 1; x++) {
                to[x] = Math.min(of[x], of[x + 1]);
            }
        }

        private static void joinSecond(int[] of, int[] to) {
            for (int x = 0; x < of.length - 2; x++) {
                to[x] = Math.min(of[x], of[x + 2]);
            }
        }
    }
}
