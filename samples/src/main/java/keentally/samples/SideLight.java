package keentally.samples;

import java.util.List;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.Work;

/** Flour as in {@link FlourDispersion}, by an 8-bit camera, lit from one side, with glare in the corner by the lamp. */
final class SideLight {
    private static final int WIDTH = 1200;
    private static final int HEIGHT = 900;
    private static final double SPECK_BELOW_PX2 = 20;

    private SideLight() {}

    static DemoSample draw(Work work) {
        Scatter particles = new Scatter(WIDTH, HEIGHT, 7);
        Chance chance = new Chance(20261107);
        Scatter.Kind kind = new Scatter.Kind(40, 2, 1.8, 0.2);
        particles.lay(kind, chance, 24, 22, 44);
        particles.lay(kind, chance, 70, 11, 21);
        particles.lay(kind, chance, 170, 4, 10.5);
        particles.lay(kind, chance, 120, 0.8, 1.5);
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        particles.outlines().forEach(shapes::add);
        PlaneF coverage = shapes.coverage();
        return new DemoSample(
                "side-light",
                "Side light",
                Picture.grey(expose(coverage, work)),
                new Scale(1.5, LengthUnit.UM),
                List.of(),
                Truth.of(SPECK_BELOW_PX2, true, "bright", FlourDispersion.percent(coverage), particles.things()),
                method());
    }

    private static Plane8 expose(PlaneF coverage, Work work) {
        PlaneF grain = Texture.noise(WIDTH, HEIGHT, 5, 891, work);
        PlaneF sensor = Texture.noise(WIDTH, HEIGHT, 0, 892, work);
        float[] scene = new float[WIDTH * HEIGHT];
        for (int i = 0; i < scene.length; i++) {
            double x = (double) (i % WIDTH) / WIDTH;
            double y = (double) (i / WIDTH) / HEIGHT;
            double lamp = 1.1 - 0.48 * x - 0.08 * y;
            double glare = 62 * StrictMath.exp(-(x * x + y * y) / 0.18);
            double flour = 22 + 112 * coverage.values()[i] * (1 + 0.02 * grain.values()[i]);
            scene[i] = (float) (lamp * flour + glare);
        }
        float[] blurred =
                Gaussian.of(PlaneF.of(WIDTH, HEIGHT, scene), 0.9, work).values();
        byte[] values = new byte[scene.length];
        for (int i = 0; i < values.length; i++) {
            double noise = sensor.values()[i] * (0.6 + 0.08 * Math.sqrt(blurred[i]));
            values[i] = (byte) Math.clamp(Math.round(blurred[i] + noise), 0, 255);
        }
        return Plane8.of(WIDTH, HEIGHT, values);
    }

    private static Method method() {
        return new MethodMaker("Flour under side light", LengthUnit.UM)
                .step("flatten", "by", "opening", "radius", "50 px", "how", "subtract")
                .step("smooth", "by", "median", "radius", "1 px")
                .step("local-threshold", "rule", "bernsen", "radius", "48 px", "k", 20, "keep", "bright")
                .step("remove-specks", "below", "45 um2")
                .make(List.of(
                        Measure.AREA,
                        Measure.ECD,
                        Measure.CIRCULARITY,
                        Measure.X,
                        Measure.Y,
                        Measure.TOUCHES_EDGE,
                        Measure.MEAN));
    }
}
