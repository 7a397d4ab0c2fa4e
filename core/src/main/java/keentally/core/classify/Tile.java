package keentally.core.classify;

/**
 * A stretch of rows in single precision, with a margin all around of what lies beyond, so that what is worked out in its middle is the same
 * however a picture is cut into stretches. Kernels shrink what is right: each takes away its own reach at every side.
 *
 * @param width with the margin
 * @param height with the margin
 */
record Tile(int width, int height, float[] values) {
    private static final int TAPS = 4;

    static Tile empty(int width, int height) {
        return new Tile(width, height, new float[width * height]);
    }

    /** Weighed along rows, then along columns; the outermost values stand for what lies beyond. */
    Tile convolved(float[] across, float[] down) {
        return across(across).down(down);
    }

    Tile smoothed(Bell bell) {
        return convolved(bell.weights(), bell.weights());
    }

    /** Four weights at a time, so that sums stay near. */
    Tile across(float[] weights) {
        int reach = weights.length / 2;
        Tile out = empty(width, height);
        for (int y = 0; y < height; y++) {
            int from = y * width + reach;
            int to = (y + 1) * width - reach;
            for (int k = 0; k < weights.length; k += TAPS) {
                add(out.values, from, to, weights, k, k - reach, 1);
            }
        }
        return out;
    }

    Tile down(float[] weights) {
        int reach = weights.length / 2;
        Tile out = empty(width, height);
        for (int y = reach; y < height - reach; y++) {
            for (int k = 0; k < weights.length; k += TAPS) {
                add(out.values, y * width, (y + 1) * width, weights, k, k - reach, width);
            }
        }
        return out;
    }

    /** Adds what lies {@code away} steps and more from each place, weighed. */
    private void add(float[] out, int from, int to, float[] weights, int k, int away, int step) {
        float[] in = values;
        int first = away * step;
        float a = weights[k];
        if (k + TAPS > weights.length) {
            for (int left = k; left < weights.length; left++) {
                float weight = weights[left];
                int shift = first + (left - k) * step;
                for (int i = from; i < to; i++) {
                    out[i] += weight * in[i + shift];
                }
            }
            return;
        }
        float b = weights[k + 1];
        float c = weights[k + 2];
        float d = weights[k + 3];
        int second = first + step;
        int third = second + step;
        int fourth = third + step;
        for (int i = from; i < to; i++) {
            out[i] += a * in[i + first] + b * in[i + second] + c * in[i + third] + d * in[i + fourth];
        }
    }

    /** Half the difference of the neighbours at right and left. */
    Tile slopeAcross() {
        Tile out = empty(width, height);
        for (int y = 0; y < height; y++) {
            for (int x = 1; x < width - 1; x++) {
                int i = y * width + x;
                out.values[i] = (values[i + 1] - values[i - 1]) / 2;
            }
        }
        return out;
    }

    /** Half the difference of the neighbours below and above. */
    Tile slopeDown() {
        Tile out = empty(width, height);
        for (int y = 1; y < height - 1; y++) {
            for (int x = 0; x < width; x++) {
                int i = y * width + x;
                out.values[i] = (values[i + width] - values[i - width]) / 2;
            }
        }
        return out;
    }

    /** Each value by that of another tile. */
    Tile times(Tile other) {
        Tile out = empty(width, height);
        for (int i = 0; i < values.length; i++) {
            out.values[i] = values[i] * other.values[i];
        }
        return out;
    }

    /** Least or greatest in squares of a half side. */
    Tile extreme(int half, boolean greatest) {
        return extreme(half, greatest, 1).extreme(half, greatest, width);
    }

    private Tile extreme(int half, boolean greatest, int step) {
        Tile out = empty(width, height);
        int margin = half * step;
        float[] to = out.values;
        System.arraycopy(values, 0, to, 0, to.length);
        for (int k = -half; k <= half; k++) {
            int shift = k * step;
            if (greatest) {
                for (int i = margin; i < to.length - margin; i++) {
                    to[i] = Math.max(to[i], values[i + shift]);
                }
            } else {
                for (int i = margin; i < to.length - margin; i++) {
                    to[i] = Math.min(to[i], values[i + shift]);
                }
            }
        }
        return out;
    }
}
