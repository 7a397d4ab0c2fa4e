package keentally.core.watershed;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.PriorityQueue;
import java.util.TreeMap;
import java.util.function.DoubleBinaryOperator;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.Regions;
import keentally.core.region.SlowRegions;

/** Minima and floods by their definitions: the plain twin of the fast ones. */
final class SlowFlood {
    private SlowFlood() {}

    static int[] labels(Regions regions) {
        int[] labels = new int[regions.width() * regions.height()];
        for (int i = 0; i < labels.length; i++) {
            labels[i] = regions.at(i % regions.width(), i / regions.width());
        }
        return labels;
    }

    /** With the same parts, numbered by their first pixel. */
    static int[] numbered(int[] labels) {
        TreeMap<Integer, Integer> numbers = new TreeMap<>();
        int[] out = new int[labels.length];
        for (int i = 0; i < labels.length; i++) {
            int label = labels[i];
            out[i] = label < 0 ? -1 : numbers.computeIfAbsent(label, l -> numbers.size());
        }
        return out;
    }

    /** The first pixels of minima that are deep enough, by their definition, and of the deepest of each piece; in reading order. */
    static List<Integer> seeds(Mask mask, double[] heights, double depth, DoubleBinaryOperator measure) {
        List<Integer> seeds = new ArrayList<>();
        for (List<int[]> piece : SlowRegions.pixels(SlowRegions.labels(mask, Neighbours.EIGHT))) {
            List<Integer> minima = minima(mask, heights, piece);
            for (int m : minima) {
                double spill = spill(mask, heights, m, minima);
                if (Double.isInfinite(spill) || measure.applyAsDouble(spill, heights[m]) >= depth) {
                    seeds.add(m);
                }
            }
        }
        seeds.sort(null);
        return seeds;
    }

    /** Lowest first, then fewest steps at that height, then reading order; labels are the seeds. */
    static int[] of(Mask mask, double[] heights, List<Integer> seeds) {
        record Waiting(double height, int step, int pixel) {}
        PriorityQueue<Waiting> queue = new PriorityQueue<>(Comparator.comparingDouble(Waiting::height)
                .thenComparingInt(Waiting::step)
                .thenComparingInt(Waiting::pixel));
        int[] label = new int[heights.length];
        Arrays.fill(label, -1);
        for (int seed : seeds) {
            label[seed] = seed;
            queue.add(new Waiting(heights[seed], 0, seed));
        }
        while (!queue.isEmpty()) {
            Waiting now = queue.remove();
            for (int q : around(mask, now.pixel())) {
                if (label[q] < 0) {
                    label[q] = label[now.pixel()];
                    boolean rises = heights[q] > now.height();
                    queue.add(rises ? new Waiting(heights[q], 0, q) : new Waiting(now.height(), now.step() + 1, q));
                }
            }
        }
        return label;
    }

    private static List<Integer> around(Mask mask, int pixel) {
        int x = pixel % mask.width();
        int y = pixel / mask.width();
        List<Integer> around = new ArrayList<>();
        for (int dy = -1; dy <= 1; dy++) {
            for (int dx = -1; dx <= 1; dx++) {
                boolean inside = x + dx >= 0 && y + dy >= 0 && x + dx < mask.width() && y + dy < mask.height();
                if ((dx != 0 || dy != 0) && inside && mask.at(x + dx, y + dy)) {
                    around.add((y + dy) * mask.width() + x + dx);
                }
            }
        }
        return around;
    }

    /** All that can be reached from a pixel without climbing above a height. */
    private static List<Integer> lake(Mask mask, double[] heights, int from, double height) {
        List<Integer> lake = new ArrayList<>(List.of(from));
        boolean[] seen = new boolean[heights.length];
        seen[from] = true;
        Deque<Integer> open = new ArrayDeque<>(lake);
        while (!open.isEmpty()) {
            for (int q : around(mask, open.remove())) {
                if (!seen[q] && heights[q] <= height) {
                    seen[q] = true;
                    lake.add(q);
                    open.add(q);
                }
            }
        }
        return lake;
    }

    /** The first pixels of the plateaus that nothing lower touches. */
    private static List<Integer> minima(Mask mask, double[] heights, List<int[]> piece) {
        List<Integer> minima = new ArrayList<>();
        for (int[] p : piece) {
            int at = p[1] * mask.width() + p[0];
            List<Integer> plateau = lake(mask, heights, at, heights[at]);
            boolean lowest = plateau.stream().allMatch(q -> heights[q] == heights[at]);
            if (lowest && plateau.stream().mapToInt(q -> q).min().getAsInt() == at) {
                minima.add(at);
            }
        }
        return minima;
    }

    /** The least height at which the lake of a minimum holds a deeper one, or an equal one that comes before it. */
    private static double spill(Mask mask, double[] heights, int minimum, List<Integer> minima) {
        double[] sorted = Arrays.stream(heights).sorted().distinct().toArray();
        for (double height : sorted) {
            if (height >= heights[minimum]) {
                List<Integer> lake = lake(mask, heights, minimum, height);
                boolean deeper = minima.stream()
                        .filter(m -> heights[m] < heights[minimum] || heights[m] == heights[minimum] && m < minimum)
                        .anyMatch(lake::contains);
                if (deeper) {
                    return height;
                }
            }
        }
        return Double.POSITIVE_INFINITY;
    }
}
