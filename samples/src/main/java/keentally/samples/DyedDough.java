package keentally.samples;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.draw.ShapeRenderer;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.Work;

/**
 * A thin section of dough on glass: one dye on the starch, violet, another on the protein, orange, lying on top of each other in
 * many places, with bubbles through which the white light comes unhindered.
 */
final class DyedDough {
    private static final int WIDTH = 1150;
    private static final int HEIGHT = 860;
    private static final int WHITE = 0xf2f0ec;
    private static final int ROUGH_CORNERS = 9;
    private static final List<Double> STARCH = List.of(0.60, 0.74, 0.30);
    private static final List<Double> PROTEIN = List.of(0.13, 0.52, 0.84);

    private DyedDough() {}

    static DemoSample draw(Work work) {
        Scatter bubbles = bubbles();
        PlaneF dough = inverse(covered(bubbles));
        Scatter granules = new Scatter(WIDTH, HEIGHT, 3);
        granules.lay(new Scatter.Kind(60, 3, 1.4, 0.08), new Chance(20261106), 420, 9, 21);
        PlaneF starch = product(covered(granules), dough);
        PlaneF web = Texture.noise(WIDTH, HEIGHT, 34, 871, work);
        PlaneF strands = product(strands(web), dough);
        PlaneF tone = Texture.noise(WIDTH, HEIGHT, 22, 872, work);
        PlaneF other = Texture.noise(WIDTH, HEIGHT, 30, 873, work);
        ColourScene scene = new ColourScene(WIDTH, HEIGHT, WHITE)
                .absorb(density(starch, dough, 0.40, 0.02, tone), vector(STARCH))
                .absorb(density(strands, dough, 0.42, 0.07, other), vector(PROTEIN));
        double whole = FlourDispersion.percent(dough);
        Truth truth = new Truth(
                0,
                false,
                List.of(new Truth.Share("starch", 1, 100 * FlourDispersion.percent(starch) / whole)),
                List.of());
        return new DemoSample(
                        "dyed-dough",
                        "Dyed dough",
                        scene.photograph(0.6, 1.5, 880, work),
                        new Scale(0.8, LengthUnit.UM),
                        List.of(),
                        truth,
                        method())
                .with(new Beside(List.of(), Map.of(), Optional.of(rough(bubbles)), List.of(refining()), Map.of()));
    }

    private static Scatter bubbles() {
        Scatter bubbles = new Scatter(WIDTH, HEIGHT, 12);
        bubbles.lay(new Scatter.Kind(40, 2, 1.6, 0.12), new Chance(20261105), 26, 24, 62);
        return bubbles;
    }

    /** What is dough and not glass, exactly. */
    static Mask dough() {
        return lit(inverse(covered(bubbles())));
    }

    private static Mask lit(PlaneF plane) {
        byte[] lit = new byte[WIDTH * HEIGHT];
        for (int i = 0; i < lit.length; i++) {
            lit[i] = (byte) (plane.values()[i] > 0.5 ? 1 : 0);
        }
        return Mask.from(lit, WIDTH, HEIGHT);
    }

    /** The dough as somebody drew it in a hurry: every bubble by a few corners that are off by some pixels. */
    private static Plane8 rough(Scatter bubbles) {
        Chance hand = new Chance(20261130);
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        for (Polygon bubble : bubbles.outlines()) {
            Point middle = bubble.centroid();
            List<Point> corners = new ArrayList<>();
            for (int i = 0; i < ROUGH_CORNERS; i++) {
                Point on = bubble.corners().get(i * bubble.corners().size() / ROUGH_CORNERS);
                double reach = hand.between(0.85, 1.2);
                corners.add(new Point(
                        middle.x() + reach * (on.x() - middle.x()) + hand.between(-4, 4),
                        middle.y() + reach * (on.y() - middle.y()) + hand.between(-4, 4)));
            }
            shapes.add(new Polygon(corners));
        }
        Mask drawn = lit(inverse(shapes.coverage()));
        byte[] out = new byte[WIDTH * HEIGHT];
        for (int i = 0; i < out.length; i++) {
            out[i] = (byte) (drawn.at(i % WIDTH, i / WIDTH) ? 255 : 0);
        }
        return Plane8.of(WIDTH, HEIGHT, out);
    }

    private static Method refining() {
        return new MethodMaker("Dough, drawn roughly and refined", LengthUnit.UM)
                .step("bring-mask")
                .step("refine-edges")
                .make(List.of(Measure.AREA), "grey");
    }

    private static PlaneF covered(Scatter things) {
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        things.outlines().forEach(shapes::add);
        return shapes.coverage();
    }

    /** Bands where a soft noise is near 0. */
    private static PlaneF strands(Plane web) {
        float[] out = new float[WIDTH * HEIGHT];
        for (int i = 0; i < out.length; i++) {
            double off = web.at(i % WIDTH, i / WIDTH) / 0.55;
            out[i] = (float) (1 / (1 + StrictMath.pow(Math.abs(off), 8)));
        }
        return PlaneF.of(WIDTH, HEIGHT, out);
    }

    /** What is taken of a dye: much where the thing is that it is for, a little in all of the dough. */
    private static PlaneF density(PlaneF thing, PlaneF dough, double much, double little, PlaneF tone) {
        float[] out = new float[WIDTH * HEIGHT];
        for (int i = 0; i < out.length; i++) {
            double uneven = 1 + 0.10 * tone.values()[i];
            out[i] = (float) (uneven * (little * dough.values()[i] + (much - little) * thing.values()[i]));
        }
        return PlaneF.of(WIDTH, HEIGHT, out);
    }

    private static PlaneF inverse(PlaneF plane) {
        float[] out = new float[WIDTH * HEIGHT];
        for (int i = 0; i < out.length; i++) {
            out[i] = 1 - plane.values()[i];
        }
        return PlaneF.of(WIDTH, HEIGHT, out);
    }

    private static PlaneF product(PlaneF a, PlaneF b) {
        float[] out = new float[WIDTH * HEIGHT];
        for (int i = 0; i < out.length; i++) {
            out[i] = a.values()[i] * b.values()[i];
        }
        return PlaneF.of(WIDTH, HEIGHT, out);
    }

    private static double[] vector(List<Double> dye) {
        return dye.stream().mapToDouble(d -> d).toArray();
    }

    private static Method method() {
        return new MethodMaker("Starch in dyed dough", LengthUnit.UM)
                .step("colour-range", "space", "hsv", "value", List.of(0, 1), "saturation", List.of(0.06, 1))
                .step("remove-specks", "below", "200 um2")
                .step("fill-holes", "upTo", "200 um2")
                .step("within")
                .step(
                        "unmix-dyes",
                        "dyes",
                        "own",
                        "vectors",
                        List.of(STARCH, PROTEIN),
                        "names",
                        List.of("starch", "protein"),
                        "white",
                        List.of(242, 240, 236))
                .step("channel", "of", "starch")
                .step("smooth", "sigma", "1 px")
                .step("threshold", "rule", "otsu", "keep", "bright")
                .make(List.of(Measure.AREA, Measure.ECD, Measure.CIRCULARITY, Measure.MEAN), "grey");
    }
}
