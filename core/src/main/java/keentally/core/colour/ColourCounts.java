package keentally.core.colour;

import java.util.List;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;

/**
 * How often the values of each component of a colour space occur, in {@value #STEPS} equal steps of its whole range. Hue is counted of
 * pixels with a saturation of {@value #GREY} or more only: grey has none. At most {@value #SAMPLED} pixels on a grid are looked at.
 *
 * @param counts of three components, each from low to high
 */
public record ColourCounts(ColourSpace space, int[][] counts) {
    public static final int STEPS = 120;

    private static final double GREY = 0.04;
    private static final int SAMPLED = 300_000;

    /** Of the pixels of a field. */
    public static ColourCounts of(ColourRows rows, Field field, ColourSpace space) {
        ColourCounts counts = new ColourCounts(space, new int[3][STEPS]);
        Mask inside = field.mask();
        int step = (int) Math.max(1, Math.ceil(Math.sqrt((double) rows.width() * rows.height() / SAMPLED)));
        for (int y = step / 2; y < rows.height(); y += step) {
            for (int x = step / 2; x < rows.width(); x += step) {
                if (inside.at(x, y)) {
                    counts.add(rows.value(x, y));
                }
            }
        }
        return counts;
    }

    /** Of some colours, red, green and blue on the 0 to 255 scale. */
    public static ColourCounts of(List<double[]> colours, ColourSpace space) {
        ColourCounts counts = new ColourCounts(space, new int[3][STEPS]);
        colours.forEach(counts::add);
        return counts;
    }

    private void add(double[] rgb) {
        double[] at = new double[3];
        space.of(rgb, at);
        for (int c = 0; c < 3; c++) {
            if (space.wraps(c) && at[1] < GREY) {
                continue;
            }
            double share = (at[c] - space.least(c)) / (space.most(c) - space.least(c));
            counts[c][Math.clamp((int) (share * STEPS), 0, STEPS - 1)]++;
        }
    }
}
