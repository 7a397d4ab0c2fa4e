package keentally.study.plot;

import java.awt.Color;
import java.awt.Font;

/** The colours and the type of a plot. */
public record PlotLook(Color paper, Color ink, Color grid, Color first, Color second, Font font) {
    /** On white paper, for files. */
    public static final PlotLook PRINT = new PlotLook(
            Color.WHITE,
            new Color(0x1E2730),
            new Color(0xE4E0D6),
            new Color(0x35A4AE),
            new Color(0x7A2E6E),
            new Font(Font.SANS_SERIF, Font.PLAIN, 12));
}
