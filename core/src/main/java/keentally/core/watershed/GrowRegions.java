package keentally.core.watershed;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import keentally.core.geometry.Point;
import keentally.core.label.Labeller;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Plane;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/**
 * Parts the whole field into regions that grow from markers until they meet.
 *
 * <p>Definition: each piece of the field, by eight neighbours, is flooded by {@link Flood} from its markers, one pixel each, over the
 * heights given. Every marker becomes a region; a piece of the field without a marker is in none.
 *
 * <ul>
 *   <li>{@link #fromMinima}: the first pixels of the {@link Basins} of the heights that are at least {@code depth} deep; the deepest of
 *       each piece in any case.
 *   <li>{@link #peaks}: the brightest places of a plane. A peak's prominence is how far one must go down from it to reach a higher one
 *       (of equal ones the one that comes first); the highest of each piece counts in any case. Of the peaks that are prominent enough
 *       those stay, from the highest down and of equal ones in reading order, that lie at least {@code spacing} from every one that
 *       stayed.
 *   <li>Pieces of a mask: each as a whole.
 *   <li>Placed by hand: the pixels that hold the places. A place outside the field marks nothing, and a second one in a pixel neither.
 * </ul>
 *
 * <p>Edge cases: an even plane has one minimum and one peak, the first pixel of the piece; not-a-number counts as the highest when it is
 * flooded and is never a peak unless nothing else is there. Cost: some passes over the field's box; memory as in {@link Flood}. Source of the flood as there; prominence is the dynamics of M. Grimaud (1992), see
 * {@link Basins}.
 */
public final class GrowRegions {
    private GrowRegions() {}

    /**
     * @param heights flooded from low to high
     * @param depth in the values of the heights
     */
    public static Parted fromMinima(Field field, Plane heights, double depth, Work work) {
        return Parted.of(
                field.mask(),
                Terrain.of(field.mask(), heights, false, work),
                basins -> basins.deep(depth, (spill, minimum) -> spill - minimum),
                work);
    }

    /**
     * @param heights flooded from low to high, or from high to low
     * @param upsideDown whether from high to low
     * @param markers places in the picture
     */
    public static Parted from(Field field, Plane heights, boolean upsideDown, List<Point> markers, Work work) {
        Terrain terrain = Terrain.of(field.mask(), heights, upsideDown, work);
        return Parted.of(field.mask(), terrain, basins -> terrain.places(markers), work);
    }

    /**
     * Every piece of a mask, by eight neighbours, is a marker as a whole: it is flooded before all else.
     *
     * @param heights flooded from low to high
     * @param markers within the field
     */
    public static Parted fromPieces(Field field, Plane heights, Mask markers, Work work) {
        Regions pieces = Labeller.regions(markers, Neighbours.EIGHT, work);
        List<Point> firsts = IntStream.range(0, pieces.count())
                .mapToObj(
                        i -> new Point(pieces.runFrom(pieces.firstRun(i)) + 0.5, pieces.runY(pieces.firstRun(i)) + 0.5))
                .toList();
        Terrain terrain = Terrain.of(field.mask(), heights, markers, work);
        return Parted.of(field.mask(), terrain, basins -> terrain.places(firsts), work);
    }

    /**
     * @param prominence in the plane's values, 0 or more
     * @param spacing in pixels, 0 or more
     * @return the middles of the peaks' pixels, in reading order
     */
    public static List<Point> peaks(Field field, Plane plane, double prominence, double spacing, Work work) {
        Terrain terrain = Terrain.of(field.mask(), plane, true, work);
        List<Point> found = Arrays.stream(
                        new Basins(terrain, work).deep(prominence, (spill, minimum) -> spill - minimum))
                .mapToObj(p -> new Point(terrain.x(p) + 0.5, terrain.y(p) + 0.5))
                .toList();
        return spaced(found, plane, spacing);
    }

    private static final Comparator<Point> READING =
            Comparator.comparingDouble(Point::y).thenComparingDouble(Point::x);

    private static List<Point> spaced(List<Point> peaks, Plane plane, double spacing) {
        List<Point> stay = new ArrayList<>();
        List<Point> highest = new ArrayList<>(peaks);
        highest.sort(Comparator.comparingDouble(p -> Terrain.comparable(-plane.at((int) p.x(), (int) p.y()))));
        double cell = Math.max(1, spacing);
        Map<Long, List<Point>> cells = new HashMap<>();
        for (Point peak : highest) {
            if (isApart(peak, cells, cell, spacing)) {
                stay.add(peak);
                cells.computeIfAbsent(key((long) (peak.x() / cell), (long) (peak.y() / cell)), k -> new ArrayList<>())
                        .add(peak);
            }
        }
        stay.sort(READING);
        return stay;
    }

    /** What is nearer than the spacing lies in the same cell or in one beside it. */
    private static boolean isApart(Point peak, Map<Long, List<Point>> cells, double cell, double spacing) {
        for (int i = 0; i < 9; i++) {
            long column = (long) (peak.x() / cell) + i % 3 - 1;
            long row = (long) (peak.y() / cell) + i / 3 - 1;
            for (Point p : cells.getOrDefault(key(column, row), List.of())) {
                if (Math.hypot(p.x() - peak.x(), p.y() - peak.y()) < spacing) {
                    return false;
                }
            }
        }
        return true;
    }

    private static long key(long column, long row) {
        return row << 32 ^ column;
    }
}
