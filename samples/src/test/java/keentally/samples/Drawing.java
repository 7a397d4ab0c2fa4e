package keentally.samples;

import java.util.List;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Rectangle;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane16;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.starter.FirstLook;
import keentally.core.starter.Starter;
import keentally.core.starter.Suggestion;
import keentally.core.step.State;
import keentally.core.work.Work;

/** Small pictures for tests that look like nothing in the demo. */
final class Drawing {
    static final int WIDTH = 420;
    static final int HEIGHT = 300;

    private Drawing() {}

    static PlaneF texture(double grain, long seed) {
        return Texture.noise(WIDTH, HEIGHT, grain, seed, Work.alone());
    }

    static PlaneF discs(long seed, int count, double least, double most) {
        Scatter scatter = new Scatter(WIDTH, HEIGHT, 3);
        scatter.lay(new Scatter.Kind(50, 2, 1.4, 0.1), new Chance(seed), count, least, most);
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        scatter.outlines().forEach(shapes::add);
        return shapes.coverage();
    }

    static PlaneF stripes(double width, double gap) {
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        for (double x = 7; x < WIDTH; x += width + gap) {
            shapes.add(new Rectangle(x, 0, width, HEIGHT));
        }
        return shapes.coverage();
    }

    static Picture grey(PlaneF cover, double off, double on, double noise, double tilt, long seed) {
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

    static Picture colour(int ground, PlaneF cover, int thing, double uneven, long seed) {
        return new ColourScene(WIDTH, HEIGHT, ground)
                .ground(ground, texture(6, seed), uneven)
                .lay(cover, thing, texture(9, seed + 1), uneven)
                .photograph(0.8, 3, seed + 2, Work.alone());
    }

    /** Discs of one dye over soft clouds of another. */
    static Picture stained(PlaneF discs) {
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

    static double share(PlaneF cover) {
        return FlourDispersion.percent(cover);
    }

    /** What a starter lays out for a sample, the likeliest first. */
    static List<Suggestion> laid(Starter starter, State start) {
        Work work = Work.alone();
        return starter.suggestions(Method.empty("new", LengthUnit.PX), FirstLook.at(start, work), work);
    }

    static Method first(Starter starter, State start) {
        return laid(starter, start).getFirst().method();
    }
}
