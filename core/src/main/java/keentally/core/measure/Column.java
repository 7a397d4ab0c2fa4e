package keentally.core.measure;

import keentally.core.quantity.LengthUnit;

/** A number that the table of objects has for each of them: a measure, or a formula over measures. Worked out in pixels. */
public sealed interface Column permits Measure, OwnColumn {
    /** As in files. */
    String id();

    /** What a number in pixels is multiplied by, where a pixel is {@code perPixel} units long. */
    double factor(double perPixel);

    /** As in names of columns: {@code um}, {@code um2}, {@code deg} or nothing. */
    String unitId(LengthUnit unit);

    /** As on screen: µm, µm², ° or nothing. */
    String unitSymbol(LengthUnit unit);
}
