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
 * depth of 0 parts at every true minimum. Cost: one distance map and one sorting of each piece; memory four bytes a pixel for
 * the map, and twelve for each place in the boxes of the pieces at work. Pieces are done in parallel, each by one thread, and put together in reading order.
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
        int[] squares = SquaredDistance.to(field.mask().minus(mask), work);
        int width = mask.width();
        // squares are whole numbers, so that order and plateaus are exact; depth is taken between their roots
        return Piece.part(
                mask,
                (x, y) -> -(double) squares[y * width + x],
                sources(begin, (spill, minimum) -> StrictMath.sqrt(-minimum) - StrictMath.sqrt(-spill)),
                work);
    }

    /**
     * Where the light changes.
     *
     * @param bright whether the things are brighter than what is between them
     */
    public static Parted byLight(Mask mask, Plane plane, boolean bright, Begin begin, Work work) {
        return Piece.part(
                mask,
                bright ? (x, y) -> -plane.at(x, y) : plane::at,
                sources(begin, (spill, minimum) -> spill - minimum),
                work);
    }

    private static Piece.Sources sources(Begin begin, Basins.Depth depth) {
        return switch (begin) {
            case Begin.Deep deep -> (heights, piece, cancel) -> Basins.seeds(heights, deep.least(), depth, cancel);
            case Begin.Placed placed ->
                (heights, piece, cancel) -> {
                    int[] places = piece.places(placed.places());
                    return places.length > 0 ? places : Basins.seeds(heights, Double.POSITIVE_INFINITY, depth, cancel);
                };
        };
    }
}
