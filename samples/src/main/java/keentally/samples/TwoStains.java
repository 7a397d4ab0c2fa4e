package keentally.samples;

import java.util.List;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane16;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.Work;

/**
 * One field of dough in two grey files, a stain each: starch granules in one, the protein between and around them in the other.
 * Cut on the first, measure in the second.
 */
final class TwoStains {
    static final String STARCH = "starch";
    static final String PROTEIN = "protein";

    private static final int WIDTH = 1100;
    private static final int HEIGHT = 820;
    private static final Scatter.Kind KIND = new Scatter.Kind(60, 3, 1.5, 0.08);
    private static final double SPECK_BELOW_PX2 = 30;
    private static final float DARK = 1500;

    private TwoStains() {}

    static DemoSample draw(Work work) {
        Scatter granules = new Scatter(WIDTH, HEIGHT, 7);
        Chance chance = new Chance(20261102);
        granules.lay(KIND, chance, 60, 22, 40);
        granules.lay(KIND, chance, 170, 8, 20);
        granules.lay(KIND, chance, 60, 0.8, 1.6);
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        granules.outlines().forEach(shapes::add);
        PlaneF coverage = shapes.coverage();
        Truth truth = Truth.of(SPECK_BELOW_PX2, true, "starch", FlourDispersion.percent(coverage), granules.things());
        Picture picture = new Picture(
                List.of(new Channel(STARCH, starch(coverage, work)), new Channel(PROTEIN, protein(coverage, work))));
        Scale scale = new Scale(0.32, LengthUnit.UM);
        return new DemoSample("two-stains", "Two stains", picture, scale, List.of(), truth, method());
    }

    private static Plane16 starch(PlaneF coverage, Work work) {
        PlaneF cloud = Texture.noise(WIDTH, HEIGHT, 30, 71, work);
        PlaneF grain = Texture.noise(WIDTH, HEIGHT, 4, 72, work);
        float[] scene = new float[WIDTH * HEIGHT];
        for (int i = 0; i < scene.length; i++) {
            float inside = 21000 * (1 + 0.06f * cloud.values()[i] + 0.04f * grain.values()[i]);
            scene[i] = DARK + (inside - DARK) * coverage.values()[i];
        }
        return sensed(scene, 73, work);
    }

    /** A film round the granules and a web between them. */
    private static Plane16 protein(PlaneF coverage, Work work) {
        PlaneF near = Gaussian.of(coverage, 7, work);
        PlaneF web = Texture.noise(WIDTH, HEIGHT, 16, 74, work);
        PlaneF cloud = Texture.noise(WIDTH, HEIGHT, 70, 75, work);
        float[] scene = new float[WIDTH * HEIGHT];
        for (int i = 0; i < scene.length; i++) {
            float film = 15000 * near.values()[i] * (1 - coverage.values()[i]);
            float strands = (float) (7000 * StrictMath.exp(-4 * web.values()[i] * web.values()[i]));
            float out = (film + strands) * (1 + 0.2f * cloud.values()[i]);
            scene[i] = DARK + out * (1 - 0.85f * coverage.values()[i]);
        }
        return sensed(scene, 76, work);
    }

    private static Plane16 sensed(float[] scene, long seed, Work work) {
        float[] blurred =
                Gaussian.of(PlaneF.of(WIDTH, HEIGHT, scene), 0.9, work).values();
        PlaneF sensor = Texture.noise(WIDTH, HEIGHT, 0, seed, work);
        short[] values = new short[scene.length];
        for (int i = 0; i < values.length; i++) {
            double noise = sensor.values()[i] * (60 + 2.2 * Math.sqrt(Math.max(0, blurred[i])));
            values[i] = (short) Math.clamp(Math.round(blurred[i] + noise), 0, 65535);
        }
        return Plane16.of(WIDTH, HEIGHT, values);
    }

    private static Method method() {
        return new MethodMaker("Protein round starch", LengthUnit.UM)
                .step("channel", "of", STARCH)
                .step("smooth", "sigma", "1 px")
                .step("threshold", "rule", "otsu", "keep", "bright")
                .step("remove-specks", "below", "3 um2")
                .make(
                        List.of(
                                Measure.AREA,
                                Measure.ECD,
                                Measure.CIRCULARITY,
                                Measure.X,
                                Measure.Y,
                                Measure.TOUCHES_EDGE,
                                Measure.MEAN,
                                Measure.SD),
                        PROTEIN);
    }
}
