package keentally.study.plot;

import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.GraphicsEnvironment;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;

/** The type that plots and reports are set in; shipped, so that they look the same on every machine. */
public final class Typeface {
    public static final String FAMILY = "Roboto";

    private static final Font REGULAR = load(Style.REGULAR);

    private Typeface() {}

    /** What is used of the family. */
    public enum Style {
        REGULAR("Roboto-Regular"),
        ITALIC("Roboto-Italic"),
        BOLD("Roboto-Bold");

        private final String file;

        Style(String file) {
            this.file = file;
        }
    }

    /** A TrueType file. */
    public static InputStream file(Style style) {
        return Typeface.class.getResourceAsStream("/com/formdev/flatlaf/fonts/roboto/" + style.file + ".ttf");
    }

    /** For drawing; {@code size} in points. */
    public static Font regular(float size) {
        return REGULAR.deriveFont(size);
    }

    private static Font load(Style style) {
        try (InputStream in = file(style)) {
            Font font = Font.createFont(Font.TRUETYPE_FONT, in);
            GraphicsEnvironment.getLocalGraphicsEnvironment().registerFont(font);
            return font;
        } catch (IOException e) {
            throw new UncheckedIOException("the program's own type cannot be read", e);
        } catch (FontFormatException e) {
            throw new IllegalStateException("the program's own type is damaged", e);
        }
    }
}
