package keentally.core.classify;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.picture.Picture;
import keentally.core.work.Work;

/**
 * Examples out of painted pictures.
 *
 * <p>Definition: of every class at most an equal part of the most that are wanted is drawn, by chance. Pictures are cut into square blocks of
 * four times the reach of the features; each block of a picture is a group, held out as a whole. Pixels nearer to a block's side than half the
 * reach belong to no group: they are learnt from in the end, but take no part in scores, so that between what is learnt and what is asked lies
 * a gap of the whole reach.
 */
public final class Lessons {
    /** No group: left out while scores are made. */
    static final int GAP = -1;

    private static final int ROWS = 32;
    private static final int BLOCK_REACHES = 4;
    private static final int LEAST_BLOCK = 16;
    private static final int LEAST_PAINTED = 10;

    private final FeatureSet set;
    private final List<ClassLabel> classes;
    private final List<Lesson> lessons;

    private Lessons(FeatureSet set, List<ClassLabel> classes, List<Lesson> lessons) {
        this.set = set;
        this.classes = classes;
        this.lessons = lessons;
    }

    /** A picture with what was painted over it. */
    public record Lesson(Picture picture, ClassPicture painted) {
        public Lesson {
            if (picture.width() != painted.width() || picture.height() != painted.height()) {
                throw new IllegalArgumentException("the class picture is %d × %d px, but its picture is %d × %d px"
                        .formatted(painted.width(), painted.height(), picture.width(), picture.height()));
            }
        }
    }

    /**
     * Of several pictures, whose classes go by their names.
     *
     * @param unpainted the value that means not painted; empty where every value is a class
     * @throws IllegalArgumentException in a sentence, where there is nothing to tell apart
     */
    public static Lessons of(FeatureSet set, List<Lesson> lessons, Optional<String> unpainted) {
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
        for (ClassLabel label : classes) {
            long painted = lessons.stream()
                    .flatMap(l -> l.painted().values().stream())
                    .filter(v -> v.name().equals(label.name()))
                    .mapToLong(ClassPicture.Painted::pixels)
                    .sum();
            if (painted < LEAST_PAINTED) {
                throw new IllegalArgumentException("class " + label.name() + " is painted on " + painted
                        + " px alone, and " + LEAST_PAINTED + " are the least to learn from");
            }
        }
        return new Lessons(set, List.copyOf(classes), List.copyOf(lessons));
    }

    public List<ClassLabel> classes() {
        return classes;
    }

    /** How long the side of a block is that is held out as a whole. */
    public int block() {
        return Math.max(LEAST_BLOCK, BLOCK_REACHES * set.reach());
    }

    /** Drawn from what is painted. @param most of all classes together */
    public Examples examples(int most, long seed, Work work) {
        double[] chance = chances(most);
        List<List<Drawn>> drawn = new ArrayList<>();
        int blocksBefore = 0;
        for (int l = 0; l < lessons.size(); l++) {
            Lesson lesson = lessons.get(l);
            FeatureRows rows = FeatureRows.of(set, lesson.picture(), lesson.picture())
                    .orElseThrow(() -> new IllegalArgumentException("the features are of "
                            + (set.colour() ? "colours" : "one channel") + ", but the picture has "
                            + lesson.picture().channelNames()));
            int which = l;
            int first = blocksBefore;
            int height = lesson.picture().height();
            drawn.addAll(work.map(
                    (height + ROWS - 1) / ROWS,
                    s -> drawn(
                            lesson, rows, s, new SplittableRandom(seed * 7919 + which * 104_729L + s), chance, first)));
            blocksBefore += across(lesson) * across(height);
        }
        return together(drawn.stream().flatMap(List::stream).toList());
    }

    private int across(Lesson lesson) {
        return across(lesson.picture().width());
    }

    private int across(int length) {
        return (length + block() - 1) / block();
    }

    /** One pixel. */
    private record Drawn(float[] features, int classOf, int group) {}

    /** How likely a pixel of each class is drawn. */
    private double[] chances(int most) {
        long[] painted = new long[classes.size()];
        for (Lesson lesson : lessons) {
            int[] classOf = classOf(lesson.painted());
            for (int v = 0; v < classOf.length; v++) {
                if (classOf[v] >= 0) {
                    painted[classOf[v]] += lesson.painted().values().get(v).pixels();
                }
            }
        }
        return Arrays.stream(painted)
                .mapToDouble(n -> (double) most / classes.size() / n)
                .toArray();
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

    private List<Drawn> drawn(
            Lesson lesson, FeatureRows rows, int stretch, SplittableRandom random, double[] chance, int firstBlock) {
        int from = stretch * ROWS;
        int to = Math.min(lesson.picture().height(), from + ROWS);
        int[] classOf = classOf(lesson.painted());
        List<int[]> places = new ArrayList<>();
        for (int y = from; y < to; y++) {
            for (int x = 0; x < lesson.picture().width(); x++) {
                int c = classOf[lesson.painted().at(x, y)];
                if (c >= 0 && random.nextDouble() < chance[c]) {
                    places.add(new int[] {x, y, c});
                }
            }
        }
        if (places.isEmpty()) {
            return List.of();
        }
        float[][] features = rows.read(from, to);
        List<Drawn> drawn = new ArrayList<>();
        for (int[] place : places) {
            float[] of = new float[features.length];
            for (int f = 0; f < of.length; f++) {
                of[f] = features[f][(place[1] - from) * lesson.picture().width() + place[0]];
            }
            drawn.add(new Drawn(of, place[2], group(lesson, place[0], place[1], firstBlock)));
        }
        return drawn;
    }

    private int group(Lesson lesson, int x, int y, int firstBlock) {
        int gap = set.reach() / 2;
        int inX = x % block();
        int inY = y % block();
        boolean inside = inX >= gap && inX < block() - gap && inY >= gap && inY < block() - gap;
        return inside ? firstBlock + y / block() * across(lesson) + x / block() : GAP;
    }

    private Examples together(List<Drawn> drawn) {
        int features = set.features().size();
        float[][] values = new float[features][drawn.size()];
        int[] classOf = new int[drawn.size()];
        int[] groups = new int[drawn.size()];
        for (int i = 0; i < drawn.size(); i++) {
            for (int f = 0; f < features; f++) {
                values[f][i] = drawn.get(i).features()[f];
            }
            classOf[i] = drawn.get(i).classOf();
            groups[i] = drawn.get(i).group();
        }
        return new Examples(values, classOf, classes.size(), groups);
    }
}
