package keentally.core.view;

import java.util.ArrayList;
import java.util.List;
import keentally.core.picture.Plane;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/**
 * A colour for each kept object, such that near ones differ: objects in order of number take the first colour, counted on from
 * the last one taken, that no coloured object nearby has. Where all are taken nearby, the next in turn. Cost: O(objects).
 */
public final class ObjectColours {
    private static final int NEAR = 10;
    private static final int CELL = 48;

    private final int[] ink;

    private ObjectColours(int[] ink) {
        this.ink = ink;
    }

    /** As they are drawn first. */
    public static ObjectColours of(ObjectSet objects) {
        return of(objects, 0);
    }

    /**
     * The mean colour of each object as the ground shows it.
     *
     * @param ground of the objects' size
     */
    public static ObjectColours means(ObjectSet objects, Pyramid ground, Work work) {
        Regions regions = objects.regions();
        List<Plane> planes = ground.level(0);
        int[] ink = new int[regions.count()];
        work.bands(objects.count(), (first, end) -> {
            float[] row = new float[regions.width()];
            for (int i = first; i < end; i++) {
                double[] means = new double[planes.size()];
                for (int c = 0; c < means.length; c++) {
                    means[c] = mean(regions, objects.region(i), planes.get(c), row);
                }
                ink[objects.region(i)] = ground.colour(means);
            }
        });
        return new ObjectColours(ink);
    }

    /**
     * A colour for how large a number is.
     *
     * @param values by region; those without a number are grey
     * @param from what has the darkest colour
     * @param to what has the lightest; where it is not above, all have the colour of the middle
     */
    public static ObjectColours ramp(double[] values, double from, double to) {
        int[] ink = new int[values.length];
        for (int i = 0; i < ink.length; i++) {
            ink[i] = Double.isNaN(values[i])
                    ? Inks.GHOST
                    : MeasureInks.at(to > from ? (values[i] - from) / (to - from) : 0.5);
        }
        return new ObjectColours(ink);
    }

    private static double mean(Regions regions, int region, Plane plane, float[] row) {
        double[] sums = new double[2];
        regions.runs(region, (y, from, to) -> {
            plane.readRow(y, from, to, row, 0);
            for (int x = 0; x < to - from; x++) {
                if (row[x] == row[x]) {
                    sums[0] += row[x];
                    sums[1]++;
                }
            }
        });
        return sums[1] == 0 ? 0 : sums[0] / sums[1];
    }

    /** @param again how often they were drawn again: each time others come first */
    public static ObjectColours of(ObjectSet objects, int again) {
        Regions regions = objects.regions();
        int columns = regions.width() / CELL + 1;
        List<List<int[]>> cells = new ArrayList<>();
        for (int i = 0; i < columns * (regions.height() / CELL + 1); i++) {
            cells.add(List.of());
        }
        byte[] colour = new byte[regions.count()];
        int turn = Math.floorMod(again, Inks.OBJECTS.size());
        for (int i = 0; i < objects.count(); i++) {
            int region = objects.region(i);
            int[] box = box(regions, region);
            boolean[] taken = new boolean[Inks.OBJECTS.size()];
            for (int cy = Math.max(0, box[1]) / CELL; cy <= Math.min(regions.height() - 1, box[3]) / CELL; cy++) {
                for (int cx = Math.max(0, box[0]) / CELL; cx <= Math.min(regions.width() - 1, box[2]) / CELL; cx++) {
                    int cell = cy * columns + cx;
                    for (int[] other : cells.get(cell)) {
                        taken[colour[other[4]]] |= meet(box, other);
                    }
                    if (cells.get(cell).isEmpty()) {
                        cells.set(cell, new ArrayList<>());
                    }
                    cells.get(cell).add(box);
                }
            }
            turn = next(turn, taken);
            colour[region] = (byte) turn;
        }
        int[] ink = new int[colour.length];
        for (int region = 0; region < ink.length; region++) {
            ink[region] = Inks.OBJECTS.get(colour[region]);
        }
        return new ObjectColours(ink);
    }

    /** Left, top, right, bottom, widened; and the region. */
    private static int[] box(Regions regions, int region) {
        Regions.Box box = regions.box(region);
        return new int[] {box.left() - NEAR, box.top() - NEAR, box.right() + NEAR, box.bottom() - 1 + NEAR, region};
    }

    private static boolean meet(int[] a, int[] b) {
        return a[0] < b[2] && b[0] < a[2] && a[1] < b[3] && b[1] < a[3];
    }

    private static int next(int turn, boolean[] taken) {
        for (int i = 1; i <= taken.length; i++) {
            int candidate = (turn + i) % taken.length;
            if (!taken[candidate]) {
                return candidate;
            }
        }
        return (turn + 1) % taken.length;
    }

    /** The colour of a region that is kept. */
    public int of(int region) {
        return ink[region];
    }
}
