package keentally.core.threshold;

import java.util.Arrays;
import java.util.Optional;
import java.util.function.Supplier;
import keentally.core.filter.Background;
import keentally.core.filter.GreyMorphology;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.stats.Histogram;
import keentally.core.work.Work;

/**
 * A cut of its own for every pixel, from what lies around it in the field.
 *
 * <p>Definition, with m and s the mean and standard deviation (over n) of the square |dx| ≤ r, |dy| ≤ r:
 *
 * <ul>
 *   <li>mean: m − k·R/100, and gaussian: the same with the mean under a bell of sigma r
 *   <li>niblack: m + k·s
 *   <li>sauvola: m·(1 + k·(s/R − 1))
 *   <li>wolf: m + k·(s/S − 1)·(m − M), S the greatest s of all pixels, M the least value of the field
 *   <li>bernsen: midway between least and greatest of the square; where these are nearer to each other than k per cent of 2R, the pixel
 *       is on the side of the field's own middle value
 * </ul>
 *
 * R is half the distance from the field's least to its greatest value. Values at or below the cut are dark. m in the rule of Sauvola
 * is counted from the field's least value, so that it does not matter where black is.
 *
 * <p>Edge cases: pixels outside the field take no part; not-a-number takes none and is on no side. Accuracy: sums are exact for whole
 * numbers. Cost: a few sums a pixel whatever the radius; bernsen grows with it.
 *
 * <p>Sources: W. Niblack (1986), "An Introduction to Digital Image Processing", 115–116; J. Sauvola and M. Pietikäinen (2000),
 * "Adaptive document image binarization", Pattern Recognition 33(2), 225–236; C. Wolf and J.-M. Jolion (2004), "Extraction and recognition
 * of artificial text in multimedia documents", Pattern Analysis and Applications 6(4), 309–326; J. Bernsen (1986), "Dynamic thresholding of
 * grey-level images", Proc. ICPR, 1251–1255.
 */
public final class LocalThreshold {
    /** What the cut is made of. */
    public enum Rule {
        MEAN,
        GAUSSIAN,
        NIBLACK,
        SAUVOLA,
        WOLF,
        BERNSEN;

        /** The k to begin with, as the papers have it, turned to the side that is kept where the rule is one-sided. */
        public double usual(boolean dark) {
            return switch (this) {
                case MEAN, GAUSSIAN -> dark ? 5 : -5;
                case NIBLACK -> dark ? -0.2 : 0.2;
                case SAUVOLA, WOLF -> 0.5;
                case BERNSEN -> 6;
            };
        }
    }

    private final Plane plane;
    private final Field field;
    private final Mask inside;
    private final Rule rule;
    private final int radius;
    private final double k;
    private final double least;
    private final double half;

    private LocalThreshold(Plane plane, Field field, Rule rule, int radius, double k, double least, double half) {
        this.plane = plane;
        this.field = field;
        this.inside = field.mask();
        this.rule = rule;
        this.radius = radius;
        this.k = k;
        this.least = least;
        this.half = half;
    }

    /**
     * The pixels of the dark side, or of the bright one.
     *
     * @param radius in pixels, at least 1
     */
    public static Mask of(Plane plane, Field field, Rule rule, int radius, double k, boolean dark, Work work) {
        if (radius < 1) {
            throw new IllegalArgumentException("the radius must be 1 px or more, was " + radius);
        }
        Histogram h = Histogram.of(plane, field, work);
        if (h.total() == 0) {
            return Mask.empty(plane.width(), plane.height());
        }
        double low = h.lowest();
        double half = (h.upperEdge(h.lastOccupied()) - low) / 2;
        LocalThreshold threshold = new LocalThreshold(plane, field, rule, radius, k, low, half);
        return switch (rule) {
            case GAUSSIAN -> threshold.gaussian(dark, work);
            case BERNSEN -> threshold.bernsen(dark, work);
            case MEAN, NIBLACK, SAUVOLA, WOLF -> threshold.windows(dark, work);
        };
    }

    private Mask gaussian(boolean dark, Work work) {
        Plane mean = Background.gaussian(plane, field, radius, work);
        double below = k * half / 100;
        return sides(dark, work, () -> (y, row, cut) -> {
            mean.readRow(y, 0, cut.length, row, 0);
            for (int x = 0; x < cut.length; x++) {
                cut[x] = row[x] - below;
            }
        });
    }

    private Mask bernsen(boolean dark, Work work) {
        GreyMorphology square = GreyMorphology.square(radius, Optional.of(field));
        Plane low = square.least(plane, work);
        Plane high = square.greatest(plane, work);
        double flat = k / 100 * 2 * half;
        double middle = least + half;
        return sides(dark, work, () -> (y, row, cut) -> {
            float[] top = new float[cut.length];
            low.readRow(y, 0, cut.length, row, 0);
            high.readRow(y, 0, cut.length, top, 0);
            for (int x = 0; x < cut.length; x++) {
                cut[x] = (double) top[x] - row[x] < flat ? middle : ((double) top[x] + row[x]) / 2;
            }
        });
    }

    private Mask windows(boolean dark, Work work) {
        double widest = rule == Rule.WOLF ? greatestDeviation(work) : 0;
        return sides(dark, work, () -> {
            LocalSums sums = new LocalSums(plane, inside, radius, least, 2 * half);
            return new CutRows() {
                @Override
                public void fill(int y, float[] row, double[] cut) {
                    cuts(sums.means(y), sums.deviations(), widest, cut);
                }

                @Override
                public double taken(float value) {
                    return sums.taken(value);
                }
            };
        });
    }

    private double greatestDeviation(Work work) {
        double[] greatest = new double[plane.height()];
        work.bands(plane.height(), (from, to) -> {
            LocalSums sums = new LocalSums(plane, inside, radius, least, 2 * half);
            for (int y = from; y < to; y++) {
                work.cancel().check();
                greatest[y] = sums.greatestDeviation(y);
            }
        });
        return Arrays.stream(greatest).max().orElse(0);
    }

    private void cuts(double[] mean, double[] deviation, double widest, double[] cut) {
        switch (rule) {
            case MEAN -> {
                for (int x = 0; x < cut.length; x++) {
                    cut[x] = mean[x] - k * half / 100;
                }
            }
            case NIBLACK -> {
                for (int x = 0; x < cut.length; x++) {
                    cut[x] = mean[x] + k * deviation[x];
                }
            }
            case SAUVOLA -> bend(mean, deviation, half, cut);
            case WOLF -> bend(mean, deviation, widest, cut);
            case GAUSSIAN, BERNSEN -> throw new IllegalStateException(rule + " has no square window of sums");
        }
    }

    /** The mean, the farther down the more even the square is. @param most what deviations are held against */
    private void bend(double[] mean, double[] deviation, double most, double[] cut) {
        if (!(most > 0)) {
            System.arraycopy(mean, 0, cut, 0, cut.length);
            return;
        }
        boolean sauvola = rule == Rule.SAUVOLA;
        for (int x = 0; x < cut.length; x++) {
            double above = mean[x] - least;
            double off = k * (deviation[x] / most - 1);
            cut[x] = sauvola ? least + above * (1 + off) : mean[x] + off * above;
        }
    }

    /** The cuts of one row. */
    private interface CutRows {
        void fill(int y, float[] row, double[] cut);

        /** A value of floating point as the cuts take it, so that an even stretch is as high as its own mean. */
        default double taken(float value) {
            return value;
        }
    }

    /** @param forBand makes what fills in the cuts, once for each band, so that it may keep things from row to row */
    private Mask sides(boolean dark, Work work, Supplier<CutRows> forBand) {
        int width = plane.width();
        int stride = Mask.stride(width);
        long[] words = new long[stride * plane.height()];
        boolean whole = plane.depth().isWhole();
        work.bands(plane.height(), (from, to) -> {
            float[] row = new float[width];
            double[] cut = new double[width];
            CutRows rows = forBand.get();
            for (int y = from; y < to; y++) {
                work.cancel().check();
                rows.fill(y, row, cut);
                plane.readRow(y, 0, width, row, 0);
                for (int word = 0; word < stride; word++) {
                    long chosen = 0;
                    for (int x = word << 6; x < Math.min(width, word + 1 << 6); x++) {
                        boolean isDark = (whole ? row[x] : rows.taken(row[x])) <= cut[x];
                        chosen |= (isDark == dark && (whole || row[x] - row[x] == 0) ? 1L : 0) << x;
                    }
                    words[y * stride + word] = chosen & inside.words()[y * inside.stride() + word];
                }
            }
        });
        return Mask.of(width, plane.height(), words);
    }
}
