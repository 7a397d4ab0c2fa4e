package keentally.core.watershed;

import java.util.List;
import keentally.core.distance.SquaredDistance;
import keentally.core.geometry.Point;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.work.Work;

/**
 * Parts things that touch.
 *
 * <p>Definition: each piece of the mask, by eight neighbours, is flooded by {@link Flood} from the {@link Basins} that are deep enough,
 * and every basin becomes an object; a piece with one basin stays whole. Where the places are given at which things are to begin, each of
 * them becomes an object instead, and a piece without any stays whole. Heights are
 *
 * <ul>
 *   <li>by outline: the distance to the nearest background of the field, turned upside down; depth in pixels of distance;
 *   <li>by a plane: its values, or these turned upside down; depth in its values.
 * </ul>
 *
 * <p>Edge cases: an empty mask has no object; a mask that fills the field is one object by outline, since nothing is near its edge; a
 * depth of 0 parts at every true minimum. Cost: one distance map, and some passes over the mask's box; memory as in {@link Flood}, and
 * four bytes a pixel for the map.
 */
public final class SplitTouching {
    private SplitTouching() {}

    /** Where the parts begin. */
    public sealed interface Begin {
        /**
         * At basins.
         *
         * @param least in pixels of distance, or in the plane's values
         */
        record Deep(double least) implements Begin {}

        /** At places in the picture; one outside the mask marks nothing. */
        record Placed(List<Point> places) implements Begin {}
    }

    /** Where the outline narrows. */
    public static Parted byOutline(Mask mask, Field field, Begin begin, Work work) {
        return parted(mask, outline(mask, field, work), begin, SplitTouching::between, work);
    }

    /**
     * Where the outline narrows, for who has the distances already.
     *
     * @param squares of the distance of each pixel to the nearest background of the field
     */
    public static Parted byOutline(Mask mask, int[] squares, Begin begin, Work work) {
        return parted(mask, outline(mask, squares, work), begin, SplitTouching::between, work);
    }

    /** Where it can part by outline, for who asks for one depth after another. */
    public static Divides dividesByOutline(Mask mask, Field field, Work work) {
        return new Divides(mask, outline(mask, field, work), SplitTouching::between, work);
    }

    /** The distances are let go of before anything is flooded. */
    private static Terrain outline(Mask mask, Field field, Work work) {
        return outline(mask, SquaredDistance.to(field.mask().minus(mask), work), work);
    }

    /** Squares are whole numbers, so that order and plateaus are exact; depth is taken between their roots. */
    private static Terrain outline(Mask mask, int[] squares, Work work) {
        int width = mask.width();
        Terrain.Ground ground = (y, fromX, toX, into, start) -> {
            for (int x = fromX; x < toX; x++) {
                into[start + x - fromX] = -squares[y * width + x];
            }
        };
        return Terrain.of(mask, ground, work);
    }

    private static double between(double spill, double minimum) {
        return StrictMath.sqrt(-minimum) - StrictMath.sqrt(-spill);
    }

    /**
     * Where the light changes.
     *
     * @param bright whether the things are brighter than what is between them
     */
    public static Parted byLight(Mask mask, Plane plane, boolean bright, Begin begin, Work work) {
        return parted(mask, Terrain.of(mask, plane, bright, work), begin, (spill, minimum) -> spill - minimum, work);
    }

    /** Where it can part by light, for who asks for one depth after another. */
    public static Divides dividesByLight(Mask mask, Plane plane, boolean bright, Work work) {
        return new Divides(mask, Terrain.of(mask, plane, bright, work), (spill, minimum) -> spill - minimum, work);
    }

    private static Parted parted(Mask mask, Terrain terrain, Begin begin, Basins.Depth depth, Work work) {
        Parted.Seeds seeds = switch (begin) {
            case Begin.Deep deep -> basins -> basins.deep(deep.least(), depth);
            case Begin.Placed placed -> basins -> basins.withDeepest(terrain.places(placed.places()));
        };
        return Parted.of(mask, terrain, seeds, work);
    }
}
