package keentally.samples;

import java.util.ArrayList;
import java.util.List;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.Work;

/**
 * A round biscuit on dark slate: cracks run in from its rim, the rim is chipped here and there, the docking holes lie further in, and
 * crumbs lie about. The method asks for the cracks alone, numbered by angle.
 */
final class CrackedBiscuit {
    private static final int WIDTH = 1100;
    private static final int HEIGHT = 1000;
    private static final double X = 552;
    private static final double Y = 502;
    private static final double RADIUS = 405;

    /** Chips are shallower than this, and cracks deeper. */
    private static final double SKIN_PX = 20;

    private CrackedBiscuit() {}

    static DemoSample draw(Work work) {
        Chance chance = new Chance(20261207);
        List<Ellipse> holes = holes(chance);
        List<Polygon> cracks = cracks(holes, chance);
        List<Truth.Thing> things = cracks.stream()
                .map(c -> new Truth.Thing(c.centroid().x(), c.centroid().y(), c.area(), false))
                .toList();
        PlaneF gaps = gaps(cracks, holes, chance);
        return new DemoSample(
                "cracked-biscuit",
                "Cracked biscuit",
                scene(gaps, crumbs(chance), work).photograph(0.7, 2.6, 830, work),
                new Scale(0.06, LengthUnit.MM),
                List.of(),
                new Truth(0, false, List.of(), things),
                method());
    }

    /** In rings, well inside. */
    private static List<Ellipse> holes(Chance chance) {
        List<Ellipse> holes = new ArrayList<>(List.of(Ellipse.disc(X, Y, 7)));
        for (int ring = 1; ring <= 2; ring++) {
            for (int i = 0; i < 6 * ring; i++) {
                double angle = 2 * Math.PI * i / (6 * ring) + chance.between(-0.05, 0.05);
                double away = 105 * ring + chance.between(-4, 4);
                holes.add(Ellipse.disc(
                        X + away * StrictMath.cos(angle), Y + away * StrictMath.sin(angle), chance.between(6, 8)));
            }
        }
        return holes;
    }

    /** Wedges that wind inwards, each with a sector of its own. */
    private static List<Polygon> cracks(List<Ellipse> holes, Chance chance) {
        List<Polygon> cracks = new ArrayList<>();
        int sectors = 17;
        for (int i = 0; i < sectors; i++) {
            double angle = 2 * Math.PI * (i + chance.between(0.25, 0.75)) / sectors;
            double length = chance.between(60, 175);
            double width = chance.between(6, 11);
            Polygon crack = crack(angle, length, width, chance);
            boolean clear = holes.stream()
                    .allMatch(h -> crack.corners().stream()
                            .allMatch(p -> StrictMath.hypot(p.x() - h.cx(), p.y() - h.cy()) > h.a() + 12));
            if (clear) {
                cracks.add(crack);
            }
        }
        return cracks;
    }

    private static Polygon crack(double angle, double length, double width, Chance chance) {
        int steps = 24;
        double bend = chance.between(-0.12, 0.12);
        double phase = chance.between(0, 6);
        List<Point> left = new ArrayList<>();
        List<Point> right = new ArrayList<>();
        for (int i = 0; i <= steps; i++) {
            double along = (double) i / steps;
            double away = RADIUS + 12 - (length + 12) * along;
            double turned = angle + bend * along + 0.012 * StrictMath.sin(phase + 9 * along);
            double half = width / 2 * (1 - 0.75 * along);
            double x = X + away * StrictMath.cos(turned);
            double y = Y + away * StrictMath.sin(turned);
            left.add(new Point(x - half * StrictMath.sin(turned), y + half * StrictMath.cos(turned)));
            right.addFirst(new Point(x + half * StrictMath.sin(turned), y - half * StrictMath.cos(turned)));
        }
        left.addAll(right);
        return new Polygon(left);
    }

    /** Where the slate, or a shadow, is seen through the biscuit. */
    private static PlaneF gaps(List<Polygon> cracks, List<Ellipse> holes, Chance chance) {
        ShapeRenderer gaps = new ShapeRenderer(WIDTH, HEIGHT);
        cracks.forEach(gaps::add);
        holes.forEach(gaps::add);
        for (int i = 0; i < 9; i++) {
            double angle = 2 * Math.PI * (i + chance.between(0, 0.5)) / 9;
            double away = RADIUS + chance.between(2, 5);
            gaps.add(Ellipse.disc(
                    X + away * StrictMath.cos(angle), Y + away * StrictMath.sin(angle), chance.between(7, 13)));
        }
        return gaps.coverage();
    }

    private static PlaneF crumbs(Chance chance) {
        ShapeRenderer crumbs = new ShapeRenderer(WIDTH, HEIGHT);
        int laid = 0;
        while (laid < 130) {
            double x = chance.between(10, WIDTH - 10);
            double y = chance.between(10, HEIGHT - 10);
            if (StrictMath.hypot(x - X, y - Y) > RADIUS + 26) {
                double size = 1 + 6 * StrictMath.pow(chance.between(0, 1), 4);
                crumbs.add(new Blob(x, y, size, chance.between(1, 1.6), 0.2, chance).outline(0));
                laid++;
            }
        }
        return crumbs.coverage();
    }

    /** Baked darker towards the rim; the light comes from the upper left. */
    private static ColourScene scene(PlaneF gaps, PlaneF crumbs, Work work) {
        PlaneF fine = Texture.noise(WIDTH, HEIGHT, 3, 821, work);
        PlaneF coarse = Texture.noise(WIDTH, HEIGHT, 30, 822, work);
        PlaneF slate = Texture.noise(WIDTH, HEIGHT, 6, 823, work);
        Polygon outline = new Blob(X, Y, RADIUS, 1, 0.006, new Chance(20261208)).outline(0);
        PlaneF whole = new ShapeRenderer(WIDTH, HEIGHT).add(outline).coverage();
        float[] there = whole.values().clone();
        float[] shadow = new float[there.length];
        float[] tone = new float[there.length];
        float[] deep = Gaussian.of(whole, 34, work).values();
        for (int i = 0; i < there.length; i++) {
            there[i] *= 1 - gaps.values()[i];
            tone[i] = 0.05f * coarse.values()[i] + 0.035f * fine.values()[i] - 0.24f * (1 - deep[i]);
        }
        PlaneF biscuit = PlaneF.of(WIDTH, HEIGHT, there);
        float[] soft = Gaussian.of(biscuit, 9, work).values();
        for (int y = 10; y < HEIGHT; y++) {
            System.arraycopy(soft, (y - 10) * WIDTH, shadow, y * WIDTH + 8, WIDTH - 8);
        }
        return new ColourScene(WIDTH, HEIGHT, 0x33383c)
                .ground(0x33383c, slate, 0.10)
                .darken(PlaneF.of(WIDTH, HEIGHT, shadow), 0.5)
                .lay(biscuit, 0xd9a65e, PlaneF.of(WIDTH, HEIGHT, tone), 1)
                .lay(crumbs, 0xcf9f5c, fine, 0.05);
    }

    /** What the hull holds and the biscuit does not, beneath the skin where chips are. */
    private static Method method() {
        return new MethodMaker("Cracks from the rim", LengthUnit.MM)
                .step("channel", "of", "grey")
                .step("smooth", "sigma", "0.8 px")
                .step("threshold", "rule", "otsu", "keep", "bright")
                .step("remove-specks", "below", "10 mm2")
                .step("fill-holes", "upTo", "2 mm2")
                .step("set-aside", "name", "biscuit")
                .step("hull", "of", "all")
                .step("set-aside", "name", "whole")
                .step("rim", "depth", SKIN_PX * 0.06 + " mm")
                .step("set-aside", "name", "skin")
                .step("combine", "with", "whole", "how", "or")
                .step("combine", "with", "biscuit", "how", "minus")
                .step("combine", "with", "skin", "how", "minus")
                .step("remove-specks", "below", "0.1 mm2")
                .step("label", "number", "angle")
                .make(List.of(
                        Measure.AREA,
                        Measure.SKELETON_LENGTH,
                        Measure.FERET_MAX,
                        Measure.FERET_ANGLE,
                        Measure.X,
                        Measure.Y));
    }
}
