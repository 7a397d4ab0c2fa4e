package keentally.samples;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.stream.Stream;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Rectangle;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane16;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.run.Progress;
import keentally.core.run.Readings;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.starter.Starter;
import keentally.core.step.State;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Starters on pictures that look like nothing in the demo: the right share at once, or nearly. */
class StarterTest {
    private static final int WIDTH = 420;
    private static final int HEIGHT = 300;
    private static final double NEAR = 2;

    /**
     * A picture nobody has seen.
     *
     * @param phase whose share is asked for, at the method's end
     */
    private record Unseen(String name, Picture picture, Starter starter, int phase, double percent) {
        @Override
        public String toString() {
            return name;
        }
    }

    private static PlaneF texture(double grain, long seed) {
        return Texture.noise(WIDTH, HEIGHT, grain, seed, Work.alone());
    }

    private static PlaneF discs(long seed, int count, double least, double most) {
        Scatter scatter = new Scatter(WIDTH, HEIGHT, 3);
        scatter.lay(new Scatter.Kind(50, 2, 1.4, 0.1), new Chance(seed), count, least, most);
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        scatter.outlines().forEach(shapes::add);
        return shapes.coverage();
    }

    private static PlaneF stripes(double width, double gap) {
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        for (double x = 7; x < WIDTH; x += width + gap) {
            shapes.add(new Rectangle(x, 0, width, HEIGHT));
        }
        return shapes.coverage();
    }

    private static Picture grey(PlaneF cover, double off, double on, double noise, double tilt, long seed) {
        float[] scene = new float[WIDTH * HEIGHT];
        float[] grain = texture(3, seed).values();
        for (int i = 0; i < scene.length; i++) {
            double light = 1 + tilt * (i % WIDTH / (double) WIDTH - 0.5);
            scene[i] = (float) (light * (off + (on - off) * cover.values()[i]) + noise * grain[i]);
        }
        float[] blurred =
                Gaussian.of(PlaneF.of(WIDTH, HEIGHT, scene), 0.8, Work.alone()).values();
        short[] values = new short[scene.length];
        for (int i = 0; i < values.length; i++) {
            values[i] = (short) Math.clamp(Math.round(blurred[i]), 0, 65535);
        }
        return Picture.grey(Plane16.of(WIDTH, HEIGHT, values));
    }

    private static Picture colour(int ground, PlaneF cover, int thing, double uneven, long seed) {
        return new ColourScene(WIDTH, HEIGHT, ground)
                .ground(ground, texture(6, seed), uneven)
                .lay(cover, thing, texture(9, seed + 1), uneven)
                .photograph(0.8, 3, seed + 2, Work.alone());
    }

    static Stream<Unseen> unseen() {
        PlaneF rings = discs(1, 14, 18, 34);
        PlaneF few = discs(2, 5, 26, 40);
        PlaneF many = discs(3, 160, 5, 9);
        PlaneF bars = stripes(11, 17);
        PlaneF thin = stripes(6, 30);
        PlaneF one = new ShapeRenderer(WIDTH, HEIGHT)
                .add(new Ellipse(200, 150, 150, 90, 20))
                .coverage();
        return Stream.of(
                new Unseen(
                        "bright plates on dark", grey(rings, 4000, 22000, 900, 0, 10), Starter.BRIGHT, 1, share(rings)),
                new Unseen(
                        "dark pores in pale stone",
                        grey(few, 30000, 12000, 1500, 0.1, 11),
                        Starter.DARK,
                        1,
                        share(few)),
                new Unseen("many bright dots", grey(many, 900, 5200, 260, 0.1, 12), Starter.BRIGHT, 1, share(many)),
                new Unseen("dark bars", grey(bars, 50000, 20000, 2500, 0, 13), Starter.DARK, 1, share(bars)),
                new Unseen("thin bright threads", grey(thin, 6000, 40000, 1800, 0, 14), Starter.BRIGHT, 1, share(thin)),
                new Unseen(
                        "a moss cushion on sand",
                        colour(0xd9c9a0, one, 0x4d7a35, 0.08, 20),
                        Starter.COLOUR,
                        1,
                        share(one)),
                new Unseen(
                        "red beads on slate",
                        colour(0x56606a, rings, 0xb4372c, 0.05, 30),
                        Starter.COLOUR,
                        1,
                        share(rings)),
                new Unseen(
                        "blue paint spots on white",
                        colour(0xf0efe9, many, 0x2f5fae, 0.03, 40),
                        Starter.COLOUR,
                        1,
                        share(many)),
                new Unseen(
                        "two shades of clay", colour(0xc78f60, few, 0x6e4630, 0.05, 50), Starter.SHADES, 0, share(few)),
                new Unseen("lilac stain on glass", stained(rings), Starter.DYES, 1, share(rings)));
    }

    /** Discs of one dye over soft clouds of another. */
    private static Picture stained(PlaneF discs) {
        PlaneF clouds = texture(40, 60);
        float[] cloud = new float[WIDTH * HEIGHT];
        for (int i = 0; i < cloud.length; i++) {
            cloud[i] = (float) (0.35 / (1 + Math.exp(-3 * clouds.values()[i])));
        }
        float[] disc = new float[cloud.length];
        for (int i = 0; i < disc.length; i++) {
            disc[i] = 0.4f * discs.values()[i];
        }
        return new ColourScene(WIDTH, HEIGHT, 0xf4f2f0)
                .absorb(PlaneF.of(WIDTH, HEIGHT, disc), 0.62, 0.72, 0.31)
                .absorb(PlaneF.of(WIDTH, HEIGHT, cloud), 0.10, 0.45, 0.88)
                .photograph(0.7, 1.5, 61, Work.alone());
    }

    private static double share(PlaneF cover) {
        return FlourDispersion.percent(cover);
    }

    @ParameterizedTest
    @MethodSource("unseen")
    void theShareIsRightOrNearlyAtOnce(Unseen unseen) throws Exception {
        Runner runner = new Runner(Workers.alone(), new StateCache(0));
        Sample sample = Sample.of(unseen.name(), unseen.picture(), java.util.List.of(), Optional.empty());
        State start = State.of(sample.picture(), sample.field(), sample.scale());
        Method method = unseen.starter()
                .lay(Method.empty("new", LengthUnit.PX), start, Work.alone())
                .orElseThrow();
        Readings readings =
                runner.readings(runner.run(method, sample, 99, new Cancel(), Progress.SILENT), new Cancel());
        assertThat(readings.fractions().get(unseen.phase()).percent()).isCloseTo(unseen.percent(), within(NEAR));
    }

    @Test
    void aGreyPictureIsNotAskedForColours() {
        Picture picture = grey(discs(1, 5, 10, 20), 10, 200, 3, 0, 5);
        State start = State.of(picture, keentally.core.picture.Field.whole(WIDTH, HEIGHT), Optional.empty());
        Method empty = Method.empty("new", LengthUnit.PX);
        assertThat(Starter.COLOUR.lay(empty, start, Work.alone())).isEmpty();
        assertThat(Starter.DYES.lay(empty, start, Work.alone())).isEmpty();
        assertThat(Starter.BRIGHT.lay(empty, start, Work.alone()).orElseThrow().steps())
                .hasSize(2);
    }
}
