package keentally.core.stats;

import java.util.Optional;

/**
 * A smooth surface over a picture, Σ c·xⁱ·yʲ with i + j up to its order, x and y running from −1 to 1.
 *
 * @param c the factors, by i and within that by j
 */
public record Surface(int order, double[] c) {

    /** The value at a place; x and y from −1 at the left and top to 1 at the right and bottom. */
    public double at(double x, double y) {
        double sum = 0;
        int t = 0;
        double px = 1;
        for (int i = 0; i <= order; i++) {
            double py = px;
            for (int j = 0; i + j <= order; j++) {
                sum += c[t++] * py;
                py *= y;
            }
            px *= x;
        }
        return sum;
    }

    /** Fits a surface to values by least squares. */
    public static final class Fit {
        private final int order;
        private final double[] terms;
        private final double[][] sums;
        private double squares;
        private long count;

        /** @param order the highest sum of the powers of x and y */
        public Fit(int order) {
            this.order = order;
            this.terms = new double[(order + 1) * (order + 2) / 2];
            this.sums = new double[terms.length][terms.length + 1];
        }

        /** Counts a place in; x and y from −1 to 1. */
        public void add(double x, double y, double value) {
            int t = 0;
            double px = 1;
            for (int i = 0; i <= order; i++) {
                double py = px;
                for (int j = 0; i + j <= order; j++) {
                    terms[t++] = py;
                    py *= y;
                }
                px *= x;
            }
            for (int i = 0; i < terms.length; i++) {
                for (int j = 0; j < terms.length; j++) {
                    sums[i][j] += terms[i] * terms[j];
                }
                sums[i][terms.length] += terms[i] * value;
            }
            squares += value * value;
            count++;
        }

        /** Number of values added. */
        public long count() {
            return count;
        }

        /** Empty where the values do not determine one; at least twice as many as there are factors are asked for. */
        public Optional<Surface> surface() {
            double[][] m = new double[sums.length][];
            for (int i = 0; i < m.length; i++) {
                m[i] = sums[i].clone();
            }
            return count < 2L * terms.length
                    ? Optional.empty()
                    : LinearSystem.solve(m).map(c -> new Surface(order, c));
        }

        /** Root mean square of what the surface fitted to these values leaves: Σv² less what it explains. */
        public double left(Surface fitted) {
            double explained = 0;
            for (int i = 0; i < terms.length; i++) {
                explained += fitted.c[i] * sums[i][terms.length];
            }
            return Math.sqrt(Math.max(0, squares - explained) / count);
        }
    }
}
