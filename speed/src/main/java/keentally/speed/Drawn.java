package keentally.speed;

import java.util.SplittableRandom;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Ellipse;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/** A picture of 4,000 × 3,000 pixels with some 3,000 bright discs and noise, at each depth. */
final class Drawn {
    static final int WIDTH = 4000;
    static final int HEIGHT = 3000;
    private static final int ACROSS = 64;
    private static final int DOWN = 48;

    private Drawn() {}

    static PlaneF floats(Work work) {
        SplittableRandom random = new SplittableRandom(12);
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        for (int i = 0; i < ACROSS * DOWN; i++) {
            double x = (i % ACROSS + random.nextDouble(0.4, 0.6)) * WIDTH / ACROSS;
            double y = (i / ACROSS + random.nextDouble(0.4, 0.6)) * HEIGHT / DOWN;
            shapes.add(Ellipse.disc(x, y, random.nextDouble(5, 22)));
        }
        float[] values = Gaussian.of(shapes.plane(40, 190), 0.8, work).values();
        for (int i = 0; i < values.length; i++) {
            values[i] += (float) random.nextDouble(-12, 12);
        }
        return PlaneF.of(WIDTH, HEIGHT, values);
    }

    static Plane8 bytes(PlaneF plane) {
        byte[] values = new byte[plane.values().length];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) Math.clamp(Math.round(plane.values()[i]), 0, 255);
        }
        return Plane8.of(WIDTH, HEIGHT, values);
    }

    static Plane16 shorts(PlaneF plane) {
        short[] values = new short[plane.values().length];
        for (int i = 0; i < values.length; i++) {
            values[i] = (short) Math.clamp(Math.round(plane.values()[i] * 257), 0, 65535);
        }
        return Plane16.of(WIDTH, HEIGHT, values);
    }
}
