package keentally.core.filter;

import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/**
 * How steeply values change, by Sobel's two kernels: √(gx² + gy²) ÷ 8, so that a ramp of one value a pixel along an axis gives 1. The
 * picture is mirrored at its border; not-a-number spreads to its eight neighbours.
 *
 * <p>Source: I. Sobel and G. Feldman (1968), "A 3×3 isotropic gradient operator for image processing", Stanford Artificial
 * Intelligence Project.
 */
public final class Gradient {
    private Gradient() {}

    /** How steep the grey is at every place, in grey values a px; an eighth of the length of Sobel's gradient, the picture mirrored at its border. */
    public static PlaneF sobel(Plane plane, Work work) {
        int width = plane.width();
        float[] out = new float[width * plane.height()];
        RowWindow rows = RowWindow.mirrored(plane, 1);
        work.bands(plane.height(), (from, to) -> {
            float[][] ring = new float[3][width + 2];
            rows.read(from - 1, ring[Math.floorMod(from - 1, 3)]);
            rows.read(from, ring[from % 3]);
            for (int y = from; y < to; y++) {
                rows.read(y + 1, ring[(y + 1) % 3]);
                row(ring[Math.floorMod(y - 1, 3)], ring[y % 3], ring[(y + 1) % 3], out, y * width, width);
            }
        });
        return PlaneF.of(width, plane.height(), out);
    }

    private static void row(float[] above, float[] here, float[] below, float[] out, int base, int width) {
        for (int x = 0; x < width; x++) {
            float right = above[x + 2] + 2 * here[x + 2] + below[x + 2];
            float left = above[x] + 2 * here[x] + below[x];
            float down = below[x] + 2 * below[x + 1] + below[x + 2];
            float up = above[x] + 2 * above[x + 1] + above[x + 2];
            float gx = right - left;
            float gy = down - up;
            out[base + x] = (float) Math.sqrt(gx * gx + gy * gy) / 8;
        }
    }
}
