package keentally.core.colour;

import keentally.core.picture.Field;
import keentally.core.picture.Mask;

/**
 * How often the colours of a field occur, laid out flat: for HSV hue round and the root of saturation outward, so that pale colours have room; for L*a*b* a to the right and b
 * upwards; and beside it the value or lightness. At most {@value #SAMPLED} pixels on a grid are looked at.
 *
 * @param counts of {@value #SIDE} × {@value #SIDE} cells, row by row from the top
 * @param light of {@value #LIGHTS} steps, dark first
 */
public record ColourDensity(ColourSpace space, int[] counts, int[] light) {
    public static final int SIDE = 180;
    public static final int LIGHTS = 100;
    /** How far a and b are laid out from grey. */
    public static final double REACH = 100;

    private static final int SAMPLED = 300_000;

    /** @param space HSV or L*a*b* */
    public static ColourDensity of(ColourRows rows, Field field, ColourSpace space) {
        int[] counts = new int[SIDE * SIDE];
        int[] light = new int[LIGHTS];
        Mask inside = field.mask();
        int step = (int) Math.max(1, Math.ceil(Math.sqrt((double) rows.width() * rows.height() / SAMPLED)));
        double[] at = new double[3];
        double[] place = new double[2];
        for (int y = step / 2; y < rows.height(); y += step) {
            for (int x = step / 2; x < rows.width(); x += step) {
                if (inside.at(x, y)) {
                    space.of(rows.value(x, y), at);
                    place(space, at, place);
                    int column = Math.clamp((int) (place[0] * SIDE), 0, SIDE - 1);
                    int row = Math.clamp((int) (place[1] * SIDE), 0, SIDE - 1);
                    counts[row * SIDE + column]++;
                    double share = space == ColourSpace.LAB ? at[0] / 100 : at[2];
                    light[Math.clamp((int) (share * LIGHTS), 0, LIGHTS - 1)]++;
                }
            }
        }
        return new ColourDensity(space, counts, light);
    }

    /** Where a colour lies on the map, from 0 to 1 rightwards and downwards. */
    public static void place(ColourSpace space, double[] components, double[] into) {
        if (space == ColourSpace.LAB) {
            into[0] = (components[1] / REACH + 1) / 2;
            into[1] = (1 - components[2] / REACH) / 2;
        } else {
            double angle = StrictMath.toRadians(components[0]);
            double outward = Math.sqrt(components[1]);
            into[0] = (1 + outward * StrictMath.cos(angle)) / 2;
            into[1] = (1 - outward * StrictMath.sin(angle)) / 2;
        }
    }

    public int most() {
        int most = 0;
        for (int count : counts) {
            most = Math.max(most, count);
        }
        return most;
    }
}
