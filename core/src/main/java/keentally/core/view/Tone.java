package keentally.core.view;

import keentally.core.picture.Depth;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.stats.Histogram;
import keentally.core.work.Work;

/**
 * Which values are shown black and white; the data stay as they are.
 *
 * @param black shown black, and all below
 * @param white shown white, and all above
 */
public record Tone(double black, double white) {
    private static final double LEFT_OUT = 0.0005;

    /** 8-bit pictures as they are; others from their darkest to their brightest values, but for the outermost 0.05 %. */
    public static Tone of(Picture picture, Work work) {
        if (picture.depth() == Depth.BITS_8) {
            return new Tone(0, 255);
        }
        double black = Double.POSITIVE_INFINITY;
        double white = Double.NEGATIVE_INFINITY;
        for (var channel : picture.channels()) {
            Plane plane = channel.plane();
            Histogram h = Histogram.of(plane, Field.whole(plane.width(), plane.height()), work);
            black = Math.min(black, h.upperEdge(h.binOf((long) ((LEFT_OUT) * h.total()))));
            white = Math.max(white, h.upperEdge(h.binOf((long) ((1 - LEFT_OUT) * h.total()))));
        }
        return new Tone(black, white > black ? white : black + 1);
    }

    /**
     * This, or the other where it holds all that this shows: prepared pictures look as bright as what they were made from. One that would
     * use less than a tenth of the other, such as a density, keeps its own.
     */
    Tone like(Tone other) {
        double slack = (other.white - other.black) / 50;
        boolean faint = white - black < 5 * slack;
        return !faint && black >= other.black - slack && white <= other.white + slack ? other : this;
    }
}
