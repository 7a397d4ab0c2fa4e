package keentally.core.watershed;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.PriorityQueue;
import java.util.TreeMap;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.draw.ShapeRenderer;
import keentally.core.geometry.Ellipse;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.PlaneF;
import keentally.core.region.Regions;
import keentally.core.region.SlowRegions;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class SplitTouchingTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(1500);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void splittingAgreesWithAPlainFlood(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 16);
        int height = chance.between(1, 12);
        Field field = chance.field(width, height);
        Mask mask = field.clip(chance.toss(0.3) ? Mask.full(width, height) : chance.mask(width, height));
        boolean outline = chance.toss(0.5);
        boolean bright = chance.toss(0.5);
        int levels = chance.toss(0.1) ? 300_000 : chance.between(1, 9);
        float[] values = new float[width * height];
        boolean whole = chance.toss(0.6);
        for (int i = 0; i < values.length; i++) {
            values[i] = whole ? chance.between(-levels, levels) : (float) (chance.between(-levels, levels) * 0.37);
        }
        double depth = outline ? chance.between(0.0, 2) : chance.toss(0.3) ? 0 : chance.between(0.0, 2.0 * levels);
        double[] heights = new double[values.length];
        for (int i = 0; i < values.length; i++) {
            heights[i] = outline
                    ? -nearest(field.mask().minus(mask), i % width, i / width)
                    : bright ? -values[i] : values[i];
        }
        Work work = new Work(Workers.of(2), new Cancel());
        Regions found = outline
                ? SplitTouching.byOutline(mask, field, depth, work)
                : SplitTouching.byLight(mask, PlaneF.of(width, height, values), bright, depth, work);
        int[] slow = slow(mask, heights, depth, outline);
        assertThat(labels(found)).isEqualTo(numbered(slow));
    }

    private static double nearest(Mask background, int x, int y) {
        double least = Integer.MAX_VALUE;
        for (int v = 0; v < background.height(); v++) {
            for (int u = background.nextSet(v, 0); u < background.width(); u = background.nextSet(v, u + 1)) {
                least = Math.min(least, (x - u) * (x - u) + (y - v) * (y - v));
            }
        }
        return least;
    }

    private static int[] labels(Regions regions) {
        int[] labels = new int[regions.width() * regions.height()];
        for (int i = 0; i < labels.length; i++) {
            labels[i] = regions.at(i % regions.width(), i / regions.width());
        }
        return labels;
    }

    /** With the same parts, numbered by their first pixel. */
    private static int[] numbered(int[] labels) {
        TreeMap<Integer, Integer> numbers = new TreeMap<>();
        int[] out = new int[labels.length];
        for (int i = 0; i < labels.length; i++) {
            int label = labels[i];
            out[i] = label < 0 ? -1 : numbers.computeIfAbsent(label, l -> numbers.size());
        }
        return out;
    }

    /** Minima, their dynamics and the flood, each by its definition; labels are the first pixels of minima. */
    private static int[] slow(Mask mask, double[] heights, double depth, boolean squares) {
        int width = mask.width();
        List<Integer> seeds = new ArrayList<>();
        for (List<int[]> piece : SlowRegions.pixels(SlowRegions.labels(mask, Neighbours.EIGHT))) {
            List<Integer> minima = minima(mask, heights, piece);
            for (int m : minima) {
                double spill = spill(mask, heights, m, minima);
                double dynamics = squares ? Math.sqrt(-heights[m]) - Math.sqrt(-spill) : spill - heights[m];
                if (Double.isInfinite(spill) || dynamics >= depth) {
                    seeds.add(m);
                }
            }
        }
        seeds.sort(null);
        record Waiting(double height, int arrival, int pixel) {}
        PriorityQueue<Waiting> queue =
                new PriorityQueue<>(Comparator.comparingDouble(Waiting::height).thenComparingInt(Waiting::arrival));
        int[] label = new int[heights.length];
        Arrays.fill(label, -1);
        int arrivals = 0;
        for (int seed : seeds) {
            label[seed] = seed;
            queue.add(new Waiting(heights[seed], arrivals++, seed));
        }
        while (!queue.isEmpty()) {
            Waiting now = queue.remove();
            for (int q : around(mask, now.pixel())) {
                if (label[q] < 0) {
                    label[q] = label[now.pixel()];
                    queue.add(new Waiting(Math.max(now.height(), heights[q]), arrivals++, q));
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

    @Test
    void touchingDiscsComeApartInTheirMiddle() {
        ShapeRenderer discs = new ShapeRenderer(90, 50);
        discs.add(new Ellipse(30, 25, 17, 17, 0));
        discs.add(new Ellipse(58, 25, 14, 14, 0));
        PlaneF coverage = discs.coverage();
        byte[] in = new byte[90 * 50];
        for (int i = 0; i < in.length; i++) {
            in[i] = (byte) (coverage.values()[i] > 0.5 ? 1 : 0);
        }
        Mask mask = Mask.from(in, 90, 50);
        Regions two = SplitTouching.byOutline(mask, Field.whole(90, 50), 1, Work.alone());
        assertThat(two.count()).isEqualTo(2);
        assertThat(two.at(30, 25)).isEqualTo(0);
        assertThat(two.at(60, 25)).isEqualTo(1);
        assertThat(two.pixels(0) + two.pixels(1)).isEqualTo(mask.count());
        assertThat(SplitTouching.byOutline(mask, Field.whole(90, 50), 30, Work.alone())
                        .count())
                .isEqualTo(1);
        Mask lines = two.lines(i -> true);
        assertThat(lines.count()).isBetween(5L, 40L);
        Regions parted = two.without(lines);
        assertThat(parted.count()).isEqualTo(2);
        assertThat(SlowRegions.pixels(SlowRegions.labels(mask.minus(lines), Neighbours.EIGHT)))
                .hasSize(2);
        assertThat(parted.pixels(0) + parted.pixels(1)).isEqualTo(mask.count() - lines.count());
    }

    @Test
    void nothingAndEverythingAreTaken() {
        Field field = Field.whole(7, 5);
        assertThat(SplitTouching.byOutline(Mask.empty(7, 5), field, 1, Work.alone())
                        .count())
                .isZero();
        assertThat(SplitTouching.byOutline(Mask.full(7, 5), field, 0, Work.alone())
                        .count())
                .isEqualTo(1);
    }
}
