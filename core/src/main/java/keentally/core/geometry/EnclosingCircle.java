package keentally.core.geometry;

import java.util.SplittableRandom;

/**
 * The smallest circle round a hull's corners.
 *
 * <p>Corners are taken one by one in a shuffled but fixed order; one that lies outside the circle so far must be on the new one. Near
 * O(n) in that order. Accuracy: 1e-9 of the diameter. Source: E. Welzl (1991), "Smallest enclosing disks (balls and ellipsoids)", New
 * Results and New Trends in Computer Science, LNCS 555, 359–370.
 */
public final class EnclosingCircle {
    private static final double SLACK = 1 + 1e-12;

    private final double[] x;
    private final double[] y;
    private double cx;
    private double cy;
    private double r2;

    private EnclosingCircle(ConvexHull hull) {
        int n = hull.corners();
        x = new double[n];
        y = new double[n];
        SplittableRandom order = new SplittableRandom(n);
        for (int i = 0; i < n; i++) {
            int at = order.nextInt(i + 1);
            x[i] = x[at];
            y[i] = y[at];
            x[at] = hull.x(i);
            y[at] = hull.y(i);
        }
    }

    /** In pixels; 0 for a single point. */
    public static double diameter(ConvexHull hull) {
        EnclosingCircle circle = new EnclosingCircle(hull);
        circle.grow();
        return 2 * Math.sqrt(circle.r2);
    }

    private void grow() {
        cx = x[0];
        cy = y[0];
        for (int i = 1; i < x.length; i++) {
            if (isOutside(i)) {
                throughOne(i);
            }
        }
    }

    private void throughOne(int i) {
        cx = x[i];
        cy = y[i];
        r2 = 0;
        for (int j = 0; j < i; j++) {
            if (isOutside(j)) {
                throughTwo(i, j);
            }
        }
    }

    private void throughTwo(int i, int j) {
        cx = (x[i] + x[j]) / 2;
        cy = (y[i] + y[j]) / 2;
        r2 = square(i);
        for (int k = 0; k < j; k++) {
            if (isOutside(k)) {
                throughThree(i, j, k);
            }
        }
    }

    /** The three are corners of a hull and so never on one line. */
    private void throughThree(int i, int j, int k) {
        double ax = x[j] - x[i];
        double ay = y[j] - y[i];
        double bx = x[k] - x[i];
        double by = y[k] - y[i];
        double twice = 2 * (ax * by - ay * bx);
        double a2 = ax * ax + ay * ay;
        double b2 = bx * bx + by * by;
        cx = x[i] + (by * a2 - ay * b2) / twice;
        cy = y[i] + (ax * b2 - bx * a2) / twice;
        r2 = square(i);
    }

    private double square(int i) {
        return (x[i] - cx) * (x[i] - cx) + (y[i] - cy) * (y[i] - cy);
    }

    private boolean isOutside(int i) {
        return square(i) > r2 * SLACK;
    }
}
