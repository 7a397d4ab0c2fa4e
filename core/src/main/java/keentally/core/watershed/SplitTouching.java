package keentally.core.watershed;

import java.util.ArrayList;
import java.util.List;
import keentally.core.distance.SquaredDistance;
import keentally.core.label.Labeller;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Plane;
import keentally.core.region.RegionBuilder;
import keentally.core.region.Regions;
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
 * depth of 0 parts at every true minimum. Cost: one distance map and one sorting of each piece; memory a few words for each pixel of the
 * pieces at work. Pieces are done in parallel, each by one thread, and put together in reading order.
 */
public final class SplitTouching {
    private SplitTouching() {}

    /** @param depth in pixels */
    public static Regions byOutline(Mask mask, Field field, double depth, Work work) {
        int[] squares = SquaredDistance.to(field.mask().minus(mask), work);
        int width = mask.width();
        // squares are whole numbers, so that order and plateaus are exact; depth is taken between their roots
        return split(
                mask,
                (x, y) -> -(double) squares[y * width + x],
                depth,
                (spill, minimum) -> StrictMath.sqrt(-minimum) - StrictMath.sqrt(-spill),
                work);
    }

    /**
     * @param bright whether the things are brighter than what is between them
     * @param depth in the plane's values
     */
    public static Regions byLight(Mask mask, Plane plane, boolean bright, double depth, Work work) {
        return split(
                mask, bright ? (x, y) -> -plane.at(x, y) : plane::at, depth, (spill, minimum) -> spill - minimum, work);
    }

    private static Regions split(Mask mask, Ground ground, double depth, Basins.Depth measure, Work work) {
        Regions pieces = Labeller.regions(mask, Neighbours.EIGHT, work);
        List<List<Integer>> batches = batches(pieces);
        List<List<Parts>> parted = work.map(batches.size(), b -> {
            List<Parts> parts = new ArrayList<>();
            for (int piece : batches.get(b)) {
                work.cancel().check();
                parts.add(parts(pieces, piece, ground, depth, measure));
            }
            return parts;
        });
        RegionBuilder builder = new RegionBuilder(mask.width(), mask.height());
        for (List<Parts> batch : parted) {
            for (Parts parts : batch) {
                parts.addTo(builder, pieces);
            }
        }
        return builder.regions();
    }

    /** Pieces in reading order, so many together that each batch is worth a thread's while. */
    private static List<List<Integer>> batches(Regions pieces) {
        List<List<Integer>> batches = new ArrayList<>();
        List<Integer> batch = new ArrayList<>();
        long pixels = 0;
        for (int i = 0; i < pieces.count(); i++) {
            batch.add(i);
            pixels += pieces.pixels(i);
            if (pixels > 20_000) {
                batches.add(batch);
                batch = new ArrayList<>();
                pixels = 0;
            }
        }
        batches.add(batch);
        return batches;
    }

    /** The height of a pixel of the picture. */
    @FunctionalInterface
    private interface Ground {
        double at(int x, int y);
    }

    private static Parts parts(Regions pieces, int piece, Ground ground, double depth, Basins.Depth measure) {
        int first = pieces.firstRun(piece);
        int end = pieces.firstRun(piece + 1);
        int top = pieces.runY(first);
        int bottom = pieces.runY(end - 1) + 1;
        int left = Integer.MAX_VALUE;
        int right = 0;
        for (int run = first; run < end; run++) {
            left = Math.min(left, pieces.runFrom(run));
            right = Math.max(right, pieces.runTo(run));
        }
        int boxWidth = right - left;
        int pixels = Math.toIntExact(pieces.pixels(piece));
        int[] place = new int[pixels];
        double[] value = new double[pixels];
        int filled = 0;
        for (int run = first; run < end; run++) {
            int y = pieces.runY(run);
            for (int x = pieces.runFrom(run); x < pieces.runTo(run); x++) {
                place[filled] = Heights.place(x - left, y - top, boxWidth);
                value[filled++] = Heights.comparable(ground.at(x, y));
            }
        }
        Heights heights = new Heights(boxWidth, bottom - top, place, value);
        int[] seeds = Basins.seeds(heights, depth, measure);
        int[] label = seeds.length == 1 ? new int[0] : Flood.of(heights, seeds);
        return new Parts(piece, seeds.length, label, boxWidth, left, top);
    }

    /**
     * What a piece fell into.
     *
     * @param label of each place of its box; none where it stayed whole
     */
    private record Parts(int piece, int count, int[] label, int boxWidth, int left, int top) {
        void addTo(RegionBuilder builder, Regions pieces) {
            int base = builder.next();
            for (int i = 1; i < count; i++) {
                builder.next();
            }
            for (int run = pieces.firstRun(piece); run < pieces.firstRun(piece + 1); run++) {
                int y = pieces.runY(run);
                if (count == 1) {
                    builder.add(base, y, pieces.runFrom(run), pieces.runTo(run));
                } else {
                    addRun(builder, base, y, pieces.runFrom(run), pieces.runTo(run));
                }
            }
        }

        /** Cuts a run where the label changes. */
        private void addRun(RegionBuilder builder, int base, int y, int from, int to) {
            int at = Heights.place(from - left, y - top, boxWidth) - from;
            int start = from;
            for (int x = from + 1; x <= to; x++) {
                if (x == to || label[at + x] != label[at + start]) {
                    builder.add(base + label[at + start], y, start, x);
                    start = x;
                }
            }
        }
    }
}
