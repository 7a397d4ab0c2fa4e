package keentally.samples;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import keentally.core.draw.ShapeRenderer;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Shape;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.run.Progress;
import keentally.core.run.Readings;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.starter.Starter;
import keentally.core.step.State;
import keentally.core.work.Cancel;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The starters that count, on pictures nobody has seen: the right number at once, or nearly, and the right size. */
class CountingStarterTest {
    private static final int WIDTH = Drawing.WIDTH;
    private static final int HEIGHT = Drawing.HEIGHT;

    /** Blurred rims of things 4 pixels across leave their size open by about so much. */
    private static final double NEAR = 0.07;

    /**
     * A picture with things in it.
     *
     * @param ecds of all whole things, in pixels
     */
    private record Unseen(String name, Picture picture, double[] ecds) {
        @Override
        public String toString() {
            return name;
        }
    }

    /** Things that may lean on each other by {@code reach} pixels, well inside the picture, and how large each is. */
    private record Laid(PlaneF cover, double[] ecds) {
        static Laid of(long seed, int wanted, double least, double most, double stretch, double reach) {
            Chance chance = new Chance(seed);
            List<double[]> laid = new ArrayList<>();
            ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
            List<Double> ecds = new ArrayList<>();
            for (int tries = 0; tries < 20_000 && laid.size() < wanted; tries++) {
                double r = chance.between(least, most);
                double x = chance.between(r * stretch + 6, WIDTH - r * stretch - 6);
                double y = chance.between(r * stretch + 6, HEIGHT - r * stretch - 6);
                if (reach > 0 && !laid.isEmpty() && chance.between(0, 1) < 0.6) {
                    double[] on = laid.get((int) chance.between(0, laid.size()));
                    double angle = chance.between(0, 2 * Math.PI);
                    x = on[0] + (on[2] + r - reach) * StrictMath.cos(angle);
                    y = on[1] + (on[2] + r - reach) * StrictMath.sin(angle);
                }
                boolean inside = x > r * stretch + 5
                        && y > r * stretch + 5
                        && x < WIDTH - r * stretch - 5
                        && y < HEIGHT - r * stretch - 5;
                double px = x;
                double py = y;
                boolean free = laid.stream().allMatch(o -> {
                    double gap = StrictMath.hypot(o[0] - px, o[1] - py) - (o[2] + r) * stretch;
                    return gap > 4 || reach > 0 && Math.abs(gap + reach) < 0.01;
                });
                if (inside && free) {
                    Shape shape = new Ellipse(x, y, r * stretch, r / stretch, chance.between(0, 180));
                    shapes.add(shape);
                    laid.add(new double[] {x, y, r});
                    ecds.add(2 * r);
                }
            }
            return new Laid(shapes.coverage(), ecds.stream().mapToDouble(d -> d).toArray());
        }
    }

    private static Unseen grey(String name, Laid laid, double off, double on, double noise, double tilt, long seed) {
        return new Unseen(name, Drawing.grey(laid.cover, off, on, noise, tilt, seed), laid.ecds);
    }

    private static Unseen colour(String name, Laid laid, int ground, int thing, double uneven, long seed) {
        return new Unseen(name, Drawing.colour(ground, laid.cover, thing, uneven, seed), laid.ecds);
    }

    static Stream<Unseen> unseen() {
        return Stream.of(
                grey("pale coins on felt", Laid.of(1, 18, 16, 24, 1, 0), 5000, 30000, 900, 0, 100),
                grey("dark droplets in oil", Laid.of(2, 90, 5, 10, 1, 0), 42000, 15000, 1500, 0.15, 101),
                grey("beads in heaps", Laid.of(3, 60, 11, 13, 1, 1), 3000, 26000, 800, 0, 102),
                grey("bubbles that touch", Laid.of(4, 45, 9, 17, 1, 1.2), 30000, 9000, 900, 0, 103),
                grey("grains of rice", Laid.of(5, 40, 9, 11, 1.5, 0), 2000, 33000, 1600, 0.1, 104),
                grey("stars in haze", Laid.of(6, 70, 3, 6, 1, 0), 8000, 21000, 500, 0.2, 105),
                colour("red lentils on a blue plate", Laid.of(7, 50, 8, 11, 1, 1), 0x2f5b9c, 0xd2703a, 0.05, 110),
                colour("green peas on linen", Laid.of(8, 25, 13, 15, 1, 0.8), 0xe0d8c8, 0x6f9a3c, 0.05, 120),
                colour("coffee beans", Laid.of(9, 22, 14, 18, 1.3, 0), 0xeceae6, 0x4a3324, 0.06, 130),
                colour("tablets on a green mat", Laid.of(10, 30, 12, 13, 1, 0), 0x3f7d57, 0xf1eee9, 0.04, 140));
    }

    private static Readings run(Picture picture, Starter starter) throws Exception {
        Runner runner = new Runner(Workers.alone(), new StateCache(0));
        Sample sample = Sample.of("unseen", picture, List.of(), Optional.empty());
        State start = State.of(sample.picture(), sample.field(), sample.scale());
        Method method = Drawing.first(starter, start).measuring(List.of(Measure.ECD));
        return runner.readings(runner.run(method, sample, 99, new Cancel(), Progress.SILENT), new Cancel());
    }

    @ParameterizedTest
    @MethodSource("unseen")
    void thingsAreCountedAndSizedAtOnceOrNearly(Unseen unseen) throws Exception {
        ObjectTable many = run(unseen.picture(), Starter.HOW_MANY).objects().orElseThrow();
        int wanted = unseen.ecds().length;
        assertThat(many.rows()).isCloseTo(wanted, within(Math.max(1, wanted / 50)));
        ObjectTable big = run(unseen.picture(), Starter.HOW_BIG).objects().orElseThrow();
        assertThat(median(big.column(0)) / median(unseen.ecds())).isCloseTo(1, within(NEAR));
    }

    private static double median(double[] values) {
        double[] sorted = Arrays.stream(values).sorted().toArray();
        return sorted[sorted.length / 2];
    }

    /** Of things cut by the edge, how big drops all, per area those on two sides, how many none. */
    @Test
    void whatTheEdgeCutsIsTakenAsTheQuestionAsks() throws Exception {
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        for (int[] at : new int[][] {{0, 150}, {WIDTH, 150}, {200, 0}, {200, HEIGHT}, {200, 150}, {100, 100}}) {
            shapes.add(Ellipse.disc(at[0], at[1], 20));
        }
        Picture picture = Drawing.grey(shapes.coverage(), 4000, 30000, 700, 0, 7);
        assertThat(run(picture, Starter.HOW_MANY).objects().orElseThrow().rows())
                .isEqualTo(6);
        assertThat(run(picture, Starter.PER_AREA).objects().orElseThrow().rows())
                .isEqualTo(4);
        assertThat(run(picture, Starter.HOW_BIG).objects().orElseThrow().rows()).isEqualTo(2);
    }

    @Test
    void anEvenPictureHasNothingToCount() {
        Picture even = Picture.grey(Plane8.of(30, 20, new byte[600]));
        State start = State.of(even, Field.whole(30, 20), Optional.empty());
        for (Starter starter : List.of(Starter.HOW_MANY, Starter.HOW_BIG, Starter.PER_AREA)) {
            assertThat(Drawing.laid(starter, start)).isEmpty();
        }
    }
}
