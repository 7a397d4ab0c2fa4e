package keentally.core.classify;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.picture.Picture;
import keentally.core.work.Work;

/**
 * Examples out of painted pictures.
 *
 * <p>Definition: of every class at most about an equal part of the most that are wanted is drawn, by a chance that hangs on the pixel's place alone, so that
 * a stroke more leaves most of what was drawn. Each stroke is a group that is held out as a whole, strokes of a class that come nearer to each other than the reach of the
 * features being one. Pictures that were painted otherwise are cut into square blocks of four times the reach; each block is a group. Pixels nearer to a block's side than half the
 * reach belong to no group: they are learnt from in the end, but take no part in scores, so that between what is learnt and what is asked lies
 * a gap of the whole reach.
 */
public final class Lessons {
    /** No group: left out while scores are made. */
    static final int GAP = -1;

    private static final int BLOCK_REACHES = 4;
    private static final int LEAST_BLOCK = 16;
    private static final int LEAST_PAINTED = 10;

    private final List<ClassLabel> classes;
    private final List<Lesson> lessons;

    private Lessons(List<ClassLabel> classes, List<Lesson> lessons) {
        this.classes = classes;
        this.lessons = lessons;
    }

    /** A picture's features with what was painted over it. */
    public record Lesson(PixelFeatures features, ClassPicture painted) {
        public Lesson {
            int width = features.rows().width();
            int height = features.rows().height();
            if (width != painted.width() || height != painted.height()) {
                throw new IllegalArgumentException("the class picture is %d × %d px, but its picture is %d × %d px"
                        .formatted(painted.width(), painted.height(), width, height));
            }
        }

        /** Of a picture as it came. */
        public static Lesson of(FeatureSet set, Picture picture, ClassPicture painted) {
            return new Lesson(PixelFeatures.of(set, picture, picture), painted);
        }

        int width() {
            return painted.width();
        }

        int reach() {
            return features.rows().set().reach();
        }

        int block() {
            return Math.max(LEAST_BLOCK, BLOCK_REACHES * reach());
        }

        int across() {
            return (width() + block() - 1) / block();
        }

        /** How many groups there may be: strokes, then blocks. */
        int groups() {
            return painted.strokes() + across() * ((painted.height() + block() - 1) / block());
        }
    }

    /**
     * Of several pictures, whose classes go by their names and whose features are of one kind.
     *
     * @param unpainted the value that means not painted; empty where every value is a class
     * @throws IllegalArgumentException in a sentence, where there is nothing to tell apart
     */
    public static Lessons of(List<Lesson> lessons, Optional<String> unpainted) {
        List<ClassLabel> classes = new ArrayList<>();
        for (Lesson lesson : lessons) {
            for (ClassLabel label : lesson.painted().classes(unpainted)) {
                if (classes.stream().noneMatch(c -> c.name().equals(label.name()))) {
                    classes.add(label);
                }
            }
        }
        if (classes.size() < 2) {
            throw new IllegalArgumentException("at least two classes must be painted to tell them apart, but there "
                    + (classes.size() == 1 ? "is " + classes.getFirst().name() + " alone" : "is none"));
        }
        Lessons all = new Lessons(List.copyOf(classes), List.copyOf(lessons));
        long[] painted = all.painted();
        for (int c = 0; c < painted.length; c++) {
            if (painted[c] < LEAST_PAINTED) {
                throw new IllegalArgumentException("class " + classes.get(c).name() + " is painted on " + painted[c]
                        + " px alone, and " + LEAST_PAINTED + " are the least to learn from");
            }
        }
        return all;
    }

    public List<ClassLabel> classes() {
        return classes;
    }

    /**
     * What can be told of lessons when their pictures are let go of.
     *
     * @param painted how many pixels of each class
     * @param block the side of a block that is held out as a whole, in pixels
     */
    public record Summary(List<ClassLabel> classes, List<Long> painted, int block) {
        public Summary {
            classes = List.copyOf(classes);
            painted = List.copyOf(painted);
        }
    }

    public Summary summary() {
        return new Summary(classes, Arrays.stream(painted()).boxed().toList(), block());
    }

    /** How many pixels are painted of each class, in all pictures. */
    public long[] painted() {
        long[] painted = new long[classes.size()];
        for (Lesson lesson : lessons) {
            int[] classOf = classOf(lesson.painted());
            for (int v = 0; v < classOf.length; v++) {
                if (classOf[v] >= 0) {
                    painted[classOf[v]] += lesson.painted().values().get(v).pixels();
                }
            }
        }
        return painted;
    }

    /** How long the side of a block is that is held out as a whole. */
    public int block() {
        return lessons.getFirst().block();
    }

    /** Drawn from what is painted. @param most of all classes together */
    public Examples examples(int most, long seed, Work work) {
        double[] chance = Arrays.stream(painted())
                .mapToDouble(n -> (double) most / classes.size() / n)
                .toArray();
        List<float[]> features = new ArrayList<>();
        List<Integer> classOf = new ArrayList<>();
        List<Integer> groups = new ArrayList<>();
        int before = 0;
        for (int l = 0; l < lessons.size(); l++) {
            Lesson lesson = lessons.get(l);
            List<Integer> drawn = drawn(lesson, chance, seed * 7919 + l * 104_729L);
            features.addAll(lesson.features().at(drawn, work));
            int[] of = classOf(lesson.painted());
            for (int pixel : drawn) {
                int x = pixel % lesson.width();
                int y = pixel / lesson.width();
                classOf.add(of[lesson.painted().at(x, y)]);
                int group = group(lesson, x, y);
                groups.add(group == GAP ? GAP : before + group);
            }
            before += lesson.groups();
        }
        return together(features, classOf, groups);
    }

    /** The class of each value; −1 for not painted. */
    private int[] classOf(ClassPicture painted) {
        int[] classOf = new int[painted.values().size()];
        Arrays.fill(classOf, -1);
        for (int v = 0; v < classOf.length; v++) {
            for (int c = 0; c < classes.size(); c++) {
                if (classes.get(c).name().equals(painted.values().get(v).name())) {
                    classOf[v] = c;
                }
            }
        }
        return classOf;
    }

    private List<Integer> drawn(Lesson lesson, double[] chance, long seed) {
        int[] classOf = classOf(lesson.painted());
        List<Integer> drawn = new ArrayList<>();
        for (int y = 0; y < lesson.painted().height(); y++) {
            for (int x = 0; x < lesson.width(); x++) {
                int c = classOf[lesson.painted().at(x, y)];
                int pixel = y * lesson.width() + x;
                if (c >= 0 && even(seed, pixel) < chance[c]) {
                    drawn.add(pixel);
                }
            }
        }
        return drawn;
    }

    /**
     * From 0 to 1, evenly spread over all pixels. Source: D. Stafford (2011), Better bit mixing, variant 13, the finishing step of splittable generators.
     */
    private static double even(long seed, int pixel) {
        long z = seed + (pixel + 1) * 0x9E3779B97F4A7C15L;
        z = (z ^ z >>> 30) * 0xBF58476D1CE4E5B9L;
        z = (z ^ z >>> 27) * 0x94D049BB133111EBL;
        return ((z ^ z >>> 31) >>> 11) * 0x1.0p-53;
    }

    private static int group(Lesson lesson, int x, int y) {
        int stroke = lesson.painted().strokeAt(x, y);
        if (stroke != ClassPicture.NO_STROKE) {
            return stroke;
        }
        int block = lesson.block();
        int gap = lesson.reach() / 2;
        int inX = x % block;
        int inY = y % block;
        boolean inside = inX >= gap && inX < block - gap && inY >= gap && inY < block - gap;
        return inside ? lesson.painted().strokes() + y / block * lesson.across() + x / block : GAP;
    }

    private Examples together(List<float[]> drawn, List<Integer> classOf, List<Integer> groups) {
        float[][] values =
                new float[lessons.getFirst().features().rows().set().features().size()][drawn.size()];
        for (int i = 0; i < drawn.size(); i++) {
            for (int f = 0; f < values.length; f++) {
                values[f][i] = drawn.get(i)[f];
            }
        }
        return new Examples(
                values,
                classOf.stream().mapToInt(c -> c).toArray(),
                classes.size(),
                groups.stream().mapToInt(g -> g).toArray());
    }
}
