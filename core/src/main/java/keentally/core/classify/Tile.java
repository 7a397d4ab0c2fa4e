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

    /**
     * Each row's values are first laid beside each other as they are shifted: only where all that is summed stands at one index, and nothing that is written could be what is read,
     * are several worked out at once.
     */
    Tile across(float[] weights) {
        int reach = weights.length / 2;
        int length = width - 2 * reach;
        Tile out = empty(width, height);
        float[][] shifted = new float[TAPS][Math.max(0, length)];
        for (int y = 0; y < height && length > 0; y++) {
            float[] sum = new float[length];
            int from = y * width;
            sum(
                    weights,
                    k -> {
                        System.arraycopy(values, from + k, shifted[k % TAPS], 0, length);
                        return shifted[k % TAPS];
                    },
                    sum);
            System.arraycopy(sum, 0, out.values, from + reach, length);
        }
        return out;
    }

    Tile down(float[] weights) {
        int reach = weights.length / 2;
        Tile out = empty(width, height);
        float[][] rows = rows();
        for (int y = reach; y < height - reach; y++) {
            float[] sum = new float[width];
            int first = y - reach;
            sum(weights, k -> rows[first + k], sum);
            System.arraycopy(sum, 0, out.values, y * width, width);
        }
        return out;
    }

    /** A copy, row by row. */
    private float[][] rows() {
        float[][] rows = new float[height][width];
        for (int y = 0; y < height; y++) {
            System.arraycopy(values, y * width, rows[y], 0, width);
        }
        return rows;
    }

    /** What a weight is for. */
    private interface Line {
        float[] at(int k);
    }

    /** Four weights at a time, so that sums stay near. */
    private static void sum(float[] weights, Line lines, float[] sum) {
        int k = 0;
        for (; k + TAPS <= weights.length; k += TAPS) {
            add(sum, lines.at(k), lines.at(k + 1), lines.at(k + 2), lines.at(k + 3), new float[] {
                weights[k], weights[k + 1], weights[k + 2], weights[k + 3]
            });
        }
        for (; k < weights.length; k++) {
            add(sum, lines.at(k), weights[k]);
        }
    }

    private static void add(float[] sum, float[] p, float[] q, float[] r, float[] s, float[] weights) {
        float a = weights[0];
        float b = weights[1];
        float c = weights[2];
        float d = weights[3];
        for (int i = 0; i < sum.length; i++) {
            sum[i] += a * p[i] + b * q[i] + c * r[i] + d * s[i];
        }
    }

    private static void add(float[] sum, float[] p, float weight) {
        for (int i = 0; i < sum.length; i++) {
            sum[i] += weight * p[i];
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
        Tile out = empty(width, height);
        int length = width - 2 * half;
        float[][] rows = rows();
        float[] shifted = new float[Math.max(0, length)];
        for (int y = 0; y < height && length > 0; y++) {
            float[] most = new float[length];
            System.arraycopy(values, y * width, most, 0, length);
            for (int k = 1; k <= 2 * half; k++) {
                System.arraycopy(values, y * width + k, shifted, 0, length);
                take(most, shifted, greatest);
            }
            System.arraycopy(most, 0, rows[y], half, length);
        }
        for (int y = half; y < height - half; y++) {
            float[] most = rows[y - half].clone();
            for (int k = 1 - half; k <= half; k++) {
                take(most, rows[y + k], greatest);
            }
            System.arraycopy(most, 0, out.values, y * width, width);
        }
        return out;
    }

    private static void take(float[] most, float[] other, boolean greatest) {
        if (greatest) {
            for (int i = 0; i < most.length; i++) {
                most[i] = Math.max(most[i], other[i]);
            }
        } else {
            for (int i = 0; i < most.length; i++) {
                most[i] = Math.min(most[i], other[i]);
            }
        }
    }
}
