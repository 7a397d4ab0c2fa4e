package keentally.core.watershed;

import keentally.core.distance.SquaredDistance;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.work.Work;

/**
 * Parts things that touch.
 *
 * <p>Definition: each piece of the mask, by eight neighbours, is flooded by {@link Flood} from the {@link Basins} that are deep enough,
 * and every basin becomes an object; a piece with one basin stays whole. Heights are
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

    /** @param depth in pixels */
    public static Parted byOutline(Mask mask, Field field, double depth, Work work) {
        int[] squares = SquaredDistance.to(field.mask().minus(mask), work);
        int width = mask.width();
        // squares are whole numbers, so that order and plateaus are exact; depth is taken between their roots
        return Piece.part(
                mask,
                (x, y) -> -(double) squares[y * width + x],
                (heights, piece, cancel) -> Basins.seeds(
                        heights,
                        depth,
                        (spill, minimum) -> StrictMath.sqrt(-minimum) - StrictMath.sqrt(-spill),
                        cancel),
                work);
    }

    /**
     * @param bright whether the things are brighter than what is between them
     * @param depth in the plane's values
     */
    public static Parted byLight(Mask mask, Plane plane, boolean bright, double depth, Work work) {
        return Piece.part(
                mask,
                bright ? (x, y) -> -plane.at(x, y) : plane::at,
                (heights, piece, cancel) -> Basins.seeds(heights, depth, (spill, minimum) -> spill - minimum, cancel),
                work);
    }
}
