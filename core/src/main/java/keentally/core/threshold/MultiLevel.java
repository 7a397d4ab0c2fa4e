package keentally.core.threshold;

import keentally.core.stats.Histogram;

/**
 * Several cuts at once, the best there are.
 *
 * <p>Definition: for n cuts, of all ways to part the occupied bins into n + 1 runs the one with the least sum of squared distances
 * from each run's mean; which is Otsu's criterion for more than two classes. Bin numbers stand for values.
 *
 * <p>Algorithm: dynamic programming over cuts; the best last cut never moves down as the end moves up, so each round halves the
 * places again and again and looks for each half only between its neighbours' cuts. Exact but for rounding: a cut whose sum is
 * within 1e-12 of the least may be taken.
 *
 * <p>Edge cases: with fewer than n + 1 occupied bins there are no n cuts. Cost: n·B·log B for B occupied bins, and 4·n·B bytes.
 *
 * <p>Sources: N. Otsu (1979), IEEE Transactions on Systems, Man and Cybernetics 9(1), 62–66, section V; W. D. Fisher (1958), "On
 * grouping for maximum homogeneity", Journal of the American Statistical Association 53(284), 789–798 (the programme); the
 * halving: Z. Galil and K. Park (1992), "Dynamic programming with convexity, concavity and sparsity", Theoretical Computer Science 92.
 */
public final class MultiLevel {
    /** Most cuts that may be asked for. */
    public static final int MOST_CUTS = 32;

    private final int[] bins;
    private final double[] n;
    private final double[] sum;
    private double[] before;
    private double[] now;
    private int[] from;

    private MultiLevel(Histogram h) {
        int count = 0;
        for (int i = 0; i < h.bins(); i++) {
            count += h.count(i) > 0 ? 1 : 0;
        }
        bins = new int[count];
        n = new double[count + 1];
        sum = new double[count + 1];
        int at = 0;
        int middle = (h.firstOccupied() + h.lastOccupied()) / 2;
        for (int i = 0; i < h.bins(); i++) {
            if (h.count(i) > 0) {
                bins[at] = i;
                n[at + 1] = n[at] + h.count(i);
                sum[at + 1] = sum[at] + (double) h.count(i) * (i - middle);
                at++;
            }
        }
    }

    /**
     * The cuts, upwards: each the highest value of the class below it.
     *
     * @param cuts 1 to {@value #MOST_CUTS}
     * @return none where there are fewer than {@code cuts} + 1 occupied bins
     */
    public static double[] cuts(Histogram h, int cuts) {
        if (cuts < 1 || cuts > MOST_CUTS) {
            throw new IllegalArgumentException("the number of cuts must be from 1 to " + MOST_CUTS + ", was " + cuts);
        }
        MultiLevel programme = new MultiLevel(h);
        if (programme.bins.length <= cuts) {
            return new double[0];
        }
        return programme.run(h, cuts);
    }

    /** Per cent of the values' variance that the classes between the cuts explain. */
    public static double explainedPercent(Histogram h, double[] cuts) {
        double total = h.total();
        double all = 0;
        double squares = 0;
        double between = 0;
        double classSum = 0;
        double classCount = 0;
        int next = 0;
        for (int i = 0; i < h.bins(); i++) {
            while (next < cuts.length && h.upperEdge(i) > cuts[next]) {
                between += classCount > 0 ? classSum * classSum / classCount : 0;
                classSum = 0;
                classCount = 0;
                next++;
            }
            classSum += (double) h.count(i) * i;
            classCount += h.count(i);
            all += (double) h.count(i) * i;
            squares += (double) h.count(i) * i * i;
        }
        between += classCount > 0 ? classSum * classSum / classCount : 0;
        double whole = squares - all * all / total;
        return whole > 0 ? 100 * (between - all * all / total) / whole : Double.NaN;
    }

    private double[] run(Histogram h, int cuts) {
        int m = bins.length;
        int[][] back = new int[cuts + 1][];
        now = new double[m + 1];
        for (int end = 1; end <= m; end++) {
            now[end] = merit(0, end);
        }
        for (int c = 1; c <= cuts; c++) {
            before = now;
            now = new double[m + 1];
            from = new int[m + 1];
            part(c + 1, m, c, m - 1);
            back[c] = from;
        }
        double[] found = new double[cuts];
        int end = m;
        for (int c = cuts; c >= 1; c--) {
            end = back[c][end];
            found[c - 1] = h.upperEdge(bins[end - 1]);
        }
        return found;
    }

    /** What the run [a, b) of occupied bins adds to the sum of squares between classes, but for a constant. */
    private double merit(int a, int b) {
        double s = sum[b] - sum[a];
        return s * s / (n[b] - n[a]);
    }

    /** Fills the ends [low, high], whose best last class begins somewhere in [least, most]. */
    private void part(int low, int high, int least, int most) {
        if (low > high) {
            return;
        }
        int end = (low + high) >>> 1;
        int best = -1;
        double greatest = Double.NEGATIVE_INFINITY;
        for (int start = least; start <= Math.min(most, end - 1); start++) {
            double merit = before[start] + merit(start, end);
            if (merit > greatest) {
                greatest = merit;
                best = start;
            }
        }
        now[end] = greatest;
        from[end] = best;
        part(low, end - 1, least, best);
        part(end + 1, high, best, most);
    }
}
