package keentally.core.find;

import java.util.Optional;
import keentally.core.colour.ColourRows;
import keentally.core.colour.ColourSpace;
import keentally.core.colour.EachColour;
import keentally.core.colour.Rgb;
import keentally.core.label.Labeller;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Picture;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/**
 * The empty, light ground that a sample lies on: glass, paper or a lit table, which belongs to no sample and to no share.
 *
 * <p>Definition. Light is a pixel whose red, green and blue are each at least {@value #LIGHT} of 255 and no further than {@value #GREY}
 * apart. The ground is made of those pieces of light pixels, by eight neighbours, that touch the field's edge and are at least
 * {@value #LEAST_PERCENT} % of the field; of dyes, where light that nothing took away is empty wherever it is, of those that are at least
 * {@value #LEAST_HOLE_PERCENT} %, if they are {@value #LEAST_PERCENT} % together; its colour is their mean, its reach the distance in L*a*b* within which 99 of 100 of its pixels
 * lie of that, once more by a half; for both at most {@value #SAMPLED} on a grid are looked at.
 *
 * <p>Edge cases: empty without colour, and where no piece is large enough. Cost: one pass over the field, and none where few pixels of
 * the grid are light.
 *
 * @param mask where it lies
 * @param percent of the field
 * @param colour of the ground
 * @param reach in L*a*b*
 */
public record LightGround(Mask mask, double percent, Rgb colour, double reach) {
    private static final int LIGHT = 212;
    private static final int GREY = 24;
    private static final double LEAST_PERCENT = 3;
    private static final double LEAST_HOLE_PERCENT = 0.05;
    private static final int STEPS = 1000;
    private static final int SAMPLED = 100_000;
    private static final double MOST_REACH = 25;

    /** The ground of a picture; empty where it has none. */
    public static Optional<LightGround> of(Picture picture, Field field, Work work) {
        return ColourRows.of(picture, picture).flatMap(rows -> of(rows, field, false, work));
    }

    /** The ground of a picture of dyes, holes in the sample too; empty where it has none. */
    public static Optional<LightGround> ofDyes(Picture picture, Field field, Work work) {
        return ColourRows.of(picture, picture).flatMap(rows -> of(rows, field, true, work));
    }

    private static Optional<LightGround> of(ColourRows rows, Field field, boolean holes, Work work) {
        if (!mayBeThere(rows, field)) {
            return Optional.empty();
        }
        byte[] light = EachColour.of(rows, field, 0, () -> LightGround::isLight, work);
        Mask all = Mask.from(light, rows.width(), rows.height());
        Regions pieces = Labeller.regions(all, Neighbours.EIGHT, work);
        Mask inner = field.inner(Neighbours.EIGHT);
        double least = (holes ? LEAST_HOLE_PERCENT : LEAST_PERCENT) / 100 * field.pixels();
        Mask mask = pieces.mask(i -> pieces.pixels(i) >= least && (holes || pieces.leaves(i, inner)));
        long pixels = mask.count();
        return 100.0 * pixels < LEAST_PERCENT * field.pixels()
                ? Optional.empty()
                : Optional.of(seen(rows, mask, 100.0 * pixels / field.pixels()));
    }

    /** Whether enough pixels are light on a grid of at most {@value #SAMPLED}: most pictures need no closer look. */
    private static boolean mayBeThere(ColourRows rows, Field field) {
        int step = step((long) rows.width() * rows.height());
        long light = 0;
        long all = 0;
        for (int y = step / 2; y < rows.height(); y += step) {
            for (int x = step / 2; x < rows.width(); x += step) {
                if (field.contains(x, y)) {
                    all++;
                    light += isLight(rows.value(x, y));
                }
            }
        }
        return 200.0 * light >= LEAST_PERCENT * all;
    }

    /** So many pixels apart along rows and columns that no more are looked at than need be. */
    private static int step(long pixels) {
        return (int) Math.max(1, Math.ceil(Math.sqrt((double) pixels / SAMPLED)));
    }

    private static int isLight(double[] rgb) {
        double least = Math.min(rgb[0], Math.min(rgb[1], rgb[2]));
        double most = Math.max(rgb[0], Math.max(rgb[1], rgb[2]));
        return least >= LIGHT && most - least <= GREY ? 1 : 0;
    }

    private static LightGround seen(ColourRows rows, Mask mask, double percent) {
        double[] sums = new double[4];
        each(rows, mask, (r, g, b) -> {
            sums[0] += r;
            sums[1] += g;
            sums[2] += b;
            sums[3]++;
        });
        Rgb colour = Rgb.from(sums[0] / sums[3], sums[1] / sums[3], sums[2] / sums[3]);
        double[] centre = ColourSpace.LAB.of(colour);
        long[] far = new long[STEPS];
        double[] lab = new double[3];
        double[] rgb = new double[3];
        each(rows, mask, (r, g, b) -> {
            rgb[0] = r;
            rgb[1] = g;
            rgb[2] = b;
            ColourSpace.LAB.of(rgb, lab);
            double away = Math.sqrt(ColourSpace.LAB.squareDistance(lab, centre));
            far[(int) Math.min(STEPS - 1, away / MOST_REACH * STEPS)]++;
        });
        long within = 0;
        int step = 0;
        while (step < STEPS - 1 && within + far[step] < 0.99 * sums[3]) {
            within += far[step++];
        }
        double reach = 1.5 * (step + 1) * MOST_REACH / STEPS;
        return new LightGround(mask, percent, colour, Math.max(1, Math.rint(10 * reach) / 10));
    }

    private interface Visitor {
        void at(float red, float green, float blue);
    }

    private static void each(ColourRows rows, Mask mask, Visitor visitor) {
        int width = rows.width();
        int step = step(mask.count());
        float[][] row = new float[3][width];
        for (int y = 0; y < rows.height(); y += step) {
            int x = mask.nextSet(y, 0);
            if (x < width) {
                rows.read(y, row[0], row[1], row[2]);
            }
            while (x < width) {
                visitor.at(row[0][x], row[1][x], row[2][x]);
                x = mask.nextSet(y, Math.min(width, x + step));
            }
        }
    }
}
