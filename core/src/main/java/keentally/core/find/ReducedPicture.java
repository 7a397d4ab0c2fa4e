package keentally.core.find;

import java.util.ArrayList;
import java.util.List;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.work.Work;

/**
 * A picture made small by averaging whole squares of pixels, its values running from 0 to 1 over the picture's own range.
 *
 * @param factor side of a square, in pixels
 * @param planes of one to three channels, row by row
 */
record ReducedPicture(int width, int height, int factor, List<float[]> planes) {

    /** No side longer than {@code most}; a last part of a square is left out. */
    static ReducedPicture of(Picture picture, int most, Work work) {
        int factor = Math.max(1, (Math.max(picture.width(), picture.height()) + most - 1) / most);
        int width = Math.max(1, picture.width() / factor);
        int height = Math.max(1, picture.height() / factor);
        List<float[]> planes = new ArrayList<>();
        for (Channel channel : picture.channels().stream().limit(3).toList()) {
            planes.add(stretched(averaged(channel.plane(), width, height, factor, work)));
        }
        return new ReducedPicture(width, height, factor, planes);
    }

    private static float[] averaged(Plane plane, int width, int height, int factor, Work work) {
        float[] out = new float[width * height];
        int taken = Math.min(plane.width(), width * factor);
        work.bands(height, (from, to) -> {
            float[] row = new float[taken];
            for (int y = from; y < to; y++) {
                int rows = Math.min(factor, plane.height() - y * factor);
                for (int j = 0; j < rows; j++) {
                    plane.readRow(y * factor + j, 0, taken, row, 0);
                    for (int x = 0; x < width; x++) {
                        float sum = out[y * width + x];
                        for (int i = x * factor; i < Math.min(taken, (x + 1) * factor); i++) {
                            float v = row[i];
                            sum += v - v == 0 ? v : 0; // finite
                        }
                        out[y * width + x] = sum;
                    }
                }
                int columns = Math.min(factor, plane.width());
                for (int x = 0; x < width; x++) {
                    out[y * width + x] /= columns * rows;
                }
            }
        });
        return out;
    }

    private static float[] stretched(float[] values) {
        float least = Float.POSITIVE_INFINITY;
        float most = Float.NEGATIVE_INFINITY;
        for (float v : values) {
            least = Math.min(least, v);
            most = Math.max(most, v);
        }
        float range = most > least ? most - least : 1;
        for (int i = 0; i < values.length; i++) {
            values[i] = (values[i] - least) / range;
        }
        return values;
    }
}
