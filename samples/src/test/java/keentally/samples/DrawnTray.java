package keentally.samples;

import java.util.Arrays;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/** Photos of a round tray on a bench, none like another: clutter, glare, things across the rim, partly outside. */
record DrawnTray(Picture picture, Ellipse rim) {
    private static final int WIDTH = 960;
    private static final int HEIGHT = 720;

    /** The same tray for the same number. Without a rim there is only the bench with its clutter. */
    static DrawnTray draw(int number, boolean withTray) {
        Chance chance = new Chance(7000 + number);
        Work work = Work.alone();
        double radius = chance.between(210, 330);
        boolean partly = number % 3 == 0;
        double overhang = partly ? chance.between(0.05, 0.45) * radius : 0;
        double x = partly ? radius - overhang : chance.between(radius + 5, WIDTH - radius - 5);
        double y = radius + 8 < HEIGHT - radius - 8
                ? chance.between(radius + 8, HEIGHT - radius - 8)
                : HEIGHT / 2.0 + chance.between(-30, 30);
        Ellipse rim = Ellipse.disc(x, y, radius);
        float bench = (float) chance.between(60, 190);
        float floor = bench > 125 ? (float) chance.between(30, bench - 45) : (float) chance.between(bench + 45, 230);
        float edge = number % 4 == 0 ? (bench + floor) / 2 : Math.max(bench, floor) + 40;
        float[] scene = new float[WIDTH * HEIGHT];
        Arrays.fill(scene, bench);
        lay(scene, chance, 26, 12, 90, bench);
        if (withTray) {
            double wall = number % 2 == 0 ? chance.between(4, 16) : 0;
            if (wall > 0) {
                paint(scene, new ShapeRenderer(WIDTH, HEIGHT).add(Ellipse.disc(x, y, radius + wall)), edge);
            }
            paint(scene, new ShapeRenderer(WIDTH, HEIGHT).add(rim), floor);
            grains(scene, chance, rim, floor);
            glare(scene, chance, rim);
            crossing(scene, chance, rim, number);
        }
        return new DrawnTray(Picture.grey(exposed(scene, chance, number, work)), rim);
    }

    private static void paint(float[] scene, ShapeRenderer shape, float value) {
        float[] share = shape.coverage().values();
        for (int i = 0; i < scene.length; i++) {
            scene[i] += (value - scene[i]) * share[i];
        }
    }

    /** Boxes, rulers and cups about the bench. */
    private static void lay(float[] scene, Chance chance, int count, double least, double most, float bench) {
        for (int i = 0; i < count; i++) {
            double w = chance.between(least, most);
            double h = chance.between(least, most) * (chance.between(0, 1) < 0.3 ? 4 : 1);
            double x = chance.between(-20, WIDTH);
            double y = chance.between(-20, HEIGHT);
            float value = (float) Math.clamp(bench + chance.between(-90, 90), 5, 250);
            ShapeRenderer shape = new ShapeRenderer(WIDTH, HEIGHT);
            shape.add(
                    chance.between(0, 1) < 0.4
                            ? new Ellipse(x, y, w / 2, h / 2 + 2, chance.between(0, 180))
                            : new Rectangle(x, y, w, h));
            paint(scene, shape, value);
        }
    }

    private static void grains(float[] scene, Chance chance, Ellipse rim, float floor) {
        ShapeRenderer grains = new ShapeRenderer(WIDTH, HEIGHT);
        for (int i = 0; i < 140; i++) {
            double away = rim.a() * 0.93 * Math.sqrt(chance.between(0, 1));
            double angle = chance.between(0, 2 * Math.PI);
            double x = rim.cx() + away * StrictMath.cos(angle);
            double y = rim.cy() + away * StrictMath.sin(angle);
            grains.add(new Ellipse(x, y, chance.between(7, 13), chance.between(4, 6), chance.between(0, 180)));
        }
        paint(scene, grains, floor > 125 ? floor - 75 : floor + 75);
    }

    private static void glare(float[] scene, Chance chance, Ellipse rim) {
        double x = rim.cx() + chance.between(-0.7, 0.7) * rim.a();
        double y = rim.cy() + chance.between(-0.7, 0.7) * rim.a();
        double size = chance.between(25, 70);
        for (int i = 0; i < scene.length; i++) {
            double d = Math.hypot(i % WIDTH - x, (double) (i / WIDTH) - y) / size;
            scene[i] += (float) (190 * StrictMath.exp(-d * d));
        }
    }

    /** A spoon or a strip of paper over the rim. */
    private static void crossing(float[] scene, Chance chance, Ellipse rim, int number) {
        for (int i = 0; i < 1 + number % 3; i++) {
            double angle = chance.between(0, 2 * Math.PI);
            double c = StrictMath.cos(angle);
            double s = StrictMath.sin(angle);
            double half = chance.between(8, 30);
            double from = rim.a() * chance.between(0.55, 0.85);
            double to = rim.a() * chance.between(1.15, 1.5);
            Polygon strip = Polygon.of(
                    rim.cx() + from * c - half * s,
                    rim.cy() + from * s + half * c,
                    rim.cx() + to * c - half * s,
                    rim.cy() + to * s + half * c,
                    rim.cx() + to * c + half * s,
                    rim.cy() + to * s - half * c,
                    rim.cx() + from * c + half * s,
                    rim.cy() + from * s - half * c);
            paint(scene, new ShapeRenderer(WIDTH, HEIGHT).add(strip), (float) chance.between(20, 240));
        }
    }

    private static Plane8 exposed(float[] scene, Chance chance, int number, Work work) {
        double slope = chance.between(-0.25, 0.25);
        float[] blurred = Gaussian.of(PlaneF.of(WIDTH, HEIGHT, scene), chance.between(0.8, 2), work)
                .values();
        PlaneF wood = Texture.noise(WIDTH, HEIGHT, 18, 900 + number, work);
        byte[] values = new byte[scene.length];
        for (int i = 0; i < values.length; i++) {
            double lit = (blurred[i] + 5 * wood.values()[i]) * (1 + slope * (i % WIDTH - WIDTH / 2.0) / WIDTH);
            values[i] = (byte) Math.clamp(Math.round(lit + 3 * chance.normal()), 0, 255);
        }
        return Plane8.of(WIDTH, HEIGHT, values);
    }
}
