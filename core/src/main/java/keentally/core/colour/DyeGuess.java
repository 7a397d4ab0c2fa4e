package keentally.core.colour;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;

/**
 * The vectors of two dyes, guessed from a picture that holds both.
 *
 * <p>Definition: of the pixels whose density is {@value #LEAST_DENSITY} or more in the mean of the channels, the densities' plane of greatest
 * spread; in it, the directions beyond which one per cent of them lie on either side. At most {@value #SAMPLED} pixels on a grid are
 * looked at. The dye that is darker in red comes first.
 *
 * <p>Edge cases: empty where fewer than {@value #FEWEST} pixels are stained or all are stained alike.
 *
 * <p>Source: M. Macenko et al. (2009), "A method for normalizing histology slides for quantitative analysis", Proc. ISBI, 1107–1110.
 */
public final class DyeGuess {
    private static final double LEAST_DENSITY = 0.12;
    private static final int SAMPLED = 100_000;
    private static final int FEWEST = 100;
    private static final double TAIL = 0.01;
    private static final double ALIKE = 0.05;

    private DyeGuess() {}

    /** @param white of each channel, on the 0 to 255 scale */
    public static Optional<List<List<Double>>> of(ColourRows rows, Field field, double[] white) {
        List<double[]> stained = stained(rows, field, white);
        if (stained.size() < FEWEST) {
            return Optional.empty();
        }
        double[][] product = new double[3][3];
        for (double[] d : stained) {
            for (int i = 0; i < 3; i++) {
                for (int j = 0; j < 3; j++) {
                    product[i][j] += d[i] * d[j] / stained.size();
                }
            }
        }
        double[] first = greatest(product);
        if (Arrays.stream(first).sum() < 0) {
            first = scaled(first, -1);
        }
        double value = length(times(product, first));
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                product[i][j] -= value * first[i] * first[j];
            }
        }
        double[] second = greatest(product);
        double[] angles = new double[stained.size()];
        for (int i = 0; i < angles.length; i++) {
            angles[i] = StrictMath.atan2(dot(stained.get(i), second), dot(stained.get(i), first));
        }
        Arrays.sort(angles);
        double low = angles[(int) (TAIL * (angles.length - 1))];
        double high = angles[(int) ((1 - TAIL) * (angles.length - 1))];
        if (!(high - low > ALIKE)) {
            return Optional.empty();
        }
        List<Double> a = direction(first, second, low);
        List<Double> b = direction(first, second, high);
        return Optional.of(a.getFirst() >= b.getFirst() ? List.of(a, b) : List.of(b, a));
    }

    private static List<double[]> stained(ColourRows rows, Field field, double[] white) {
        Mask inside = field.mask();
        int step = (int) Math.max(1, Math.ceil(Math.sqrt((double) rows.width() * rows.height() / SAMPLED)));
        List<double[]> stained = new ArrayList<>();
        for (int y = step / 2; y < rows.height(); y += step) {
            for (int x = step / 2; x < rows.width(); x += step) {
                if (inside.at(x, y)) {
                    double[] density = rows.value(x, y);
                    for (int c = 0; c < 3; c++) {
                        density[c] = -StrictMath.log10(Math.max(density[c], 0.5) / white[c]);
                    }
                    if ((density[0] + density[1] + density[2]) / 3 >= LEAST_DENSITY) {
                        stained.add(density);
                    }
                }
            }
        }
        return stained;
    }

    /** The unit vector that a symmetric matrix stretches most, by going through it again and again. */
    private static double[] greatest(double[][] m) {
        double[] v = scaled(new double[] {0.6, 0.64, 0.48}, 1);
        for (int i = 0; i < 500; i++) {
            double[] next = times(m, v);
            double length = length(next);
            if (length == 0) {
                return v;
            }
            v = scaled(next, 1 / length);
        }
        return v;
    }

    private static double[] times(double[][] m, double[] v) {
        return new double[] {dot(m[0], v), dot(m[1], v), dot(m[2], v)};
    }

    private static double dot(double[] a, double[] b) {
        return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
    }

    private static double length(double[] v) {
        return Math.sqrt(dot(v, v));
    }

    private static double[] scaled(double[] v, double by) {
        return new double[] {v[0] * by, v[1] * by, v[2] * by};
    }

    private static List<Double> direction(double[] first, double[] second, double angle) {
        List<Double> vector = new ArrayList<>();
        for (int c = 0; c < 3; c++) {
            double v = StrictMath.cos(angle) * first[c] + StrictMath.sin(angle) * second[c];
            vector.add(Math.rint(v * 1000) / 1000);
        }
        return vector;
    }
}
