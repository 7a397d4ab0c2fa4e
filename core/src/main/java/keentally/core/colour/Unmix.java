package keentally.core.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import keentally.core.picture.Channel;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.picture.PlaneF;
import keentally.core.stats.LinearSystem;
import keentally.core.work.Work;

/**
 * How much of each dye light went through.
 *
 * <p>Definition: the density of a channel is −log10(v ÷ white). The three densities of a pixel are taken as a sum of dye vectors, each
 * normalised to length 1, and solved for how much of each; with two dyes the third vector stands at right angles to both, and its
 * amount is what they leave unexplained. Amounts may be negative by noise. Putting amounts times vectors together again gives the
 * densities back.
 *
 * <p>Edge cases: values below half a level of 255 count as half a level, since 0 has no logarithm; not-a-number stays. Vectors that lie
 * in one line, or three in one plane, cannot be told apart. Cost: a table look-up and nine products a pixel for whole numbers.
 *
 * <p>Source: A. C. Ruifrok and D. A. Johnston (2001), Analytical and Quantitative Cytology and Histology 23(4), 291–299.
 */
public final class Unmix {
    /** Of dyes that nobody named. */
    private static final List<String> UNNAMED = List.of("dye1", "dye2", "dye3");

    /** What is left of two dyes. */
    public static final String RESIDUAL = "residual";

    private static final double PARALLEL = 1e-3;

    private final int dyes;
    private final double[][] vectors;
    private final double[][] inverse;
    private final double[] white;

    private Unmix(int dyes, double[][] vectors, double[][] inverse, double[] white) {
        this.dyes = dyes;
        this.vectors = vectors;
        this.inverse = inverse;
        this.white = white;
    }

    /**
     * @param dyes two or three vectors of any length but 0
     * @param white red, green and blue where nothing is stained, on the 0 to 255 scale, above 0
     * @return empty where the vectors cannot be told apart
     */
    public static Optional<Unmix> of(List<List<Double>> dyes, double[] white) {
        if (dyes.size() < 2 || dyes.size() > 3) {
            throw new IllegalArgumentException("two or three dyes can be told apart, were " + dyes.size());
        }
        double[][] v = new double[3][];
        for (int i = 0; i < dyes.size(); i++) {
            v[i] = unit(dyes.get(i).stream().mapToDouble(d -> d).toArray());
        }
        double[] across = cross(v[0], v[1]);
        if (length(across) < PARALLEL) {
            return Optional.empty();
        }
        if (dyes.size() == 2) {
            v[2] = unit(across);
        } else if (Math.abs(dot(across, v[2])) < PARALLEL) {
            return Optional.empty();
        }
        double[][] inverse = new double[3][3];
        for (int column = 0; column < 3; column++) {
            double[][] m = new double[3][4];
            for (int c = 0; c < 3; c++) {
                for (int dye = 0; dye < 3; dye++) {
                    m[c][dye] = v[dye][c];
                }
                m[c][3] = c == column ? 1 : 0;
            }
            double[] solved = LinearSystem.solve(m).orElseThrow();
            for (int dye = 0; dye < 3; dye++) {
                inverse[dye][column] = solved[dye];
            }
        }
        return Optional.of(new Unmix(dyes.size(), v, inverse, white.clone()));
    }

    private static double[] cross(double[] a, double[] b) {
        return new double[] {a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]};
    }

    private static double dot(double[] a, double[] b) {
        return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
    }

    private static double length(double[] a) {
        return Math.sqrt(dot(a, a));
    }

    private static double[] unit(double[] a) {
        double length = length(a);
        if (!(length > 0)) {
            throw new IllegalArgumentException("a dye's vector must not be all 0");
        }
        return new double[] {a[0] / length, a[1] / length, a[2] / length};
    }

    /** What each of so many dyes is called: by its name where it has one, else by its number. */
    public static List<String> names(List<String> given, int dyes) {
        return IntStream.range(0, dyes)
                .mapToObj(i -> i < given.size() ? given.get(i) : UNNAMED.get(i))
                .toList();
    }

    /**
     * The three amounts as channels.
     *
     * @param given names of the dyes, as far as they have some
     */
    public Picture apply(ColourRows rows, List<String> given, Work work) {
        List<String> names = names(given, dyes);
        int width = rows.width();
        float[][] out = new float[3][width * rows.height()];
        float[][] tables = rows.isBytes() ? tables() : null;
        float[][] m = new float[3][3];
        for (int i = 0; i < 9; i++) {
            m[i / 3][i % 3] = (float) inverse[i / 3][i % 3];
        }
        work.bands(rows.height(), (from, to) -> {
            float[][] row = new float[3][width];
            for (int y = from; y < to; y++) {
                rows.read(y, row[0], row[1], row[2]);
                for (int c = 0; c < 3; c++) {
                    density(row[c], c, tables);
                }
                for (int dye = 0; dye < 3; dye++) {
                    mix(row, m[dye], out[dye], y * width);
                }
            }
        });
        List<Channel> channels = new ArrayList<>();
        for (int dye = 0; dye < 3; dye++) {
            channels.add(new Channel(
                    dye < dyes ? names.get(dye) : RESIDUAL, PlaneF.of(width, rows.height(), out[dye]), ink(dye)));
        }
        return new Picture(channels);
    }

    /** What a density of 1 of a dye lets through; the residual has no colour of its own. */
    private OptionalInt ink(int dye) {
        if (dye >= dyes) {
            return OptionalInt.empty();
        }
        double[] rgb = new double[3];
        for (int c = 0; c < 3; c++) {
            rgb[c] = 255 * StrictMath.pow(10, -vectors[dye][c]);
        }
        return OptionalInt.of(Rgb.from(rgb[0], rgb[1], rgb[2]).packed());
    }

    private static void mix(float[][] densities, float[] by, float[] out, int base) {
        float[] r = densities[0];
        float[] g = densities[1];
        float[] b = densities[2];
        for (int x = 0; x < r.length; x++) {
            out[base + x] = by[0] * r[x] + by[1] * g[x] + by[2] * b[x];
        }
    }

    private float[][] tables() {
        float[][] tables = new float[3][256];
        for (int c = 0; c < 3; c++) {
            for (int v = 0; v < 256; v++) {
                tables[c][v] = density(v, c);
            }
        }
        return tables;
    }

    private void density(float[] row, int channel, float[][] tables) {
        if (tables != null) {
            float[] table = tables[channel];
            for (int x = 0; x < row.length; x++) {
                row[x] = table[(int) row[x]];
            }
            return;
        }
        for (int x = 0; x < row.length; x++) {
            row[x] = density(row[x], channel);
        }
    }

    private float density(float value, int channel) {
        return Float.isNaN(value) ? value : (float) -StrictMath.log10(Math.max(value, 0.5) / white[channel]);
    }

    /** The colour that amounts of the dyes let through, on the 0 to 255 scale. */
    public double[] colour(double... amounts) {
        double[] rgb = new double[3];
        for (int c = 0; c < 3; c++) {
            double density = 0;
            for (int dye = 0; dye < amounts.length; dye++) {
                density += amounts[dye] * vectors[dye][c];
            }
            rgb[c] = white[c] * StrictMath.pow(10, -density);
        }
        return rgb;
    }

    /** The vector of a dye from colours of a place where it stands alone: the mean of their densities. */
    public static List<Double> vector(List<Rgb> pure, double[] white) {
        double[] sums = new double[3];
        for (Rgb colour : pure) {
            int[] levels = {colour.red(), colour.green(), colour.blue()};
            for (int c = 0; c < 3; c++) {
                sums[c] -= StrictMath.log10(Math.max(levels[c], 0.5) / white[c]);
            }
        }
        double[] unit = unit(sums);
        return List.of(unit[0], unit[1], unit[2]);
    }

    /**
     * Where nothing is stained, guessed: of the tenth of the field's pixels whose darkest channel is brightest, the middle value of each
     * channel; at most 100,000 pixels on a grid are looked at.
     */
    public static double[] white(ColourRows rows, Field field) {
        Mask inside = field.mask();
        int step = (int) Math.max(1, Math.ceil(Math.sqrt((double) rows.width() * rows.height() / 100_000)));
        float[][] row = new float[3][rows.width()];
        List<float[]> seen = new ArrayList<>();
        for (int y = step / 2; y < rows.height(); y += step) {
            rows.read(y, row[0], row[1], row[2]);
            for (int x = step / 2; x < rows.width(); x += step) {
                float[] colour = {row[0][x], row[1][x], row[2][x]};
                if (inside.at(x, y) && Float.isFinite(colour[0] + colour[1] + colour[2])) {
                    seen.add(colour);
                }
            }
        }
        if (seen.isEmpty()) {
            return new double[] {255, 255, 255};
        }
        seen.sort((a, b) -> Float.compare(least(b), least(a)));
        List<float[]> brightest = seen.subList(0, Math.max(1, seen.size() / 10));
        double[] white = new double[3];
        for (int c = 0; c < 3; c++) {
            int channel = c;
            double[] sorted =
                    brightest.stream().mapToDouble(p -> p[channel]).sorted().toArray();
            white[c] = Math.max(1, sorted[sorted.length / 2]);
        }
        return white;
    }

    private static float least(float[] colour) {
        return Math.min(colour[0], Math.min(colour[1], colour[2]));
    }
}
