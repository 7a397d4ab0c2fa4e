package keentally.samples;

import java.util.List;
import keentally.core.filter.Gaussian;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.Work;

/**
 * A section through the outer layers of a wheat grain, its walls stained: dark cells that touch all around, parted by bright walls, some
 * of them faint. No level parts the cells; they are found by growing from their dark middles.
 */
final class CellWalls {
    private static final int WIDTH = 1200;
    private static final int HEIGHT = 900;
    private static final double SPACING = 31;
    private static final int SETTLED = 2;
    private static final float DARK = 58;
    private static final float WALL = 128;

    private CellWalls() {}

    static DemoSample draw(Work work) {
        Cells cells = Cells.grown(WIDTH, HEIGHT, SPACING, SETTLED, new Chance(20261201));
        Truth truth = new Truth(0, false, List.of(), cells.things());
        return new DemoSample(
                "cell-walls",
                "Cell walls",
                Picture.grey(expose(cells, work)),
                new Scale(0.8, LengthUnit.UM),
                List.of(),
                truth,
                method());
    }

    private static Plane8 expose(Cells cells, Work work) {
        PlaneF cloud = Texture.noise(WIDTH, HEIGHT, 90, 71, work);
        PlaneF plasma = Texture.noise(WIDTH, HEIGHT, 7, 72, work);
        PlaneF fine = Texture.noise(WIDTH, HEIGHT, 2.5, 73, work);
        PlaneF sensor = Texture.noise(WIDTH, HEIGHT, 0, 74, work);
        float[] scene = new float[WIDTH * HEIGHT];
        for (int i = 0; i < scene.length; i++) {
            float within = DARK + 7 * cloud.values()[i] + 5 * plasma.values()[i] + 3 * fine.values()[i];
            scene[i] = within;
            if (cells.toWall(i) < 4) {
                double each = cells.chanceOf(i);
                double half = 1.5 + 1.1 * each;
                double cover = Math.clamp(half + 0.5 - cells.toWall(i), 0, 1);
                double strength = each < 0.05 ? 0.5 : 0.7 + 0.3 * each;
                scene[i] += (float) (cover * strength * (WALL + 6 * fine.values()[i]));
            }
        }
        float[] blurred =
                Gaussian.of(PlaneF.of(WIDTH, HEIGHT, scene), 1.1, work).values();
        byte[] values = new byte[scene.length];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) Math.clamp(Math.round(blurred[i] + 3.4 * sensor.values()[i]), 0, 255);
        }
        return Plane8.of(WIDTH, HEIGHT, values);
    }

    private static Method method() {
        return new MethodMaker("Cells between walls", LengthUnit.UM)
                .step("smooth", "sigma", "2 px")
                .step("grow-regions", "markers", "minima", "over", "picture", "depth", 16)
                .step("edge-objects", "drop", "all")
                .make(List.of(
                        Measure.AREA,
                        Measure.ECD,
                        Measure.ASPECT_RATIO,
                        Measure.SOLIDITY,
                        Measure.X,
                        Measure.Y,
                        Measure.MEAN));
    }
}
