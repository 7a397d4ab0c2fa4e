package keentally.core.region;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;

/** Connected regions by flooding from pixel to pixel: the plain twin of labelling by runs. */
public final class SlowRegions {
    private SlowRegions() {}

    /** Region numbers from 1 in reading order of their first pixel, 0 for none. */
    public static int[][] labels(Mask mask, Neighbours neighbours) {
        int[][] labels = new int[mask.height()][mask.width()];
        int next = 0;
        for (int y = 0; y < mask.height(); y++) {
            for (int x = 0; x < mask.width(); x++) {
                if (mask.at(x, y) && labels[y][x] == 0) {
                    flood(mask, neighbours, labels, x, y, ++next);
                }
            }
        }
        return labels;
    }

    private static void flood(Mask mask, Neighbours neighbours, int[][] labels, int x0, int y0, int number) {
        ArrayDeque<int[]> todo = new ArrayDeque<>();
        labels[y0][x0] = number;
        todo.add(new int[] {x0, y0});
        while (!todo.isEmpty()) {
            int[] p = todo.poll();
            for (int dy = -1; dy <= 1; dy++) {
                for (int dx = -1; dx <= 1; dx++) {
                    int x = p[0] + dx;
                    int y = p[1] + dy;
                    boolean near = neighbours == Neighbours.EIGHT || dx == 0 || dy == 0;
                    boolean inside = x >= 0 && y >= 0 && x < mask.width() && y < mask.height();
                    if (near && inside && mask.at(x, y) && labels[y][x] == 0) {
                        labels[y][x] = number;
                        todo.add(new int[] {x, y});
                    }
                }
            }
        }
    }

    /** The pixels of each region, from 1. */
    public static List<List<int[]>> pixels(int[][] labels) {
        List<List<int[]>> pixels = new ArrayList<>();
        for (int y = 0; y < labels.length; y++) {
            for (int x = 0; x < labels[y].length; x++) {
                while (pixels.size() < labels[y][x]) {
                    pixels.add(new ArrayList<>());
                }
                if (labels[y][x] > 0) {
                    pixels.get(labels[y][x] - 1).add(new int[] {x, y});
                }
            }
        }
        return pixels;
    }
}
