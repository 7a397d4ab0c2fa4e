package keentally.core.watershed;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import keentally.core.geometry.Point;
import keentally.core.label.Labeller;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.RegionBuilder;
import keentally.core.region.Regions;
import keentally.core.work.Cancel;
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
        int[] of(Heights heights, Piece piece, Cancel cancel);
    }

    /** Floods every piece of a mask, by eight neighbours; each source gives a region, and what no water reaches belongs to none. */
    static Parted part(Mask mask, Ground ground, Sources sources, Work work) {
        Regions pieces = Labeller.regions(mask, Neighbours.EIGHT, work);
        List<List<Integer>> batches = batches(pieces);
        List<List<Parts>> parted = work.map(batches.size(), b -> {
            List<Parts> parts = new ArrayList<>();
            for (int piece : batches.get(b)) {
                work.cancel().check();
                parts.add(new Piece(pieces, piece).flooded(ground, sources, work.cancel()));
            }
            return parts;
        });
        RegionBuilder builder = new RegionBuilder(mask.width(), mask.height());
        IntStream.Builder markers = IntStream.builder();
        for (List<Parts> batch : parted) {
            for (Parts parts : batch) {
                parts.addTo(builder);
                Arrays.stream(parts.markers).forEach(markers::add);
            }
        }
        return new Parted(builder.regions(), markers.build().toArray());
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

    /** The places in its box that hold some of the picture's, in reading order. */
    int[] places(List<Point> points) {
        return points.stream()
                .mapToInt(p -> place((int) Math.floor(p.x()), (int) Math.floor(p.y())))
                .filter(place -> place >= 0)
                .sorted()
                .distinct()
                .toArray();
    }

    /** The pixel of the picture at a place: x and y. */
    int[] pixel(int place) {
        return new int[] {left + place % (boxWidth + 2) - 1, top + place / (boxWidth + 2) - 1};
    }

    private Parts flooded(Ground ground, Sources sources, Cancel cancel) {
        Heights heights = heights(ground, cancel);
        int[] seeds = sources.of(heights, this, cancel);
        return seeds.length < 2 ? new Parts(seeds) : new Parts(seeds, Flood.of(heights, seeds, cancel));
    }

    private Heights heights(Ground ground, Cancel cancel) {
        int[] places = new int[Math.toIntExact(pieces.pixels(piece))];
        int filled = 0;
        for (int run = pieces.firstRun(piece); run < pieces.firstRun(piece + 1); run++) {
            int first = Heights.place(pieces.runFrom(run) - left, pieces.runY(run) - top, boxWidth);
            for (int x = pieces.runFrom(run); x < pieces.runTo(run); x++) {
                places[filled++] = first + x - pieces.runFrom(run);
            }
        }
        return new Heights(boxWidth, boxHeight, places, filled, new InRows(ground), cancel);
    }

    /** Heights asked for mostly in reading order: the row is kept from one to the next. */
    private final class InRows implements Heights.At {
        private final Ground ground;
        private final int stride = boxWidth + 2;
        private int y = top - 1;
        private int first;

        InRows(Ground ground) {
            this.ground = ground;
        }

        @Override
        public double height(int place) {
            if (place < first || place >= first + stride) {
                y = top - 1 + place / stride;
                first = place / stride * stride;
            }
            return Heights.comparable(ground.at(left + place - first - 1, y));
        }
    }

    /** What the piece fell into: stretches of its runs, so that the box can be let go of. */
    private final class Parts {
        private final int count;
        private final int[] markers;

        /** Label, y, from and to of each stretch; none where the piece stayed whole. */
        private int[] stretches = {};

        private int filled;

        Parts(int[] seeds) {
            this.count = seeds.length;
            this.markers = Arrays.stream(seeds)
                    .mapToObj(Piece.this::pixel)
                    .mapToInt(p -> p[1] * pieces.width() + p[0])
                    .toArray();
        }

        /** @param label of each place of the box */
        Parts(int[] seeds, int[] label) {
            this(seeds);
            for (int run = pieces.firstRun(piece); run < pieces.firstRun(piece + 1); run++) {
                cut(label, pieces.runY(run), pieces.runFrom(run), pieces.runTo(run));
            }
        }

        /** Cuts a run where the label changes. */
        private void cut(int[] label, int y, int from, int to) {
            int at = Heights.place(from - left, y - top, boxWidth) - from;
            int start = from;
            for (int x = from + 1; x <= to; x++) {
                if (x == to || label[at + x] != label[at + start]) {
                    keep(label[at + start], y, start, x);
                    start = x;
                }
            }
        }

        private void keep(int label, int y, int from, int to) {
            if (filled == stretches.length) {
                stretches = Arrays.copyOf(stretches, Math.max(64, filled + filled / 2 & -4));
            }
            stretches[filled++] = label;
            stretches[filled++] = y;
            stretches[filled++] = from;
            stretches[filled++] = to;
        }

        void addTo(RegionBuilder builder) {
            if (count == 0) {
                return;
            }
            int base = builder.next();
            for (int i = 1; i < count; i++) {
                builder.next();
            }
            for (int run = pieces.firstRun(piece); count == 1 && run < pieces.firstRun(piece + 1); run++) {
                builder.add(base, pieces.runY(run), pieces.runFrom(run), pieces.runTo(run));
            }
            for (int i = 0; i < filled; i += 4) {
                builder.add(base + stretches[i], stretches[i + 1], stretches[i + 2], stretches[i + 3]);
            }
        }
    }
}
