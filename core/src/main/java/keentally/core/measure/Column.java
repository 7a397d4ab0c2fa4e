package keentally.core.measure;

import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.core.stats.Averaging;

/** A number that the table of objects has for each of them: a measure, or a formula over measures. Worked out in pixels. */
public sealed interface Column permits Measure, OwnColumn {
    /** As in files. */
    String id();

    /** How often lengths are multiplied into it: 1 for a length, 2 for an area. */
    double lengths();

    /** How its numbers are averaged. */
    Averaging averaging();

    /** A number as it is told, from pixels. */
    default double told(double px, PixelSize size) {
        return size.power(px, lengths());
    }

    /** As in names of columns: {@code um}, {@code um2}, {@code deg} or nothing. */
    String unitId(LengthUnit unit);

    /** As on screen: µm, µm², ° or nothing. */
    String unitSymbol(LengthUnit unit);
}
