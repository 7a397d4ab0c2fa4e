package keentally.core.geometry;

import java.util.Arrays;

/**
 * The convex hull of points with whole coordinates, corners only, and what is measured on it.
 *
 * <p>Cost: O(n) after points come sorted by y then x, as the corners of runs do. All turns are decided in whole numbers, so
 * the hull is exact for coordinates up to 2^30. Sources: A. M. Andrew (1979), "Another efficient algorithm for convex hulls
 * in two dimensions", Information Processing Letters 9(5), 216–219; widths by G. Toussaint (1983), "Solving geometric
 * problems with the rotating calipers", MELECON.
 */
public final class ConvexHull {
    private final int[] xs;
    private final int[] ys;

    private ConvexHull(int[] xs, int[] ys) {
        this.xs = xs;
        this.ys = ys;
    }

    /**
     * @param x coordinates, points ordered by y, then x; doubles allowed
     * @param y as many
     * @param count how many of them, at least 1
     */
    public static ConvexHull of(int[] x, int[] y, int count) {
        int[] chain = new int[2 * count + 1];
        int size = 0;
        for (int i = 0; i < count; i++) {
            size = push(chain, size, 0, i, x, y);
        }
        int base = size - 1;
        for (int i = count - 2; i >= 0; i--) {
            size = push(chain, size, base, i, x, y);
        }
        int corners = Math.max(1, size - 1);
        int[] xs = new int[corners];
        int[] ys = new int[corners];
        for (int i = 0; i < corners; i++) {
            xs[i] = x[chain[i]];
            ys[i] = y[chain[i]];
        }
        return new ConvexHull(xs, ys);
    }

    private static int push(int[] chain, int size, int base, int i, int[] x, int[] y) {
        int n = size;
        if (n > 0 && x[chain[n - 1]] == x[i] && y[chain[n - 1]] == y[i]) {
            return n;
        }
        while (n - base >= 2 && turn(x, y, chain[n - 2], chain[n - 1], i) <= 0) {
            n--;
        }
        chain[n] = i;
        return n + 1;
    }

    private static long turn(int[] x, int[] y, int a, int b, int c) {
        return (long) (x[b] - x[a]) * (y[c] - y[a]) - (long) (y[b] - y[a]) * (x[c] - x[a]);
    }

    public int corners() {
        return xs.length;
    }

    /** In px, from the left edge of the picture; corners are counted from 0. */
    public int x(int corner) {
        return xs[corner];
    }

    /** In px, from the top edge of the picture; corners are counted from 0. */
    public int y(int corner) {
        return ys[corner];
    }

    /** Area inside, in square pixels; 0 for a point or a line. */
    public double area() {
        long twice = 0;
        for (int i = 0; i < xs.length; i++) {
            int j = next(i);
            twice += (long) xs[i] * ys[j] - (long) ys[i] * xs[j];
        }
        return Math.abs(twice) / 2.0;
    }

    /** Greatest distance between two corners, in pixels. */
    public double longest() {
        long best = 0;
        int far = 0;
        for (int i = 0; i < xs.length; i++) {
            far = farthestFromEdge(i, far);
            best = Math.max(best, Math.max(distance2(i, far), distance2(next(i), far)));
        }
        return Math.sqrt(best);
    }

    /**
     * The direction between the two corners that are farthest apart, in degrees counter-clockwise from +x as seen with y running down, in
     * (−90, 90]; of several such pairs the lowest. Cost: O(corners²).
     */
    public double longestAngle() {
        long best = -1;
        double angle = Double.NaN;
        for (int i = 0; i < xs.length; i++) {
            for (int j = i + 1; j < xs.length; j++) {
                long apart = distance2(i, j);
                if (apart >= best) {
                    double here = direction(xs[j] - xs[i], ys[i] - ys[j]);
                    angle = apart > best ? here : Math.min(angle, here);
                    best = apart;
                }
            }
        }
        return angle;
    }

    private static double direction(int right, int up) {
        boolean turned = right < 0 || right == 0 && up < 0;
        return Math.toDegrees(turned ? StrictMath.atan2(-up, -right) : StrictMath.atan2(up, right));
    }

    /** Length of the outline. */
    public double perimeter() {
        double sum = 0;
        for (int i = 0; i < xs.length; i++) {
            sum += Math.sqrt(distance2(i, next(i)));
        }
        return sum;
    }

    /** Least distance between two parallel lines with the hull between them, in pixels; 0 for a point or a line. */
    public double narrowest() {
        if (xs.length < 3) {
            return 0;
        }
        double best = Double.POSITIVE_INFINITY;
        int far = 0;
        for (int i = 0; i < xs.length; i++) {
            far = farthestFromEdge(i, far);
            best = Math.min(best, spread(i, far) / Math.sqrt(distance2(i, next(i))));
        }
        return best;
    }

    /** The corner farthest from the edge that starts at corner {@code i}, searched onwards from {@code from}. */
    private int farthestFromEdge(int i, int from) {
        int far = from;
        if (xs.length > 1 && far == i) {
            far = next(i);
        }
        for (int steps = 0; steps < xs.length && spread(i, next(far)) >= spread(i, far); steps++) {
            far = next(far);
        }
        return far;
    }

    private long spread(int edge, int corner) {
        return Math.abs(turn(xs, ys, edge, next(edge), corner));
    }

    private long distance2(int a, int b) {
        long dx = xs[a] - xs[b];
        long dy = ys[a] - ys[b];
        return dx * dx + dy * dy;
    }

    private int next(int i) {
        return i + 1 == xs.length ? 0 : i + 1;
    }

    @Override
    public String toString() {
        return "ConvexHull" + Arrays.toString(xs) + Arrays.toString(ys);
    }
}
