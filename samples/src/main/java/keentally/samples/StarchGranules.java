package keentally.samples;

import java.util.ArrayList;
import java.util.List;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Rectangle;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.Work;

/**
 * Wheat starch as a micrograph with a caption strip: bright granules of two size families that touch each other, on a dark
 * ground, and below them a strip with the magnification and a scale bar.
 */
final class StarchGranules {
    private static final int WIDTH = 1280;
    private static final int HEIGHT = 960;
    private static final int STRIP = 72;
    private static final int SEEN = HEIGHT - STRIP;

    /** The bar is 222.2 pixels long and stands for 20 µm. */
    private static final double BAR_UM = 20;

    private static final double UM_PER_PX = 0.09;
    private static final double BAR_RIGHT = 1236.5;
    private static final double BAR_TOP = SEEN + 52;
    private static final double BAR_THICK = 7;
    private static final double SPECK_BELOW_PX2 = 40;
    private static final float BRIGHT = 176;
    private static final float DARK = 46;
    private static final int INK = 242;
    private static final int STRIP_GROUND = 12;

    /** Of granules that lean on each other, in pixels. */
    private static final double TOUCHING = 0.8;

    private StarchGranules() {}

    static DemoSample draw(Work work) {
        return draw(TOUCHING, work);
    }

    /** @param overlap how far a granule that leans on another one reaches into it, in pixels */
    static DemoSample draw(double overlap, Work work) {
        List<Ellipse> granules = granules(overlap);
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, SEEN);
        granules.forEach(shapes::add);
        PlaneF coverage = shapes.coverage();
        List<Truth.Thing> things = granules.stream().map(StarchGranules::thing).toList();
        Truth truth = Truth.of(SPECK_BELOW_PX2, false, "bright", FlourDispersion.percent(coverage), things);
        Picture picture = Picture.grey(captioned(expose(granules, coverage, work)));
        return new DemoSample(
                        "starch-granules",
                        "Starch granules",
                        picture,
                        new Scale(UM_PER_PX, LengthUnit.UM),
                        List.of(new Field.Part(new Rectangle(0, 0, WIDTH, SEEN), false)),
                        truth,
                        method("Starch granules", "0.5 px"))
                .with(Beside.methods(method("Starch granules, parts less", "4 px")));
    }

    private static Truth.Thing thing(Ellipse e) {
        Rectangle box = e.bounds();
        boolean cut = box.x() < 0 || box.y() < 0 || box.right() > WIDTH || box.bottom() > SEEN;
        return new Truth.Thing(e.cx(), e.cy(), e.area(), cut);
    }

    /** Large ones first, each new one leaning on one that is there, or alone; small ones between them; then dust. */
    private static List<Ellipse> granules(double overlap) {
        Chance chance = new Chance(20261101);
        List<Ellipse> laid = new ArrayList<>();
        lay(laid, chance, 46, 40, 66, 0.72, overlap);
        lay(laid, chance, 150, 9, 21, 0.7, overlap);
        int large = laid.size();
        for (int i = 0; i < 4000 && laid.size() < large + 40; i++) {
            Ellipse dust =
                    Ellipse.disc(chance.between(8, WIDTH - 8), chance.between(8, SEEN - 8), chance.between(0.8, 1.6));
            if (laid.stream().allMatch(e -> gap(e, dust) > 5)) {
                laid.add(dust);
            }
        }
        return laid;
    }

    private static void lay(
            List<Ellipse> laid, Chance chance, int count, double least, double most, double leaning, double overlap) {
        int wanted = laid.size() + count;
        for (int tries = 0; tries < 300 * count && laid.size() < wanted; tries++) {
            double r = chance.between(least, most);
            double x = chance.between(-r / 3, WIDTH + r / 3);
            double y = chance.between(-r / 3, SEEN + r / 3);
            if (!laid.isEmpty() && chance.between(0, 1) < leaning) {
                Ellipse on = laid.get((int) chance.between(0, laid.size()));
                double direction = chance.between(0, 2 * Math.PI);
                double away = on.a() + r - overlap;
                x = on.cx() + away * StrictMath.cos(direction);
                y = on.cy() + away * StrictMath.sin(direction);
            }
            Ellipse next = Ellipse.disc(x, y, r);
            boolean free = laid.stream().allMatch(e -> gap(e, next) > 4 || Math.abs(gap(e, next) + overlap) < 0.01);
            boolean seen = x > -r / 2 && y > -r / 2 && x < WIDTH + r / 2 && y < SEEN + r / 2;
            if (free && seen && !grazes(next)) {
                laid.add(next);
            }
        }
    }

    private static double gap(Ellipse a, Ellipse b) {
        return StrictMath.hypot(a.cx() - b.cx(), a.cy() - b.cy()) - a.a() - b.a();
    }

    /** Whether nobody could say by eye if the edge cuts it. */
    private static boolean grazes(Ellipse e) {
        Rectangle box = e.bounds();
        return Math.abs(box.x()) < 3
                || Math.abs(box.y()) < 3
                || Math.abs(box.right() - WIDTH) < 3
                || Math.abs(box.bottom() - SEEN) < 3;
    }

    /** Granules are brighter at their rims and faintly ringed; the ground is mottled; the detector is noisy. */
    private static byte[] expose(List<Ellipse> granules, PlaneF coverage, Work work) {
        PlaneF deep = Gaussian.of(coverage, 6, work);
        PlaneF mottle = Texture.noise(WIDTH, SEEN, 26, 61, work);
        PlaneF grain = Texture.noise(WIDTH, SEEN, 3, 62, work);
        PlaneF sensor = Texture.noise(WIDTH, SEEN, 0, 63, work);
        float[] rings = rings(granules);
        float[] scene = new float[WIDTH * SEEN];
        for (int i = 0; i < scene.length; i++) {
            float inside = BRIGHT + 26 * (1 - deep.values()[i]) + rings[i] + 3 * grain.values()[i];
            float outside = DARK + 4 * mottle.values()[i] + 2 * grain.values()[i];
            scene[i] = outside + (inside - outside) * coverage.values()[i];
        }
        float[] blurred = Gaussian.of(PlaneF.of(WIDTH, SEEN, scene), 0.9, work).values();
        byte[] values = new byte[WIDTH * HEIGHT];
        for (int i = 0; i < blurred.length; i++) {
            values[i] = (byte) Math.clamp(Math.round(blurred[i] + 4.2 * sensor.values()[i]), 0, 255);
        }
        return values;
    }

    private static float[] rings(List<Ellipse> granules) {
        float[] rings = new float[WIDTH * SEEN];
        for (Ellipse e : granules) {
            Rectangle box = e.bounds();
            for (int y = (int) Math.max(0, box.y()); y < Math.min(SEEN, box.bottom()); y++) {
                for (int x = (int) Math.max(0, box.x()); x < Math.min(WIDTH, box.right()); x++) {
                    double r = StrictMath.hypot(x + 0.5 - e.cx() - 0.12 * e.a(), y + 0.5 - e.cy());
                    rings[y * WIDTH + x] = (float) (6 * StrictMath.cos(r / 2.6));
                }
            }
        }
        return rings;
    }

    /** The strip under the picture, as the instrument writes it over the lowest rows. */
    private static Plane8 captioned(byte[] values) {
        ShapeRenderer ink = new ShapeRenderer(WIDTH, STRIP);
        double length = BAR_UM / UM_PER_PX;
        ink.add(new Rectangle(BAR_RIGHT - length, BAR_TOP - SEEN, length, BAR_THICK));
        String caption = "20 um";
        double width = Lettering.width(caption, 4);
        Lettering.draw(ink, caption, BAR_RIGHT - (length + width) / 2, 14, 4);
        Lettering.draw(ink, "5 kV  900 x", 30, 22, 4);
        PlaneF written = ink.plane(STRIP_GROUND, INK);
        for (int i = 0; i < WIDTH * STRIP; i++) {
            values[WIDTH * SEEN + i] = (byte) Math.round(written.values()[i]);
        }
        return Plane8.of(WIDTH, HEIGHT, values);
    }

    private static Method method(String name, String depth) {
        return new MethodMaker(name, LengthUnit.UM)
                .step("smooth", "sigma", "1.2 px")
                .step("threshold", "rule", "otsu", "keep", "bright")
                .step("fill-holes", "upTo", "0.2 um2")
                .step("remove-specks", "below", "0.4 um2")
                .step("split-touching", "by", "outline", "depth", depth)
                .step("edge-objects", "drop", "all")
                .make(List.of(
                        Measure.AREA,
                        Measure.ECD,
                        Measure.CIRCULARITY,
                        Measure.SOLIDITY,
                        Measure.X,
                        Measure.Y,
                        Measure.TOUCHES_EDGE,
                        Measure.MEAN));
    }
}
