package keentally.core.run;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import keentally.core.colour.ColourRows;
import keentally.core.picture.Field;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane8;
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

    /** Of each phase how many pixels have each value of 8 bits: their mean and spread follow from that, in one pass. */
    private final long[][] levels;

    /** Of each phase the sums of red, green and blue, and of how many pixels. */
    private final double[][] colours;

    private PhaseSums(int phases, Plane signal) {
        pixels = new long[phases];
        x = new double[phases];
        y = new double[phases];
        values = new double[phases];
        valued = new long[phases];
        squares = new double[phases];
        levels = new long[phases][signal instanceof Plane8 ? 1 << Byte.SIZE : 0];
        colours = new double[phases][4];
    }

    static List<PhaseReading> of(PhaseMap phases, Plane signal, Picture original, Field field, Work work) {
        int n = phases.names().size();
        Optional<ColourRows> rows = ColourRows.of(original, original);
        PhaseSums sums = new PhaseSums(n, signal);
        for (PhaseSums part : work.map(BANDS, b -> new PhaseSums(n, signal).add(phases, signal, rows, b))) {
            sums.merge(part);
        }
        if (signal instanceof Plane8) {
            sums.sumLevels();
        } else {
            double[] means = new double[n];
            for (int p = 0; p < n; p++) {
                means[p] = sums.values[p] / sums.valued[p];
            }
            for (PhaseSums part : work.map(BANDS, b -> new PhaseSums(n, signal).spread(phases, signal, b, means))) {
                sums.merge(part);
            }
        }
        return IntStream.range(0, n)
                .mapToObj(p -> sums.reading(p, phases.names().get(p), field))
                .toList();
    }

    private PhaseReading reading(int p, String name, Field field) {
        double[] colour = colours[p];
        return new PhaseReading(
                p,
                name,
                pixels[p],
                100.0 * pixels[p] / field.pixels(),
                x[p] / pixels[p] + 0.5,
                y[p] / pixels[p] + 0.5,
                values[p] / valued[p],
                Math.sqrt(squares[p] / valued[p]),
                colour[3] == 0
                        ? List.of()
                        : List.of(colour[0] / colour[3], colour[1] / colour[3], colour[2] / colour[3]));
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

    private PhaseSums add(PhaseMap phases, Plane signal, Optional<ColourRows> rows, int band) {
        int width = signal.width();
        byte[] map = phases.map().values();
        float[] row = new float[width];
        float[][] rgb = new float[3][width];
        for (int r = top(band, signal.height()); r < top(band + 1, signal.height()); r++) {
            int y0 = r;
            if (!(signal instanceof Plane8)) {
                signal.readRow(r, 0, width, row, 0);
            }
            rows.filter(c -> !c.isBytes()).ifPresent(c -> c.read(y0, rgb[0], rgb[1], rgb[2]));
            runs(map, r * width, width, (p, from, to) -> {
                int n = to - from;
                pixels[p] += n;
                x[p] += (from + to - 1) / 2.0 * n;
                y[p] += (double) y0 * n;
                if (signal instanceof Plane8 bytes) {
                    count(levels[p], bytes.values(), y0 * width + from, y0 * width + to);
                } else {
                    addValues(p, row, from, to);
                }
                rows.ifPresent(c -> {
                    if (c.isBytes()) {
                        addBytes(colours[p], c, y0, from, to);
                    } else {
                        addColours(colours[p], rgb, from, to);
                    }
                });
            });
        }
        return this;
    }

    private static void count(long[] levels, byte[] values, int from, int to) {
        for (int i = from; i < to; i++) {
            levels[values[i] & 0xff]++;
        }
    }

    private void sumLevels() {
        for (int p = 0; p < levels.length; p++) {
            for (int level = 0; level < levels[p].length; level++) {
                valued[p] += levels[p][level];
                values[p] += (double) levels[p][level] * level;
            }
            double mean = values[p] / valued[p];
            for (int level = 0; level < levels[p].length; level++) {
                squares[p] += levels[p][level] * (level - mean) * (level - mean);
            }
        }
    }

    private void addValues(int phase, float[] row, int from, int to) {
        double sum = values[phase];
        int counted = 0;
        for (int c = from; c < to; c++) {
            if (row[c] == row[c]) {
                sum += row[c];
                counted++;
            }
        }
        values[phase] = sum;
        valued[phase] += counted;
    }

    /** Whole numbers are all numbers, and have the same sum in any order. */
    private static void addBytes(double[] sums, ColourRows rows, int y, int from, int to) {
        for (int c = 0; c < 3; c++) {
            sums[c] += rows.sum(c, y, from, to);
        }
        sums[3] += to - from;
    }

    private static void addColours(double[] sums, float[][] rgb, int from, int to) {
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

    private PhaseSums spread(PhaseMap phases, Plane signal, int band, double[] means) {
        int width = signal.width();
        int height = signal.height();
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
            for (int level = 0; level < levels[p].length; level++) {
                levels[p][level] += part.levels[p][level];
            }
            for (int c = 0; c < colours[p].length; c++) {
                colours[p][c] += part.colours[p][c];
            }
        }
    }
}
