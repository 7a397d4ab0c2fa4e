package keentally.core.measure;

import java.util.Arrays;

/**
 * The distance from every point to the nearest other one.
 *
 * <p>Points are laid into square cells, about one a cell, and cells are looked through in rings until no nearer point can lie farther
 * out. Exact; near O(n) for points spread evenly, O(n²) where nearly all lie in one place.
 */
final class Nearest {
    private final double[] x;
    private final double[] y;
    private final double left;
    private final double top;
    private final double cell;
    private final int across;
    private final int down;
    private final int[] start;
    private final int[] member;

    private Nearest(double[] x, double[] y) {
        this.x = x;
        this.y = y;
        this.left = Arrays.stream(x).min().orElse(0);
        this.top = Arrays.stream(y).min().orElse(0);
        double width = Arrays.stream(x).max().orElse(0) - left;
        double height = Arrays.stream(y).max().orElse(0) - top;
        this.cell = Math.max(1, Math.max(Math.sqrt(width * height / x.length), Math.max(width, height) / x.length));
        this.across = (int) (width / cell) + 1;
        this.down = (int) (height / cell) + 1;
        this.start = new int[across * down + 1];
        for (int i = 0; i < x.length; i++) {
            start[cellOf(i) + 1]++;
        }
        for (int i = 1; i < start.length; i++) {
            start[i] += start[i - 1];
        }
        int[] next = start.clone();
        this.member = new int[x.length];
        for (int i = 0; i < x.length; i++) {
            member[next[cellOf(i)]++] = i;
        }
    }

    /** Not-a-number for a single point. */
    static double[] distances(double[] x, double[] y) {
        double[] out = new double[x.length];
        Arrays.fill(out, Double.NaN);
        if (x.length > 1) {
            Nearest cells = new Nearest(x, y);
            Arrays.setAll(out, cells::nearest);
        }
        return out;
    }

    private int column(int i) {
        return (int) ((x[i] - left) / cell);
    }

    private int row(int i) {
        return (int) ((y[i] - top) / cell);
    }

    private int cellOf(int i) {
        return row(i) * across + column(i);
    }

    private double nearest(int i) {
        double best = Double.POSITIVE_INFINITY;
        for (int ring = 0; best > (ring - 1) * cell; ring++) {
            for (int r = Math.max(0, row(i) - ring); r <= Math.min(down - 1, row(i) + ring); r++) {
                boolean whole = Math.abs(r - row(i)) == ring;
                int step = whole || ring == 0 ? 1 : 2 * ring;
                for (int c = column(i) - ring; c <= column(i) + ring; c += step) {
                    best = c >= 0 && c < across ? Math.min(best, nearest(i, r * across + c)) : best;
                }
            }
        }
        return best;
    }

    private double nearest(int i, int in) {
        double best = Double.POSITIVE_INFINITY;
        for (int k = start[in]; k < start[in + 1]; k++) {
            int other = member[k];
            best = other == i ? best : Math.min(best, Math.hypot(x[i] - x[other], y[i] - y[other]));
        }
        return best;
    }
}
