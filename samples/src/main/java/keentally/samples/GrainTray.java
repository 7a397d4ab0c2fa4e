package keentally.samples;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.hand.Correction;
import keentally.core.hand.Corrections;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.Work;

/**
 * A photo of a round white tray on a bench, with wheat, rye, linseed and pumpkin seeds spread in it. The method asks for the rye.
 */
final class GrainTray {
    private static final int WIDTH = 1200;
    private static final int HEIGHT = 1020;
    private static final Ellipse TRAY = new Ellipse(590, 512, 440, 440, 0);
    private static final double SPECK_BELOW_PX2 = 60;
    private static final String[] KINDS = {"pumpkin", "wheat", "rye", "linseed"};

    private GrainTray() {}

    static DemoSample draw(Work work) {
        Scatter grains = new Scatter(WIDTH, HEIGHT, 4);
        grains.within(new Ellipse(TRAY.cx(), TRAY.cy(), TRAY.a() - 14, TRAY.b() - 14, 0));
        Chance chance = new Chance(20261103);
        List<PlaneF> kinds = new ArrayList<>();
        kinds.add(laid(grains, chance, 30, 21, 25, 1.5, 1.9));
        int afterPumpkin = grains.outlines().size();
        kinds.add(laid(grains, chance, 130, 13, 15.5, 1.7, 2.1));
        int rye = grains.outlines().size();
        kinds.add(laid(grains, chance, 95, 11, 13.5, 2.9, 3.6));
        int afterRye = grains.outlines().size();
        kinds.add(laid(grains, chance, 120, 8, 9.5, 1.7, 2.1));
        List<Truth.Thing> all = List.copyOf(grains.things());
        List<Truth.Thing> things = all.subList(rye, afterRye);
        double area = things.stream().mapToDouble(Truth.Thing::areaPx2).sum();
        double percent = 100 * area / (Math.PI * TRAY.a() * TRAY.b());
        Scale scale = new Scale(0.13, LengthUnit.MM);
        return new DemoSample(
                        "grain-tray",
                        "Grain tray",
                        scene(kinds, work).photograph(0.8, 3, 810, work),
                        scale,
                        List.of(new Field.Part(TRAY, false)),
                        Truth.of(SPECK_BELOW_PX2, true, "rye", percent, List.copyOf(things)),
                        method())
                .with(TrayCount.of(
                                WIDTH,
                                HEIGHT,
                                List.of(
                                        all.subList(0, afterPumpkin),
                                        all.subList(afterPumpkin, rye),
                                        things,
                                        all.subList(afterRye, all.size())))
                        .and(
                                sorting(),
                                Map.of(
                                        "sort-objects-1",
                                        clicked(
                                                all.subList(0, afterPumpkin),
                                                all.subList(afterPumpkin, rye),
                                                things,
                                                all.subList(afterRye, all.size())))));
    }

    private static PlaneF laid(
            Scatter grains, Chance chance, int count, double least, double most, double slim, double slimmest) {
        int from = grains.outlines().size();
        grains.lay(new Scatter.Kind(200, 3, slim, slimmest, 0.05), chance, count, least, most);
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        for (Polygon outline : grains.outlines().subList(from, grains.outlines().size())) {
            shapes.add(outline);
        }
        return shapes.coverage();
    }

    /** Pumpkin seeds, wheat, rye, linseed, on paper in a tray, on a bench of dark wood; light from the upper left. */
    private static ColourScene scene(List<PlaneF> kinds, Work work) {
        PlaneF fine = Texture.noise(WIDTH, HEIGHT, 3, 801, work);
        PlaneF each = Texture.noise(WIDTH, HEIGHT, 26, 802, work);
        PlaneF wood = Texture.noise(WIDTH, HEIGHT, 9, 803, work);
        PlaneF tray = new ShapeRenderer(WIDTH, HEIGHT).add(TRAY).coverage();
        PlaneF rim = new ShapeRenderer(WIDTH, HEIGHT)
                .add(new Ellipse(TRAY.cx(), TRAY.cy(), TRAY.a() + 13, TRAY.b() + 13, 0))
                .coverage();
        PlaneF all = PlaneF.of(WIDTH, HEIGHT, new float[WIDTH * HEIGHT]);
        for (PlaneF kind : kinds) {
            all = most(all, kind);
        }
        ColourScene scene = new ColourScene(WIDTH, HEIGHT, 0x5a4636)
                .ground(0x5a4636, wood, 0.10)
                .darken(moved(Gaussian.of(rim, 12, work), 10, 14), 0.45)
                .lay(rim, 0xa9adb0, fine, 0.02)
                .lay(tray, 0xe9e6df, fine, 0.012)
                .darken(moved(Gaussian.of(all, 3, work), 3, 4), 0.35);
        int[] colours = {0x8f9a6a, 0xc99a55, 0x7d7a5e, 0x6e3b22};
        for (int i = 0; i < colours.length; i++) {
            PlaneF relief = relief(kinds.get(i), work);
            PlaneF tone = mixed(each, fine, relief);
            scene.lay(kinds.get(i), colours[i], tone, 1);
        }
        return scene;
    }

    private static PlaneF most(PlaneF a, PlaneF b) {
        float[] out = a.values().clone();
        for (int i = 0; i < out.length; i++) {
            out[i] = Math.max(out[i], b.values()[i]);
        }
        return PlaneF.of(WIDTH, HEIGHT, out);
    }

    private static PlaneF moved(PlaneF plane, int dx, int dy) {
        float[] out = new float[WIDTH * HEIGHT];
        for (int y = dy; y < HEIGHT; y++) {
            for (int x = dx; x < WIDTH; x++) {
                out[y * WIDTH + x] = plane.at(x - dx, y - dy);
            }
        }
        return PlaneF.of(WIDTH, HEIGHT, out);
    }

    /** Brighter towards the light, darker away from it. */
    private static PlaneF relief(PlaneF coverage, Work work) {
        PlaneF soft = Gaussian.of(coverage, 4, work);
        PlaneF away = moved(soft, 4, 4);
        float[] out = new float[WIDTH * HEIGHT];
        for (int i = 0; i < out.length; i++) {
            out[i] = soft.values()[i] - away.values()[i];
        }
        return PlaneF.of(WIDTH, HEIGHT, out);
    }

    private static PlaneF mixed(PlaneF each, PlaneF fine, PlaneF relief) {
        float[] out = new float[WIDTH * HEIGHT];
        for (int i = 0; i < out.length; i++) {
            out[i] = 0.055f * each.values()[i] + 0.03f * fine.values()[i] - 0.30f * relief.values()[i];
        }
        return PlaneF.of(WIDTH, HEIGHT, out);
    }

    /** The first three of each kind. */
    @SafeVarargs
    private static Corrections clicked(List<Truth.Thing>... kinds) {
        List<Correction> clicks = new ArrayList<>();
        for (int k = 0; k < kinds.length; k++) {
            for (Truth.Thing thing : kinds[k].subList(0, 3)) {
                clicks.add(new Correction.Sort(List.of(new Point(thing.x(), thing.y())), KINDS[k]));
            }
        }
        return new Corrections(clicks);
    }

    /** All seeds, sorted into their kinds by a few that were clicked: three of each. */
    static Method sorting() {
        return new MethodMaker("Four kinds in a tray", LengthUnit.MM)
                .step("channel", "of", "blue")
                .step("smooth", "by", "median", "radius", "2 px")
                .step("threshold", "rule", "otsu", "keep", "dark")
                .step("fill-holes")
                .step("remove-specks", "below", "60 px2")
                .step("sort-objects")
                .make(List.of(Measure.AREA, Measure.ASPECT_RATIO, Measure.MEAN), "grey");
    }

    private static Method method() {
        return new MethodMaker("Rye in a tray", LengthUnit.MM)
                .step("smooth", "by", "median", "radius", "2 px")
                .step(
                        "colour-range",
                        "hue",
                        List.of(40, 66),
                        "saturation",
                        List.of(0.1, 0.38),
                        "value",
                        List.of(0.2, 0.76))
                .step("fill-holes")
                .step("remove-specks", "below", "2.5 mm2")
                .make(List.of(
                        Measure.AREA,
                        Measure.ECD,
                        Measure.ELLIPSE_MAJOR,
                        Measure.ELLIPSE_MINOR,
                        Measure.X,
                        Measure.Y,
                        Measure.TOUCHES_EDGE,
                        Measure.MEAN));
    }
}
