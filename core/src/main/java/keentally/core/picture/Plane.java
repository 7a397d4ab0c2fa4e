package keentally.core.picture;

/** One value a pixel, in the values the picture came with. */
public sealed interface Plane extends HoldsBuffers permits Plane8, Plane16, PlaneF {
    int width();

    int height();

    Depth depth();

    /** The value at x in [0, width), y in [0, height). */
    float at(int x, int y);

    /** Copies pixels [fromX, toX) of row {@code y} to {@code into}, the first one at index {@code start}. */
    void readRow(int y, int fromX, int toX, float[] into, int start);

    /** The memory that the values take. */
    default long bytes() {
        return (long) width() * height() * depth().bits() / 8;
    }

    default boolean sameSize(Plane other) {
        return width() == other.width() && height() == other.height();
    }
}
