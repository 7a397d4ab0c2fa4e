package keentally.speed;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import keentally.core.agree.Agreement;
import keentally.core.agree.BorderDistance;
import keentally.core.agree.Matching;
import keentally.core.agree.ObjectFates;
import keentally.core.colour.Rgb;
import keentally.core.geometry.Point;
import keentally.core.hand.Glyph;
import keentally.core.hand.Mark;
import keentally.core.hand.Marks;
import keentally.core.hand.TallyClass;
import keentally.core.label.Labeller;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.region.ObjectSet;
import keentally.core.view.Layer;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.ObjectColours;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.Viewport;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** Counts and masks held together, and 20,000 marks on the stage, on 12 megapixels and two threads. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class Agreeing extends TwoThreads {
    private static final int WIDTH = 4000;
    private static final int HEIGHT = 3000;

    /** So many pixels from one thing to the next: 20,000 of them. */
    private static final double APART = Math.sqrt((double) WIDTH * HEIGHT / 20_000);

    private ObjectSet objects;
    private List<Point> inside;
    private List<Point> beside;
    private Mask first;
    private Mask second;
    private Layers marked;
    private ObjectSet shifted;
    private Layers outlined;
    private Viewport half;
    private Viewport whole;
    private Viewport enlarged;

    @Setup(Level.Trial)
    public void draw() {
        SplittableRandom random = new SplittableRandom(7);
        first = squares(0);
        second = squares(2);
        objects = ObjectSet.of(Labeller.regions(first, Neighbours.EIGHT, work));
        inside = new ArrayList<>();
        beside = new ArrayList<>();
        List<Mark> marks = new ArrayList<>();
        for (double y = 1; y + APART < HEIGHT; y += APART) {
            for (double x = 1; x + APART < WIDTH; x += APART) {
                Point at = new Point(x + 5 + random.nextDouble(4), y + 5 + random.nextDouble(4));
                inside.add(at);
                beside.add(new Point(at.x() + 10, at.y()));
                marks.add(new Mark(at, random.nextBoolean() ? "c1" : "c2", 0));
            }
        }
        List<TallyClass> classes = List.of(
                new TallyClass("c1", "one", Glyph.CROSS, Rgb.of("#f0c75e")),
                new TallyClass("c2", "other", Glyph.RING, Rgb.of("#6fb0cf")));
        Pyramid pyramid = Pyramid.of(Picture.grey(Plane8.of(WIDTH, HEIGHT, new byte[WIDTH * HEIGHT])), work);
        marked = Layers.bare(pyramid, Field.whole(WIDTH, HEIGHT))
                .with(new Layer.Tally(new Marks(marks), classes, 6, 1, List.of()));
        shifted = ObjectSet.of(Labeller.regions(second, Neighbours.EIGHT, work));
        outlined = Layers.of(pyramid, Field.whole(WIDTH, HEIGHT), new Look(Look.Overlay.OUTLINES, 0.35))
                .with(first)
                .with(objects, ObjectColours.of(objects));
        half = Viewport.fit(WIDTH, HEIGHT, 638, 740);
        whole = Viewport.fit(WIDTH, HEIGHT, 1280, 800);
        enlarged = Viewport.centred(WIDTH / 2.0, HEIGHT / 2.0, 2, 1280, 800);
    }

    /** @param shift of all squares to the right, in pixels */
    private static Mask squares(int shift) {
        long[] words = new long[Mask.stride(WIDTH) * HEIGHT];
        for (double y = 1; y + APART < HEIGHT; y += APART) {
            for (double x = 1; x + APART < WIDTH; x += APART) {
                for (int row = (int) y; row < (int) y + 14; row++) {
                    Mask.setRun(words, row * Mask.stride(WIDTH), (int) x + shift, (int) x + shift + 14);
                }
            }
        }
        return Mask.of(WIDTH, HEIGHT, words);
    }

    @Benchmark
    public Agreement marksInObjects() {
        return Matching.withObjects(inside, objects, 10);
    }

    @Benchmark
    public Agreement marksBesideObjects() {
        return Matching.withObjects(beside, objects, 10);
    }

    @Benchmark
    public Agreement marksWithMarks() {
        return Matching.between(inside, beside, 12);
    }

    @Benchmark
    public BorderDistance borders() {
        return BorderDistance.of(first, second, work);
    }

    @Benchmark
    public int[] marksFitted() {
        return StageComposer.compose(marked, whole, work);
    }

    /** Both of two views, one after the other; the desk paints them at the same time. */
    @Benchmark
    public int twoViews() {
        return StageComposer.compose(outlined, half, work).length + StageComposer.compose(outlined, half, work).length;
    }

    @Benchmark
    public ObjectFates fates() {
        return ObjectFates.of(objects, shifted);
    }

    @Benchmark
    public int[] marksEnlarged() {
        return StageComposer.compose(marked, enlarged, work);
    }
}
