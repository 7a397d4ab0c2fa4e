package keentally.samples;

import java.util.List;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane16;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.Work;

/**
 * Flour on a dark stage, lit from the side, by a 16-bit camera: bright particles from 30 to 30,000 square pixels, some cut by
 * the edge, and dust between them.
 */
final class FlourDispersion {
    private static final int WIDTH = 1440;
    private static final int HEIGHT = 1024;
    private static final double GAP = 6;
    private static final Scatter.Kind KIND = new Scatter.Kind(40, 2, 1.9, 0.22);
    private static final double SPECK_BELOW_PX2 = 20;
    private static final float DARK = 3400;
    private static final float BRIGHT = 27500;

    private FlourDispersion() {}

    static DemoSample draw(Work work) {
        Scatter particles = new Scatter(WIDTH, HEIGHT, GAP);
        scatter(particles);
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        particles.outlines().forEach(shapes::add);
        PlaneF coverage = shapes.coverage();
        Truth truth = Truth.of(SPECK_BELOW_PX2, true, "bright", percent(coverage), particles.things());
        Scale scale = new Scale(1.5, LengthUnit.UM);
        return new DemoSample(
                "flour-dispersion",
                "Flour dispersion",
                Picture.grey(expose(coverage, work)),
                scale,
                List.of(),
                truth,
                method());
    }

    /** Large ones first, as room runs out; then middling and small ones, then dust. */
    private static void scatter(Scatter particles) {
        Chance chance = new Chance(20260401);
        particles.lay(KIND, chance, 9, 60, 98);
        particles.lay(KIND, chance, 26, 27, 58);
        particles.lay(KIND, chance, 90, 11, 26);
        particles.lay(KIND, chance, 260, 3.4, 10.5);
        particles.lay(KIND, chance, 300, 0.8, 1.7);
    }

    static double percent(PlaneF coverage) {
        double sum = 0;
        for (float share : coverage.values()) {
            sum += share;
        }
        return 100 * sum / coverage.values().length;
    }

    /** Grain inside the particles, light that falls off to the corners, optics that blur a little, a sensor that is noisy. */
    private static Plane16 expose(PlaneF coverage, Work work) {
        PlaneF grain = Texture.noise(WIDTH, HEIGHT, 5, 11, work);
        PlaneF cloud = Texture.noise(WIDTH, HEIGHT, 44, 12, work);
        PlaneF haze = Texture.noise(WIDTH, HEIGHT, 120, 13, work);
        PlaneF relief = Gaussian.of(coverage, 5, work);
        PlaneF sensor = Texture.noise(WIDTH, HEIGHT, 0, 14, work);
        float[] scene = new float[WIDTH * HEIGHT];
        for (int i = 0; i < scene.length; i++) {
            int x = i % WIDTH;
            int y = i / WIDTH;
            float slope = relief.at(Math.max(0, x - 3), y) - relief.at(Math.min(WIDTH - 1, x + 3), y);
            float inside = BRIGHT * (1 + 0.055f * grain.values()[i] + 0.05f * cloud.values()[i] - 0.45f * slope);
            float outside = DARK * (1 + 0.06f * haze.values()[i]);
            scene[i] = outside + (inside - outside) * coverage.values()[i];
        }
        float[] blurred =
                Gaussian.of(PlaneF.of(WIDTH, HEIGHT, scene), 0.9, work).values();
        short[] values = new short[scene.length];
        for (int i = 0; i < values.length; i++) {
            double dx = (i % WIDTH - 0.48 * WIDTH) / WIDTH;
            double dy = (i / WIDTH - 0.53 * HEIGHT) / HEIGHT;
            double lit = blurred[i] * (1 - 0.10 * (dx * dx + dy * dy));
            double noise = sensor.values()[i] * (90 + 1.9 * Math.sqrt(lit));
            values[i] = (short) Math.clamp(Math.round(lit + noise), 0, 65535);
        }
        return Plane16.of(WIDTH, HEIGHT, values);
    }

    private static Method method() {
        return new MethodMaker("Flour particles", LengthUnit.UM)
                .step("smooth", "sigma", "1 px")
                .step("threshold", "rule", "otsu", "keep", "bright")
                .step("fill-holes", "upTo", "100 um2")
                .step("edge-objects", "drop", "all")
                .step("gate", "measure", "area", "atLeast", "45 um2")
                .make(List.of(
                        Measure.AREA,
                        Measure.ECD,
                        Measure.FERET_MAX,
                        Measure.FERET_MIN,
                        Measure.CIRCULARITY,
                        Measure.SOLIDITY,
                        Measure.X,
                        Measure.Y,
                        Measure.MEAN));
    }
}
