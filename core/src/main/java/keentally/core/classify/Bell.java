package keentally.core.classify;

/**
 * The weights of a Gaussian, cut off at three sigma and summing to 1. Kept in single precision: the same on every machine, since they are
 * worked out by {@link StrictMath}.
 */
record Bell(double sigma, float[] weights) {
    private static final double CUT = 3;

    static Bell of(double sigma) {
        int reach = Math.max(1, (int) Math.ceil(CUT * sigma));
        double[] weights = new double[2 * reach + 1];
        double sum = 0;
        for (int i = -reach; i <= reach; i++) {
            weights[i + reach] = StrictMath.exp(-i * i / (2 * sigma * sigma));
            sum += weights[i + reach];
        }
        float[] single = new float[weights.length];
        for (int i = 0; i < weights.length; i++) {
            single[i] = (float) (weights[i] / sum);
        }
        return new Bell(sigma, single);
    }

    int reach() {
        return weights.length / 2;
    }
}
