package keentally.core.filter;

import keentally.core.picture.Border;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/**
 * The Gaussian by a recursion whose cost does not grow with its width; see {@link Gaussian} for the source.
 *
 * <p>A strip of {@value #STRIP} lines is laid side by side, so that one step of the recursion is the same sum over
 * {@value #STRIP} neighbours in memory; columns and rows differ only in how a strip is loaded and stored.
 */
final class RecursiveGaussian {
    private static final int STRIP = 16;
    private static final double WARM_UP = 4.5;

    private final double[] n = new double[4];
    private final double[] m = new double[5];
    private final double[] d = new double[5];
    private final double forwardGain;
    private final double backwardGain;
    private final int pad;

    private RecursiveGaussian(double sigma) {
        double[] one = pair(1.680, 3.735, 1.783 / sigma, 0.6318 / sigma);
        double[] two = pair(-0.6803, -0.2598, 1.723 / sigma, 1.997 / sigma);
        d[0] = 1;
        d[1] = one[2] + two[2];
        d[2] = one[3] + two[3] + one[2] * two[2];
        d[3] = one[2] * two[3] + one[3] * two[2];
        d[4] = one[3] * two[3];
        n[0] = one[0] + two[0];
        n[1] = one[1] + two[1] + one[0] * two[2] + two[0] * one[2];
        n[2] = one[0] * two[3] + two[0] * one[3] + one[1] * two[2] + two[1] * one[2];
        n[3] = one[1] * two[3] + two[1] * one[3];
        for (int k = 1; k <= 4; k++) {
            m[k] = (k < 4 ? n[k] : 0) - n[0] * d[k];
        }
        double below = d[0] + d[1] + d[2] + d[3] + d[4];
        double forward = (n[0] + n[1] + n[2] + n[3]) / below;
        double backward = (m[1] + m[2] + m[3] + m[4]) / below;
        double gain = forward + backward;
        for (int k = 0; k < 4; k++) {
            n[k] /= gain;
            m[k + 1] /= gain;
        }
        forwardGain = forward / gain;
        backwardGain = backward / gain;
        pad = (int) Math.ceil(WARM_UP * sigma) + 4;
    }

    /** (a cos wt + c sin wt)·e^(−bt) at t = 0, 1, ... as a quotient: two numbers above, two below (the leading 1 left out). */
    private static double[] pair(double a, double c, double b, double w) {
        double decay = StrictMath.exp(-b);
        double cos = StrictMath.cos(w);
        double sin = StrictMath.sin(w);
        return new double[] {a, decay * (c * sin - a * cos), -2 * decay * cos, decay * decay};
    }

    static PlaneF of(Plane in, double sigma, double meanFrom, Work work) {
        RecursiveGaussian filter = new RecursiveGaussian(sigma);
        int width = in.width();
        int height = in.height();
        float[] along = new float[width * height];
        boolean rowMean = sigma > meanFrom * width;
        work.bands((height + STRIP - 1) / STRIP, (from, to) -> {
            Strip strip = new Strip(width);
            for (int s = from; s < to; s++) {
                int lines = Math.min(STRIP, height - s * STRIP);
                strip.loadRows(in, s * STRIP, lines);
                filter.run(strip, rowMean);
                strip.storeRows(along, width, s * STRIP, lines);
            }
        });
        float[] out = new float[width * height];
        boolean columnMean = sigma > meanFrom * height;
        work.bands((width + STRIP - 1) / STRIP, (from, to) -> {
            Strip strip = new Strip(height);
            for (int s = from; s < to; s++) {
                int lines = Math.min(STRIP, width - s * STRIP);
                strip.loadColumns(along, width, s * STRIP, lines);
                filter.run(strip, columnMean);
                strip.storeColumns(out, width, s * STRIP, lines);
            }
        });
        return PlaneF.of(width, height, out);
    }

    private void run(Strip strip, boolean mean) {
        if (mean) {
            strip.average();
        } else {
            forward(strip);
            backward(strip);
        }
    }

    private void forward(Strip s) {
        double[][] x = new double[4][STRIP];
        double[][] y = new double[5][STRIP];
        int first = Border.mirror(-pad, s.length) * STRIP;
        for (int c = 0; c < STRIP; c++) {
            x[1][c] = x[2][c] = x[3][c] = s.in[first + c];
            y[1][c] = y[2][c] = y[3][c] = y[4][c] = forwardGain * s.in[first + c];
        }
        for (int i = -pad; i < s.length; i++) {
            int at = Border.mirror(i, s.length) * STRIP;
            for (int c = 0; c < STRIP; c++) {
                x[0][c] = s.in[at + c];
            }
            step(y[0], x[0], x[1], x[2], x[3], n[0], n[1], n[2], n[3], y);
            if (i >= 0) {
                System.arraycopy(y[0], 0, s.out, i * STRIP, STRIP);
            }
            turn(x);
            turn(y);
        }
    }

    private void backward(Strip s) {
        double[][] x = new double[5][STRIP];
        double[][] y = new double[5][STRIP];
        int end = s.length + pad;
        int first = Border.mirror(end, s.length) * STRIP;
        for (int c = 0; c < STRIP; c++) {
            x[1][c] = x[2][c] = x[3][c] = x[4][c] = s.in[first + c];
            y[1][c] = y[2][c] = y[3][c] = y[4][c] = backwardGain * s.in[first + c];
        }
        for (int i = end - 1; i >= 0; i--) {
            step(y[0], x[1], x[2], x[3], x[4], m[1], m[2], m[3], m[4], y);
            if (i < s.length) {
                for (int c = 0; c < STRIP; c++) {
                    s.out[i * STRIP + c] += y[0][c];
                }
            }
            int at = Border.mirror(i, s.length) * STRIP;
            for (int c = 0; c < STRIP; c++) {
                x[0][c] = s.in[at + c];
            }
            turn(x);
            turn(y);
        }
    }

    private void step(
            double[] to,
            double[] a,
            double[] b,
            double[] c,
            double[] e,
            double wa,
            double wb,
            double wc,
            double we,
            double[][] y) {
        double[] y1 = y[1];
        double[] y2 = y[2];
        double[] y3 = y[3];
        double[] y4 = y[4];
        double d1 = d[1];
        double d2 = d[2];
        double d3 = d[3];
        double d4 = d[4];
        for (int i = 0; i < STRIP; i++) {
            to[i] = wa * a[i] + wb * b[i] + wc * c[i] + we * e[i] - d1 * y1[i] - d2 * y2[i] - d3 * y3[i] - d4 * y4[i];
        }
    }

    /** The newest becomes the one before; the oldest is free to be written. */
    private static void turn(double[][] past) {
        double[] oldest = past[past.length - 1];
        System.arraycopy(past, 0, past, 1, past.length - 1);
        past[0] = oldest;
    }

    /** {@value #STRIP} lines side by side: place i of line c stands at i · {@value #STRIP} + c. */
    private static final class Strip {
        private final int length;
        private final float[] in;
        private final double[] out;
        private final float[] line;

        Strip(int length) {
            this.length = length;
            this.in = new float[length * STRIP];
            this.out = new double[length * STRIP];
            this.line = new float[length];
        }

        void loadRows(Plane plane, int y, int lines) {
            for (int c = 0; c < lines; c++) {
                plane.readRow(y + c, 0, length, line, 0);
                for (int i = 0; i < length; i++) {
                    in[i * STRIP + c] = line[i];
                }
            }
        }

        void storeRows(float[] to, int width, int y, int lines) {
            for (int c = 0; c < lines; c++) {
                int base = (y + c) * width;
                for (int i = 0; i < length; i++) {
                    to[base + i] = (float) out[i * STRIP + c];
                }
            }
        }

        void loadColumns(float[] from, int width, int x, int lines) {
            for (int i = 0; i < length; i++) {
                System.arraycopy(from, i * width + x, in, i * STRIP, lines);
            }
        }

        void storeColumns(float[] to, int width, int x, int lines) {
            for (int i = 0; i < length; i++) {
                for (int c = 0; c < lines; c++) {
                    to[i * width + x + c] = (float) out[i * STRIP + c];
                }
            }
        }

        void average() {
            for (int c = 0; c < STRIP; c++) {
                double sum = 0;
                for (int i = 0; i < length; i++) {
                    sum += in[i * STRIP + c];
                }
                for (int i = 0; i < length; i++) {
                    out[i * STRIP + c] = sum / length;
                }
            }
        }
    }
}
