package keentally.core.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.colour.ColourRows;
import keentally.core.picture.Field;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.work.Work;

/** Sums over the pixels of each phase, in bands merged in order. */
final class PhaseSums {
    private static final int BANDS = 16;

    private final long[] pixels;
    private final double[] x;
    private final double[] y;
    private final double[] values;
    private final long[] valued;
    private final double[] squares;

    private PhaseSums(int phases) {
        pixels = new long[phases];
        x = new double[phases];
        y = new double[phases];
        values = new double[phases];
        valued = new long[phases];
        squares = new double[phases];
    }

    static List<PhaseReading> of(PhaseMap phases, Plane signal, Picture original, Field field, Work work) {
        int n = phases.names().size();
        int height = signal.height();
        PhaseSums sums = new PhaseSums(n);
        for (PhaseSums part : work.map(BANDS, b -> new PhaseSums(n).add(phases, signal, b, height))) {
            sums.merge(part);
        }
        double[][] colours = colours(phases, original, work);
        double[] means = new double[n];
        for (int p = 0; p < n; p++) {
            means[p] = sums.values[p] / sums.valued[p];
        }
        for (PhaseSums part : work.map(BANDS, b -> new PhaseSums(n).spread(phases, signal, b, height, means))) {
            sums.merge(part);
        }
        List<PhaseReading> readings = new ArrayList<>();
        for (int p = 0; p < n; p++) {
            readings.add(new PhaseReading(
                    p,
                    phases.names().get(p),
                    sums.pixels[p],
                    100.0 * sums.pixels[p] / field.pixels(),
                    sums.x[p] / sums.pixels[p] + 0.5,
                    sums.y[p] / sums.pixels[p] + 0.5,
                    means[p],
                    Math.sqrt(sums.squares[p] / sums.valued[p]),
                    colours.length == 0 || colours[p][3] == 0
                            ? List.of()
                            : List.of(
                                    colours[p][0] / colours[p][3],
                                    colours[p][1] / colours[p][3],
                                    colours[p][2] / colours[p][3])));
        }
        return readings;
    }

    /** Of each phase the sums of red, green and blue, and of how many pixels; nothing without colour. */
    private static double[][] colours(PhaseMap phases, Picture original, Work work) {
        Optional<ColourRows> rows = ColourRows.of(original, original);
        if (rows.isEmpty()) {
            return new double[0][];
        }
        int n = phases.names().size();
        double[][] sums = new double[n][4];
        for (double[][] part : work.map(BANDS, b -> colours(phases, rows.get(), b))) {
            for (int p = 0; p < n; p++) {
                for (int c = 0; c < 4; c++) {
                    sums[p][c] += part[p][c];
                }
            }
        }
        return sums;
    }

    private static double[][] colours(PhaseMap phases, ColourRows rows, int band) {
        int width = rows.width();
        byte[] map = phases.map().values();
        float[][] rgb = new float[3][width];
        double[][] sums = new double[phases.names().size()][4];
        for (int r = top(band, rows.height()); r < top(band + 1, rows.height()); r++) {
            rows.read(r, rgb[0], rgb[1], rgb[2]);
            runs(map, r * width, width, (p, from, to) -> addColours(rgb, from, to, sums[p]));
        }
        return sums;
    }

    private static void addColours(float[][] rgb, int from, int to, double[] sums) {
        double red = sums[0];
        double green = sums[1];
        double blue = sums[2];
        int n = 0;
        for (int x = from; x < to; x++) {
            if (!Float.isNaN(rgb[0][x] + rgb[1][x] + rgb[2][x])) {
                red += rgb[0][x];
                green += rgb[1][x];
                blue += rgb[2][x];
                n++;
            }
        }
        sums[0] = red;
        sums[1] = green;
        sums[2] = blue;
        sums[3] += n;
    }

    /** A stretch of a row that is of one phase. */
    private interface Run {
        void of(int phase, int from, int to);
    }

    /** Sums are kept at hand along a run. */
    private static void runs(byte[] map, int row, int width, Run each) {
        for (int from = 0; from < width; ) {
            byte phase = map[row + from];
            int to = from + 1;
            while (to < width && map[row + to] == phase) {
                to++;
            }
            if ((phase & 0xff) != PhaseMap.OUTSIDE) {
                each.of(phase & 0xff, from, to);
            }
            from = to;
        }
    }

    private PhaseSums add(PhaseMap phases, Plane signal, int band, int height) {
        int width = signal.width();
        byte[] map = phases.map().values();
        float[] row = new float[width];
        for (int r = top(band, height); r < top(band + 1, height); r++) {
            signal.readRow(r, 0, width, row, 0);
            int y0 = r;
            runs(map, r * width, width, (p, from, to) -> {
                int n = to - from;
                pixels[p] += n;
                x[p] += (from + to - 1) / 2.0 * n;
                y[p] += (double) y0 * n;
                double sum = values[p];
                int counted = 0;
                for (int c = from; c < to; c++) {
                    if (row[c] == row[c]) {
                        sum += row[c];
                        counted++;
                    }
                }
                values[p] = sum;
                valued[p] += counted;
            });
        }
        return this;
    }

    private PhaseSums spread(PhaseMap phases, Plane signal, int band, int height, double[] means) {
        int width = signal.width();
        byte[] map = phases.map().values();
        float[] row = new float[width];
        for (int r = top(band, height); r < top(band + 1, height); r++) {
            signal.readRow(r, 0, width, row, 0);
            runs(map, r * width, width, (p, from, to) -> {
                double sum = squares[p];
                for (int c = from; c < to; c++) {
                    if (row[c] == row[c]) {
                        sum += (row[c] - means[p]) * (row[c] - means[p]);
                    }
                }
                squares[p] = sum;
            });
        }
        return this;
    }

    private static int top(int band, int height) {
        return (int) ((long) height * band / BANDS);
    }

    private void merge(PhaseSums part) {
        for (int p = 0; p < pixels.length; p++) {
            pixels[p] += part.pixels[p];
            x[p] += part.x[p];
            y[p] += part.y[p];
            values[p] += part.values[p];
            valued[p] += part.valued[p];
            squares[p] += part.squares[p];
        }
    }
}
