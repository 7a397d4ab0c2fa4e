package keentally.core.colour;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import keentally.core.picture.Channel;
import keentally.core.picture.Depth;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/**
 * A channel of a picture by its word: {@code grey}, {@code red}, {@code green}, {@code blue}, {@code hue} (degrees, 0 for grey),
 * {@code saturation} and {@code value} (0 to 1), {@code lightness} (0 to 100), {@code a} and {@code b} of CIE L*a*b* under D65; a
 * name that the picture's own channel has, or its number from 1; {@code dye1} to {@code dye3} for dyes that were parted, whatever their names.
 *
 * <p>Stored values are taken as sRGB over the whole range of their depth, floating point over 0 to 1. Own names go before
 * words. Sources: A. R. Smith (1978), "Color gamut transform pairs", Computer Graphics 12(3), 12–19; IEC 61966-2-1 (1999) for
 * sRGB; CIE 15 (2004), section 8.2.1, for L*a*b*.
 */
public final class ChannelPlane {
    private static final String HUE = "hue";

    /** The words that any colour picture answers to, besides its own channels. */
    public static final List<String> WORDS =
            List.of("grey", "red", "green", "blue", HUE, "saturation", "value", "lightness", "a", "b");

    private static final int TABLE = 4096;

    /** White of D65, two degrees. */
    private static final double XN = 0.95047;

    private static final double ZN = 1.08883;

    private ChannelPlane() {}

    /** The names that a picture answers to: its own channels, then the words of a colour picture. */
    public static List<String> wordsFor(Picture picture) {
        Stream<String> own = picture.channels().stream().map(Channel::name);
        return Stream.concat(own, picture.isColour() ? WORDS.stream() : Stream.empty())
                .distinct()
                .toList();
    }

    /** Whether a channel holds angles in degrees: 0 and 360 are the same. */
    public static boolean isAngle(Picture picture, String word) {
        return word.equals(HUE) && picture.channel(word).isEmpty();
    }

    /** Empty where the picture has no such channel. */
    public static Optional<Plane> of(Picture picture, String word, Work work) {
        return picture.channel(word).or(() -> numbered(picture, word)).or(() -> made(picture, word, work));
    }

    private static Optional<Plane> numbered(Picture picture, String word) {
        boolean number = word.length() < 6 && !word.isEmpty() && word.chars().allMatch(Character::isDigit);
        int n = number ? Integer.parseInt(word) : 0;
        return n >= 1 && n <= picture.channels().size()
                ? Optional.of(picture.channels().get(n - 1).plane())
                : Optional.empty();
    }

    private static Optional<Plane> made(Picture picture, String word, Work work) {
        if (word.matches("dye[1-3]") && picture.channels().getFirst().ink().isPresent()) {
            return numbered(picture, word.substring(3));
        }
        if (word.equals("grey")) {
            return picture.isColour()
                    ? Optional.of(GreyChannel.of(picture, GreyChannel.Weights.BT709, false, work))
                    : picture.single();
        }
        if (!picture.isColour()) {
            return Optional.empty();
        }
        return switch (word) {
            case HUE -> Optional.of(each(picture, work, ChannelPlane::hue));
            case "saturation" -> Optional.of(each(picture, work, ChannelPlane::saturation));
            case "value" -> Optional.of(each(picture, work, (r, g, b) -> Math.max(r, Math.max(g, b))));
            case "lightness" -> Optional.of(each(picture, work, (r, g, b) -> (float) (116 * f(y(r, g, b)) - 16)));
            case "a" -> Optional.of(each(picture, work, (r, g, b) -> (float) (500 * (f(x(r, g, b)) - f(y(r, g, b))))));
            case "b" -> Optional.of(each(picture, work, (r, g, b) -> (float) (200 * (f(y(r, g, b)) - f(z(r, g, b))))));
            default -> Optional.empty();
        };
    }

    /** From red, green and blue of 0 to 1. */
    private interface Mix {
        float of(float r, float g, float b);
    }

    private static Plane each(Picture picture, Work work, Mix mix) {
        int width = picture.width();
        float[] out = new float[width * picture.height()];
        float most = picture.depth() == Depth.FLOAT ? 1 : picture.depth().most();
        work.bands(picture.height(), (from, to) -> {
            float[][] rgb = new float[3][width];
            for (int y = from; y < to; y++) {
                for (int c = 0; c < 3; c++) {
                    picture.channel(WORDS.get(c + 1)).orElseThrow().readRow(y, 0, width, rgb[c], 0);
                }
                for (int x = 0; x < width; x++) {
                    out[y * width + x] = mix.of(rgb[0][x] / most, rgb[1][x] / most, rgb[2][x] / most);
                }
            }
        });
        return PlaneF.of(width, picture.height(), out);
    }

    static float hue(float r, float g, float b) {
        float most = Math.max(r, Math.max(g, b));
        float range = most - Math.min(r, Math.min(g, b));
        if (!(range > 0)) {
            return 0;
        }
        float sixth = most == r ? (g - b) / range : most == g ? 2 + (b - r) / range : 4 + (r - g) / range;
        return 60 * (sixth < 0 ? sixth + 6 : sixth);
    }

    static float saturation(float r, float g, float b) {
        float most = Math.max(r, Math.max(g, b));
        return most > 0 ? (most - Math.min(r, Math.min(g, b))) / most : 0;
    }

    /** L*, a* and b*. */
    static void lab(float r, float g, float b, double[] into) {
        double fy = f(y(r, g, b));
        into[0] = 116 * fy - 16;
        into[1] = 500 * (f(x(r, g, b)) - fy);
        into[2] = 200 * (fy - f(z(r, g, b)));
    }

    private static double x(float r, float g, float b) {
        return (0.4124564 * linear(r) + 0.3575761 * linear(g) + 0.1804375 * linear(b)) / XN;
    }

    private static double y(float r, float g, float b) {
        return 0.2126729 * linear(r) + 0.7151522 * linear(g) + 0.0721750 * linear(b);
    }

    private static double z(float r, float g, float b) {
        return (0.0193339 * linear(r) + 0.1191920 * linear(g) + 0.9503041 * linear(b)) / ZN;
    }

    private static final double[] LINEAR = new double[TABLE + 2];
    private static final double[] BYTES = new double[256];

    static {
        for (int i = 0; i < LINEAR.length; i++) {
            LINEAR[i] = exact((double) i / TABLE);
        }
        for (int i = 0; i < BYTES.length; i++) {
            BYTES[i] = exact(i / 255.0);
        }
    }

    private static double exact(double v) {
        return v <= 0.04045 ? v / 12.92 : StrictMath.pow((v + 0.055) / 1.055, 2.4);
    }

    /** Exact for values of 8 bits; between the steps of a table of 4,096 else, good to 1e-6. */
    private static double linear(float v) {
        double byteValue = v * 255.0;
        int whole = (int) (byteValue + 0.5);
        if (whole >= 0 && whole < 256 && Math.abs(byteValue - whole) < 1e-4) {
            return BYTES[whole];
        }
        double at = Math.clamp(v, 0, 1) * (double) TABLE;
        int i = (int) at;
        return LINEAR[i] + (at - i) * (LINEAR[i + 1] - LINEAR[i]);
    }

    private static double f(double t) {
        return t > 216.0 / 24389 ? StrictMath.cbrt(t) : (24389.0 / 27 * t + 16) / 116;
    }
}
