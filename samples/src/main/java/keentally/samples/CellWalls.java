package keentally.samples;

import java.util.ArrayList;
import java.util.List;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Point;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.Work;

/**
 * A section through the outer layers of a wheat grain, its walls stained: dark cells that touch all around, parted by bright walls, some
 * of them faint. No level parts the cells; they are found by growing from their dark middles.
 */
final class CellWalls {
    private static final int WIDTH = 1200;
    private static final int HEIGHT = 900;
    private static final double SPACING = 31;
    private static final int BUCKET = 40;
    private static final int SETTLED = 2;
    private static final float DARK = 58;
    private static final float WALL = 128;

    private CellWalls() {}

    static DemoSample draw(Work work) {
        List<Point> seeds = seeds();
        Cells cells = new Cells(seeds);
        for (int i = 0; i < SETTLED; i++) {
            cells = new Cells(cells.centres());
        }
        Truth truth = new Truth(0, false, List.of(), cells.things());
        return new DemoSample(
                "cell-walls",
                "Cell walls",
                Picture.grey(expose(cells, work)),
                new Scale(0.8, LengthUnit.UM),
                List.of(),
                truth,
                method());
    }

    /** Thrown until no more find room. */
    private static List<Point> seeds() {
        Chance chance = new Chance(20261201);
        List<Point> seeds = new ArrayList<>();
        for (int tries = 0; tries < 60_000; tries++) {
            Point next = new Point(chance.between(-40, WIDTH + 40), chance.between(-40, HEIGHT + 40));
            double room = SPACING * chance.between(0.8, 1.25);
            if (seeds.stream().allMatch(p -> square(p, next) > room * room)) {
                seeds.add(next);
            }
        }
        return seeds;
    }

    private static double square(Point a, Point b) {
        return (a.x() - b.x()) * (a.x() - b.x()) + (a.y() - b.y()) * (a.y() - b.y());
    }

    /** Every pixel belongs to the nearest seed. */
    private static final class Cells {
        private final List<Point> seeds;
        private final List<List<Integer>> buckets = new ArrayList<>();
        private final int across = (WIDTH + 80) / BUCKET + 1;
        private final int[] owner = new int[WIDTH * HEIGHT];
        private final int[] next = new int[WIDTH * HEIGHT];
        private final float[] toWall = new float[WIDTH * HEIGHT];

        Cells(List<Point> seeds) {
            this.seeds = seeds;
            for (int i = 0; i < across * ((HEIGHT + 80) / BUCKET + 1); i++) {
                buckets.add(new ArrayList<>());
            }
            for (int i = 0; i < seeds.size(); i++) {
                buckets.get(bucket(seeds.get(i).x(), seeds.get(i).y())).add(i);
            }
            for (int i = 0; i < owner.length; i++) {
                look(i, i % WIDTH + 0.5, i / WIDTH + 0.5);
            }
        }

        private int bucket(double x, double y) {
            int column = Math.clamp((int) ((x + 40) / BUCKET), 0, across - 1);
            int row = Math.clamp((int) ((y + 40) / BUCKET), 0, buckets.size() / across - 1);
            return row * across + column;
        }

        private void look(int at, double x, double y) {
            Point here = new Point(x, y);
            double least = Double.MAX_VALUE;
            double second = Double.MAX_VALUE;
            int middle = bucket(x, y);
            for (int dy = -2; dy <= 2; dy++) {
                for (int dx = -2; dx <= 2; dx++) {
                    int b = middle + dy * across + dx;
                    for (int i : b >= 0 && b < buckets.size() ? buckets.get(b) : List.<Integer>of()) {
                        double d = square(seeds.get(i), here);
                        if (d < least) {
                            second = least;
                            next[at] = owner[at];
                            least = d;
                            owner[at] = i;
                        } else if (d < second && i != owner[at]) {
                            second = d;
                            next[at] = i;
                        }
                    }
                }
            }
            double apart = Math.sqrt(square(seeds.get(owner[at]), seeds.get(next[at])));
            toWall[at] = (float) ((second - least) / (2 * apart));
        }

        /** Sums of x, y and pixels of each seed's cell. */
        private double[][] sums() {
            double[][] sums = new double[seeds.size()][3];
            for (int i = 0; i < owner.length; i++) {
                sums[owner[i]][0] += i % WIDTH + 0.5;
                sums[owner[i]][1] += i / WIDTH + 0.5;
                sums[owner[i]][2]++;
            }
            return sums;
        }

        private boolean[] cut() {
            boolean[] cut = new boolean[seeds.size()];
            for (int i = 0; i < owner.length; i++) {
                boolean edge = i % WIDTH == 0 || i % WIDTH == WIDTH - 1 || i < WIDTH || i >= owner.length - WIDTH;
                cut[owner[i]] |= edge;
            }
            return cut;
        }

        /** The middles of the cells; those that lie outside or are cut off stay where they are. */
        List<Point> centres() {
            double[][] sums = sums();
            boolean[] cut = cut();
            List<Point> centres = new ArrayList<>();
            for (int i = 0; i < seeds.size(); i++) {
                boolean stays = cut[i] || sums[i][2] == 0;
                centres.add(stays ? seeds.get(i) : new Point(sums[i][0] / sums[i][2], sums[i][1] / sums[i][2]));
            }
            return centres;
        }

        List<Truth.Thing> things() {
            double[][] sums = sums();
            boolean[] cut = cut();
            List<Truth.Thing> things = new ArrayList<>();
            for (int i = 0; i < sums.length; i++) {
                if (sums[i][2] > 0) {
                    things.add(new Truth.Thing(sums[i][0] / sums[i][2], sums[i][1] / sums[i][2], sums[i][2], cut[i]));
                }
            }
            return things;
        }

        /** Of the wall at a pixel: a number from 0 to 1 that is the same all along it. */
        double chanceOf(int at) {
            long a = Math.min(owner[at], next[at]);
            long b = Math.max(owner[at], next[at]);
            return new Chance(a * 7919 + b).between(0, 1);
        }
    }

    private static Plane8 expose(Cells cells, Work work) {
        PlaneF cloud = Texture.noise(WIDTH, HEIGHT, 90, 71, work);
        PlaneF plasma = Texture.noise(WIDTH, HEIGHT, 7, 72, work);
        PlaneF fine = Texture.noise(WIDTH, HEIGHT, 2.5, 73, work);
        PlaneF sensor = Texture.noise(WIDTH, HEIGHT, 0, 74, work);
        float[] scene = new float[WIDTH * HEIGHT];
        for (int i = 0; i < scene.length; i++) {
            float within = DARK + 7 * cloud.values()[i] + 5 * plasma.values()[i] + 3 * fine.values()[i];
            scene[i] = within;
            if (cells.toWall[i] < 4) {
                double each = cells.chanceOf(i);
                double half = 1.5 + 1.1 * each;
                double cover = Math.clamp(half + 0.5 - cells.toWall[i], 0, 1);
                double strength = each < 0.05 ? 0.5 : 0.7 + 0.3 * each;
                scene[i] += (float) (cover * strength * (WALL + 6 * fine.values()[i]));
            }
        }
        float[] blurred =
                Gaussian.of(PlaneF.of(WIDTH, HEIGHT, scene), 1.1, work).values();
        byte[] values = new byte[scene.length];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) Math.clamp(Math.round(blurred[i] + 3.4 * sensor.values()[i]), 0, 255);
        }
        return Plane8.of(WIDTH, HEIGHT, values);
    }

    private static Method method() {
        return new MethodMaker("Cells between walls", LengthUnit.UM)
                .step("smooth", "sigma", "2 px")
                .step("grow-regions", "markers", "minima", "over", "picture", "depth", 16)
                .step("edge-objects", "drop", "all")
                .make(List.of(
                        Measure.AREA,
                        Measure.ECD,
                        Measure.ASPECT_RATIO,
                        Measure.SOLIDITY,
                        Measure.X,
                        Measure.Y,
                        Measure.MEAN));
    }
}
