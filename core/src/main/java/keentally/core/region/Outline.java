package keentally.core.region;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;

/**
 * The outline of a region along the sides of its pixels.
 *
 * <p>Definition: every side between a pixel of the region and one that is none of it is walked once, the region on the left as seen; where
 * two pixels touch at a corner alone, the walk stays with the pixel it came along. What is walked round is a ring; a ring that comes to a
 * corner twice is parted there, so that no ring touches itself. Rings round pixels are outer ones, the others are holes of the outer one
 * they lie in. Corners on straight stretches are left out. Parts and holes come in reading order of their first corners. The areas of the
 * outer rings less those of the holes are the region's pixels. Cost: O(length of the outline) time and memory.
 */
public final class Outline {
    private Outline() {}

    /**
     * A piece of a region that hangs together by the sides of pixels.
     *
     * @param outer its outer ring, without the first corner again at the end
     * @param holes rings round what is not of the region
     */
    public record Part(List<Point> outer, List<List<Point>> holes) {
        public Part {
            outer = List.copyOf(outer);
            holes = List.copyOf(holes);
        }
    }

    /** The borders of a region, counted from 0, along the sides of its places: the outer one and one for each hole. */
    public static List<Part> of(Regions regions, int region) {
        List<List<int[]>> rings = new ArrayList<>();
        Map<Long, List<int[]>> sides = sides(regions, region);
        for (Map.Entry<Long, List<int[]>> corner : sides.entrySet()) {
            while (!corner.getValue().isEmpty()) {
                rings.addAll(simple(walk(sides, corner.getValue().removeFirst())));
            }
        }
        List<Part> parts = new ArrayList<>();
        for (List<int[]> ring : rings) {
            if (twiceArea(ring) > 0) {
                parts.add(new Part(points(ring), List.of()));
            }
        }
        for (List<int[]> ring : rings) {
            if (twiceArea(ring) < 0) {
                addHole(parts, points(ring));
            }
        }
        return parts;
    }

    private static long key(int x, int y) {
        return (long) y << 32 | x;
    }

    /** All sides by the corner they begin at, in reading order: x, y, to x, to y; y runs down, the region lies on the left as seen. */
    private static Map<Long, List<int[]>> sides(Regions regions, int region) {
        Map<Long, List<int[]>> unordered = new HashMap<>();
        List<Long> corners = new ArrayList<>();
        regions.runs(region, (y, from, to) -> {
            add(unordered, corners, from, y, from, y + 1);
            add(unordered, corners, to, y + 1, to, y);
            for (int x = from; x < to; x++) {
                if (regions.at(x, y - 1) != region) {
                    add(unordered, corners, x + 1, y, x, y);
                }
                if (regions.at(x, y + 1) != region) {
                    add(unordered, corners, x, y + 1, x + 1, y + 1);
                }
            }
        });
        corners.sort(null);
        Map<Long, List<int[]>> sides = new LinkedHashMap<>();
        corners.forEach(c -> sides.put(c, unordered.get(c)));
        return sides;
    }

    private static void add(Map<Long, List<int[]>> sides, List<Long> corners, int x, int y, int toX, int toY) {
        sides.computeIfAbsent(key(x, y), k -> {
                    corners.add(k);
                    return new ArrayList<>(2);
                })
                .add(new int[] {x, y, toX, toY});
    }

    /** Along sides until the first corner comes again with no way left. */
    private static List<int[]> walk(Map<Long, List<int[]>> sides, int[] first) {
        List<int[]> ring = new ArrayList<>();
        int[] side = first;
        while (true) {
            ring.add(new int[] {side[0], side[1]});
            List<int[]> next = sides.get(key(side[2], side[3]));
            if (next.isEmpty()) {
                return ring;
            }
            side = next.remove(next.size() == 1 ? 0 : left(side, next));
        }
    }

    /** Of two ways on, the one that turns left as seen, round the pixel that the side belongs to. */
    private static int left(int[] side, List<int[]> next) {
        int dx = side[2] - side[0];
        int dy = side[3] - side[1];
        int[] one = next.getFirst();
        // y runs down: a left turn as seen takes (dx, dy) to (dy, -dx)
        boolean turns = one[2] - one[0] == dy && one[3] - one[1] == -dx;
        return turns ? 0 : 1;
    }

    /** Parted wherever it comes to a corner again. */
    private static List<List<int[]>> simple(List<int[]> ring) {
        List<List<int[]>> rings = new ArrayList<>();
        List<int[]> open = new ArrayList<>();
        Map<Long, Integer> at = new HashMap<>();
        for (int[] corner : ring) {
            Integer before = at.get(key(corner[0], corner[1]));
            if (before != null) {
                List<int[]> loop = new ArrayList<>(open.subList(before, open.size()));
                loop.forEach(c -> at.remove(key(c[0], c[1])));
                open.subList(before, open.size()).clear();
                rings.add(loop);
            }
            at.put(key(corner[0], corner[1]), open.size());
            open.add(corner);
        }
        rings.add(open);
        return rings;
    }

    /** Above 0 where the region lies inside. */
    private static long twiceArea(List<int[]> ring) {
        long sum = 0;
        int[] p = ring.getLast();
        for (int[] q : ring) {
            sum += (long) q[0] * p[1] - (long) p[0] * q[1];
            p = q;
        }
        return sum;
    }

    private static List<Point> points(List<int[]> ring) {
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < ring.size(); i++) {
            int[] before = ring.get((i + ring.size() - 1) % ring.size());
            int[] here = ring.get(i);
            int[] after = ring.get((i + 1) % ring.size());
            boolean straight =
                    before[0] == here[0] && here[0] == after[0] || before[1] == here[1] && here[1] == after[1];
            if (!straight) {
                points.add(new Point(here[0], here[1]));
            }
        }
        return points;
    }

    /** To the smallest part that it lies in. */
    private static void addHole(List<Part> parts, List<Point> hole) {
        Point inside = inside(hole);
        int best = -1;
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < parts.size(); i++) {
            Polygon outer = new Polygon(parts.get(i).outer());
            if (outer.contains(inside.x(), inside.y()) && outer.area() < least) {
                least = outer.area();
                best = i;
            }
        }
        List<List<Point>> more = new ArrayList<>(parts.get(best).holes());
        more.add(hole);
        parts.set(best, new Part(parts.get(best).outer(), more));
    }

    /** The middle of a pixel in a hole: below and right of its first corner in reading order. */
    private static Point inside(List<Point> hole) {
        Point first = hole.getFirst();
        for (Point p : hole) {
            if (p.y() < first.y() || p.y() == first.y() && p.x() < first.x()) {
                first = p;
            }
        }
        return new Point(first.x() + 0.5, first.y() + 0.5);
    }
}
