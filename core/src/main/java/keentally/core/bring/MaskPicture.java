package keentally.core.bring;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import keentally.core.colour.GreyChannel;
import keentally.core.colour.Rgb;
import keentally.core.hand.Brought;
import keentally.core.hand.LabelRuns;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.work.Work;

/**
 * A picture that says which pixels belong to what, and what it can be taken for.
 *
 * <p>Definition: a picture whose channels are alike is grey. A colour picture of at most {@value #MOST_CLASSES} colours holds classes. A grey
 * one holds labels where it has three or more whole values and, of the pixels with neither of the two most frequent ones, at least half have
 * the value of the pixel to their right; every other one is a mask, cut in the middle between its least and its greatest value. In a picture
 * of one value all pixels are chosen, or none where that is 0.
 */
public final class MaskPicture {
    public static final int MOST_CLASSES = 64;
    private static final int MOST_VALUES = 1 << 20;
    private static final int MOST_LABEL = 1 << 24; // beyond that a float holds no whole number exactly

    private final Picture picture;
    private final boolean colour;
    private final Values values;

    /** What a mask is cut on. */
    private final Plane grey;

    /** What it can be taken for. */
    public enum Meaning {
        MASK,
        CLASSES,
        LABELS
    }

    /**
     * How it is to be read.
     *
     * @param cut what lies above is chosen; of masks
     * @param inverted whether it is the other way round; of masks
     */
    public record How(Meaning meaning, double cut, boolean inverted) {}

    /** @param colours of colour pictures the colours that there are, no more than one above the most; sorted dark to light */
    private record Values(
            double least,
            double greatest,
            int distinct,
            double between,
            boolean whole,
            boolean flat,
            List<Rgb> colours) {}

    private MaskPicture(Picture picture, boolean colour, Values values) {
        this.picture = picture;
        this.colour = colour;
        this.values = values;
        this.grey = colour ? GreyChannel.of(picture, GreyChannel.Weights.BT709, false, Work.alone()) : plane(picture);
    }

    /** Looks at a picture of one channel, or of colour; of others at the first channel. */
    public static MaskPicture of(Picture picture) {
        boolean colour = picture.isColour() && !alike(picture);
        return new MaskPicture(picture, colour, colour ? colours(picture) : values(plane(picture)));
    }

    private static boolean alike(Picture picture) {
        Plane first = picture.channels().getFirst().plane();
        for (int y = 0; y < picture.height(); y++) {
            for (int x = 0; x < picture.width(); x++) {
                for (int c = 1; c < picture.channels().size(); c++) {
                    if (picture.channels().get(c).plane().at(x, y) != first.at(x, y)) {
                        return false;
                    }
                }
            }
        }
        return true;
    }

    private static Plane plane(Picture picture) {
        return picture.channels().getFirst().plane();
    }

    /** What tells colours apart, pixel by pixel: 8 bits a channel, whatever the depth. */
    private record Colours(Plane red, Plane green, Plane blue, double most) {
        static Colours of(Picture picture) {
            return new Colours(
                    picture.channel(Channel.RED).orElseThrow(),
                    picture.channel(Channel.GREEN).orElseThrow(),
                    picture.channel(Channel.BLUE).orElseThrow(),
                    picture.depth().most());
        }

        int at(int x, int y) {
            return byteOf(red.at(x, y)) << 16 | byteOf(green.at(x, y)) << 8 | byteOf(blue.at(x, y));
        }

        private int byteOf(double value) {
            return (int) Math.round(value * 255 / most);
        }
    }

    private static Values colours(Picture picture) {
        Colours of = Colours.of(picture);
        Set<Integer> found = new HashSet<>();
        for (int y = 0; y < picture.height() && found.size() <= MOST_CLASSES; y++) {
            for (int x = 0; x < picture.width() && found.size() <= MOST_CLASSES; x++) {
                found.add(of.at(x, y));
            }
        }
        List<Rgb> colours = found.stream()
                .map(Rgb::from)
                .sorted(Comparator.comparingDouble(GreyChannel.Weights.BT709::of)
                        .thenComparingInt(Rgb::packed))
                .toList();
        return new Values(0, picture.depth().most(), found.size(), 0, true, false, colours);
    }

    /** Of more values than any picture of labels has, only the ends are told. */
    private static Values values(Plane plane) {
        Map<Float, long[]> counts = new HashMap<>();
        boolean whole = true;
        float least = plane.at(0, 0);
        float greatest = least;
        for (int y = 0; y < plane.height(); y++) {
            float before = Float.NaN;
            long[] count = new long[1];
            for (int x = 0; x < plane.width(); x++) {
                float value = plane.at(x, y);
                if (value != before && counts.size() < MOST_VALUES) {
                    whole &= value == Math.rint(value) && value >= 0 && value <= MOST_LABEL;
                    count = counts.computeIfAbsent(value, v -> new long[1]);
                    before = value;
                }
                least = Math.min(least, value);
                greatest = Math.max(greatest, value);
                count[0]++;
            }
        }
        if (counts.size() == MOST_VALUES) {
            return new Values(least, greatest, MOST_VALUES, 100, false, false, List.of());
        }
        float[] usual = usual(counts);
        long ends = counts.get(least)[0] + (least == greatest ? 0 : counts.get(greatest)[0]);
        double between = 100 - 100.0 * ends / ((double) plane.width() * plane.height());
        return new Values(least, greatest, counts.size(), between, whole, isFlat(plane, usual), List.of());
    }

    /** The two most frequent ones. */
    private static float[] usual(Map<Float, long[]> counts) {
        List<Float> sorted = counts.entrySet().stream()
                .sorted(Comparator.comparingLong((Map.Entry<Float, long[]> e) -> -e.getValue()[0])
                        .thenComparing(Map.Entry::getKey))
                .limit(2)
                .map(Map.Entry::getKey)
                .toList();
        return new float[] {sorted.getFirst(), sorted.getLast()};
    }

    private static boolean isFlat(Plane plane, float[] usual) {
        long other = 0;
        long flat = 0;
        for (int y = 0; y < plane.height(); y++) {
            for (int x = 0; x < plane.width(); x++) {
                float value = plane.at(x, y);
                if (value != usual[0] && value != usual[1]) {
                    other++;
                    flat += x + 1 < plane.width() && plane.at(x + 1, y) == value ? 1 : 0;
                }
            }
        }
        return other > 0 && 2 * flat >= other;
    }

    public int width() {
        return picture.width();
    }

    public int height() {
        return picture.height();
    }

    /** How many values or colours there are; of colours no more than one above the most that can be classes are counted. */
    public int distinct() {
        return values.distinct;
    }

    public double least() {
        return values.least;
    }

    public double greatest() {
        return values.greatest;
    }

    /** Per cent of the pixels that lie between the least and the greatest value: soft edges, or probabilities. */
    public double betweenPercent() {
        return values.between;
    }

    /** What it can be taken for, the likeliest first. */
    public List<Meaning> meanings() {
        if (colour) {
            return values.distinct <= MOST_CLASSES ? List.of(Meaning.CLASSES, Meaning.MASK) : List.of(Meaning.MASK);
        }
        boolean several = values.whole && values.distinct > 2;
        List<Meaning> all = new ArrayList<>(List.of(Meaning.MASK));
        if (several) {
            all.add(values.flat ? 0 : 1, Meaning.LABELS);
            if (values.distinct <= MOST_CLASSES) {
                all.add(Meaning.CLASSES);
            }
        }
        return all;
    }

    /** How it would be read as it is: the likeliest meaning, and a cut in the middle. */
    public How usual() {
        double middle = values.distinct == 1 ? 0 : (least() + greatest()) / 2;
        return new How(meanings().getFirst(), middle, false);
    }

    /**
     * Reads it for a sample. One of another size is taken where the sizes are in a whole ratio: each pixel stands for a square of them, or the
     * middle one of each square is taken.
     *
     * @param width of the sample
     * @param origin where it is from, and how it was read
     * @throws IllegalArgumentException in a sentence, where the sizes do not fit or there is nothing of that meaning
     */
    public Brought read(How how, int width, int height, String origin) {
        if (!meanings().contains(how.meaning())) {
            throw new IllegalArgumentException("this picture cannot be read as " + how.meaning());
        }
        int[] from = places(width, picture.width(), height, picture.height());
        int[] down = places(height, picture.height(), width, picture.width());
        int[] read = new int[width * height];
        Map<Integer, Integer> classes = new HashMap<>();
        List<String> names = how.meaning() == Meaning.CLASSES ? classes(classes) : List.of("chosen");
        PixelValue value = value(how, classes);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                read[y * width + x] = value.at(from[x], down[y]);
            }
        }
        return new Brought(
                LabelRuns.of(width, height, read), how.meaning() == Meaning.LABELS ? List.of() : names, origin);
    }

    @FunctionalInterface
    private interface PixelValue {
        int at(int x, int y);
    }

    private PixelValue value(How how, Map<Integer, Integer> classes) {
        PixelValue what = what();
        return switch (how.meaning()) {
            case MASK -> (x, y) -> grey.at(x, y) > how.cut() != how.inverted() ? 1 : 0;
            case LABELS -> what;
            case CLASSES -> (x, y) -> classes.get(what.at(x, y));
        };
    }

    /** What tells pixels apart: the colour, or the whole value. */
    private PixelValue what() {
        return colour ? Colours.of(picture)::at : (x, y) -> (int) grey.at(x, y);
    }

    /** The names of the classes, dark to light, and the number of each by its colour or value. */
    private List<String> classes(Map<Integer, Integer> numbers) {
        if (colour) {
            values.colours.forEach(c -> numbers.put(c.packed(), numbers.size() + 1));
            return values.colours.stream().map(Rgb::toString).toList();
        }
        Set<Integer> found = new TreeSet<>();
        for (int y = 0; y < picture.height(); y++) {
            for (int x = 0; x < picture.width(); x++) {
                found.add((int) grey.at(x, y));
            }
        }
        found.forEach(v -> numbers.put(v, numbers.size() + 1));
        return found.stream().map(v -> "value " + v).toList();
    }

    /** Along one side of the sample the pixel of the picture that counts. */
    private static int[] places(int wanted, int there, int otherWanted, int otherThere) {
        boolean same = (long) wanted * otherThere == (long) otherWanted * there;
        boolean larger = wanted % there == 0;
        boolean smaller = there % wanted == 0;
        if (!same || !larger && !smaller) {
            throw new IllegalArgumentException("it has " + there + " px where the sample has " + wanted
                    + " px; only the same size, or a whole multiple of it both ways, can be laid on the sample");
        }
        int[] places = new int[wanted];
        for (int i = 0; i < wanted; i++) {
            places[i] = larger ? i / (wanted / there) : i * (there / wanted) + there / wanted / 2;
        }
        return places;
    }
}
