package keentally.speed;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import keentally.core.geometry.Point;
import keentally.core.hand.Dab;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.refine.Belief;
import keentally.core.refine.EdgeRefiner;
import keentally.core.refine.RefinePlan;
import keentally.core.refine.ScribbleCut;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** Edges refined on a colour picture of one megapixel, and strokes that cut one of two: discs on a ground, both with noise. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class Refining extends TwoThreads {
    private static final int SIDE = 1000;
    private static final int WIDE = 1600;
    private static final int HIGH = 1250;
    private static final int STEP = 125;
    private static final RefinePlan PLAN = new RefinePlan(20, 20, 6, 2, 2, 5);

    private Picture one;
    private Picture two;
    private PhaseMap rough;
    private List<Dab> strokes;

    @Setup(Level.Trial)
    public void draw() {
        one = picture(SIDE, SIDE);
        two = picture(WIDE, HIGH);
        byte[] set = new byte[SIDE * SIDE];
        for (int i = 0; i < set.length; i++) {
            set[i] = (byte) (in(i % SIDE, i / SIDE, 44) ? 1 : 0);
        }
        rough = PhaseMap.of(Mask.from(set, SIDE, SIDE), Field.whole(SIDE, SIDE));
        strokes = new ArrayList<>();
        strokes.add(stroke(true, 55, 62, 70, 62));
        strokes.add(stroke(false, 2, 2, WIDE - 3.0, 2));
    }

    private static Dab stroke(boolean inside, double fromX, double fromY, double toX, double toY) {
        return new Dab.Brush(List.of(new Point(fromX, fromY), new Point(toX, toY)), 6, inside);
    }

    private static boolean in(int x, int y, double radius) {
        return Math.hypot(x % STEP - STEP / 2.0, y % STEP - STEP / 2.0) < radius;
    }

    private static Picture picture(int width, int height) {
        SplittableRandom random = new SplittableRandom(5);
        byte[][] planes = new byte[3][width * height];
        for (int i = 0; i < planes[0].length; i++) {
            boolean in = in(i % width, i / width, 40);
            for (int c = 0; c < 3; c++) {
                planes[c][i] = (byte)
                        Math.clamp(Math.round((in ? 160 - 30 * c : 90 + 20 * c) + 9 * random.nextGaussian()), 0, 255);
            }
        }
        return Picture.colour(
                Plane8.of(width, height, planes[0]),
                Plane8.of(width, height, planes[1]),
                Plane8.of(width, height, planes[2]));
    }

    @Benchmark
    public Plane8 refineEdges() {
        return EdgeRefiner.refined(one, one, Field.whole(SIDE, SIDE), new Belief.Said(rough, 0.6), PLAN, work)
                .orElseThrow();
    }

    /** Each stroke is the whole cut again. */
    @Benchmark
    public Mask scribbleCut() {
        return ScribbleCut.of(two, two, Field.whole(WIDE, HIGH), strokes, Optional.empty(), 10, work)
                .orElseThrow();
    }

    /** A stroke in a part of a quarter of a megapixel that was drawn round a thing. */
    @Benchmark
    public Mask scribbleInPart() {
        List<Dab> more = new ArrayList<>(strokes);
        more.add(new Dab.Outline(
                List.of(new Point(500, 500), new Point(1000, 500), new Point(1000, 1000), new Point(500, 1000)), true));
        more.add(stroke(true, 560, 562, 570, 562));
        more.add(stroke(false, 510, 510, 600, 510));
        return ScribbleCut.of(two, two, Field.whole(WIDE, HIGH), more.subList(2, 5), Optional.empty(), 10, work)
                .orElseThrow();
    }
}
