package keentally.core.colour;

import java.util.Locale;

/**
 * A colour of 8 bits a channel, sRGB.
 *
 * @param red 0 to 255
 * @param green 0 to 255
 * @param blue 0 to 255
 */
public record Rgb(int red, int green, int blue) {
    public Rgb {
        if (((red | green | blue) & ~0xff) != 0) {
            throw new IllegalArgumentException(
                    "red, green and blue must be from 0 to 255, were " + red + ", " + green + ", " + blue);
        }
    }

    /**
     * Reads {@code "#a0522d"}.
     *
     * @throws IllegalArgumentException saying what was found
     */
    public static Rgb of(String text) {
        if (!text.strip().matches("#[0-9a-fA-F]{6}")) {
            throw new IllegalArgumentException("expected a colour such as \"#a0522d\" but found \"" + text + "\"");
        }
        return from(Integer.parseInt(text.strip().substring(1), 16));
    }

    /** From red, green and blue packed as 0xrrggbb. */
    public static Rgb from(int packed) {
        return new Rgb(packed >> 16 & 0xff, packed >> 8 & 0xff, packed & 0xff);
    }

    /** From values that are rounded and kept within 0 to 255. */
    public static Rgb from(double red, double green, double blue) {
        return new Rgb(level(red), level(green), level(blue));
    }

    private static int level(double v) {
        return (int) Math.clamp(Math.rint(v), 0, 255);
    }

    public int packed() {
        return red << 16 | green << 8 | blue;
    }

    /** As in files: {@code #a0522d}. */
    @Override
    public String toString() {
        return String.format(Locale.ROOT, "#%06x", packed());
    }
}
