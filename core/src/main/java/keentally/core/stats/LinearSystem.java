package keentally.core.stats;

import java.util.Optional;

/** As many equations as unknowns. */
public final class LinearSystem {
    private LinearSystem() {}

    /**
     * Solves n equations, given as rows of n factors and a right side, by elimination with pivots; changes them in place.
     *
     * @return empty where they do not determine the answer
     */
    public static Optional<double[]> solve(double[][] m) {
        int n = m.length;
        for (int i = 0; i < n; i++) {
            int pivot = i;
            for (int j = i + 1; j < n; j++) {
                pivot = Math.abs(m[j][i]) > Math.abs(m[pivot][i]) ? j : pivot;
            }
            double[] swapped = m[i];
            m[i] = m[pivot];
            m[pivot] = swapped;
            if (Math.abs(m[i][i]) < 1e-9) {
                return Optional.empty();
            }
            for (int j = 0; j < n; j++) {
                double factor = j == i ? 0 : m[j][i] / m[i][i];
                for (int k = i; factor != 0 && k <= n; k++) {
                    m[j][k] -= factor * m[i][k];
                }
            }
        }
        double[] x = new double[n];
        for (int i = 0; i < n; i++) {
            x[i] = m[i][n] / m[i][i];
        }
        return Optional.of(x);
    }
}
