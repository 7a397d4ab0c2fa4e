package keentally.samples;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Polygon;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.starter.Starter;
import keentally.core.work.Work;

/**
 * Sixty pictures of fifteen kinds that the demo does not have, each kind four times: other sizes, numbers, lights and contrasts by
 * chance. Those with odd numbers are for working on the starters, those with even ones only for telling how good they are.
 */
public final class UnseenPictures {
    /** Of each kind. */
    public static final int EACH = 6;

    private static final int WIDTH = 640;
    private static final int HEIGHT = 480;
    private static final int PIXELS = WIDTH * HEIGHT;

    private final String kind;
    private final int number;
    private final Chance chance;
    private final long seed;
    private final Work work;

    private UnseenPictures(Kind kind, int number, Work work) {
        this.kind = kind.name().toLowerCase(java.util.Locale.ROOT);
        this.number = number;
        this.seed = 1000L * (kind.ordinal() + 1) + 10L * number;
        this.chance = new Chance(seed);
        this.work = work;
    }

    private enum Kind {
        FLECKS,
        BEADS,
        FOAM,
        DISH,
        SHEET,
        RINGS,
        NEEDLES,
        SPORES,
        FAMILIES,
        PILLS,
        NUCLEI,
        NUTS,
        DROPS,
        PORES,
        PATCHES
    }

    /** One of each kind, drawn when it is asked for. @param number from 1 to {@value #EACH} */
    public static List<Supplier<Unseen>> numbered(int number, Work work) {
        return Arrays.stream(Kind.values())
                .<Supplier<Unseen>>map(kind -> () -> new UnseenPictures(kind, number, work).draw(kind))
                .toList();
    }

    /** All of them, drawn when they are asked for. */
    public static List<Supplier<Unseen>> all(Work work) {
        return IntStream.rangeClosed(1, EACH)
                .boxed()
                .flatMap(n -> numbered(n, work).stream())
                .toList();
    }

    private Unseen draw(Kind kind) {
        return switch (kind) {
            case FLECKS -> flecks();
            case BEADS -> beads();
            case FOAM -> foam();
            case DISH -> dish();
            case SHEET -> sheet();
            case RINGS -> rings();
            case NEEDLES -> needles();
            case SPORES -> spores();
            case FAMILIES -> families();
            case PILLS -> pills();
            case NUCLEI -> nuclei();
            case NUTS -> nuts();
            case DROPS -> drops();
            case PORES -> pores();
            case PATCHES -> patches();
        };
    }

    private double between(double from, double to) {
        return chance.between(from, to);
    }

    private int count(int from, int to) {
        return (int) Math.round(between(from, to));
    }

    private PlaneF noise(double grain, int which) {
        return Texture.noise(WIDTH, HEIGHT, grain, seed + which, work);
    }

    private static PlaneF drawn(List<Polygon> outlines) {
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        outlines.forEach(shapes::add);
        return shapes.coverage();
    }

    private Scatter scattered(double gap, Scatter.Kind kind, int count, double least, double most) {
        Scatter scatter = new Scatter(WIDTH, HEIGHT, gap);
        scatter.lay(kind, chance, count, least, most);
        return scatter;
    }

    /** A value for each pixel. */
    @FunctionalInterface
    private interface Scene {
        double at(int i);
    }

    /** Blurred a little, by a sensor of 8 bits that is noisy. */
    private Picture grey(Scene scene, double blur, double noise) {
        float[] values = new float[PIXELS];
        for (int i = 0; i < values.length; i++) {
            values[i] = (float) scene.at(i);
        }
        float[] seen = Gaussian.of(PlaneF.of(WIDTH, HEIGHT, values), blur, work).values();
        float[] grain = noise(0, 9).values();
        byte[] bytes = new byte[PIXELS];
        for (int i = 0; i < bytes.length; i++) {
            bytes[i] = (byte) Math.clamp(Math.round(seen[i] + noise * grain[i]), 0, 255);
        }
        return Picture.grey(Plane8.of(WIDTH, HEIGHT, bytes));
    }

    private Unseen things(Picture picture, List<Truth.Thing> things) {
        return Unseen.ofThings(kind, number, picture, things);
    }

    /** Dark flecks on pale paper. */
    private Unseen flecks() {
        Scatter flecks = scattered(3, new Scatter.Kind(60, 2, 1.6, 0.25), count(40, 130), 3.2, between(6, 10));
        float[] cover = drawn(flecks.outlines()).values();
        float[] paper = noise(4, 1).values();
        double ground = between(185, 215);
        double dark = between(60, 120);
        return things(
                grey(i -> ground + 4 * paper[i] + (dark - ground) * cover[i], 0.8, between(2, 4)), flecks.things());
    }

    /** Beads that touch, bright on dark or dark on bright. */
    private Unseen beads() {
        double radius = between(10, 20);
        List<Ellipse> beads = new ArrayList<>();
        List<Truth.Thing> things = new ArrayList<>();
        int wanted = (int) (between(0.35, 0.6) * PIXELS / (Math.PI * radius * radius));
        for (int tries = 0; beads.size() < wanted && tries < 200_000; tries++) {
            double r = radius * between(0.9, 1.1);
            Ellipse next = tries % 40 == 0 || beads.isEmpty()
                    ? Ellipse.disc(between(r + 3, WIDTH - r - 3), between(r + 3, HEIGHT - r - 3), r)
                    : beside(beads.get((int) between(0, beads.size())), r);
            if (lies(next, beads)) {
                beads.add(next);
                things.add(new Truth.Thing(next.cx(), next.cy(), Math.PI * r * r, false));
            }
        }
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        beads.forEach(shapes::add);
        float[] cover = shapes.coverage().values();
        float[] grain = noise(6, 1).values();
        boolean bright = number % 2 == 1 == (number < 3);
        double ground = bright ? between(30, 60) : between(190, 220);
        double bead = bright ? between(150, 200) : between(70, 110);
        return things(grey(i -> ground + 3 * grain[i] + (bead - ground) * cover[i], 1, between(2, 5)), things);
    }

    /** A bead that touches another one. */
    private Ellipse beside(Ellipse other, double r) {
        double direction = between(0, 2 * Math.PI);
        double apart = other.a() + r - 0.5;
        return Ellipse.disc(
                other.cx() + apart * StrictMath.cos(direction), other.cy() + apart * StrictMath.sin(direction), r);
    }

    private static boolean lies(Ellipse next, List<Ellipse> beads) {
        double r = next.a() + 3;
        return next.cx() > r
                && next.cy() > r
                && next.cx() < WIDTH - r
                && next.cy() < HEIGHT - r
                && beads.stream()
                        .allMatch(b -> Math.hypot(b.cx() - next.cx(), b.cy() - next.cy()) >= b.a() + next.a() - 1);
    }

    /** Cells that fill the picture, between bright walls or dark ones. */
    private Unseen foam() {
        Cells cells = Cells.grown(WIDTH, HEIGHT, between(26, 48), 2, chance);
        float[] plasma = noise(8, 1).values();
        float[] fine = noise(2.5, 2).values();
        boolean bright = number > 2 == (number % 2 == 1);
        double cell = bright ? between(50, 80) : between(160, 200);
        double wall = bright ? between(110, 150) : -between(90, 120);
        double half = between(1.6, 2.6);
        return things(
                grey(
                        i -> cell
                                + 5 * plasma[i]
                                + 3 * fine[i]
                                + wall
                                        * Math.clamp(half + 0.5 - cells.toWall(i), 0, 1)
                                        * (0.75 + 0.25 * cells.chanceOf(i)),
                        1,
                        between(2, 4)),
                cells.things());
    }

    /** Chips in a round dish that stands on a table. */
    private Unseen dish() {
        Ellipse rim = Ellipse.disc(WIDTH / 2.0 + between(-20, 20), HEIGHT / 2.0 + between(-8, 8), between(205, 222));
        Scatter chips = new Scatter(WIDTH, HEIGHT, 4);
        chips.within(Ellipse.disc(rim.cx(), rim.cy(), rim.a() - 16));
        chips.lay(new Scatter.Kind(80, 2, 1.8, 0.25), chance, count(40, 120), 5, between(9, 13));
        boolean darkTable = number % 2 == 0;
        int table = darkTable ? 0x4a3a2c : 0x8a6a48;
        ColourScene scene = new ColourScene(WIDTH, HEIGHT, table)
                .ground(table, noise(14, 1), 0.1)
                .lay(new ShapeRenderer(WIDTH, HEIGHT).add(rim).coverage(), 0xc8c8c4, noise(5, 2), 0.01)
                .lay(
                        new ShapeRenderer(WIDTH, HEIGHT)
                                .add(Ellipse.disc(rim.cx(), rim.cy(), rim.a() - 9))
                                .coverage(),
                        0xe8e8e4,
                        noise(20, 3),
                        0.02)
                .lay(drawn(chips.outlines()), number < 3 ? 0x8a5a20 : 0x5a6a2a, noise(4, 4), 0.12);
        return things(scene.photograph(0.9, 2, seed, work), chips.things());
    }

    /** Seeds on a sheet of paper, lit from one side. */
    private Unseen sheet() {
        Scatter seeds = scattered(4, new Scatter.Kind(80, 2, 1.5, 2.2, 0.1), count(40, 110), 6, between(8, 12));
        float[] cover = drawn(seeds.outlines()).values();
        float[] paper = noise(5, 1).values();
        double tilt = between(0.35, 0.55);
        double direction = between(0, 2 * Math.PI);
        double dark = between(0.3, 0.5);
        double lamp = between(200, 235);
        return things(
                grey(
                        i -> {
                            double x = (double) (i % WIDTH) / WIDTH - 0.5;
                            double y = (double) (i / WIDTH) / HEIGHT - 0.5;
                            double light = 1 - tilt * (0.5 + x * Math.cos(direction) + y * Math.sin(direction));
                            return lamp * light * (1 + 0.015 * paper[i]) * (1 - (1 - dark) * cover[i]);
                        },
                        0.9,
                        between(1.5, 3)),
                seeds.things());
    }

    /** Bubbles: only their rims are seen. */
    private Unseen rings() {
        Scatter bubbles = scattered(4, new Scatter.Kind(80, 2, 1.1, 0.02), count(25, 70), 9, between(18, 28));
        float[] cover = drawn(bubbles.outlines()).values();
        float[] inner = Gaussian.of(PlaneF.of(WIDTH, HEIGHT, cover), 1.6, work).values();
        float[] grain = noise(7, 1).values();
        double ground = between(130, 170);
        double rim = number % 2 == 0 ? between(60, 80) : -between(70, 95);
        return things(
                grey(i -> ground + 3 * grain[i] + rim * 4 * cover[i] * (1 - inner[i]), 0.8, between(2, 3.5)),
                bubbles.things());
    }

    /** Long bright rods. */
    private Unseen needles() {
        Scatter rods = scattered(4, new Scatter.Kind(120, 2, 7, 12, 0.05), count(30, 70), 9, between(11, 14));
        float[] cover = drawn(rods.outlines()).values();
        float[] grain = noise(9, 1).values();
        double ground = between(40, 70);
        double bright = between(130, 190);
        return things(
                grey(i -> ground + 4 * grain[i] + (bright - ground) * cover[i], 0.8, between(2, 4)), rods.things());
    }

    /** Dark spores on a ground that is uneven itself. */
    private Unseen spores() {
        Scatter spores = scattered(4, new Scatter.Kind(80, 2, 1.3, 0.08), count(40, 110), 6, between(8, 12));
        float[] cover = drawn(spores.outlines()).values();
        float[] coarse = noise(24, 1).values();
        float[] fine = noise(3, 2).values();
        double ground = between(140, 180);
        double dark = between(55, 75);
        return things(
                grey(i -> ground + 9 * coarse[i] + 5 * fine[i] - dark * cover[i], 1, between(2, 4)), spores.things());
    }

    /** Small and large ones together. */
    private Unseen families() {
        Scatter both = new Scatter(WIDTH, HEIGHT, 4);
        both.lay(new Scatter.Kind(80, 2, 1.3, 0.08), chance, count(8, 18), 20, 30);
        both.lay(new Scatter.Kind(80, 2, 1.3, 0.08), chance, count(50, 120), 3.5, 5);
        float[] cover = drawn(both.outlines()).values();
        float[] grain = noise(6, 1).values();
        boolean bright = number > 2;
        double ground = bright ? between(35, 60) : between(180, 210);
        double thing = bright ? between(140, 190) : between(60, 100);
        return things(
                grey(i -> ground + 3 * grain[i] + (thing - ground) * cover[i], 0.8, between(2, 3.5)), both.things());
    }

    /** Coloured things, no lighter and no darker than the mat that they lie on. */
    private Unseen pills() {
        int[][] colours = {{0x5d8a8c, 0xc2605a}, {0x8a7f9e, 0x7f9a4a}, {0x6c8fb4, 0xb98a3c}, {0x7a9470, 0xb36f9a}};
        Scatter pills = scattered(4, new Scatter.Kind(80, 2, 1.4, 2, 0.01), count(30, 90), 9, between(12, 16));
        ColourScene scene = new ColourScene(WIDTH, HEIGHT, colours[(number - 1) % 4][0])
                .ground(colours[(number - 1) % 4][0], noise(6, 1), 0.04)
                .lay(drawn(pills.outlines()), colours[(number - 1) % 4][1], noise(8, 2), 0.04);
        return things(scene.photograph(0.9, 2, seed, work), pills.things());
    }

    /** Soft and of unlike brightness, over a haze. */
    private Unseen nuclei() {
        Scatter nuclei = scattered(5, new Scatter.Kind(80, 2, 1.5, 0.06), count(30, 80), 9, between(13, 17));
        float[] light = new float[PIXELS];
        for (Polygon each : nuclei.outlines()) {
            float[] one = new ShapeRenderer(WIDTH, HEIGHT).add(each).coverage().values();
            float own = (float) between(70, 170);
            for (int i = 0; i < PIXELS; i++) {
                light[i] = Math.max(light[i], own * one[i]);
            }
        }
        float[] haze = noise(120, 1).values();
        float[] inside = noise(5, 2).values();
        return things(
                grey(i -> 26 + 6 * haze[i] + light[i] * (1 + 0.06 * inside[i]), 1.6, between(2, 4)), nuclei.things());
    }

    /** Rough, spotted things that throw shadows on a grey cloth. */
    private Unseen nuts() {
        Scatter nuts = scattered(8, new Scatter.Kind(80, 2, 1.5, 0.12), count(15, 35), 16, between(22, 28));
        PlaneF cover = drawn(nuts.outlines());
        int reach = count(4, 6);
        float[] shadow = new float[PIXELS];
        for (int i = 0; i < PIXELS; i++) {
            int x = i % WIDTH - reach;
            int y = i / WIDTH - reach;
            shadow[i] = x >= 0 && y >= 0 ? cover.values()[y * WIDTH + x] : 0;
        }
        PlaneF soft = Gaussian.of(PlaneF.of(WIDTH, HEIGHT, shadow), 3, work);
        boolean pale = number % 2 == 0;
        int cloth = pale ? 0xb4b6b8 : 0x8c9094;
        ColourScene scene = new ColourScene(WIDTH, HEIGHT, cloth)
                .ground(cloth, noise(3, 1), 0.03)
                .darken(soft, 0.3)
                .lay(cover, number < 3 ? 0x7a4a22 : 0xc08a3e, noise(7, 2), 0.14);
        return things(scene.photograph(0.9, 2, seed, work), nuts.things());
    }

    /** Drops under the microscope: a dark rim, and light gathered in the middle. */
    private Unseen drops() {
        Scatter drops = scattered(4, new Scatter.Kind(80, 2, 1.05, 0.01), count(30, 90), 7, between(12, 17));
        PlaneF cover = drawn(drops.outlines());
        float[] body = cover.values();
        ShapeRenderer middles = new ShapeRenderer(WIDTH, HEIGHT);
        for (Truth.Thing drop : drops.things()) {
            middles.add(Ellipse.disc(drop.x(), drop.y(), 0.22 * drop.ecdPx()));
        }
        float[] middle = Gaussian.of(middles.coverage(), 1, work).values();
        float[] grain = noise(8, 1).values();
        double ground = between(140, 170);
        double dark = between(70, 95);
        return things(
                grey(i -> ground + 3 * grain[i] - dark * body[i] + (dark + 55) * middle[i], 0.8, between(2, 3.5)),
                drops.things());
    }

    /** Winding dark pores in a pale body: how much is pore? */
    private Unseen pores() {
        float[] field = noise(between(10, 22), 1).values();
        double least = between(0.3, 1.1);
        float[] cover = winding(field, least);
        float[] grain = noise(4, 2).values();
        double pale = between(160, 200);
        double dark = between(50, 90);
        return Unseen.ofShare(
                kind,
                number,
                grey(i -> pale + 5 * grain[i] + (dark - pale) * cover[i], 1, between(2, 4)),
                Starter.DARK,
                FlourDispersion.percent(PlaneF.of(WIDTH, HEIGHT, cover)));
    }

    /** Bright patches, from next to nothing to most of the picture: how much is bright? */
    private Unseen patches() {
        float[] field = noise(between(30, 60), 1).values();
        double[] least = {1.6, 0.9, 0.2, -0.5};
        float[] cover = winding(field, least[(number - 1) % 4]);
        float[] grain = noise(3, 2).values();
        double dark = between(60, 90);
        double bright = between(140, 190);
        return Unseen.ofShare(
                kind,
                number,
                grey(i -> dark + 5 * grain[i] + (bright - dark) * cover[i], 1, between(2, 4)),
                Starter.BRIGHT,
                FlourDispersion.percent(PlaneF.of(WIDTH, HEIGHT, cover)));
    }

    /** Where a field of chance is above a level, with an edge of about a pixel. */
    private static float[] winding(float[] field, double least) {
        float[] cover = new float[PIXELS];
        IntStream.range(0, PIXELS).forEach(i -> cover[i] = (float) Math.clamp(12 * (field[i] - least) + 0.5, 0, 1));
        return cover;
    }
}
