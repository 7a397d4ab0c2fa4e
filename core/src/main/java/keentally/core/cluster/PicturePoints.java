package keentally.core.cluster;

import java.util.Arrays;
import java.util.Optional;
import keentally.core.colour.ColourRows;
import keentally.core.colour.ColourSpace;
import keentally.core.colour.EachColour;
import keentally.core.colour.Rgb;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane8;
import keentally.core.stats.Histogram;
import keentally.core.work.Work;

/**
 * A picture's field as points to be parted, and pixels given to the nearest centre.
 *
 * <p>A colour picture's points are the colours that occur, at 8 bits a channel, weighed by how often; more than {@value #MOST_COLOURS} are
 * gathered in cells of two, four or eight levels a side, each standing at the mean of its colours. Coordinates are red, green and blue;
 * L*, a* and b*; or for HSV saturation at its angle, and value. A grey picture's points are its values. With a weight for position,
 * points are at most {@value #MOST_PIXELS} pixels on a grid, with two coordinates more: the place, in parts of the picture's longer side,
 * times the weight times the root mean square distance of the colours from their mean.
 *
 * <p>Every pixel is afterwards given to the nearest centre by its own colour and place. Not-a-number is in no group.
 */
public final class PicturePoints {
    private static final int MOST_COLOURS = 100_000;
    private static final int FEW_COLOURS = 10_000;
    private static final int MOST_PIXELS = 40_000;

    private static final int NO_COLOUR = -1;

    /** Sorting so many costs less than a table of all colours. */
    private static final int FEW_PIXELS = 2_000_000;

    private final Optional<ColourRows> rows;
    private final Optional<Plane> grey;
    private final Field field;
    private final ColourSpace space;
    private final double placeFactor;
    private final Points points;
    private final double[] light;

    private PicturePoints(
            Optional<ColourRows> rows,
            Optional<Plane> grey,
            Field field,
            ColourSpace space,
            double placeFactor,
            Lit lit) {
        this.rows = rows;
        this.grey = grey;
        this.field = field;
        this.space = space;
        this.placeFactor = placeFactor;
        this.points = lit.points();
        this.light = lit.light();
    }

    /** @param light of each point */
    private record Lit(Points points, double[] light) {}

    /**
     * @param original whose depth tells what white is
     * @param positionWeight 0 for colours alone
     * @return empty for a picture of several channels that are no colours
     */
    public static Optional<PicturePoints> of(
            Picture picture, Picture original, Field field, ColourSpace space, double positionWeight, Work work) {
        return of(picture, original, field, space, positionWeight, MOST_COLOURS, work);
    }

    /** The colours alone, gathered so far that there are few; enough to see how many groups they fall into. */
    public static Optional<PicturePoints> few(
            Picture picture, Picture original, Field field, ColourSpace space, Work work) {
        return of(picture, original, field, space, 0, FEW_COLOURS, work);
    }

    private static Optional<PicturePoints> of(
            Picture picture,
            Picture original,
            Field field,
            ColourSpace space,
            double positionWeight,
            int mostColours,
            Work work) {
        Optional<ColourRows> rows = ColourRows.of(picture, original);
        Optional<Plane> grey = rows.isPresent() ? Optional.empty() : picture.single();
        if (rows.isEmpty() && grey.isEmpty()) {
            return Optional.empty();
        }
        Lit alone = rows.map(r -> colours(r, field, space, mostColours, work))
                .orElseGet(() -> values(Histogram.of(grey.orElseThrow(), field, work)));
        PicturePoints plain = new PicturePoints(rows, grey, field, space, 0, alone);
        if (positionWeight == 0 || alone.points().count() == 0) {
            return Optional.of(plain);
        }
        double spread = Math.sqrt(alone.points().spread() / alone.points().totalWeight());
        double factor = positionWeight * spread / Math.max(field.width(), field.height());
        return Optional.of(new PicturePoints(rows, grey, field, space, factor, plain.pixels(factor)));
    }

    public Points points() {
        return points;
    }

    private int colourDimensions() {
        return rows.isPresent() ? 3 : 1;
    }

    private static Lit values(Histogram h) {
        int n = 0;
        for (int i = 0; i < h.bins(); i++) {
            n += h.count(i) > 0 ? 1 : 0;
        }
        double[] at = new double[n];
        double[] weights = new double[n];
        for (int i = 0, p = 0; i < h.bins(); i++) {
            if (h.count(i) > 0) {
                at[p] = h.upperEdge(i);
                weights[p++] = h.count(i);
            }
        }
        return new Lit(new Points(1, at, weights), at);
    }

    /** The colours that occur, upwards, and how often each. */
    private record Colours(int[] packed, int[] counts) {
        /** Few pixels are sorted; more are counted, some rows at a time, in a table of all colours that there may be. */
        static Colours of(ColourRows rows, Field field, Work work) {
            int width = rows.width();
            if (field.pixels() <= FEW_PIXELS) {
                int[] all = new int[(int) field.pixels()];
                return sorted(all, gather(rows, field, 0, rows.height(), all, work));
            }
            int[] table = new int[1 << 24];
            int[] some = new int[Math.max(FEW_PIXELS, width)];
            int atOnce = some.length / width;
            for (int y = 0; y < rows.height(); y += atOnce) {
                int n = gather(rows, field, y, Math.min(rows.height(), y + atOnce), some, work);
                work.each(2, odd -> count(some, n, odd, table));
            }
            return counted(table);
        }

        /** The colours of rows [top, bottom), in any order. @return how many pixels; {@value #NO_COLOUR} where one has none */
        private static int gather(ColourRows rows, Field field, int top, int bottom, int[] into, Work work) {
            Mask inside = field.mask();
            int[] start = new int[bottom - top + 1];
            for (int y = top; y < bottom; y++) {
                start[y - top + 1] = start[y - top] + inside.count(y, 0, rows.width());
            }
            work.bands(bottom - top, (from, to) -> {
                float[][] rgb = new float[3][rows.width()];
                for (int y = top + from; y < top + to; y++) {
                    work.cancel().check();
                    rows.read(y, rgb[0], rgb[1], rgb[2]);
                    int n = start[y - top];
                    for (int x = inside.nextSet(y, 0); x < rows.width(); ) {
                        int end = inside.nextClear(y, x);
                        for (; x < end; x++) {
                            into[n++] = packed(rgb[0][x], rgb[1][x], rgb[2][x]);
                        }
                        x = inside.nextSet(y, end);
                    }
                }
            });
            return start[bottom - top];
        }

        private static int packed(float red, float green, float blue) {
            return Float.isFinite(red + green + blue) ? level(red) << 16 | level(green) << 8 | level(blue) : NO_COLOUR;
        }

        /** Counts the colours whose green is odd, or those whose is not, so that two threads do not meet. */
        private static void count(int[] some, int n, int odd, int[] table) {
            for (int i = 0; i < n; i++) {
                if ((some[i] >>> 8 & 1) == odd && some[i] != NO_COLOUR) {
                    table[some[i]]++;
                }
            }
        }

        private static Colours counted(int[] table) {
            int distinct = 0;
            for (int count : table) {
                distinct += count > 0 ? 1 : 0;
            }
            int[] packed = new int[distinct];
            int[] counts = new int[distinct];
            int n = 0;
            for (int colour = 0; colour < table.length; colour++) {
                if (table[colour] > 0) {
                    packed[n] = colour;
                    counts[n++] = table[colour];
                }
            }
            return new Colours(packed, counts);
        }

        private static Colours sorted(int[] all, int pixels) {
            Arrays.sort(all, 0, pixels);
            int[] counts = new int[pixels];
            int n = 0;
            int without = 0; // which comes first
            while (without < pixels && all[without] == NO_COLOUR) {
                without++;
            }
            for (int i = without; i < pixels; i++) {
                if (n == 0 || all[n - 1] != all[i]) {
                    all[n++] = all[i];
                }
                counts[n - 1]++;
            }
            return new Colours(Arrays.copyOf(all, n), Arrays.copyOf(counts, n));
        }
    }

    private static Lit colours(ColourRows rows, Field field, ColourSpace space, int most, Work work) {
        Colours colours = Colours.of(rows, field, work);
        int shift = 0;
        int distinct = colours.packed.length;
        while (distinct > most && shift < 3) {
            distinct = cells(colours, ++shift);
        }
        return points(colours, shift, distinct, space);
    }

    private static int level(float v) {
        return Math.clamp(Math.round(v), 0, 255);
    }

    private static int cell(int packed, int shift) {
        int bits = 8 - shift;
        return (packed >> 16 & 0xff) >> shift << 2 * bits
                | (packed >> 8 & 0xff) >> shift << bits
                | (packed & 0xff) >> shift;
    }

    private static int cells(Colours colours, int shift) {
        boolean[] met = new boolean[1 << 3 * (8 - shift)];
        int n = 0;
        for (int packed : colours.packed) {
            int cell = cell(packed, shift);
            n += met[cell] ? 0 : 1;
            met[cell] = true;
        }
        return n;
    }

    private static Lit points(Colours colours, int shift, int distinct, ColourSpace space) {
        int[] index = new int[shift == 0 ? 0 : 1 << 3 * (8 - shift)];
        double[] sums = new double[3 * distinct];
        double[] weights = new double[distinct];
        int n = 0;
        for (int at = 0; at < colours.packed.length; at++) {
            int packed = colours.packed[at];
            int count = colours.counts[at];
            int i = at;
            if (shift > 0) {
                int cell = cell(packed, shift);
                if (index[cell] == 0) {
                    index[cell] = ++n;
                }
                i = index[cell] - 1;
            }
            weights[i] += count;
            sums[3 * i] += (double) count * (packed >> 16 & 0xff);
            sums[3 * i + 1] += (double) count * (packed >> 8 & 0xff);
            sums[3 * i + 2] += (double) count * (packed & 0xff);
        }
        double[] rgb = new double[3];
        double[] into = new double[3];
        double[] light = new double[distinct];
        for (int i = 0; i < distinct; i++) {
            for (int c = 0; c < 3; c++) {
                rgb[c] = sums[3 * i + c] / weights[i];
            }
            light[i] = luma(rgb);
            place(space, rgb, into);
            System.arraycopy(into, 0, sums, 3 * i, 3);
        }
        return new Lit(new Points(3, sums, weights), light);
    }

    private static void place(ColourSpace space, double[] rgb, double[] into) {
        space.of(rgb, into);
        if (space == ColourSpace.HSV) {
            double angle = StrictMath.toRadians(into[0]);
            double saturation = into[1];
            into[0] = saturation * StrictMath.cos(angle);
            into[1] = saturation * StrictMath.sin(angle);
        }
    }

    /** Pixels of the field on a grid, with their places. */
    private Lit pixels(double factor) {
        int d = colourDimensions();
        Mask inside = field.mask();
        int step = (int) Math.max(1, Math.ceil(Math.sqrt((double) field.width() * field.height() / MOST_PIXELS)));
        double[] at = new double[(field.width() / step + 1) * (field.height() / step + 1) * (d + 2)];
        double[] light = new double[at.length / (d + 2)];
        int n = 0;
        double[] into = new double[d + 2];
        for (int y = step / 2; y < field.height(); y += step) {
            for (int x = step / 2; x < field.width(); x += step) {
                if (inside.at(x, y) && pixel(x, y, factor, into)) {
                    System.arraycopy(into, 0, at, n * (d + 2), d + 2);
                    light[n] = light(x, y);
                    n++;
                }
            }
        }
        double[] weights = new double[n];
        Arrays.fill(weights, 1);
        return new Lit(new Points(d + 2, Arrays.copyOf(at, n * (d + 2)), weights), light);
    }

    private double light(int x, int y) {
        return grey.map(g -> (double) g.at(x, y)).orElseGet(() -> {
            Rgb colour = rows.orElseThrow().at(x, y);
            return luma(new double[] {colour.red(), colour.green(), colour.blue()});
        });
    }

    private boolean pixel(int x, int y, double factor, double[] into) {
        int d = colourDimensions();
        into[d] = factor * (x + 0.5);
        into[d + 1] = factor * (y + 0.5);
        if (grey.isPresent()) {
            into[0] = grey.get().at(x, y);
            return Double.isFinite(into[0]);
        }
        Rgb colour = rows.orElseThrow().at(x, y);
        place(space, new double[] {colour.red(), colour.green(), colour.blue()}, into);
        return true;
    }

    /** The phase of every pixel: {@code phaseOf} of its nearest centre. */
    public Plane8 assign(double[] centres, int[] phaseOf, Work work) {
        int d = colourDimensions();
        int all = placeFactor == 0 ? d : d + 2;
        int width = field.width();
        byte[] out = new byte[width * field.height()];
        Arrays.fill(out, (byte) PhaseMap.OUTSIDE);
        if (rows.isPresent() && placeFactor == 0) {
            return Plane8.of(
                    width,
                    field.height(),
                    EachColour.of(
                            rows.get(),
                            field,
                            PhaseMap.OUTSIDE,
                            () -> {
                                double[] into = new double[3];
                                return rgb -> {
                                    place(space, rgb, into);
                                    return phaseOf[KMeans.nearest(centres, 3, into)];
                                };
                            },
                            work));
        }
        Mask inside = field.mask();
        work.bands(field.height(), (from, to) -> {
            double[] into = new double[all];
            double[] rgb = new double[3];
            float[][] row = new float[3][width];
            for (int y = from; y < to; y++) {
                work.cancel().check();
                read(y, row);
                for (int x = inside.nextSet(y, 0); x < width; x = inside.nextSet(y, x + 1)) {
                    if (!Float.isFinite(row[0][x] + row[1][x] + row[2][x])) {
                        continue;
                    }
                    if (grey.isPresent()) {
                        into[0] = row[0][x];
                    } else {
                        rgb[0] = row[0][x];
                        rgb[1] = row[1][x];
                        rgb[2] = row[2][x];
                        place(space, rgb, into);
                    }
                    if (all > d) {
                        into[d] = placeFactor * (x + 0.5);
                        into[d + 1] = placeFactor * (y + 0.5);
                    }
                    out[y * width + x] = (byte) phaseOf[KMeans.nearest(centres, all, into)];
                }
            }
        });
        return Plane8.of(width, field.height(), out);
    }

    private void read(int y, float[][] row) {
        if (grey.isPresent()) {
            grey.get().readRow(y, 0, field.width(), row[0], 0);
        } else {
            rows.orElseThrow().read(y, row[0], row[1], row[2]);
        }
    }

    /** How light each group is, for the order of phases: the mean of its grey values, or the BT.709 luma of its mean colour. */
    public double[] lightness(KMeans.Partition parted) {
        int k = parted.centres().length / points.dimensions();
        double[] sums = new double[k];
        double[] weights = new double[k];
        for (int i = 0; i < points.count(); i++) {
            sums[parted.groups()[i]] += points.weights()[i] * light[i];
            weights[parted.groups()[i]] += points.weights()[i];
        }
        for (int c = 0; c < k; c++) {
            sums[c] /= weights[c];
        }
        return sums;
    }

    private static double luma(double[] rgb) {
        return 0.2126 * rgb[0] + 0.7152 * rgb[1] + 0.0722 * rgb[2];
    }
}
