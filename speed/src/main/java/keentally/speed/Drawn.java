package keentally.speed;

import java.util.SplittableRandom;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Ellipse;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/** Pictures of bright discs and noise, at each depth; usually of 4,000 × 3,000 pixels with some 3,000 of them. */
final class Drawn {
    static final int WIDTH = 4000;
    static final int HEIGHT = 3000;
    private static final int ACROSS = 64;
    private static final int DOWN = 48;

    private Drawn() {}

    static PlaneF floats(Work work) {
        return floats(WIDTH, HEIGHT, ACROSS, DOWN, work);
    }

    /** @param across discs in a row, and {@code down} in a column; each has its cell and takes from 0.16 to 0.7 of its width */
    static PlaneF floats(int width, int height, int across, int down, Work work) {
        SplittableRandom random = new SplittableRandom(12);
        ShapeRenderer shapes = new ShapeRenderer(width, height);
        double cell = (double) width / across / (WIDTH / (double) ACROSS);
        for (int i = 0; i < across * down; i++) {
            double x = (i % across + random.nextDouble(0.4, 0.6)) * width / across;
            double y = (i / across + random.nextDouble(0.4, 0.6)) * height / down;
            shapes.add(Ellipse.disc(x, y, cell * random.nextDouble(5, 22)));
        }
        float[] values = Gaussian.of(shapes.plane(40, 190), 0.8, work).values();
        for (int i = 0; i < values.length; i++) {
            values[i] += (float) random.nextDouble(-12, 12);
        }
        return PlaneF.of(width, height, values);
    }

    static Plane8 bytes(PlaneF plane) {
        byte[] values = new byte[plane.values().length];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) Math.clamp(Math.round(plane.values()[i]), 0, 255);
        }
        return Plane8.of(plane.width(), plane.height(), values);
    }

    static Plane16 shorts(PlaneF plane) {
        short[] values = new short[plane.values().length];
        for (int i = 0; i < values.length; i++) {
            values[i] = (short) Math.clamp(Math.round(plane.values()[i] * 257), 0, 65535);
        }
        return Plane16.of(plane.width(), plane.height(), values);
    }
}
