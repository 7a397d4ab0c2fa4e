package keentally.samples;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import keentally.core.classify.ClassPicture;
import keentally.core.classify.Classifier;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.classify.FeatureGroup;
import keentally.core.classify.FeatureSet;
import keentally.core.classify.ForestPlan;
import keentally.core.classify.Lessons;
import keentally.core.classify.Lessons.Lesson;
import keentally.core.colour.Rgb;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Point;
import keentally.core.hand.ClassStroke;
import keentally.core.hand.ClassStrokes;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.step.ClassifyStep;
import keentally.core.work.Work;

/**
 * The surface of a sheet of pasta under light from the side: open pores, dark; glazed places, pale; and three kinds of ground that are alike in grey: one that is
 * sandy, one drawn out along the sheet and one drawn out across it, which differ in the direction of their grain alone. A few strokes in each kind are painted; which kind
 * every pixel is of is known.
 */
final class PastaSurface {
    static final int WIDTH = 1000;
    static final int HEIGHT = 760;

    /** What is not painted in the picture of the strokes; 0 is a class there. */
    static final int UNPAINTED = 255;

    static final String MODEL = "pasta-surface.model.json";
    private static final String[] NAMES = {"pore", "sandy", "along", "across", "glazed"};
    private static final int[] COLOURS = {0x1e2a52, 0xc98a1b, 0x0e6470, 0x7a2e6e, 0xd8d2c4};
    private static final double[] GREYS = {62, 128, 128, 128, 196};
    private static final double GRAIN = 17;
    private static final double WAVE = 22;

    /** x, y and kind. */
    private static final int[][] PLACES = {
        {130, 110, 2}, {500, 150, 4}, {860, 190, 3}, {200, 540, 1}, {520, 580, 0}, {860, 600, 2}
    };

    private static final int STROKES = 5;
    private static final int STROKE_LENGTH = 90;
    private static final int STROKE_WIDTH = 5;
    private static final double CLEAR = 2;
    private static final int EXAMPLES = 10_000;
    private static final ForestPlan PLAN = new ForestPlan(40, 16, 2, 1);

    private PastaSurface() {}

    static DemoSample draw(Work work) {
        byte[] kinds = kinds(work);
        Picture picture = Picture.grey(seen(kinds, work));
        long[] counts = new long[NAMES.length];
        for (byte kind : kinds) {
            counts[kind]++;
        }
        List<Truth.Share> shares = IntStream.range(0, NAMES.length)
                .mapToObj(k -> new Truth.Share(NAMES[k], k, 100.0 * counts[k] / kinds.length))
                .toList();
        List<ClassStroke> laid = new ArrayList<>();
        Plane8 strokes = strokes(kinds, laid);
        return new DemoSample(
                        "pasta-surface",
                        "Pasta surface",
                        picture,
                        new Scale(0.02, LengthUnit.MM),
                        List.of(),
                        new Truth(0, false, shares, List.of()),
                        method(),
                        Map.of(ClassifyStep.ID + "-1", new ClassStrokes(laid)))
                .with(new Learning(
                        Map.of("pasta-surface-strokes.png", strokes, "pasta-surface-classes.png", plane(kinds)),
                        Map.of(MODEL, trained(picture, strokes, work))));
    }

    static Plane8 plane(byte[] values) {
        return Plane8.of(WIDTH, HEIGHT, values);
    }

    /** The kind of each pixel: that of the nearest of some places, seen through a wavy glass. */
    static byte[] kinds(Work work) {
        PlaneF right = Texture.noise(WIDTH, HEIGHT, 90, 940, work);
        PlaneF down = Texture.noise(WIDTH, HEIGHT, 90, 941, work);
        byte[] kinds = new byte[WIDTH * HEIGHT];
        for (int i = 0; i < kinds.length; i++) {
            double x = i % WIDTH + WAVE * right.values()[i];
            double y = i / WIDTH + WAVE * down.values()[i];
            int nearest = 0;
            for (int p = 1; p < PLACES.length; p++) {
                if (apart(p, x, y) < apart(nearest, x, y)) {
                    nearest = p;
                }
            }
            kinds[i] = (byte) PLACES[nearest][2];
        }
        return kinds;
    }

    private static double apart(int place, double x, double y) {
        double dx = x - PLACES[place][0];
        double dy = y - PLACES[place][1];
        return dx * dx + dy * dy;
    }

    private static Plane8 seen(byte[] kinds, Work work) {
        float[] sandy = drawnOut(1.1, 1.1, 951, work);
        float[] along = drawnOut(7, 1, 952, work);
        float[] across = drawnOut(1, 7, 953, work);
        float[] fine = drawnOut(0.8, 0.8, 954, work);
        float[] surface = new float[kinds.length];
        for (int i = 0; i < surface.length; i++) {
            float grain = switch (kinds[i]) {
                case 1 -> sandy[i];
                case 2 -> along[i];
                case 3 -> across[i];
                default -> 0.35f * fine[i];
            };
            surface[i] = (float) (GREYS[kinds[i]] + GRAIN * grain);
        }
        float[] blurred =
                Gaussian.of(PlaneF.of(WIDTH, HEIGHT, surface), 0.7, work).values();
        float[] noise = Texture.noise(WIDTH, HEIGHT, 0, 955, work).values();
        byte[] values = new byte[kinds.length];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) Math.clamp(Math.round(blurred[i] + 3 * noise[i]), 0, 255);
        }
        return plane(values);
    }

    /** Noise of standard deviation 1, averaged under bells of other widths along rows and columns. */
    private static float[] drawnOut(double along, double down, long seed, Work work) {
        float[] white = Texture.noise(WIDTH, HEIGHT, 0, seed, work).values();
        float[] rows = averaged(white, along, 1, WIDTH, work);
        float[] both = averaged(rows, down, WIDTH, HEIGHT, work);
        double square = 0;
        for (float v : both) {
            square += v * v;
        }
        float back = (float) (1 / Math.sqrt(square / both.length));
        for (int i = 0; i < both.length; i++) {
            both[i] *= back;
        }
        return both;
    }

    private static float[] averaged(float[] in, double sigma, int step, int length, Work work) {
        int reach = (int) Math.ceil(3 * sigma);
        float[] weights = new float[2 * reach + 1];
        for (int k = -reach; k <= reach; k++) {
            weights[k + reach] = (float) StrictMath.exp(-k * k / (2 * sigma * sigma));
        }
        float[] out = new float[in.length];
        work.bands(HEIGHT, (from, to) -> {
            for (int i = from * WIDTH; i < to * WIDTH; i++) {
                int at = i / step % length;
                float sum = 0;
                for (int k = -reach; k <= reach; k++) {
                    int other = Math.floorMod(at + k, length);
                    sum += weights[k + reach] * in[i + (other - at) * step];
                }
                out[i] = sum;
            }
        });
        return out;
    }

    /** Straight strokes, each well inside its kind, as far from each other as a hand would put them. @param strokes each of them is added to */
    private static Plane8 strokes(byte[] kinds, List<ClassStroke> strokes) {
        byte[] painted = new byte[kinds.length];
        Arrays.fill(painted, (byte) UNPAINTED);
        Chance chance = new Chance(20261202);
        for (byte kind = 0; kind < NAMES.length; kind++) {
            int laid = 0;
            for (int tries = 0; laid < STROKES && tries < 20_000; tries++) {
                double x = chance.between(0, WIDTH);
                double y = chance.between(0, HEIGHT);
                double angle = chance.between(0, Math.PI);
                if (lay(kind, kinds, painted, x, y, angle)) {
                    laid++;
                    Point end = new Point(
                            x + STROKE_LENGTH * StrictMath.cos(angle), y + STROKE_LENGTH * StrictMath.sin(angle));
                    strokes.add(new ClassStroke.Brush(List.of(new Point(x, y), end), STROKE_WIDTH, NAMES[kind]));
                }
            }
        }
        return plane(painted);
    }

    private static boolean lay(byte kind, byte[] kinds, byte[] painted, double x, double y, double angle) {
        double dx = StrictMath.cos(angle);
        double dy = StrictMath.sin(angle);
        for (double along = -CLEAR; along <= STROKE_LENGTH + CLEAR; along += 2) {
            for (double beside = -STROKE_WIDTH - CLEAR; beside <= STROKE_WIDTH + CLEAR; beside += 2) {
                int px = (int) (x + along * dx - beside * dy);
                int py = (int) (y + along * dy + beside * dx);
                boolean free = px >= 0
                        && py >= 0
                        && px < WIDTH
                        && py < HEIGHT
                        && kinds[py * WIDTH + px] == kind
                        && (painted[py * WIDTH + px] & 0xff) == UNPAINTED;
                if (!free) {
                    return false;
                }
            }
        }
        for (double along = 0; along <= STROKE_LENGTH; along += 0.5) {
            for (double beside = -STROKE_WIDTH / 2.0; beside <= STROKE_WIDTH / 2.0; beside += 0.5) {
                int px = (int) (x + along * dx - beside * dy);
                int py = (int) (y + along * dy + beside * dx);
                painted[py * WIDTH + px] = kind;
            }
        }
        return true;
    }

    static Lessons lessons(Picture picture, Plane8 strokes, List<FeatureGroup> groups) {
        return Lessons.of(
                List.of(Lesson.of(new FeatureSet(groups, false, 1), picture, ClassPicture.of(Picture.grey(strokes)))),
                Optional.of(String.valueOf(UNPAINTED)));
    }

    /** On the strokes alone. */
    private static Classifier trained(Picture picture, Plane8 strokes, Work work) {
        Lessons lessons = lessons(picture, strokes, Arrays.asList(FeatureGroup.values()));
        List<ClassLabel> classes = IntStream.range(0, NAMES.length)
                .mapToObj(k ->
                        new ClassLabel(NAMES[k], new Rgb(COLOURS[k] >> 16, COLOURS[k] >> 8 & 0xff, COLOURS[k] & 0xff)))
                .toList();
        return new Classifier(
                new FeatureSet(Arrays.asList(FeatureGroup.values()), false, 1),
                classes,
                PLAN.learn(lessons.examples(EXAMPLES, 1, work), work),
                Optional.of(new Scale(0.02, LengthUnit.MM)));
    }

    private static Method method() {
        return new MethodMaker("Pasta, by examples", LengthUnit.MM)
                .step("classify", "model", MODEL)
                .make(List.of(Measure.AREA), "grey");
    }
}
