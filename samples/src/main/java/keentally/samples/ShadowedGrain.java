package keentally.samples;

import java.util.List;
import java.util.Map;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.hand.Dab;
import keentally.core.hand.Painting;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.Work;

/**
 * Seven grains of wheat on paper, close up, and the shadow of the hand that held the camera over half of the picture: the middle grain lies half in it, and
 * its dark half is darker than the shaded paper only by a little less than the light half is darker than the lit one. No cut on any channel takes it whole; two strokes inside
 * and two outside do, in a part that was drawn round it.
 */
final class ShadowedGrain {
    private static final int WIDTH = 960;
    private static final int HEIGHT = 720;
    private static final int PAPER = 0xe6e1d6;
    private static final int WHEAT = 0xb98a4a;
    private static final double SHADE = 0.52;

    private ShadowedGrain() {}

    static DemoSample draw(Work work) {
        Chance chance = new Chance(20261201);
        Polygon middle = new Blob(480, 360, 92, 1.9, 0.05, chance).outline(0);
        PlaneF grain = new ShapeRenderer(WIDTH, HEIGHT).add(middle).coverage();
        ShapeRenderer others = new ShapeRenderer(WIDTH, HEIGHT);
        for (Point at : List.of(
                new Point(150, 140),
                new Point(770, 130),
                new Point(820, 420),
                new Point(120, 480),
                new Point(330, 610),
                new Point(690, 620))) {
            others.add(new Blob(at.x(), at.y(), chance.between(78, 90), 1.9, 0.05, chance).outline(0));
        }
        PlaneF all = most(grain, others.coverage());
        PlaneF fine = Texture.noise(WIDTH, HEIGHT, 3, 891, work);
        PlaneF each = Texture.noise(WIDTH, HEIGHT, 24, 892, work);
        PlaneF hand = Gaussian.of(
                new ShapeRenderer(WIDTH, HEIGHT)
                        .add(Polygon.of(470, -40, 1100, -40, 1100, 800, 540, 800, 500, 430, 450, 260))
                        .add(new Ellipse(505, 180, 80, 130, 0))
                        .coverage(),
                5,
                work);
        ColourScene scene = new ColourScene(WIDTH, HEIGHT, PAPER)
                .ground(PAPER, fine, 0.012)
                .darken(moved(Gaussian.of(all, 4, work)), 0.16)
                .lay(all, WHEAT, sum(each, fine), 1)
                .darken(hand, SHADE);
        Truth.Thing thing =
                new Truth.Thing(middle.centroid().x(), middle.centroid().y(), middle.area(), false);
        return new DemoSample(
                "shadowed-grain",
                "Grain in shadow",
                scene.photograph(0.8, 2.2, 893, work),
                new Scale(0.03, LengthUnit.MM),
                List.of(),
                new Truth(
                        0,
                        false,
                        List.of(new Truth.Share("grain", 1, 100 * middle.area() / WIDTH / HEIGHT)),
                        List.of(thing)),
                method(),
                Map.of("scribble-cut-1", strokes()));
    }

    /** An outline round the grain, then a stroke in its light half and one in its dark half, and likewise on the paper. */
    private static Painting strokes() {
        return new Painting(List.of(
                new Dab.Outline(
                        List.of(
                                new Point(300, 250),
                                new Point(480, 190),
                                new Point(660, 250),
                                new Point(680, 470),
                                new Point(490, 530),
                                new Point(290, 470)),
                        true),
                new Dab.Brush(List.of(new Point(425, 365), new Point(455, 350)), 8, true),
                new Dab.Brush(List.of(new Point(520, 365), new Point(560, 355)), 8, true),
                new Dab.Brush(List.of(new Point(330, 290), new Point(330, 450), new Point(400, 490)), 8, false),
                new Dab.Brush(List.of(new Point(640, 280), new Point(650, 430), new Point(600, 480)), 8, false)));
    }

    private static PlaneF most(PlaneF a, PlaneF b) {
        float[] out = a.values().clone();
        for (int i = 0; i < out.length; i++) {
            out[i] = Math.max(out[i], b.values()[i]);
        }
        return PlaneF.of(WIDTH, HEIGHT, out);
    }

    private static PlaneF sum(PlaneF each, PlaneF fine) {
        float[] out = new float[WIDTH * HEIGHT];
        for (int i = 0; i < out.length; i++) {
            out[i] = 0.06f * each.values()[i] + 0.03f * fine.values()[i];
        }
        return PlaneF.of(WIDTH, HEIGHT, out);
    }

    private static PlaneF moved(PlaneF plane) {
        float[] out = new float[WIDTH * HEIGHT];
        for (int y = 6; y < HEIGHT; y++) {
            for (int x = 5; x < WIDTH; x++) {
                out[y * WIDTH + x] = plane.at(x - 5, y - 6);
            }
        }
        return PlaneF.of(WIDTH, HEIGHT, out);
    }

    private static Method method() {
        return new MethodMaker("One grain, scribbled", LengthUnit.MM)
                .step("scribble-cut")
                .make(List.of(Measure.AREA, Measure.ECD, Measure.ASPECT_RATIO, Measure.MEAN), "grey");
    }
}
