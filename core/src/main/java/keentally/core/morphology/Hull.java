package keentally.core.morphology;

import keentally.core.geometry.ConvexHull;
import keentally.core.label.Labeller;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/**
 * The convex hull of each piece of a mask, or of all of it together.
 *
 * <p>Definition: the pixels of the field whose centre lies in or on the convex hull of the corners of the set pixels. Decided in whole
 * numbers, so exact. Edge cases: an empty mask stays empty; a single pixel is its own hull. Cost: the runs of the pieces and the area of
 * the hulls.
 */
public final class Hull {
    private Hull() {}

    /** Of each piece, pieces by eight neighbours; hulls may overlap. */
    public static Mask ofEach(Mask mask, Field field, Work work) {
        Regions pieces = Labeller.regions(mask, Neighbours.EIGHT, work);
        long[] out = new long[mask.words().length];
        for (int region = 0; region < pieces.count(); region++) {
            work.cancel().check();
            int runs = pieces.firstRun(region + 1) - pieces.firstRun(region);
            Corners corners = new Corners(runs);
            pieces.runs(region, corners::add);
            draw(corners, mask.width(), mask.height(), out);
        }
        return field.clip(Mask.of(mask.width(), mask.height(), out).or(mask));
    }

    /** Of all that is set. */
    public static Mask ofAll(Mask mask, Field field) {
        Corners corners = new Corners(mask.height());
        for (int y = 0; y < mask.height(); y++) {
            int first = mask.nextSet(y, 0);
            if (first < mask.width()) {
                int last = first;
                for (int x = first; x < mask.width(); x = mask.nextSet(y, last)) {
                    last = mask.nextClear(y, x);
                }
                corners.add(y, first, last);
            }
        }
        long[] out = new long[mask.words().length];
        draw(corners, mask.width(), mask.height(), out);
        return field.clip(Mask.of(mask.width(), mask.height(), out));
    }

    /** The outermost corners of pixels on each line between rows, downwards, and across within a line. */
    private static final class Corners {
        private final int[] x;
        private final int[] y;
        private int count;
        private int row = -1;
        private int least;
        private int most;
        private boolean any;

        Corners(int runs) {
            x = new int[4 * runs + 4];
            y = new int[4 * runs + 4];
        }

        /** Runs come in reading order. */
        void add(int runY, int from, int to) {
            if (any && runY == row) {
                most = to;
                return;
            }
            close();
            row = runY;
            least = from;
            most = to;
            any = true;
        }

        /** Puts down the row that is complete: its corners above and below. */
        private void close() {
            if (any) {
                put(row, least, most);
                put(row + 1, least, most);
                any = false;
            }
        }

        private void put(int line, int from, int to) {
            boolean again = count >= 2 && y[count - 1] == line;
            if (again) {
                x[count - 2] = Math.min(x[count - 2], from);
                x[count - 1] = Math.max(x[count - 1], to);
                return;
            }
            x[count] = from;
            y[count++] = line;
            x[count] = to;
            y[count++] = line;
        }
    }

    private static void draw(Corners corners, int width, int height, long[] out) {
        corners.close();
        if (corners.count == 0) {
            return;
        }
        ConvexHull hull = ConvexHull.of(corners.x, corners.y, corners.count);
        int stride = Mask.stride(width);
        int top = corners.y[0];
        int bottom = corners.y[corners.count - 1];
        int[] from = new int[bottom - top];
        int[] to = new int[bottom - top];
        java.util.Arrays.fill(from, Integer.MAX_VALUE);
        java.util.Arrays.fill(to, Integer.MIN_VALUE);
        for (int i = 0; i < hull.corners(); i++) {
            edge(hull, i, (i + 1) % hull.corners(), top, from, to);
        }
        for (int y = top; y < bottom; y++) {
            Mask.setRun(out, y * stride, Math.max(0, from[y - top]), Math.min(width, to[y - top] + 1));
        }
    }

    /** Widens the rows that an edge crosses to the first and the last centre on its inner side. */
    private static void edge(ConvexHull hull, int a, int b, int top, int[] from, int[] to) {
        boolean down = hull.y(a) < hull.y(b);
        int upper = down ? a : b;
        int lower = down ? b : a;
        long dx = hull.x(lower) - hull.x(upper);
        long dy = hull.y(lower) - hull.y(upper);
        for (int y = hull.y(upper); y < hull.y(lower); y++) {
            // the edge crosses the row's middle at x = across / (2 dy); a centre lies at c + 1/2
            long across = 2L * hull.x(upper) * dy + dx * (2L * (y - hull.y(upper)) + 1);
            int first = (int) Math.ceilDiv(across - dy, 2 * dy);
            int last = (int) Math.floorDiv(across - dy, 2 * dy);
            from[y - top] = Math.min(from[y - top], first);
            to[y - top] = Math.max(to[y - top], last);
        }
    }
}
