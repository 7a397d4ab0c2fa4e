package keentally.core.agree;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.IntConsumer;
import keentally.core.geometry.Point;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;

/**
 * Which mark goes with which object, one to one.
 *
 * <p>Definition: of the marks inside an object the one nearest to its centroid is its partner. Marks and objects that are left over then
 * pair up, the nearest first, as long as they are at most a set distance apart: that between the mark and the nearest point of the
 * object's pixels. An object with several marks inside is <em>merged</em>: one of them is matched, the others are missed. An object
 * without a partner that lies within the distance of a mark whose partner is another object is one of several that this mark's thing was
 * <em>split</em> into. Two sets of marks pair up in the same way, the nearest first, without an inside.
 *
 * <p>Edge cases: of equal distances the mark that was put earlier goes first, then the object with the smaller number. A mark outside the
 * picture is inside no object. Cost: what lies near one another is found in a grid, so that all of it grows with the number of pairs
 * within the distance.
 */
public final class Matching {
    private static final double LEAST_CELL = 16;

    private final List<Point> marks;
    private final double within;
    private final double cell;
    private final Map<Long, List<Integer>> grid = new HashMap<>();

    private Matching(List<Point> marks, double within) {
        if (!(within >= 0) || Double.isInfinite(within)) {
            throw new IllegalArgumentException(
                    "the distance within which things match must be 0 or more, was " + within);
        }
        this.marks = marks;
        this.within = within;
        this.cell = Math.max(LEAST_CELL, within);
        for (int i = 0; i < marks.size(); i++) {
            grid.computeIfAbsent(
                            key(cellOf(marks.get(i).x()), cellOf(marks.get(i).y())), k -> new ArrayList<>())
                    .add(i);
        }
    }

    /** A mark and a thing that may go together. */
    private record Pair(int mark, int thing, double apart) {
        static final Comparator<Pair> NEAREST_FIRST = Comparator.comparingDouble(Pair::apart)
                .thenComparingInt(Pair::mark)
                .thenComparingInt(Pair::thing);
    }

    private long cellOf(double place) {
        return (long) Math.floor(place / cell);
    }

    private static long key(long column, long row) {
        return row << 32 ^ column & 0xffffffffL;
    }

    /** The marks in a box and perhaps some beside it. */
    private void near(double left, double top, double right, double bottom, IntConsumer each) {
        for (long row = cellOf(top); row <= cellOf(bottom); row++) {
            for (long column = cellOf(left); column <= cellOf(right); column++) {
                grid.getOrDefault(key(column, row), List.of()).forEach(each::accept);
            }
        }
    }

    /**
     * Marks with the objects that were kept; of an object the agreement tells its number less one.
     *
     * @param marks in pixels
     * @param within in pixels
     */
    public static Agreement withObjects(List<Point> marks, ObjectSet objects, double within) {
        return new Matching(marks, within).objects(objects);
    }

    /**
     * One set of marks with another.
     *
     * @param first in pixels
     * @param second in pixels
     * @param within in pixels
     */
    public static Agreement between(List<Point> first, List<Point> second, double within) {
        return new Matching(first, within).others(second);
    }

    private Agreement others(List<Point> second) {
        List<Pair> pairs = new ArrayList<>();
        for (int s = 0; s < second.size(); s++) {
            Point at = second.get(s);
            int thing = s;
            near(at.x() - within, at.y() - within, at.x() + within, at.y() + within, m -> {
                double apart =
                        StrictMath.hypot(marks.get(m).x() - at.x(), marks.get(m).y() - at.y());
                if (apart <= within) {
                    pairs.add(new Pair(m, thing, apart));
                }
            });
        }
        int[] partner = new int[marks.size()];
        Arrays.fill(partner, -1);
        pairUp(pairs, partner, new boolean[second.size()]);
        return new Agreement(partner, second.size(), List.of(), List.of());
    }

    private static void pairUp(List<Pair> pairs, int[] partner, boolean[] taken) {
        pairs.sort(Pair.NEAREST_FIRST);
        for (Pair pair : pairs) {
            if (partner[pair.mark] < 0 && !taken[pair.thing]) {
                partner[pair.mark] = pair.thing;
                taken[pair.thing] = true;
            }
        }
    }

    private Agreement objects(ObjectSet objects) {
        Regions regions = objects.regions();
        int[] inside = new int[marks.size()];
        Map<Integer, List<Integer>> in = new TreeMap<>();
        for (int m = 0; m < inside.length; m++) {
            inside[m] = inside(objects, marks.get(m));
            if (inside[m] >= 0) {
                in.computeIfAbsent(inside[m], k -> new ArrayList<>()).add(m);
            }
        }
        int[] partner = new int[inside.length];
        Arrays.fill(partner, -1);
        boolean[] taken = new boolean[objects.count()];
        in.forEach((thing, several) -> {
            partner[nearest(regions.centroid(objects.region(thing)), several)] = thing;
            taken[thing] = true;
        });
        List<Pair> pairs = pairs(objects, taken);
        pairUp(new ArrayList<>(pairs.stream().filter(p -> inside[p.mark] < 0).toList()), partner, taken);
        List<Agreement.Group> merged = new ArrayList<>();
        in.forEach((thing, several) -> {
            if (several.size() > 1) {
                merged.add(new Agreement.Group(thing, several));
            }
        });
        return new Agreement(partner, objects.count(), merged, split(pairs, partner, taken));
    }

    private static int inside(ObjectSet objects, Point at) {
        Regions regions = objects.regions();
        int x = (int) Math.floor(at.x());
        int y = (int) Math.floor(at.y());
        boolean there = x >= 0 && y >= 0 && x < regions.width() && y < regions.height();
        int region = there ? regions.at(x, y) : -1;
        return region >= 0 && objects.isKept(region) ? objects.number(region) - 1 : -1;
    }

    private int nearest(Point centre, List<Integer> several) {
        return several.stream()
                .min(Comparator.comparingDouble(m -> StrictMath.hypot(
                        marks.get(m).x() - centre.x(), marks.get(m).y() - centre.y())))
                .orElseThrow();
    }

    /** Objects that no mark is in, each with every mark within the distance. */
    private List<Pair> pairs(ObjectSet objects, boolean[] taken) {
        Regions regions = objects.regions();
        List<Pair> pairs = new ArrayList<>();
        for (int thing = 0; thing < taken.length; thing++) {
            if (!taken[thing]) {
                int region = objects.region(thing);
                int number = thing;
                Regions.Box box = regions.box(region);
                near(box.left() - within, box.top() - within, box.right() + within, box.bottom() + within, m -> {
                    double apart = apart(regions, region, marks.get(m));
                    if (apart <= within) {
                        pairs.add(new Pair(m, number, apart));
                    }
                });
            }
        }
        return pairs;
    }

    /** From a place to the nearest point of a region's pixels. */
    private static double apart(Regions regions, int region, Point at) {
        double[] least = {Double.POSITIVE_INFINITY};
        regions.runs(region, (y, from, to) -> {
            double dx = Math.max(0, Math.max(from - at.x(), at.x() - to));
            double dy = Math.max(0, Math.max(y - at.y(), at.y() - (y + 1)));
            least[0] = Math.min(least[0], dx * dx + dy * dy);
        });
        return Math.sqrt(least[0]);
    }

    /** Objects left over that lie near a mark that has its partner elsewhere, by the nearest such mark. */
    private static List<Agreement.Group> split(List<Pair> pairs, int[] partner, boolean[] taken) {
        Map<Integer, Pair> nearest = new TreeMap<>();
        for (Pair pair : pairs) {
            if (!taken[pair.thing] && partner[pair.mark] >= 0) {
                nearest.merge(pair.thing, pair, (a, b) -> Pair.NEAREST_FIRST.compare(a, b) <= 0 ? a : b);
            }
        }
        Map<Integer, List<Integer>> by = new TreeMap<>();
        nearest.values()
                .forEach(p -> by.computeIfAbsent(p.mark, k -> new ArrayList<>()).add(p.thing));
        return by.entrySet().stream()
                .map(e -> new Agreement.Group(e.getKey(), e.getValue()))
                .toList();
    }
}
