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
 * <p>Cost: about 2 comparisons a pixel and row of the shape, whatever its width: the least of a run of any length is the lesser
 * of two runs whose length is a power of two, and those are made by doubling. Memory: the rows in reach, once a doubling, for
 * each band. Bands are independent, so any number of threads gives the same bytes.
 *
 * <p>Source: J. Serra (1982), "Image Analysis and Mathematical Morphology", chapter XII; doubling: M. van Droogenbroeck and H. Talbot
 * (1996), "Fast computation of morphological operations with arbitrary structuring elements", Pattern Recognition Letters 17(14).
 */
public final class GreyMorphology {
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
        float[] out = new float[plane.width() * plane.height()];
        work.bands(plane.height(), (from, to) -> {
            Band band = new Band(rows, plane.width(), most);
            for (int y = from - r; y < from + r; y++) {
                band.load(y);
            }
            for (int y = from; y < to; y++) {
                work.cancel().check();
                band.load(y + r);
                band.gather(y, out);
            }
        });
        return PlaneF.of(plane.width(), plane.height(), out);
    }

    /** Rows in reach with their runs of 1, 2, 4, ... pixels. */
    private final class Band {
        private final RowWindow rows;
        private final int width;
        private final boolean most;
        private final int r = reach.length / 2;
        private final int doublings;
        private final float[][][] ring;

        Band(RowWindow rows, int width, boolean most) {
            this.rows = rows;
            this.width = width;
            this.most = most;
            this.doublings = 32 - Integer.numberOfLeadingZeros(2 * r + 1);
            this.ring = new float[reach.length][doublings][width + 2 * r];
        }

        void load(int y) {
            float[][] runs = ring[Math.floorMod(y, ring.length)];
            rows.read(y, runs[0]);
            for (int d = 1; d < doublings; d++) {
                int shift = 1 << (d - 1);
                join(runs[d - 1], 0, runs[d - 1], shift, runs[d], 0, runs[d].length - 2 * shift + 1);
            }
        }

        void gather(int y, float[] out) {
            int base = y * width;
            for (int dy = -r; dy <= r; dy++) {
                float[][] runs = ring[Math.floorMod(y + dy, ring.length)];
                int half = reach[dy + r];
                int length = 2 * half + 1;
                int d = 31 - Integer.numberOfLeadingZeros(length);
                int left = r - half;
                int right = left + length - (1 << d);
                if (dy == -r) {
                    join(runs[d], left, runs[d], right, out, base, width);
                } else {
                    join(runs[d], left, runs[d], right, out, base);
                }
            }
        }

        private void join(float[] a, int i, float[] b, int j, float[] to, int k, int n) {
            if (most) {
                for (int x = 0; x < n; x++) {
                    to[k + x] = Math.max(a[i + x], b[j + x]);
                }
            } else {
                for (int x = 0; x < n; x++) {
                    to[k + x] = Math.min(a[i + x], b[j + x]);
                }
            }
        }

        /** With what is there already. */
        private void join(float[] a, int i, float[] b, int j, float[] to, int k) {
            if (most) {
                for (int x = 0; x < width; x++) {
                    to[k + x] = Math.max(to[k + x], Math.max(a[i + x], b[j + x]));
                }
            } else {
                for (int x = 0; x < width; x++) {
                    to[k + x] = Math.min(to[k + x], Math.min(a[i + x], b[j + x]));
                }
            }
        }
    }
}
