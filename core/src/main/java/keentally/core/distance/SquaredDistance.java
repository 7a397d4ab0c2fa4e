package keentally.core.distance;

import java.util.Arrays;
import keentally.core.picture.Mask;
import keentally.core.work.Work;

/**
 * The square of the exact Euclidean distance from every pixel's centre to the nearest set pixel's centre.
 *
 * <p>Definition: min over set pixels (u, v) of (x − u)² + (y − v)²; 0 on a set pixel; {@link #NONE} everywhere where none is set. What
 * lies outside the picture is set nowhere, so the picture's border is neutral.
 *
 * <p>Accuracy: exact in whole numbers, up to {@link #NONE}. Cost: two passes, the same for any distance; 4 bytes a pixel. Columns, then
 * rows, in parallel.
 *
 * <p>Source: A. Meijster, J. B. T. M. Roerdink and W. H. Hesselink (2000), "A general algorithm for computing distance transforms in
 * linear time", Mathematical Morphology and its Applications to Image and Signal Processing, 331–340.
 */
public final class SquaredDistance {
    /** Where no pixel is set. */
    public static final int NONE = Integer.MAX_VALUE;

    private SquaredDistance() {}

    /** Row by row, to the set pixels of {@code sources}. */
    public static int[] to(Mask sources, Work work) {
        int width = sources.width();
        int height = sources.height();
        int[] out = new int[width * height];
        int far = width + height;
        work.bands(width, (left, right) -> columns(sources, left, right, far, out));
        work.bands(height, (top, bottom) -> {
            Row row = new Row(width, far);
            for (int y = top; y < bottom; y++) {
                row.transform(out, y * width);
            }
        });
        return out;
    }

    /** Distances within columns, {@code far} where a column holds no set pixel. */
    private static void columns(Mask sources, int left, int right, int far, int[] out) {
        int width = sources.width();
        int height = sources.height();
        long[] words = sources.words();
        int stride = sources.stride();
        for (int x = left; x < right; x++) {
            out[x] = (words[x >>> 6] >>> x & 1) != 0 ? 0 : far;
        }
        for (int y = 1; y < height; y++) {
            int row = y * width;
            for (int x = left; x < right; x++) {
                boolean set = (words[y * stride + (x >>> 6)] >>> x & 1) != 0;
                out[row + x] = set ? 0 : Math.min(far, out[row - width + x] + 1);
            }
        }
        for (int y = height - 2; y >= 0; y--) {
            int row = y * width;
            for (int x = left; x < right; x++) {
                out[row + x] = Math.min(out[row + x], out[row + width + x] + 1);
            }
        }
    }

    /** The lower envelope of the parabolas that a row's columns throw up. */
    private static final class Row {
        private final int width;
        private final int far;
        private final int[] column;
        private final int[] apex;
        private final int[] from;

        Row(int width, int far) {
            this.width = width;
            this.far = far;
            this.column = new int[width];
            this.apex = new int[width];
            this.from = new int[width];
        }

        /** Between two sources of a row nothing beyond them is nearer, so that each gap is worked out by itself. */
        void transform(int[] values, int at) {
            System.arraycopy(values, at, column, 0, width);
            int u = 0;
            while (u < width) {
                if (column[u] == 0) {
                    u++;
                    continue;
                }
                int end = u + 1;
                while (end < width && column[end] != 0) {
                    end++;
                }
                gap(values, at, u, end);
                u = end;
            }
        }

        /** Columns [first, end), none of them a source, with the sources on either side where there are any. */
        private void gap(int[] values, int at, int first, int end) {
            int last = -1;
            int behind = Math.min(width, end + 1);
            for (int u = Math.max(0, first - 1); u < behind; u++) {
                if (column[u] >= far) {
                    continue;
                }
                int start = first;
                while (last >= 0 && height(apex[last], from[last]) > height(u, from[last])) {
                    last--;
                }
                if (last >= 0) {
                    start = Math.max(first, lower(apex[last], u));
                }
                if (start < end) {
                    last++;
                    apex[last] = u;
                    from[last] = start;
                }
            }
            if (last < 0) {
                Arrays.fill(values, at + first, at + end, NONE);
                return;
            }
            for (int behindHere = end; last >= 0; last--) {
                for (int x = from[last]; x < behindHere; x++) {
                    values[at + x] = (int) Math.min(NONE - 1, height(apex[last], x));
                }
                behindHere = from[last];
            }
        }

        private long height(int apexColumn, int x) {
            long dx = x - apexColumn;
            long g = column[apexColumn];
            return dx * dx + g * g;
        }

        /** The first column where the later parabola lies below the earlier one. Doubles hold these whole numbers exactly. */
        private int lower(int earlier, int later) {
            double g = column[earlier];
            double h = column[later];
            double sum = (double) later * later - (double) earlier * earlier + h * h - g * g;
            double meeting = sum / (2.0 * (later - earlier));
            return meeting < 0 ? 0 : meeting >= width ? width : (int) meeting + 1;
        }
    }
}
