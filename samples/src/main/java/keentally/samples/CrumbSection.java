package keentally.samples;

import java.util.List;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Rectangle;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.Work;

/**
 * A cut through bread crumb under even light, by an 8-bit camera: dark air cells in pale crumb, with flecks of crumb lying in
 * some cells and small pits in the walls.
 */
final class CrumbSection {
    private static final int WIDTH = 1280;
    private static final int HEIGHT = 960;
    private static final double GAP = 5;
    private static final Scatter.Kind KIND = new Scatter.Kind(60, 3, 2.2, 0.26);
    private static final double SPECK_BELOW_PX2 = 30;
    private static final float PALE = 188;
    private static final float DARK = 62;

    private CrumbSection() {}

    static DemoSample draw(Work work) {
        Scatter cells = new Scatter(WIDTH, HEIGHT, GAP);
        scatter(cells);
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        cells.outlines().forEach(shapes::add);
        PlaneF coverage = shapes.coverage();
        Truth truth = Truth.of(SPECK_BELOW_PX2, true, "dark", FlourDispersion.percent(coverage), cells.things());
        Picture picture = Picture.grey(expose(coverage, flecks(cells), work));
        return new DemoSample(
                "crumb-section", "Crumb section", picture, new Scale(18, LengthUnit.UM), List.of(), truth, method());
    }

    private static void scatter(Scatter cells) {
        Chance chance = new Chance(20260402);
        cells.lay(KIND, chance, 24, 34, 62);
        cells.lay(KIND, chance, 80, 17, 34);
        cells.lay(KIND, chance, 240, 7.5, 17);
        cells.lay(KIND, chance, 480, 4.5, 7.5);
        cells.lay(KIND, chance, 160, 0.8, 1.8);
    }

    /** Crumbs that fell into the larger cells; a cell's area is meant with them. */
    private static PlaneF flecks(Scatter cells) {
        Chance chance = new Chance(20260403);
        ShapeRenderer flecks = new ShapeRenderer(WIDTH, HEIGHT);
        for (Polygon cell : cells.outlines()) {
            Rectangle box = cell.bounds();
            if (Math.min(box.width(), box.height()) > 44 && chance.between(0, 1) < 0.6) {
                double reach = Math.min(box.width(), box.height()) / 7;
                double x = cell.centroid().x() + chance.between(-reach, reach);
                double y = cell.centroid().y() + chance.between(-reach, reach);
                double size = chance.between(1.2, 2.6);
                flecks.add(new Ellipse(x, y, size * chance.between(1, 1.8), size, chance.between(0, 180)));
            }
        }
        return flecks.coverage();
    }

    /** Cells are darker where they are deep; walls are grained; the lens falls off a little; the sensor is noisy. */
    static Plane8 expose(PlaneF coverage, PlaneF flecks, Work work) {
        int width = coverage.width();
        int height = coverage.height();
        PlaneF deep = Gaussian.of(coverage, 9, work);
        PlaneF grain = Texture.noise(width, height, 4, 21, work);
        PlaneF cloud = Texture.noise(width, height, 60, 22, work);
        PlaneF web = Texture.noise(width, height, 10, 24, work);
        PlaneF sensor = Texture.noise(width, height, 0, 23, work);
        float[] scene = new float[width * height];
        for (int i = 0; i < scene.length; i++) {
            float share = coverage.values()[i];
            float wall = PALE + 6.5f * grain.values()[i] + 5 * cloud.values()[i];
            float floor = 5 * web.values()[i] * deep.values()[i];
            float hollow = DARK + 8 - 14 * deep.values()[i] + 4 * cloud.values()[i] + floor;
            float cell = hollow + (170 - hollow) * flecks.values()[i];
            scene[i] = wall + (cell - wall) * share;
        }
        float[] blurred =
                Gaussian.of(PlaneF.of(width, height, scene), 0.8, work).values();
        byte[] values = new byte[scene.length];
        for (int i = 0; i < values.length; i++) {
            double dx = (i % width - 0.5 * width) / width;
            double dy = (i / width - 0.5 * height) / height;
            double lit = blurred[i] * (1.02 - 0.09 * (dx * dx + dy * dy));
            values[i] = (byte) Math.clamp(Math.round(lit + 2.6 * sensor.values()[i]), 0, 255);
        }
        return Plane8.of(width, height, values);
    }

    private static Method method() {
        return new MethodMaker("Crumb cells", LengthUnit.MM)
                .step("smooth", "sigma", "0.5 px")
                .step("threshold", "rule", "otsu", "keep", "dark")
                .step("fill-holes", "upTo", "0.02 mm2")
                .step("remove-specks", "below", "0.01 mm2")
                .make(List.of(
                        Measure.AREA,
                        Measure.ECD,
                        Measure.PERIMETER,
                        Measure.CIRCULARITY,
                        Measure.ECCENTRICITY,
                        Measure.ORIENTATION,
                        Measure.X,
                        Measure.Y,
                        Measure.TOUCHES_EDGE));
    }
}
