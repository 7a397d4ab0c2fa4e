package keentally.core.classify;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.colour.Rgb;
import keentally.core.hand.ClassStrokes;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane8;

/**
 * A picture in which somebody painted classes: each value, or each colour, is one. Whether one of them means <em>not painted</em> is never
 * guessed.
 */
public final class ClassPicture {
    /** In place of a stroke's number, where a pixel was not painted by one. */
    static final int NO_STROKE = -1;

    /** A photo has more; a painted picture has few. */
    private static final int MOST_VALUES = 64;

    private static final int[] COLOURS = {
        0x1E2A52, 0x7A2E6E, 0x0E6470, 0xC98A1B, 0x5A7D2A, 0xA8483A, 0x4F6FB5, 0x8A6B4F, 0x2F9C95, 0xB56FA8
    };

    private final int width;
    private final int height;
    private final int[] at;
    private final List<Painted> values;
    private final Optional<int[]> strokeAt;
    private final int strokes;

    private ClassPicture(int width, int height, int[] at, List<Painted> values, Optional<int[]> strokeAt, int strokes) {
        this.width = width;
        this.height = height;
        this.at = at;
        this.values = List.copyOf(values);
        this.strokeAt = strokeAt;
        this.strokes = strokes;
    }

    /**
     * Of strokes, the first of its values, called nothing, being what is not painted.
     *
     * @param classes those that are asked for, at least one
     * @param apart strokes of a class that are nearer to each other, in pixels, count as one
     */
    public static ClassPicture of(int width, int height, ClassStrokes strokes, List<ClassLabel> classes, double apart) {
        return StrokePicture.of(width, height, strokes, classes, apart);
    }

    /**
     * @param strokeAt the stroke of each pixel, or {@link #NO_STROKE}
     * @param strokes how many there are
     */
    static ClassPicture of(int width, int height, int[] at, List<Painted> values, int[] strokeAt, int strokes) {
        return new ClassPicture(width, height, at, values, Optional.of(strokeAt), strokes);
    }

    /**
     * What pixels of a value are.
     *
     * @param name the value as a number, or the colour as #rrggbb
     * @param pixels how many have it
     */
    public record Painted(String name, Rgb colour, long pixels) {}

    /**
     * The values of a picture.
     *
     * @throws IllegalArgumentException in a sentence, where it is no picture of few values
     */
    public static ClassPicture of(Picture picture) {
        boolean colour = picture.isColour();
        if (!colour && picture.single().isEmpty()) {
            throw new IllegalArgumentException(
                    "a class picture is grey or in colour, but this one has " + picture.channelNames());
        }
        Map<Integer, Integer> found = new TreeMap<>();
        int[] keys = new int[picture.width() * picture.height()];
        for (int y = 0; y < picture.height(); y++) {
            for (int x = 0; x < picture.width(); x++) {
                int key = colour
                        ? colourAt(picture, x, y)
                        : valueAt(picture.single().orElseThrow(), x, y);
                keys[y * picture.width() + x] = key;
                found.merge(key, 1, Integer::sum);
                if (found.size() > MOST_VALUES) {
                    throw new IllegalArgumentException("a class picture has at most " + MOST_VALUES
                            + " values, but this one has more; smooth edges and JPEG make such");
                }
            }
        }
        List<Integer> order = List.copyOf(found.keySet());
        List<Painted> values = new ArrayList<>();
        for (int i = 0; i < order.size(); i++) {
            Rgb shown = colour ? rgb(order.get(i)) : rgb(COLOURS[i % COLOURS.length]);
            String name = colour ? rgb(order.get(i)).toString() : String.valueOf(order.get(i));
            values.add(new Painted(name, shown, found.get(order.get(i))));
        }
        Map<Integer, Integer> number = new TreeMap<>();
        for (int i = 0; i < order.size(); i++) {
            number.put(order.get(i), i);
        }
        for (int i = 0; i < keys.length; i++) {
            keys[i] = number.get(keys[i]);
        }
        return new ClassPicture(picture.width(), picture.height(), keys, values, Optional.empty(), 0);
    }

    private static int colourAt(Picture picture, int x, int y) {
        return whole(picture.channel(Channel.RED).orElseThrow(), x, y) << 16
                | whole(picture.channel(Channel.GREEN).orElseThrow(), x, y) << 8
                | whole(picture.channel(Channel.BLUE).orElseThrow(), x, y);
    }

    private static int whole(Plane plane, int x, int y) {
        int value = valueAt(plane, x, y);
        if (value > 255) {
            throw new IllegalArgumentException("colours of a class picture have 8 bits");
        }
        return value;
    }

    private static int valueAt(Plane plane, int x, int y) {
        float value = plane.at(x, y);
        if (value != Math.rint(value) || value < 0 || value > 65_535) {
            throw new IllegalArgumentException("values of a class picture are whole numbers, but one is " + value);
        }
        return (int) value;
    }

    /** Those that classes are given, in their order. */
    static List<Rgb> colours() {
        return Arrays.stream(COLOURS).mapToObj(ClassPicture::rgb).toList();
    }

    private static Rgb rgb(int packed) {
        return new Rgb(packed >> 16 & 0xff, packed >> 8 & 0xff, packed & 0xff);
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** What it holds, by value. */
    public List<Painted> values() {
        return values;
    }

    /** What it holds, for a question: "0 (81.2 %), 1 (9.4 %)". */
    public String described() {
        double all = (double) width * height;
        return values.stream()
                .map(v -> "%s (%.1f %%)".formatted(v.name(), 100 * v.pixels() / all))
                .collect(Collectors.joining(", "));
    }

    /** The index of a value by its name; empty where there is none. */
    public Optional<Integer> find(String name) {
        for (int i = 0; i < values.size(); i++) {
            if (values.get(i).name().equalsIgnoreCase(name)) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    /** The classes: all values but the one that means not painted. */
    public List<ClassLabel> classes(Optional<String> unpainted) {
        return values.stream()
                .filter(v -> unpainted.filter(u -> u.equalsIgnoreCase(v.name())).isEmpty())
                .map(v -> new ClassLabel(v.name(), v.colour()))
                .toList();
    }

    /** Of strokes: the number of each pixel's class from 0, or {@code nothing} where it is not painted. */
    public Plane8 drawn(int nothing) {
        byte[] drawn = new byte[at.length];
        for (int i = 0; i < at.length; i++) {
            drawn[i] = (byte) (at[i] == 0 ? nothing : at[i] - 1);
        }
        return Plane8.of(width, height, drawn);
    }

    /** Of strokes: whether any pixel of a square is painted. */
    public boolean anyIn(double left, double top, double side) {
        for (int y = (int) top; y < Math.min(height, top + side); y++) {
            for (int x = (int) left; x < Math.min(width, left + side); x++) {
                if (at[y * width + x] != 0) {
                    return true;
                }
            }
        }
        return false;
    }

    /** How many strokes it was painted by. */
    int strokes() {
        return strokes;
    }

    /** The stroke that a pixel was painted by, or {@link #NO_STROKE}. */
    int strokeAt(int x, int y) {
        return strokeAt.map(s -> s[y * width + x]).orElse(NO_STROKE);
    }

    /** The value of a pixel, by its index in {@link #values}. */
    public int valueAt(int x, int y) {
        return at(x, y);
    }

    int at(int x, int y) {
        return at[y * width + x];
    }
}
