package keentally.core.threshold;

import java.util.Arrays;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane8;
import keentally.core.work.Work;

/** The phase of each pixel by how many cuts lie below its value; a value at a cut is below it. Not-a-number is in none. */
public final class LevelMap {
    private LevelMap() {}

    /** @param cuts upwards, at most 254 */
    public static Plane8 of(Plane plane, Field field, double[] cuts, Work work) {
        int width = plane.width();
        byte[] out = new byte[width * plane.height()];
        Mask inside = field.mask();
        float[] below = new float[cuts.length];
        for (int i = 0; i < cuts.length; i++) {
            float near = (float) cuts[i];
            below[i] = near > cuts[i] ? Math.nextDown(near) : near;
        }
        work.bands(plane.height(), (from, to) -> {
            float[] row = new float[width];
            Arrays.fill(out, from * width, to * width, (byte) PhaseMap.OUTSIDE);
            for (int y = from; y < to; y++) {
                plane.readRow(y, 0, width, row, 0);
                for (int x = inside.nextSet(y, 0); x < width; ) {
                    int end = inside.nextClear(y, x);
                    for (; x < end; x++) {
                        out[y * width + x] = (byte) phase(row[x], below);
                    }
                    x = inside.nextSet(y, end);
                }
            }
        });
        return Plane8.of(width, plane.height(), out);
    }

    private static int phase(float value, float[] cuts) {
        if (value != value) {
            return PhaseMap.OUTSIDE;
        }
        int phase = 0;
        for (float cut : cuts) {
            phase += value > cut ? 1 : 0;
        }
        return phase;
    }
}
