package keentally.samples;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.draw.ShapeRenderer;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.hand.Dab;
import keentally.core.hand.Painting;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.Work;

/** Bread crumb whose walls are torn between some neighbouring cells: no outline tells them apart, a hand mends the walls. */
final class TornCrumb {
    private static final int WIDTH = 1080;
    private static final int HEIGHT = 800;
    private static final double SPECK_BELOW_PX2 = 30;

    /** Walls thicker than this do not tear. */
    private static final double THIN = 11;

    private static final double TEAR = 9;

    private TornCrumb() {}

    static DemoSample draw(Work work) {
        Scatter cells = new Scatter(WIDTH, HEIGHT, 5);
        scatter(cells);
        List<Tear> tears = tears(cells.outlines());
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        cells.outlines().forEach(shapes::add);
        PlaneF whole = shapes.coverage();
        tears.forEach(t -> shapes.add(t.gap()));
        Picture picture = Picture.grey(
                CrumbSection.expose(shapes.coverage(), PlaneF.of(WIDTH, HEIGHT, new float[WIDTH * HEIGHT]), work));
        return new DemoSample(
                "torn-crumb",
                "Torn crumb",
                picture,
                new Scale(18, LengthUnit.UM),
                List.of(),
                Truth.of(SPECK_BELOW_PX2, true, "dark", FlourDispersion.percent(whole), cells.things()),
                method(),
                Map.of("paint-1", new Painting(tears.stream().map(Tear::mended).toList())));
    }

    private static void scatter(Scatter cells) {
        Chance chance = new Chance(20261211);
        Scatter.Kind kind = new Scatter.Kind(60, 3, 1.8, 0.2);
        cells.lay(kind, chance, 26, 34, 58);
        cells.lay(kind, chance, 90, 17, 34);
        cells.lay(kind, chance, 150, 9, 17);
        cells.lay(kind, chance, 60, 0.8, 1.8);
    }

    /** Between every third pair that only a thin wall parts. */
    private static List<Tear> tears(List<Polygon> cells) {
        List<Tear> tears = new ArrayList<>();
        int thin = 0;
        for (int i = 0; i < cells.size(); i++) {
            for (int j = i + 1; j < cells.size(); j++) {
                Optional<Tear> tear = Tear.between(cells.get(i), cells.get(j));
                if (tear.isPresent() && thin++ % 3 == 0) {
                    tears.add(tear.get());
                }
            }
        }
        return tears;
    }

    /**
     * Where two cells come nearest.
     *
     * @param from on the outline of one
     * @param to on that of the other
     */
    private record Tear(Point from, Point to) {
        /** Nothing where the wall is too thick, a cell is dust, or the edge of the picture is near. */
        static Optional<Tear> between(Polygon a, Polygon b) {
            double reach = StrictMath.hypot(
                    a.centroid().x() - b.centroid().x(),
                    a.centroid().y() - b.centroid().y());
            if (reach > 150 || a.area() < 200 || b.area() < 200) {
                return Optional.empty();
            }
            Tear nearest = null;
            double least = THIN;
            for (Point p : a.corners()) {
                for (Point q : b.corners()) {
                    double apart = StrictMath.hypot(p.x() - q.x(), p.y() - q.y());
                    if (apart < least) {
                        least = apart;
                        nearest = new Tear(p, q);
                    }
                }
            }
            return Optional.ofNullable(nearest).filter(Tear::isInside);
        }

        private boolean isInside() {
            return from.x() > 20 && from.y() > 20 && from.x() < WIDTH - 20 && from.y() < HEIGHT - 20;
        }

        private Point along(double share, double aside) {
            double dx = to.x() - from.x();
            double dy = to.y() - from.y();
            double length = StrictMath.hypot(dx, dy);
            return new Point(from.x() + share * dx - aside * dy / length, from.y() + share * dy + aside * dx / length);
        }

        Polygon gap() {
            double half = TEAR / 2;
            return new Polygon(List.of(along(-0.6, -half), along(1.6, -half), along(1.6, half), along(-0.6, half)));
        }

        /** A line where the wall was. */
        Dab mended() {
            return new Dab.Brush(List.of(along(0.5, -TEAR), along(0.5, TEAR)), 3, false);
        }
    }

    private static Method method() {
        return new MethodMaker("Torn crumb, mended", LengthUnit.MM)
                .step("smooth", "sigma", "0.5 px")
                .step("threshold", "rule", "otsu", "keep", "dark")
                .step("fill-holes", "upTo", "0.02 mm2")
                .step("paint")
                .step("remove-specks", "below", "0.01 mm2")
                .make(List.of(
                        Measure.AREA, Measure.ECD, Measure.CIRCULARITY, Measure.X, Measure.Y, Measure.TOUCHES_EDGE));
    }
}
