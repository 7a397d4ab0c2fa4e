package keentally.samples;

import java.util.List;
import keentally.core.draw.ShapeRenderer;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.Work;

/** A photo of pale semolina pressed flat under glass, with a few brown specks of bran and pale grey shadows between the grits. */
final class BranSpecks {
    private static final int WIDTH = 1200;
    private static final int HEIGHT = 900;
    private static final double SPECK_BELOW_PX2 = 12;

    private BranSpecks() {}

    static DemoSample draw(Work work) {
        Scatter specks = new Scatter(WIDTH, HEIGHT, 8);
        Chance chance = new Chance(20261104);
        specks.lay(new Scatter.Kind(40, 3, 1.2, 2.4, 0.24), chance, 26, 6, 11);
        specks.lay(new Scatter.Kind(40, 3, 1.2, 2.4, 0.2), chance, 60, 3.2, 6);
        specks.lay(new Scatter.Kind(40, 3, 1.2, 2, 0.1), chance, 12, 0.8, 1.3);
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        specks.outlines().forEach(shapes::add);
        PlaneF coverage = shapes.coverage();
        PlaneF grit = Texture.noise(WIDTH, HEIGHT, 7, 831, work);
        PlaneF each = Texture.noise(WIDTH, HEIGHT, 18, 832, work);
        ColourScene scene = new ColourScene(WIDTH, HEIGHT, 0xe8d9b0)
                .ground(0xe8d9b0, grit, 0.035)
                .lay(coverage, 0x8a5a33, each, 0.09);
        return new DemoSample(
                "bran-specks",
                "Bran specks",
                scene.photograph(0.7, 3, 840, work),
                new Scale(25, LengthUnit.UM),
                List.of(),
                Truth.of(SPECK_BELOW_PX2, true, "bran", FlourDispersion.percent(coverage), specks.things()),
                method());
    }

    private static Method method() {
        return new MethodMaker("Bran in semolina", LengthUnit.MM)
                .step("similar-colour", "colours", List.of("#8a5a33"), "distance", 26)
                .step("remove-specks", "below", "0.0075 mm2")
                .make(List.of(
                        Measure.AREA, Measure.ECD, Measure.CIRCULARITY, Measure.X, Measure.Y, Measure.TOUCHES_EDGE));
    }
}
