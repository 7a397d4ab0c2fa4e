package keentally.core.classify;

/**
 * A stretch of rows in single precision, with a margin all around of what lies beyond, so that what is worked out in its middle is the same
 * however a picture is cut into stretches. Kernels shrink what is right: each takes away its own reach at every side.
 *
 * @param width with the margin
 * @param height with the margin
 */
record Tile(int width, int height, float[] values) {
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

    Tile across(float[] weights) {
        int reach = weights.length / 2;
        Tile out = empty(width, height);
        for (int y = 0; y < height; y++) {
            int row = y * width;
            for (int k = 0; k < weights.length; k++) {
                float weight = weights[k];
                int from = row + k - reach;
                int first = Math.max(0, reach - k);
                int last = Math.min(width, width + reach - k);
                for (int x = first; x < last; x++) {
                    out.values[row + x] += weight * values[from + x];
                }
            }
        }
        return out;
    }

    Tile down(float[] weights) {
        int reach = weights.length / 2;
        Tile out = empty(width, height);
        for (int y = 0; y < height; y++) {
            int row = y * width;
            for (int k = 0; k < weights.length; k++) {
                int line = y + k - reach;
                if (line < 0 || line >= height) {
                    continue;
                }
                float weight = weights[k];
                int from = line * width;
                for (int x = 0; x < width; x++) {
                    out.values[row + x] += weight * values[from + x];
                }
            }
        }
        return out;
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
        int length = step == 1 ? width : height;
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int at = step == 1 ? x : y;
                int i = y * width + x;
                float found = values[i];
                for (int k = -Math.min(half, at); k <= Math.min(half, length - 1 - at); k++) {
                    float v = values[i + k * step];
                    found = greatest ? Math.max(found, v) : Math.min(found, v);
                }
                out.values[i] = found;
            }
        }
        return out;
    }
}
