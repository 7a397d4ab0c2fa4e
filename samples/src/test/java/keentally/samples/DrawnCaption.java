package keentally.samples;

import java.util.Arrays;
import java.util.Optional;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/** Micrographs with captions of many looks: strips above and below, bars in the picture, with ticks, boxed, smoothed, lossy. */
record DrawnCaption(Picture picture, double from, double to, double y, Optional<Rectangle> strip) {
    private static final int WIDTH = 900;
    private static final int HEIGHT = 680;

    /** The same caption for the same number. */
    static DrawnCaption draw(int number) {
        Chance chance = new Chance(9000 + number);
        byte[] values = texture(number, chance);
        int look = number % 5;
        double length = chance.between(60, 320);
        double thick = look == 3 ? 3 : Math.rint(chance.between(4, 12));
        boolean onStrip = look < 3;
        int strip = onStrip ? (int) chance.between(36, 80) : 0;
        boolean above = look == 2;
        int ground = number % 2 == 0 ? (int) chance.between(0, 25) : (int) chance.between(225, 255);
        int ink = number % 2 == 0 ? (int) chance.between(215, 255) : (int) chance.between(0, 35);
        if (onStrip) {
            int top = above ? 0 : HEIGHT - strip;
            Arrays.fill(values, top * WIDTH, (top + strip) * WIDTH, (byte) ground);
        }
        double x = chance.between(30, WIDTH - length - 40);
        double y =
                onStrip ? (above ? 0 : HEIGHT - strip) + strip - thick - 8 : chance.between(HEIGHT * 0.75, HEIGHT - 40);
        boolean sharp = look % 2 == 0;
        x = sharp ? Math.rint(x) : x;
        length = sharp ? Math.rint(length) : length;
        y = Math.rint(y);
        if (look == 3) {
            int pad = 9;
            fill(values, (int) x - pad, (int) (y - 26), (int) (length + 2 * pad), (int) (26 + thick + pad), ground);
        } else if (look == 4) {
            // a bar of ink with a rim of the other colour, straight on the picture
            fill(values, (int) x - 3, (int) y - 3, (int) Math.ceil(length) + 6, (int) thick + 6, ground);
        }
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        shapes.add(new Rectangle(x, y, length, thick));
        if (look == 1) {
            shapes.add(new Rectangle(x, y - 4, 2, thick + 8));
            shapes.add(new Rectangle(x + length - 2, y - 4, 2, thick + 8));
        }
        if (look != 4) {
            double square = look == 3 ? 2 : 3;
            Lettering.draw(shapes, "50 um", x + 2, y - Lettering.height(square) - (look == 1 ? 7 : 4), square);
        }
        if (onStrip && x > 260) {
            Lettering.draw(shapes, "15 kV x 320", 14, y - 10, 2);
        }
        float[] share = shapes.coverage().values();
        boolean lossy = number % 7 == 3;
        for (int i = 0; i < values.length; i++) {
            double v = (values[i] & 0xff) + (ink - (values[i] & 0xff)) * share[i];
            values[i] = (byte) Math.clamp(Math.round(v + (lossy ? 1.6 * chance.normal() : 0)), 0, 255);
        }
        Optional<Rectangle> around =
                onStrip ? Optional.of(new Rectangle(0, above ? 0 : HEIGHT - strip, WIDTH, strip)) : Optional.empty();
        return new DrawnCaption(Picture.grey(Plane8.of(WIDTH, HEIGHT, values)), x, x + length, y + thick / 2, around);
    }

    private static void fill(byte[] values, int x, int y, int width, int height, int value) {
        for (int j = Math.max(0, y); j < Math.min(HEIGHT, y + height); j++) {
            Arrays.fill(values, j * WIDTH + Math.max(0, x), j * WIDTH + Math.min(WIDTH, x + width), (byte) value);
        }
    }

    /** A picture with nothing burnt in. */
    static Picture without(int number) {
        return Picture.grey(Plane8.of(WIDTH, HEIGHT, texture(number, new Chance(9500 + number))));
    }

    /** Blobs on a ground, with blur and noise; now and then clipped, so that there are runs of one value. */
    private static byte[] texture(int number, Chance chance) {
        Work work = Work.alone();
        ShapeRenderer shapes = new ShapeRenderer(WIDTH, HEIGHT);
        for (int i = 0; i < 60; i++) {
            shapes.add(new Ellipse(
                    chance.between(0, WIDTH),
                    chance.between(0, HEIGHT),
                    chance.between(10, 70),
                    chance.between(10, 30),
                    chance.between(0, 180)));
        }
        boolean clipped = number % 4 == 1;
        float outside = (float) chance.between(20, 120);
        float inside = clipped ? 320 : (float) chance.between(outside + 40, 230);
        PlaneF cloud = Texture.noise(WIDTH, HEIGHT, 40, 300 + number, work);
        float[] scene = shapes.plane(outside, inside).values();
        for (int i = 0; i < scene.length; i++) {
            scene[i] += 9 * cloud.values()[i];
        }
        float[] blurred =
                Gaussian.of(PlaneF.of(WIDTH, HEIGHT, scene), 1.2, work).values();
        byte[] values = new byte[scene.length];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) Math.clamp(Math.round(blurred[i] + 4 * chance.normal()), 0, 255);
        }
        return values;
    }
}
