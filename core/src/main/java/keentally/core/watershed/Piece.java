package keentally.core.watershed;

import java.util.ArrayList;
import java.util.List;
import keentally.core.label.Labeller;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.RegionBuilder;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/**
 * One connected piece of what is flooded, in its own box. {@link #part} floods all pieces of a mask, each by one thread, and puts what
 * comes of them together in reading order.
 */
final class Piece {
    private static final int BATCH = 20_000;

    private final Regions pieces;
    private final int piece;
    private final int left;
    private final int top;
    private final int boxWidth;
    private final int boxHeight;

    private Piece(Regions pieces, int piece) {
        this.pieces = pieces;
        this.piece = piece;
        int first = pieces.firstRun(piece);
        int end = pieces.firstRun(piece + 1);
        int least = Integer.MAX_VALUE;
        int most = 0;
        for (int run = first; run < end; run++) {
            least = Math.min(least, pieces.runFrom(run));
            most = Math.max(most, pieces.runTo(run));
        }
        this.left = least;
        this.top = pieces.runY(first);
        this.boxWidth = most - least;
        this.boxHeight = pieces.runY(end - 1) + 1 - top;
    }

    /** The height of a pixel of the picture. */
    @FunctionalInterface
    interface Ground {
        double at(int x, int y);
    }

    /** Where the flood of a piece begins: places in its box, in reading order; none where it is to be left out. */
    @FunctionalInterface
    interface Sources {
        int[] of(Heights heights, Piece piece);
    }

    /** Floods every piece of a mask, by eight neighbours; each source gives a region, and what no water reaches belongs to none. */
    static Regions part(Mask mask, Ground ground, Sources sources, Work work) {
        Regions pieces = Labeller.regions(mask, Neighbours.EIGHT, work);
        List<List<Integer>> batches = batches(pieces);
        List<List<Parts>> parted = work.map(batches.size(), b -> {
            List<Parts> parts = new ArrayList<>();
            for (int piece : batches.get(b)) {
                work.cancel().check();
                parts.add(new Piece(pieces, piece).flooded(ground, sources));
            }
            return parts;
        });
        RegionBuilder builder = new RegionBuilder(mask.width(), mask.height());
        for (List<Parts> batch : parted) {
            for (Parts parts : batch) {
                parts.addTo(builder);
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
            if (pixels > BATCH) {
                batches.add(batch);
                batch = new ArrayList<>();
                pixels = 0;
            }
        }
        batches.add(batch);
        return batches;
    }

    /** The place in its box of a pixel of the picture; −1 where the pixel is not of this piece. */
    int place(int x, int y) {
        return pieces.at(x, y) == piece ? Heights.place(x - left, y - top, boxWidth) : -1;
    }

    /** The pixel of the picture at a place: x and y. */
    int[] pixel(int place) {
        return new int[] {left + place % (boxWidth + 2) - 1, top + place / (boxWidth + 2) - 1};
    }

    private Parts flooded(Ground ground, Sources sources) {
        Heights heights = heights(ground);
        int[] seeds = sources.of(heights, this);
        int[] label = seeds.length < 2 ? new int[0] : Flood.of(heights, seeds);
        return new Parts(seeds.length, label);
    }

    Heights heights(Ground ground) {
        int pixels = Math.toIntExact(pieces.pixels(piece));
        int[] place = new int[pixels];
        double[] value = new double[pixels];
        int filled = 0;
        for (int run = pieces.firstRun(piece); run < pieces.firstRun(piece + 1); run++) {
            int y = pieces.runY(run);
            for (int x = pieces.runFrom(run); x < pieces.runTo(run); x++) {
                place[filled] = Heights.place(x - left, y - top, boxWidth);
                value[filled++] = Heights.comparable(ground.at(x, y));
            }
        }
        return new Heights(boxWidth, boxHeight, place, value);
    }

    /** What the piece fell into. */
    private final class Parts {
        private final int count;

        /** Of each place of its box; none where it stayed whole. */
        private final int[] label;

        Parts(int count, int[] label) {
            this.count = count;
            this.label = label;
        }

        void addTo(RegionBuilder builder) {
            if (count == 0) {
                return;
            }
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
