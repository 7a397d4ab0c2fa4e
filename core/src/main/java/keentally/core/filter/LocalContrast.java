package keentally.core.filter;

import java.util.Arrays;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.stats.Histogram;
import keentally.core.work.Work;

/**
 * Equalises each part of the picture by itself, with a limit on how much contrast may grow.
 *
 * <p>Definition: the picture is laid out in square tiles; each gets a histogram of {@value #BINS} bins over the field's values,
 * whose bins are cut off at {@code limit} times their mean height, what is cut off being shared out evenly; its running sum maps
 * values onto the field's range. A pixel takes the maps of the four tiles whose centres are around it, weighed by how near they are.
 *
 * <p>Edge cases: a tile with fewer than {@value #LEAST_PIXELS} pixels of the field takes the map of the whole field; a field of one value
 * stays as it is; not-a-number stays. Cost: two passes.
 *
 * <p>Source: S. M. Pizer et al. (1987), "Adaptive histogram equalization and its variations", Computer Vision, Graphics, and Image
 * Processing 39(3), 355–368, section 4.2 (clipped).
 */
public final class LocalContrast {
    private static final int BINS = 256;
    private static final int LEAST_PIXELS = 64;

    private final Plane plane;
    private final Mask inside;
    private final double low;
    private final double range;
    private final int tile;
    private final double limit;
    private final int columns;
    private final int rows;

    private LocalContrast(Plane plane, Field field, double low, double range, int tile, double limit) {
        this.plane = plane;
        this.inside = field.mask();
        this.low = low;
        this.range = range;
        this.tile = tile;
        this.limit = limit;
        this.columns = (plane.width() + tile - 1) / tile;
        this.rows = (plane.height() + tile - 1) / tile;
    }

    /**
     * @param tile side of a tile in pixels, at least 8
     * @param limit at least 1, which changes nothing much; more lets contrast grow more
     */
    public static PlaneF of(Plane plane, Field field, int tile, double limit, Work work) {
        if (tile < 8 || !(limit >= 1)) {
            throw new IllegalArgumentException(
                    "a tile must be 8 px or more and the limit 1 or more, were " + tile + " and " + limit);
        }
        Histogram h = Histogram.of(plane, field, work);
        double low = h.total() == 0 ? 0 : h.lowest();
        double range = h.total() == 0 ? 0 : h.upperEdge(h.lastOccupied()) - low;
        if (!(range > 0)) {
            return EachValue.of(plane, v -> v, work);
        }
        return new LocalContrast(plane, field, low, range, tile, limit).run(work);
    }

    private PlaneF run(Work work) {
        float[] whole = map(count(0, 0, plane.width(), plane.height()));
        float[][] maps = new float[columns * rows][];
        work.bands(columns * rows, (from, to) -> {
            for (int t = from; t < to; t++) {
                int left = t % columns * tile;
                int top = t / columns * tile;
                long[] counts =
                        count(left, top, Math.min(plane.width(), left + tile), Math.min(plane.height(), top + tile));
                maps[t] = Arrays.stream(counts).sum() < LEAST_PIXELS ? whole : map(counts);
            }
        });
        int width = plane.width();
        float[] out = new float[width * plane.height()];
        work.bands(plane.height(), (from, to) -> {
            for (int y = from; y < to; y++) {
                plane.readRow(y, 0, width, out, y * width);
                blend(maps, y, out);
            }
        });
        return PlaneF.of(width, plane.height(), out);
    }

    private long[] count(int left, int top, int right, int bottom) {
        long[] counts = new long[BINS];
        for (int y = top; y < bottom; y++) {
            for (int x = inside.nextSet(y, left); x < right; x = inside.nextSet(y, x + 1)) {
                double at = (plane.at(x, y) - low) / range * BINS;
                if (at == at) {
                    counts[Math.clamp((int) at, 0, BINS - 1)]++;
                }
            }
        }
        return counts;
    }

    /** The running sum at the edges of the bins, from 0 to 1. */
    private float[] map(long[] counts) {
        double total = Arrays.stream(counts).sum();
        double most = limit * total / BINS;
        double over = 0;
        for (long count : counts) {
            over += Math.max(0, count - most);
        }
        float[] map = new float[BINS + 1];
        double sum = 0;
        for (int i = 0; i < BINS; i++) {
            sum += Math.min(counts[i], most) + over / BINS;
            map[i + 1] = (float) (total == 0 ? (i + 1.0) / BINS : sum / total);
        }
        return map;
    }

    private void blend(float[][] maps, int y, float[] out) {
        int width = plane.width();
        double ty = (y + 0.5) / tile - 0.5;
        int upper = Math.clamp((int) Math.floor(ty), 0, rows - 1);
        int lower = Math.clamp((int) Math.floor(ty) + 1, 0, rows - 1);
        float down = (float) (ty - Math.floor(ty));
        for (int x = 0; x < width; x++) {
            double tx = (x + 0.5) / tile - 0.5;
            int left = Math.clamp((int) Math.floor(tx), 0, columns - 1);
            int right = Math.clamp((int) Math.floor(tx) + 1, 0, columns - 1);
            float across = (float) (tx - Math.floor(tx));
            float v = (float) ((out[y * width + x] - low) / range);
            float above = (1 - across) * read(maps[upper * columns + left], v)
                    + across * read(maps[upper * columns + right], v);
            float below = (1 - across) * read(maps[lower * columns + left], v)
                    + across * read(maps[lower * columns + right], v);
            out[y * width + x] = (float) (low + range * ((1 - down) * above + down * below));
        }
    }

    private static float read(float[] map, float v) {
        if (v != v) {
            return v;
        }
        float at = Math.clamp(v, 0, 1) * BINS;
        int i = Math.min(BINS - 1, (int) at);
        return map[i] + (at - i) * (map[i + 1] - map[i]);
    }
}
