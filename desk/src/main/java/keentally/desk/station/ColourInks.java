package keentally.desk.station;

import javafx.scene.paint.Color;
import keentally.core.colour.ColourSpace;

/** What a value of a component looks like, the other components being what shows it best. */
final class ColourInks {
    private static final double LIGHTNESS = 65;

    private ColourInks() {}

    static Color of(ColourSpace space, int component, double value) {
        return switch (space) {
            case RGB -> {
                double[] rgb = new double[3];
                rgb[component] = Math.clamp(value / 255, 0, 1);
                yield Color.color(rgb[0], rgb[1], rgb[2]);
            }
            case HSV ->
                switch (component) {
                    case 0 -> Color.hsb(value % 360, 0.65, 0.85);
                    case 1 -> Color.hsb(190, Math.clamp(value, 0, 1), 0.75);
                    default -> Color.gray(Math.clamp(value, 0, 1));
                };
            case LAB ->
                switch (component) {
                    case 0 -> lab(value, 0, 0);
                    case 1 -> lab(LIGHTNESS, value, 0);
                    default -> lab(LIGHTNESS, 0, value);
                };
        };
    }

    /** Kept within what a screen can show; under D65, IEC 61966-2-1. */
    private static Color lab(double lightness, double a, double b) {
        double fy = (lightness + 16) / 116;
        double x = 0.95047 * cube(fy + a / 500);
        double y = cube(fy);
        double z = 1.08883 * cube(fy - b / 200);
        return Color.color(
                gamma(3.2404542 * x - 1.5371385 * y - 0.4985314 * z),
                gamma(-0.9692660 * x + 1.8760108 * y + 0.0415560 * z),
                gamma(0.0556434 * x - 0.2040259 * y + 1.0572252 * z));
    }

    private static double cube(double f) {
        return f > 6.0 / 29 ? f * f * f : (116 * f - 16) * 27 / 24389;
    }

    private static double gamma(double v) {
        double kept = Math.clamp(v, 0, 1);
        return kept <= 0.0031308 ? 12.92 * kept : 1.055 * Math.pow(kept, 1 / 2.4) - 0.055;
    }
}
