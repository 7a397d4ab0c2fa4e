package keentally.core.find;

/**
 * A surface of second order, a + bx + cy + dx² + exy + fy², with x and y running from −1 to 1 over the picture.
 *
 * @param c the six factors, in that order
 */
record Surface(double[] c) {
    static final int TERMS = 6;

    double at(double x, double y) {
        return c[0] + c[1] * x + c[2] * y + c[3] * x * x + c[4] * x * y + c[5] * y * y;
    }

    static double[] terms(double x, double y) {
        return new double[] {1, x, y, x * x, x * y, y * y};
    }

    /**
     * Solves n equations, given as rows of n factors and a right side, by elimination with pivots; changes them in place.
     *
     * @return null where they do not determine the answer
     */
    static double[] solve(double[][] m) {
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
                return null;
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
        return x;
    }
}
