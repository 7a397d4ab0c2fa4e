package keentally.core.find;

import java.util.Optional;
import keentally.core.geometry.Rectangle;

/**
 * What was burnt into a picture for people to read.
 *
 * @param strip a strip of plain ground along the lower or upper edge, as wide as the picture, with writing in it
 * @param bar the scale bar, in the strip or in the picture itself
 */
public record Caption(Optional<Rectangle> strip, Optional<Bar> bar) {
    public static final Caption NONE = new Caption(Optional.empty(), Optional.empty());

    /** Whether there is anything that is no sample. */
    public boolean isThere() {
        return strip.isPresent() || bar.isPresent();
    }

    /** All that is no sample: the strip, else what surrounds bar and writing. */
    public Optional<Rectangle> covered() {
        return strip.or(() -> bar.map(Bar::surround));
    }

    /**
     * A scale bar.
     *
     * @param from its left end, to a part of a pixel
     * @param to its right end
     * @param y its middle
     * @param thickness in pixels
     * @param surround the bar with the writing near it
     */
    public record Bar(double from, double to, double y, double thickness, Rectangle surround) {
        public double length() {
            return to - from;
        }
    }
}
