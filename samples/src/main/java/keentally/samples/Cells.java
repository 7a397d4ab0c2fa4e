package keentally.samples;

import java.util.ArrayList;
import java.util.List;
import keentally.core.geometry.Point;

/** Cells that fill a picture: every pixel belongs to the nearest of some seeds. */
final class Cells {
    private static final int BUCKET = 40;
    private static final int BEYOND = 40;
    private static final int TRIES = 60_000;

    private final int width;
    private final int height;
    private final List<Point> seeds;
    private final List<List<Integer>> buckets = new ArrayList<>();
    private final int across;
    private final int[] owner;
    private final int[] next;
    private final float[] toWall;

    private Cells(int width, int height, List<Point> seeds) {
        this.width = width;
        this.height = height;
        this.seeds = seeds;
        this.across = (width + 2 * BEYOND) / BUCKET + 1;
        this.owner = new int[width * height];
        this.next = new int[width * height];
        this.toWall = new float[width * height];
        for (int i = 0; i < across * ((height + 2 * BEYOND) / BUCKET + 1); i++) {
            buckets.add(new ArrayList<>());
        }
        for (int i = 0; i < seeds.size(); i++) {
            buckets.get(bucket(seeds.get(i).x(), seeds.get(i).y())).add(i);
        }
        for (int i = 0; i < owner.length; i++) {
            look(i, i % width + 0.5, i / width + 0.5);
        }
    }

    /**
     * Seeds thrown until no more find room.
     *
     * @param spacing about so far apart, in pixels
     * @param settled how many times each moves to the middle of its cell, which makes cells more alike
     */
    static Cells grown(int width, int height, double spacing, int settled, Chance chance) {
        List<Point> seeds = new ArrayList<>();
        for (int tries = 0; tries < TRIES; tries++) {
            Point next = new Point(chance.between(-BEYOND, width + BEYOND), chance.between(-BEYOND, height + BEYOND));
            double room = spacing * chance.between(0.8, 1.25);
            if (isFree(next, room, seeds)) {
                seeds.add(next);
            }
        }
        Cells cells = new Cells(width, height, seeds);
        for (int i = 0; i < settled; i++) {
            cells = new Cells(width, height, cells.centres());
        }
        return cells;
    }

    private static boolean isFree(Point next, double room, List<Point> seeds) {
        for (Point p : seeds) {
            if (square(p, next) <= room * room) {
                return false;
            }
        }
        return true;
    }

    private static double square(Point a, Point b) {
        return (a.x() - b.x()) * (a.x() - b.x()) + (a.y() - b.y()) * (a.y() - b.y());
    }

    /** How far a pixel is from the nearest wall. */
    float toWall(int at) {
        return toWall[at];
    }

    private int bucket(double x, double y) {
        int column = Math.clamp((int) ((x + BEYOND) / BUCKET), 0, across - 1);
        int row = Math.clamp((int) ((y + BEYOND) / BUCKET), 0, buckets.size() / across - 1);
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
            sums[owner[i]][0] += i % width + 0.5;
            sums[owner[i]][1] += i / width + 0.5;
            sums[owner[i]][2]++;
        }
        return sums;
    }

    private boolean[] cut() {
        boolean[] cut = new boolean[seeds.size()];
        for (int i = 0; i < owner.length; i++) {
            boolean edge = i % width == 0 || i % width == width - 1 || i < width || i >= owner.length - width;
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
