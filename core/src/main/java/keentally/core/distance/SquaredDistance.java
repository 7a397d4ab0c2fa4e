package keentally.core.distance;

import java.util.Arrays;
import java.util.List;
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

    private static final int NOWHERE = -1;

    /** Rows done together: they stay in the cache of a core. */
    private static final int BLOCK = 32;

    private SquaredDistance() {}

    /** Row by row, to the set pixels of {@code sources}. */
    public static int[] to(Mask sources, Work work) {
        int width = sources.width();
        int height = sources.height();
        int[] out = new int[width * height];
        int far = width + height;
        List<Ends> ends = work.map(
                (height + BLOCK - 1) / BLOCK, i -> new Ends(sources, i * BLOCK, Math.min(height, (i + 1) * BLOCK)));
        joinEnds(ends);
        work.bands(ends.size(), (from, to) -> {
            int[][] rows = new int[BLOCK][width];
            Row row = new Row(width, far);
            for (int i = from; i < to; i++) {
                int top = i * BLOCK;
                int bottom = Math.min(height, top + BLOCK);
                columns(sources, top, bottom, ends.get(i), far, rows);
                for (int y = top; y < bottom; y++) {
                    row.transform(rows[y - top], out, y * width);
                }
            }
        });
        return out;
    }

    /**
     * The greatest of what {@link #to} finds at the pixels of a mask; 0 where it has none.
     *
     * <p>From one pixel to the next a distance grows by 1 at most, and none is longer than that within its column: so only where a greater one
     * can be is it looked for, from the middle row outwards. Cost: a pass over the columns, and few pixels of each row; 4 bytes a pixel. One thread.
     */
    public static int greatest(Mask sources, Mask within) {
        int width = sources.width();
        int height = sources.height();
        int far = width + height;
        int[][] rows = new int[height][width];
        columns(sources, 0, height, new Ends(width), far, rows);
        long most = 0;
        double root = 0;
        for (int i = 0; i < height; i++) {
            int y = height / 2 + ((i & 1) == 0 ? i / 2 : -(i + 1) / 2);
            for (int x = within.nextSet(y, 0); x < width; x = within.nextSet(y, Math.min(width, x))) {
                double here = rows[y][x];
                if (here > root) {
                    long square = nearest(rows[y], x, far);
                    if (square == NONE) {
                        return NONE;
                    }
                    here = Math.sqrt(square);
                    if (square > most) {
                        most = square;
                        root = here;
                    }
                }
                x += 1 + (int) (root - here);
            }
        }
        return (int) Math.min(NONE - 1, most);
    }

    /** The least square of a distance from one column of a row, by what the columns around it hold. */
    private static long nearest(int[] row, int x, int far) {
        long least = NONE;
        int reach = Math.max(x, row.length - 1 - x);
        for (int along = 0; along <= reach && (long) along * along < least; along++) {
            int before = x - along >= 0 ? row[x - along] : far;
            int after = x + along < row.length ? row[x + along] : far;
            long column = Math.min(before, after);
            if (column < far) {
                least = Math.min(least, column * column + (long) along * along);
            }
        }
        return least;
    }

    /** Of each column the last set row above a block and the first below it; as long as blocks are not joined, within it. */
    private static final class Ends {
        private int[] above;
        private int[] below;

        /** Nothing is set above or below. */
        Ends(int width) {
            above = new int[width];
            below = new int[width];
            Arrays.fill(above, NOWHERE);
            Arrays.fill(below, NOWHERE);
        }

        Ends(Mask sources, int top, int bottom) {
            this(sources.width());
            for (int word = 0; word < sources.stride(); word++) {
                long left = -1;
                for (int y = top; y < bottom && left != 0; y++) {
                    left = note(sources, word, y, left, below);
                }
                left = -1;
                for (int y = bottom - 1; y >= top && left != 0; y--) {
                    left = note(sources, word, y, left, above);
                }
            }
        }

        /** Notes a row for its set columns that are still left to be found. */
        private static long note(Mask sources, int word, int y, long left, int[] found) {
            long set = sources.words()[y * sources.stride() + word] & left;
            for (long bits = set; bits != 0; bits &= bits - 1) {
                found[(word << 6) + Long.numberOfTrailingZeros(bits)] = y;
            }
            return left & ~set;
        }
    }

    /** What is within a block becomes what is nearest outside it. */
    private static void joinEnds(List<Ends> ends) {
        int width = ends.getFirst().above.length;
        int[] nearest = new int[width];
        Arrays.fill(nearest, NOWHERE);
        for (Ends block : ends) {
            block.above = passOn(nearest, block.above);
        }
        Arrays.fill(nearest, NOWHERE);
        for (Ends block : ends.reversed()) {
            block.below = passOn(nearest, block.below);
        }
    }

    private static int[] passOn(int[] nearest, int[] within) {
        int[] outside = nearest.clone();
        for (int x = 0; x < within.length; x++) {
            nearest[x] = within[x] == NOWHERE ? nearest[x] : within[x];
        }
        return outside;
    }

    /** Distances within columns, row by row of a block, {@code far} where a column holds no set pixel. */
    private static void columns(Mask sources, int top, int bottom, Ends ends, int far, int[][] rows) {
        int width = sources.width();
        int[] before = new int[width];
        for (int x = 0; x < width; x++) {
            before[x] = ends.above[x] == NOWHERE ? far : top - 1 - ends.above[x];
        }
        for (int y = top; y < bottom; y++) {
            int[] row = rows[y - top];
            for (int x = 0; x < width; x++) {
                row[x] = Math.min(far, before[x] + 1);
            }
            clear(sources, y, row);
            before = row;
        }
        int[] after = new int[width];
        for (int x = 0; x < width; x++) {
            after[x] = ends.below[x] == NOWHERE ? far : ends.below[x] - bottom;
        }
        for (int y = bottom - 1; y >= top; y--) {
            int[] row = rows[y - top];
            for (int x = 0; x < width; x++) {
                row[x] = Math.min(row[x], after[x] + 1);
            }
            after = row;
        }
    }

    /** 0 where a row is set. */
    private static void clear(Mask sources, int y, int[] row) {
        for (int word = 0; word < sources.stride(); word++) {
            long bits = sources.words()[y * sources.stride() + word];
            int from = word << 6;
            if (bits == -1) {
                Arrays.fill(row, from, from + 64, 0);
            } else {
                for (; bits != 0; bits &= bits - 1) {
                    row[from + Long.numberOfTrailingZeros(bits)] = 0;
                }
            }
        }
    }

    /** The lower envelope of the parabolas that a row's columns throw up. */
    private static final class Row {
        private final int width;
        private final int far;
        private int[] column;
        private final int[] apex;
        private final int[] from;

        Row(int width, int far) {
            this.width = width;
            this.far = far;
            this.apex = new int[width];
            this.from = new int[width];
        }

        /** Between two sources of a row nothing beyond them is nearer, so that each gap is worked out by itself. */
        void transform(int[] columns, int[] values, int at) {
            column = columns;
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
