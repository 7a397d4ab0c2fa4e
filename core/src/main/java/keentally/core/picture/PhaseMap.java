package keentally.core.picture;

import java.util.List;

/**
 * Which phase each pixel of the field is in.
 *
 * @param map phase numbers from 0; {@value #OUTSIDE} outside the field
 * @param names one a phase
 */
public record PhaseMap(Plane8 map, List<String> names) {
    public static final int OUTSIDE = 255;

    public PhaseMap {
        names = List.copyOf(names);
        if (names.isEmpty() || names.size() > OUTSIDE) {
            throw new IllegalArgumentException("a phase map has 1 to " + OUTSIDE + " phases, was " + names.size());
        }
    }

    /** The two phases of a mask: 0 is the rest of the field, 1 what was chosen. */
    public static PhaseMap of(Mask mask, Field field) {
        int width = mask.width();
        byte[] values = new byte[width * mask.height()];
        Mask inside = field.mask();
        for (int y = 0; y < mask.height(); y++) {
            for (int x = 0; x < width; x++) {
                values[y * width + x] = (byte) (mask.at(x, y) ? 1 : inside.at(x, y) ? 0 : OUTSIDE);
            }
        }
        return new PhaseMap(Plane8.of(width, mask.height(), values), List.of("rest", "chosen"));
    }
}
