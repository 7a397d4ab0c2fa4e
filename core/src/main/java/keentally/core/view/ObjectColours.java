package keentally.core.view;

import java.util.ArrayList;
import java.util.List;
import keentally.core.region.Objects;
import keentally.core.region.Regions;

/**
 * A colour for each kept object, such that near ones differ: objects in order of number take the first colour, counted on from
 * the last one taken, that no coloured object nearby has. Where all are taken nearby, the next in turn. Cost: O(objects).
 */
public final class ObjectColours {
    private static final int NEAR = 10;
    private static final int CELL = 48;

    private final byte[] colour;

    private ObjectColours(byte[] colour) {
        this.colour = colour;
    }

    public static ObjectColours of(Objects objects) {
        Regions regions = objects.regions();
        int columns = regions.width() / CELL + 1;
        List<List<int[]>> cells = new ArrayList<>();
        for (int i = 0; i < columns * (regions.height() / CELL + 1); i++) {
            cells.add(List.of());
        }
        byte[] colour = new byte[regions.count()];
        int turn = 0;
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
        return new ObjectColours(colour);
    }

    /** Left, top, right, bottom, widened; and the region. */
    private static int[] box(Regions regions, int region) {
        int[] box = {Integer.MAX_VALUE, Integer.MAX_VALUE, Integer.MIN_VALUE, Integer.MIN_VALUE, region};
        regions.runs(region, (y, from, to) -> {
            box[0] = Math.min(box[0], from - NEAR);
            box[1] = Math.min(box[1], y - NEAR);
            box[2] = Math.max(box[2], to + NEAR);
            box[3] = Math.max(box[3], y + NEAR);
        });
        return box;
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
        return Inks.OBJECTS.get(colour[region]);
    }
}
