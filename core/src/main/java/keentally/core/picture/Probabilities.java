package keentally.core.picture;

import java.util.List;

/**
 * How likely each pixel is of each class, a byte a class and pixel: 255 is certain.
 *
 * @param planes one a class
 * @param names one a class
 */
public record Probabilities(List<Plane8> planes, List<String> names) implements HoldsBuffers {
    private static final double CERTAIN = 255;

    public Probabilities {
        planes = List.copyOf(planes);
        names = List.copyOf(names);
        if (planes.size() != names.size()) {
            throw new IllegalArgumentException(planes.size() + " planes do not go with " + names.size() + " names");
        }
    }

    public int classes() {
        return planes.size();
    }

    /** From 0 to 1. */
    public double at(int c, int x, int y) {
        return (planes.get(c).values()[y * planes.get(c).width() + x] & 0xff) / CERTAIN;
    }

    @Override
    public void addTo(Buffers buffers) {
        planes.forEach(buffers::add);
    }
}
