package keentally.core.classify;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import keentally.core.colour.ColourRows;
import keentally.core.colour.ColourSpace;
import keentally.core.picture.Border;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;

/**
 * The features of a picture, by stretches of rows.
 *
 * <p>Definition: values are taken as parts of the depth's greatest, colours as L*, a* and b* over 100; the picture is mirrored at its border.
 * Bells are cut off at three sigma. <em>Gradient</em>: the length of the slope of the averaged values, times sigma. <em>Hessian</em>: the eigenvalues
 * of the second differences of the averaged values, times sigma², the greater first. <em>Structure</em>: the root of the eigenvalues of the averaged products of
 * slopes at sigma 1. <em>Entropy</em>: of a histogram of 16 levels from 0 to 1, in bits. <em>Median</em>: to 1/256. <em>Gabor</em>: the length of
 * the complex answer to a wave of the given length and direction under a bell of half that length, averaged under the same bell.
 *
 * <p>Accuracy: what a pixel's numbers are does not hang on how the rows are cut, to the last bit. Cost: a few floats for each feature and pixel of
 * a stretch; nothing of the whole picture is held. Threads: any number may read stretches at the same time.
 *
 * <p>Source: J. J. Koenderink and A. J. van Doorn (1987), Representation of local geometry in the visual system, for derivatives under
 * bells; J. Bigün and G. H. Granlund (1987), Optimal orientation detection of linear symmetry, for the structure tensor; J. G. Daugman (1985),
 * Uncertainty relation for resolution in space, spatial frequency, and orientation, for waves under bells.
 */
public final class FeatureRows {
    private static final int LEVELS = 16;
    private static final int FINE_LEVELS = 256;
    private static final float LAB_SCALE = 1f / 100;

    private final FeatureSet set;
    private final Optional<ColourRows> colours;
    private final Optional<Plane> grey;
    private final float perUnit;
    private final int width;
    private final int height;

    private FeatureRows(FeatureSet set, Picture picture, Optional<ColourRows> colours, Optional<Plane> grey, int most) {
        this.set = set;
        this.colours = colours;
        this.grey = grey;
        this.perUnit = 1f / most;
        this.width = picture.width();
        this.height = picture.height();
    }

    /**
     * Of a picture.
     *
     * @param original whose depth tells what the greatest value is
     * @return empty where the set wants colour and there is none, or one channel and there are several
     */
    public static Optional<FeatureRows> of(FeatureSet set, Picture picture, Picture original) {
        Optional<ColourRows> colours = set.colour() ? ColourRows.of(picture, original) : Optional.empty();
        Optional<Plane> grey = set.colour() ? Optional.empty() : picture.single();
        int most = picture.depth().isWhole()
                ? picture.depth().most()
                : original.depth().most();
        return colours.isEmpty() && grey.isEmpty()
                ? Optional.empty()
                : Optional.of(new FeatureRows(set, picture, colours, grey, most));
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** Which numbers they are. */
    public FeatureSet set() {
        return set;
    }

    /** The features of rows [from, to): for each feature its values, row by row. */
    public float[][] read(int from, int to) {
        return read(0, width, from, to);
    }

    /** The features of columns [left, right) of rows [from, to): for each feature its values, row by row. */
    public float[][] read(int left, int right, int from, int to) {
        int reach = set.reach();
        List<Tile> channels = channels(left - reach, right + reach, from - reach, to + reach);
        Maker maker = new Maker(set, channels);
        List<float[]> features = new ArrayList<>();
        for (FeatureSet.Feature feature : set.features()) {
            features.add(middle(maker.of(feature), reach, right - left, to - from));
        }
        return features.toArray(float[][]::new);
    }

    private static float[] middle(Tile tile, int reach, int across, int rows) {
        float[] out = new float[across * rows];
        for (int y = 0; y < rows; y++) {
            System.arraycopy(tile.values(), (y + reach) * tile.width() + reach, out, y * across, across);
        }
        return out;
    }

    private List<Tile> channels(int left, int right, int from, int to) {
        int wide = right - left;
        int count = colours.isPresent() ? 3 : 1;
        List<Tile> tiles = new ArrayList<>();
        for (int c = 0; c < count; c++) {
            tiles.add(Tile.empty(wide, to - from));
        }
        int[] columns =
                IntStream.range(left, right).map(x -> Border.mirror(x, width)).toArray();
        int first = IntStream.of(columns).min().orElse(0);
        int behind = IntStream.of(columns).max().orElse(-1) + 1;
        float[][] row = new float[3][width];
        for (int y = from; y < to; y++) {
            int source = Border.mirror(y, height);
            if (colours.isPresent()) {
                colours.get().read(source, row[0], row[1], row[2]);
                lab(row, first, behind);
            } else {
                grey.orElseThrow().readRow(source, first, behind, row[0], first);
                for (int x = first; x < behind; x++) {
                    row[0][x] = Float.isNaN(row[0][x]) ? 0 : row[0][x] * perUnit;
                }
            }
            for (int c = 0; c < count; c++) {
                float[] into = tiles.get(c).values();
                for (int x = 0; x < wide; x++) {
                    into[(y - from) * wide + x] = row[c][columns[x]];
                }
            }
        }
        return tiles;
    }

    private static void lab(float[][] row, int from, int to) {
        double[] rgb = new double[3];
        double[] lab = new double[3];
        for (int x = from; x < to; x++) {
            for (int c = 0; c < 3; c++) {
                rgb[c] = Float.isNaN(row[c][x]) ? 0 : row[c][x];
            }
            ColourSpace.LAB.of(rgb, lab);
            for (int c = 0; c < 3; c++) {
                row[c][x] = (float) lab[c] * LAB_SCALE;
            }
        }
    }

    /** Works features out of one stretch; what several of them need is made once. */
    private static final class Maker {
        private final FeatureSet set;
        private final List<Tile> channels;
        private final Map<Double, Tile> averaged = new HashMap<>();
        private final Map<Double, Tile[]> bends = new HashMap<>();
        private final Map<Double, Tile[]> structures = new HashMap<>();
        private final Map<Double, Tile[]> squares = new HashMap<>();
        private final Map<Double, Tile[]> waves = new HashMap<>();
        private final Map<FeatureGroup, Tile> slopes = new EnumMap<>(FeatureGroup.class);

        Maker(FeatureSet set, List<Tile> channels) {
            this.set = set;
            this.channels = channels;
        }

        Tile of(FeatureSet.Feature feature) {
            double width = feature.width() * set.stretch();
            return switch (feature.group()) {
                case VALUE -> channels.get(feature.channel());
                case GAUSSIAN ->
                    feature.channel() == 0
                            ? light(width)
                            : channels.get(feature.channel()).smoothed(Bell.of(width));
                case GRADIENT -> steepness(width);
                case LOCAL -> squares.computeIfAbsent(feature.width(), w -> square(set.side(w)))[feature.which()];
                case MEDIAN -> median(set.side(feature.width()));
                case DIFFERENCE -> difference(light(width), light(2 * width));
                case HESSIAN -> bends.computeIfAbsent(width, this::bent)[feature.which()];
                case STRUCTURE -> structures.computeIfAbsent(width, this::structure)[feature.which()];
                case GABOR -> waves.computeIfAbsent(width, this::waves)[feature.which()];
            };
        }

        private Tile light(double sigma) {
            return averaged.computeIfAbsent(sigma, s -> channels.getFirst().smoothed(Bell.of(s)));
        }

        private Tile steepness(double sigma) {
            Tile across = light(sigma).slopeAcross();
            Tile down = light(sigma).slopeDown();
            Tile out = Tile.empty(across.width(), across.height());
            for (int i = 0; i < out.values().length; i++) {
                float x = across.values()[i];
                float y = down.values()[i];
                out.values()[i] = (float) (sigma * Math.sqrt(x * x + y * y));
            }
            return out;
        }

        private static Tile difference(Tile narrow, Tile wide) {
            Tile out = Tile.empty(narrow.width(), narrow.height());
            for (int i = 0; i < out.values().length; i++) {
                out.values()[i] = narrow.values()[i] - wide.values()[i];
            }
            return out;
        }

        private Tile[] bent(double sigma) {
            Tile light = light(sigma);
            int w = light.width();
            float[] v = light.values();
            float square = (float) (sigma * sigma);
            Tile[] out = {Tile.empty(w, light.height()), Tile.empty(w, light.height())};
            for (int y = 1; y < light.height() - 1; y++) {
                for (int x = 1; x < w - 1; x++) {
                    int i = y * w + x;
                    float xx = square * (v[i + 1] - 2 * v[i] + v[i - 1]);
                    float yy = square * (v[i + w] - 2 * v[i] + v[i - w]);
                    float xy = square * (v[i + w + 1] - v[i + w - 1] - v[i - w + 1] + v[i - w - 1]) / 4;
                    eigen(xx, yy, xy, out, i, false);
                }
            }
            return out;
        }

        private Tile[] structure(double sigma) {
            Tile across = slopes.computeIfAbsent(
                    FeatureGroup.GRADIENT, g -> light(set.stretch()).slopeAcross());
            Tile down = slopes.computeIfAbsent(
                    FeatureGroup.STRUCTURE, g -> light(set.stretch()).slopeDown());
            Bell bell = Bell.of(sigma);
            float[] xx = across.times(across).smoothed(bell).values();
            float[] yy = down.times(down).smoothed(bell).values();
            float[] xy = across.times(down).smoothed(bell).values();
            Tile[] out = {Tile.empty(across.width(), across.height()), Tile.empty(across.width(), across.height())};
            for (int i = 0; i < xx.length; i++) {
                eigen(xx[i], yy[i], xy[i], out, i, true);
            }
            return out;
        }

        private static void eigen(float xx, float yy, float xy, Tile[] out, int i, boolean root) {
            float half = (xx + yy) / 2;
            float spread = (float) Math.sqrt((xx - yy) * (xx - yy) / 4 + xy * xy);
            out[0].values()[i] = root ? (float) Math.sqrt(Math.max(0, half + spread)) : half + spread;
            out[1].values()[i] = root ? (float) Math.sqrt(Math.max(0, half - spread)) : half - spread;
        }

        private Tile[] square(int half) {
            Tile light = channels.getFirst();
            float[] even = new float[2 * half + 1];
            Arrays.fill(even, 1f / even.length);
            Tile mean = light.convolved(even, even);
            Tile squares = light.times(light).convolved(even, even);
            Tile sd = Tile.empty(light.width(), light.height());
            for (int i = 0; i < sd.values().length; i++) {
                float m = mean.values()[i];
                sd.values()[i] = (float) Math.sqrt(Math.max(0, squares.values()[i] - m * m));
            }
            Tile range = difference(light.extreme(half, true), light.extreme(half, false));
            return new Tile[] {mean, sd, range, entropy(light, half)};
        }

        /** A histogram that slides along each row. */
        private static Tile entropy(Tile light, int half) {
            int side = 2 * half + 1;
            float[] information = new float[side * side + 1];
            for (int n = 1; n <= side * side; n++) {
                double p = (double) n / (side * side);
                information[n] = (float) (-p * StrictMath.log(p) / StrictMath.log(2));
            }
            return slid(light, half, LEVELS, counts -> {
                float sum = 0;
                for (int count : counts) {
                    sum += information[count];
                }
                return sum;
            });
        }

        /** A histogram that slides along each row, with the middle followed from one square to the next. */
        private Tile median(int half) {
            Tile light = channels.getFirst();
            Tile out = Tile.empty(light.width(), light.height());
            int middle = (2 * half + 1) * (2 * half + 1) / 2;
            int w = light.width();
            int[] level = levels(light, FINE_LEVELS);
            for (int y = half; y < light.height() - half; y++) {
                int[] counts = new int[FINE_LEVELS];
                int at = 0;
                int below = 0;
                for (int x = 0; x < w; x++) {
                    for (int k = -half; k <= half; k++) {
                        int in = level[(y + k) * w + x];
                        counts[in]++;
                        below += in < at ? 1 : 0;
                        if (x > 2 * half) {
                            int gone = level[(y + k) * w + x - 2 * half - 1];
                            counts[gone]--;
                            below -= gone < at ? 1 : 0;
                        }
                    }
                    if (x >= 2 * half) {
                        while (below > middle) {
                            at--;
                            below -= counts[at];
                        }
                        while (below + counts[at] <= middle) {
                            below += counts[at];
                            at++;
                        }
                        out.values()[y * w + x - half] = (at + 0.5f) / FINE_LEVELS;
                    }
                }
            }
            return out;
        }

        private static int[] levels(Tile light, int levels) {
            int[] level = new int[light.values().length];
            for (int i = 0; i < level.length; i++) {
                level[i] = Math.clamp((int) (light.values()[i] * levels), 0, levels - 1);
            }
            return level;
        }

        /** What a histogram of a square comes to. */
        private interface OfCounts {
            float of(int[] counts);
        }

        private static Tile slid(Tile light, int half, int levels, OfCounts of) {
            Tile out = Tile.empty(light.width(), light.height());
            int w = light.width();
            int[] level = levels(light, levels);
            for (int y = half; y < light.height() - half; y++) {
                int[] counts = new int[levels];
                for (int x = 0; x < w; x++) {
                    for (int k = -half; k <= half; k++) {
                        counts[level[(y + k) * w + x]]++;
                        if (x > 2 * half) {
                            counts[level[(y + k) * w + x - 2 * half - 1]]--;
                        }
                    }
                    if (x >= 2 * half) {
                        out.values()[y * w + x - half] = of.of(counts);
                    }
                }
            }
            return out;
        }

        /**
         * Waves are products of one along rows and one along columns; along an axis one of these is a bell alone, and two directions that mirror each other
         * share theirs.
         */
        private Tile[] waves(double length) {
            Tile light = channels.getFirst();
            Bell bell = Bell.of(length / 2);
            double k = 2 * Math.PI / length;
            float[][] straight = wave(bell, k);
            float[][] slant = wave(bell, k * StrictMath.sqrt(0.5));
            Tile plain = light.across(bell.weights());
            Tile even = light.across(slant[0]);
            Tile odd = light.across(slant[1]);
            float[] ee = even.down(slant[0]).values();
            float[] oo = odd.down(slant[1]).values();
            float[] eo = even.down(slant[1]).values();
            float[] oe = odd.down(slant[0]).values();
            Tile falling = Tile.empty(light.width(), light.height());
            Tile rising = Tile.empty(light.width(), light.height());
            for (int i = 0; i < ee.length; i++) {
                falling.values()[i] = length(ee[i] - oo[i], eo[i] + oe[i]);
                rising.values()[i] = length(ee[i] + oo[i], eo[i] - oe[i]);
            }
            return new Tile[] {
                lengths(
                                light.across(straight[0]).down(bell.weights()),
                                light.across(straight[1]).down(bell.weights()))
                        .smoothed(bell),
                falling.smoothed(bell),
                lengths(plain.down(straight[0]), plain.down(straight[1])).smoothed(bell),
                rising.smoothed(bell)
            };
        }

        private static Tile lengths(Tile real, Tile imaginary) {
            Tile out = Tile.empty(real.width(), real.height());
            for (int i = 0; i < out.values().length; i++) {
                out.values()[i] = length(real.values()[i], imaginary.values()[i]);
            }
            return out;
        }

        private static float length(float real, float imaginary) {
            return (float) Math.sqrt(real * real + imaginary * imaginary);
        }

        /** Cosine and sine under a bell. */
        private static float[][] wave(Bell bell, double k) {
            int reach = bell.reach();
            float[][] out = new float[2][2 * reach + 1];
            for (int i = -reach; i <= reach; i++) {
                out[0][i + reach] = (float) (bell.weights()[i + reach] * StrictMath.cos(k * i));
                out[1][i + reach] = (float) (bell.weights()[i + reach] * StrictMath.sin(k * i));
            }
            return out;
        }
    }
}
