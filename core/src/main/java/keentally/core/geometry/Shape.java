package keentally.core.geometry;

/** A closed region with a sharp outline, its border belonging to it. */
public sealed interface Shape permits Rectangle, Ellipse, Polygon {

    /** Whether the point lies in the shape or on its outline. */
    boolean contains(double x, double y);

    /** The share of the pixel whose upper left corner is ({@code left}, {@code top}) that the shape covers, 0 to 1, exactly. */
    double coverage(int left, int top);

    /** The {@link #coverage} of a row's pixels from {@code left} on, as many as there is room for. */
    default void cover(int left, int top, double[] row) {
        for (int x = 0; x < row.length; x++) {
            row[x] = coverage(left + x, top);
        }
    }

    /** The smallest upright rectangle round the shape. */
    Rectangle bounds();

    /** The exact area in square pixels. */
    double area();
}
