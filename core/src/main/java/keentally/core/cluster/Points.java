package keentally.core.cluster;

/**
 * Weighed points of a few coordinates.
 *
 * @param dimensions coordinates of a point
 * @param at the coordinates, point by point
 * @param weights one a point, above 0
 */
public record Points(int dimensions, double[] at, double[] weights) {
    public Points {
        if (at.length != dimensions * weights.length) {
            throw new IllegalArgumentException(
                    weights.length + " points of " + dimensions + " coordinates do not have " + at.length);
        }
    }

    public int count() {
        return weights.length;
    }

    public double totalWeight() {
        double sum = 0;
        for (double w : weights) {
            sum += w;
        }
        return sum;
    }

    /** Weighed sum of squared distances from the mean of all. */
    public double spread() {
        double total = totalWeight();
        double sum = 0;
        for (int d = 0; d < dimensions; d++) {
            double mean = 0;
            for (int i = 0; i < weights.length; i++) {
                mean += weights[i] * at[i * dimensions + d];
            }
            mean /= total;
            for (int i = 0; i < weights.length; i++) {
                double off = at[i * dimensions + d] - mean;
                sum += weights[i] * off * off;
            }
        }
        return sum;
    }
}
