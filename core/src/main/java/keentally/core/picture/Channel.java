package keentally.core.picture;

import java.util.OptionalInt;

/**
 * A plane with its name.
 *
 * @param name {@code grey}, {@code red}, {@code green}, {@code blue}, or a name of its own
 * @param ink for the density of a dye the colour, 0xrrggbb, that a density of 1 lets through of white; empty for light
 */
public record Channel(String name, Plane plane, OptionalInt ink) {
    public static final String GREY = "grey";
    public static final String RED = "red";
    public static final String GREEN = "green";
    public static final String BLUE = "blue";

    /** A channel whose values have no unit. */
    public Channel(String name, Plane plane) {
        this(name, plane, OptionalInt.empty());
    }

    Channel thinned(int stride) {
        int width = (plane.width() + stride - 1) / stride;
        int height = (plane.height() + stride - 1) / stride;
        float[] values = new float[width * height];
        for (int i = 0; i < values.length; i++) {
            values[i] = plane.at(i % width * stride, i / width * stride);
        }
        return new Channel(name, PlaneF.of(width, height, values), ink);
    }
}
