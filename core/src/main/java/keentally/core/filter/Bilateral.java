package keentally.core.filter;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/**
 * Smoothing that stops at edges: neighbours count by how near they are and by how alike.
 *
 * <p>Definition: the mean of the pixels within 2.5 σ of place, weighed by exp(−d²/2σ²) of the distance in place and of that in
 * value, the latter over all channels together; the picture mirrored at its border.
 *
 * <p>Accuracy: weights of value are read from a table of 4,096 steps out to 4 σ and are 0 beyond. Edge cases: not-a-number has no
 * weight, and stays. Cost: 20 σ² products a pixel.
 *
 * <p>Source: C. Tomasi and R. Manduchi (1998), "Bilateral filtering for gray and color images", Proc. ICCV, 839–846.
 */
public final class Bilateral {
    private static final int TABLE = 4096;
    private static final double REACH = 2.5;

    private final int radius;
    private final float[] byPlace;
    private final float[] byValue = new float[TABLE + 1];
    private final float perSquare;

    private Bilateral(double sigmaSpace, double sigmaValue) {
        this.radius = (int) Math.ceil(REACH * sigmaSpace);
        int side = 2 * radius + 1;
        this.byPlace = new float[side * side];
        for (int i = 0; i < byPlace.length; i++) {
            double dx = i % side - radius;
            double dy = (i - i % side) / (double) side - radius;
            double square = dx * dx + dy * dy;
            boolean within = square <= REACH * REACH * sigmaSpace * sigmaSpace;
            byPlace[i] = within ? (float) StrictMath.exp(-square / (2 * sigmaSpace * sigmaSpace)) : 0;
        }
        // the table runs over squared differences up to (4 σ)²
        this.perSquare = (float) (TABLE / (16 * sigmaValue * sigmaValue));
        for (int i = 0; i < TABLE; i++) {
            byValue[i] = (float) StrictMath.exp(-8.0 * (i + 0.5) / TABLE);
        }
    }

    /**
     * @param planes the channels, of one size
     * @param sigmaSpace in pixels, above 0
     * @param sigmaValue in the picture's values, above 0
     */
    public static List<Plane> of(List<Plane> planes, double sigmaSpace, double sigmaValue, Work work) {
        if (!(sigmaSpace > 0) || !(sigmaValue > 0)) {
            throw new IllegalArgumentException(
                    "both sigmas must be above 0, were " + sigmaSpace + " and " + sigmaValue);
        }
        int width = planes.getFirst().width();
        int height = planes.getFirst().height();
        Bilateral filter = new Bilateral(sigmaSpace, sigmaValue);
        float[][] out = new float[planes.size()][width * height];
        work.bands(height, (from, to) -> filter.run(planes, from, to, out, work));
        List<Plane> smoothed = new ArrayList<>();
        for (float[] values : out) {
            smoothed.add(PlaneF.of(width, height, values));
        }
        return smoothed;
    }

    private void run(List<Plane> planes, int from, int to, float[][] out, Work work) {
        int width = planes.getFirst().width();
        int side = 2 * radius + 1;
        List<RowWindow> windows =
                planes.stream().map(p -> RowWindow.mirrored(p, radius)).toList();
        float[][][] ring = new float[side][planes.size()][width + 2 * radius];
        for (int y = from - radius; y < from + radius; y++) {
            load(windows, y, ring);
        }
        float[] sums = new float[planes.size()];
        for (int y = from; y < to; y++) {
            work.cancel().check();
            load(windows, y + radius, ring);
            float[][] centre = ring[Math.floorMod(y, side)];
            for (int x = 0; x < width; x++) {
                float weights = gather(ring, y, x, centre, sums);
                for (int c = 0; c < sums.length; c++) {
                    out[c][y * width + x] = weights > 0 ? sums[c] / weights : centre[c][x + radius];
                }
            }
        }
    }

    private static void load(List<RowWindow> windows, int y, float[][][] ring) {
        for (int c = 0; c < windows.size(); c++) {
            windows.get(c).read(y, ring[Math.floorMod(y, ring.length)][c]);
        }
    }

    private float gather(float[][][] ring, int y, int x, float[][] centre, float[] sums) {
        Arrays.fill(sums, 0);
        float weights = 0;
        int side = 2 * radius + 1;
        for (int dy = 0; dy < side; dy++) {
            float[][] row = ring[Math.floorMod(y + dy - radius, side)];
            for (int dx = 0; dx < side; dx++) {
                float place = byPlace[dy * side + dx];
                float square = 0;
                for (int c = 0; c < sums.length; c++) {
                    float off = row[c][x + dx] - centre[c][x + radius];
                    square += off * off;
                }
                float at = square * perSquare;
                if (place > 0 && at < TABLE) {
                    float weight = place * byValue[(int) at];
                    weights += weight;
                    for (int c = 0; c < sums.length; c++) {
                        sums[c] += weight * row[c][x + dx];
                    }
                }
            }
        }
        return weights;
    }
}
