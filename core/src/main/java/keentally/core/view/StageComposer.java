package keentally.core.view;

import java.util.Optional;
import keentally.core.picture.Mask;
import keentally.core.picture.Probabilities;
import keentally.core.region.ObjectSet;
import keentally.core.work.Work;

/**
 * Paints the visible part of a picture with its overlays. Enlarged pixels are sharp squares; reduced ones come from the level of
 * the pyramid next below, so the cost hangs on the window and not on the picture. Masks shrink by the share of each window pixel
 * that they cover; objects keep at least one window pixel, so that none vanishes.
 */
public final class StageComposer {
    private static final int ROWS_SAMPLED = 3;
    private static final int DIM = 120;
    private static final int HATCH = 6;
    private static final int DASH = 6;
    private static final int SELECTED_EDGE = 3;
    private static final int SELECTED_FILL = 90;

    private final Layers layers;
    private final Look look;
    private final Optional<Layer.ColouredObjects> objects;

    /** Whether nothing but a mask is looked at, in white on black. */
    private final boolean maskAlone;

    private final Viewport view;
    private final int[] buffer;

    /** The picture column under each window column's middle; −1 beside the picture. */
    private final int[] columns;

    /** The picture column at the left edge of each window column, and behind the last. */
    private final int[] edges;

    private final int width;
    private final int height;

    private StageComposer(Layers layers, Viewport view, int[] backdrop) {
        this.layers = layers;
        this.look = layers.look();
        this.objects = layers.find(Layer.ColouredObjects.class);
        this.maskAlone = look.overlay() == Look.Overlay.MASK
                && layers.find(Layer.ChosenMask.class).isPresent();
        this.view = view;
        this.width = view.width();
        this.height = view.height();
        this.buffer = backdrop.clone();
        this.columns = Backdrop.columns(layers.picture().width(), view);
        this.edges = new int[width + 1];
        for (int i = 0; i <= width; i++) {
            edges[i] = Math.clamp(
                    (int) Math.floor(view.pictureX(i)), 0, layers.picture().width());
        }
    }

    /** One colour a window pixel, row by row. */
    public static int[] compose(Layers layers, Viewport view, Work work) {
        return compose(layers, view, new Backdrop(), work);
    }

    /** @param backdrop kept by who composes again and again */
    public static int[] compose(Layers layers, Viewport view, Backdrop backdrop, Work work) {
        StageComposer composer = new StageComposer(layers, view, backdrop.of(layers.picture(), view, work));
        work.bands(view.height(), composer::paintRows);
        layers.on().forEach(layer -> composer.lines(layer, work));
        composer.objects.ifPresent(o -> MarkPainter.paint(composer.buffer, view, o, layers.look()));
        ValuePainter.paint(composer.buffer, view, layers.picture().level(0));
        return composer.buffer;
    }

    /** One in so many of the picture's rows is looked at for masks. */
    public static int rowsApart(Viewport view) {
        return rowsApart((int) (1 / view.zoom()));
    }

    private static int rowsApart(int underOneOfTheWindow) {
        return Math.max(1, underOneOfTheWindow / ROWS_SAMPLED);
    }

    /** What a layer puts over a row of the ground. */
    private void wash(Layer layer, int j, int y) {
        boolean bare = look.overlay() == Look.Overlay.BARE;
        switch (layer) {
            case Layer.ChosenMask chosen when maskAlone -> tint(j, chosen.mask(), Pattern.WHITE, 256);
            case Layer.ChosenMask chosen
            when !bare && !(look.overlay() == Look.Overlay.FILL && objects.isPresent()) ->
                tint(j, chosen.mask(), Pattern.MASK, (int) Math.round(256 * look.strength()));
            case PhasePaint paint when !bare && !paint.outlines() -> fill(j, y, paint, 256);
            case Layer.Change change
            when look.has(Look.Mark.CHANGES) -> {
                tint(j, change.added(), Pattern.ADDED, 256);
                tint(j, change.removed(), Pattern.REMOVED, 256);
            }
            case Layer.Learnt learnt
            when !bare && look.overlay() != Look.Overlay.OUTLINES -> {
                boolean tinted = look.overlay() == Look.Overlay.TINT;
                int opacity = tinted ? (int) Math.round(256 * look.strength()) : 256;
                fill(j, y, learnt.classes(), opacity);
            }
            case Layer.Scribbles scribbles when !bare -> fill(j, y, scribbles.painted(), 256);
            case Layer.Doubt doubt when !bare -> doubt(j, y, doubt.sure());
            case Layer.Wrong wrong when !bare -> tint(j, wrong.mask(), Pattern.WRONG, 256);
            case Layer.ChosenMask c -> {}
            case PhasePaint p -> {}
            case Layer.Change c -> {}
            case Layer.ColouredObjects c -> {}
            case Layer.SelectedObjects s -> {}
            case Layer.Tally t -> {}
            case Layer.Learnt l -> {}
            case Layer.Scribbles s -> {}
            case Layer.Wrong w -> {}
            case Layer.Doubt d -> {}
            case Layer.Crosses c -> {}
            case Layer.OtherOutline o -> {}
            case Layer.ScaleBar b -> {}
            case Layer.Legend l -> {}
        }
    }

    /** What a layer draws when all rows are there. */
    private void lines(Layer layer, Work work) {
        boolean outlined = look.overlay() == Look.Overlay.OUTLINES || look.overlay() == Look.Overlay.FILL;
        switch (layer) {
            case Layer.ChosenMask chosen
            when outlined && objects.isEmpty() -> maskOutlines(chosen.mask(), Inks.OBJECTS.getFirst(), 0, work);
            case Layer.OtherOutline other
            when look.overlay() != Look.Overlay.BARE -> maskOutlines(other.mask(), Inks.OTHER, DASH, work);
            case Layer.Crosses crosses when look.has(Look.Mark.MARKERS) -> CrossPainter.paint(buffer, view, crosses);
            case Layer.ColouredObjects coloured when outlined -> outlines(coloured, work);
            case PhasePaint paint when paint.outlines() && look.overlay() != Look.Overlay.BARE -> borders(paint, work);
            case Layer.SelectedObjects selected -> select(selected, work);
            case Layer.Tally tally -> TallyPainter.paint(buffer, view, tally);
            case Layer.Learnt learnt when look.overlay() == Look.Overlay.OUTLINES -> borders(learnt.classes(), work);
            case Layer.Scribbles scribbles when look.overlay() != Look.Overlay.BARE -> rims(scribbles.painted(), work);
            case Layer.ChosenMask c -> {}
            case Layer.ColouredObjects c -> {}
            case PhasePaint p -> {}
            case Layer.Change c -> {}
            case Layer.Learnt l -> {}
            case Layer.Scribbles s -> {}
            case Layer.Wrong w -> {}
            case Layer.Doubt d -> {}
            case Layer.Crosses c -> {}
            case Layer.OtherOutline o -> {}
            case Layer.ScaleBar b -> {}
            case Layer.Legend l -> {}
        }
    }

    private void paintRows(int from, int to) {
        for (int j = from; j < to; j++) {
            int y = (int) Math.floor(view.pictureY(j + 0.5));
            if (y >= 0 && y < layers.picture().height()) {
                paintRow(j, y);
            }
        }
    }

    private void paintRow(int j, int y) {
        for (int i = 0; maskAlone && i < width; i++) {
            buffer[j * width + i] = columns[i] < 0 ? Inks.SURROUND : 0xff000000;
        }
        layers.on().forEach(layer -> wash(layer, j, y));
        layers.field().inside().ifPresent(inside -> dimOutside(j, y, inside));
    }

    private void fill(int j, int y, PhasePaint paint, int opacity) {
        int base = y * paint.map().map().width();
        for (int i = 0; i < width; i++) {
            int ink = columns[i] < 0 ? 0 : paint.at(base + columns[i]);
            if (ink != 0) {
                buffer[j * width + i] = opacity == 256 ? ink : Inks.mix(buffer[j * width + i], ink, opacity);
            }
        }
    }

    /** All paper where every class is as likely as any other, none where one is certain. */
    private void doubt(int j, int y, Probabilities sure) {
        double even = 1.0 / sure.classes();
        for (int i = 0; i < width; i++) {
            if (columns[i] < 0) {
                continue;
            }
            double most = 0;
            for (int c = 0; c < sure.classes(); c++) {
                most = Math.max(most, sure.at(c, columns[i], y));
            }
            int opacity = (int) Math.round(256 * Math.clamp((1 - most) / (1 - even), 0, 1));
            buffer[j * width + i] = Inks.mix(buffer[j * width + i], Inks.RIM, opacity);
        }
    }

    /** A phase's own ink along its border, where another phase begins. */
    private void borders(PhasePaint paint, Work work) {
        int reach = view.zoom() >= 2 ? 2 : 1;
        strips(raster(paint), reach, work, (strip, i, j) -> {
            if (strip.at(i, j) != 0 && strip.isEdge(i, j, reach)) {
                buffer[j * width + i] = strip.at(i, j);
            }
        });
    }

    /** A pale line round what is painted, and a dark one round that, to be seen on any ground. */
    private void rims(PhasePaint paint, Work work) {
        strips(raster(paint), 1, work, (strip, i, j) -> {
            if (strip.isEdge(i, j, 1)) {
                buffer[j * width + i] = strip.at(i, j) != 0 ? Inks.RIM : Inks.RIM_SHADE;
            }
        });
    }

    /** The ink of each window pixel; 0 for none. */
    private Strip.Raster raster(PhasePaint paint) {
        int pictureWidth = paint.map().map().width();
        int pictureHeight = paint.map().map().height();
        return (from, to) -> {
            int[] raster = new int[width * (to - from)];
            for (int j = from; j < to; j++) {
                int y = (int) Math.floor(view.pictureY(j + 0.5));
                for (int i = 0; y >= 0 && y < pictureHeight && i < width; i++) {
                    int x = (int) Math.floor(view.pictureX(i + 0.5));
                    raster[(j - from) * width + i] = x >= 0 && x < pictureWidth ? paint.at(y * pictureWidth + x) : 0;
                }
            }
            return raster;
        };
    }

    /** Something done with a window pixel. */
    @FunctionalInterface
    private interface Touch {
        void at(Strip strip, int i, int j);
    }

    /** Touches all window pixels, knowing what lies within {@code reach} of each. */
    private void strips(Strip.Raster raster, int reach, Work work, Touch touch) {
        work.bands(height, (from, to) -> {
            Strip strip = Strip.of(raster, from, to, reach, view);
            for (int j = from; j < to; j++) {
                for (int i = 0; i < width; i++) {
                    touch.at(strip, i, j);
                }
            }
        });
    }

    private enum Pattern {
        MASK,
        WHITE,
        ADDED,
        REMOVED,
        WRONG;

        /** The ink of a window pixel; 0 where the ground is to be seen through. */
        int at(int i, int j) {
            return switch (this) {
                case MASK -> Inks.MASK;
                case WHITE -> 0xffffffff;
                case ADDED -> (i + j) % HATCH < 2 ? Inks.ADDED_LINE : Inks.ADDED;
                case WRONG ->
                    (i + j) % HATCH == 0 || Math.floorMod(i - j, HATCH) == 0
                            ? Inks.RIM
                            : (i + j) % HATCH == 1 || Math.floorMod(i - j, HATCH) == 1 ? Inks.RIM_SHADE : 0;
                case REMOVED -> i % HATCH < 3 && (j + i / HATCH % 2 * 3) % HATCH < 3 ? Inks.REMOVED : 0;
            };
        }
    }

    private void tint(int j, Mask mask, Pattern ink, int opacity) {
        double step = 1 / view.zoom();
        if (step <= 1) {
            int y = (int) Math.floor(view.pictureY(j + 0.5));
            for (int i = 0; i < width; i++) {
                int colour = columns[i] >= 0 && mask.at(columns[i], y) ? ink.at(i, j) : 0;
                if (colour != 0) {
                    buffer[j * width + i] = Inks.mix(buffer[j * width + i], colour, opacity);
                }
            }
            return;
        }
        int top = Math.clamp((int) view.pictureY(j), 0, mask.height() - 1);
        int bottom = Math.clamp((int) Math.ceil(view.pictureY(j + 1)), top + 1, mask.height());
        int skip = rowsApart(bottom - top);
        boolean plain = ink == Pattern.MASK;
        int[] before = new int[width + 1];
        int rows = (bottom - top + skip - 1) / skip;
        if (!mask.countsBefore(top, bottom, skip, edges, before)) {
            return;
        }
        for (int i = 0; i < width; i++) {
            int set = before[i + 1] - before[i];
            int colour = set > 0 && columns[i] >= 0 ? plain ? Inks.MASK : ink.at(i, j) : 0;
            if (colour != 0) {
                int all = rows * (edges[i + 1] - edges[i]);
                buffer[j * width + i] =
                        Inks.mix(buffer[j * width + i], colour, set == all ? opacity : opacity * set / all);
            }
        }
    }

    private void dimOutside(int j, int y, Mask inside) {
        for (int i = 0; i < width; i++) {
            if (columns[i] >= 0 && !inside.at(columns[i], y)) {
                buffer[j * width + i] = Inks.mix(buffer[j * width + i], Inks.SURROUND, DIM);
            }
        }
    }

    private void outlines(Layer.ColouredObjects coloured, Work work) {
        ObjectSet of = coloured.objects();
        ObjectColours colours = coloured.colours();
        boolean filled = look.overlay() == Look.Overlay.FILL;
        int opacity = look.meanFill() ? 256 : (int) Math.round(256 * look.strength());
        int thick = view.zoom() >= 2 ? 2 : 1;
        strips(RegionRaster.of(of.regions(), view), thick, work, (strip, i, j) -> {
            int region = strip.at(i, j) - 1;
            if (region < 0) {
                return;
            }
            int at = j * width + i;
            if (filled && of.isKept(region)) {
                buffer[at] = Inks.mix(buffer[at], colours.of(region), opacity);
            }
            if (strip.isEdge(i, j, thick)) {
                boolean dotted = !of.isKept(region) && (i + j & 3) > 1;
                int ink = of.isKept(region) ? colours.of(region) : Inks.GHOST;
                buffer[at] = dotted ? buffer[at] : ink;
            }
        });
    }

    private void select(Layer.SelectedObjects selected, Work work) {
        strips(RegionRaster.of(selected.of().regions(), view), SELECTED_EDGE, work, (strip, i, j) -> {
            if (strip.at(i, j) > 0 && selected.regions().contains(strip.at(i, j) - 1)) {
                boolean edge = strip.isEdge(i, j, SELECTED_EDGE);
                buffer[j * width + i] = Inks.mix(buffer[j * width + i], Inks.SELECTED, edge ? 256 : SELECTED_FILL);
            }
        });
    }

    /** @param dash so many window pixels are drawn and as many left out; 0 for all */
    private void maskOutlines(Mask mask, int ink, int dash, Work work) {
        int reach = dash == 0 ? 1 : 2;
        work.bands(height, (from, to) -> {
            int top = Math.max(0, from - reach);
            Mask seen = seen(mask, top, Math.min(height, to + reach));
            long[] rim = new long[seen.stride()];
            for (int j = from; j < to; j++) {
                rim(seen, j - top, reach, rim);
                for (int word = 0; word < rim.length; word++) {
                    for (long bits = rim[word]; bits != 0; bits &= bits - 1) {
                        int i = (word << 6) + Long.numberOfTrailingZeros(bits);
                        if (dash == 0 || (i + j) % (2 * dash) < dash) {
                            buffer[j * width + i] = ink;
                        }
                    }
                }
            }
        });
    }

    /** The pixels of window rows [from, to) whose middle is on a mask. */
    private Mask seen(Mask mask, int from, int to) {
        Mask seen = Mask.empty(width, to - from);
        int first = 0;
        while (first < width && columns[first] < 0) {
            first++;
        }
        int behind = width;
        while (behind > first && columns[behind - 1] < 0) {
            behind--;
        }
        for (int j = from; j < to; j++) {
            int y = (int) Math.floor(view.pictureY(j + 0.5));
            for (int word = 0; y >= 0 && y < mask.height() && word < seen.stride(); word++) {
                long bits = 0;
                for (int i = Math.max(first, word << 6); i < Math.min(behind, word + 1 << 6); i++) {
                    bits |= (mask.at(columns[i], y) ? 1L : 0L) << i;
                }
                seen.words()[(j - from) * seen.stride() + word] = bits;
            }
        }
        return seen;
    }

    /** The pixels of a row that have one beside them, within {@code reach} along a row or column, that is not of the mask; 64 at a time. */
    private static void rim(Mask seen, int row, int reach, long[] into) {
        long[] words = seen.words();
        int stride = seen.stride();
        long last = -1L >>> -seen.width(); // beyond the last column all is as if set
        for (int k = 0; k < stride; k++) {
            long here = words[row * stride + k];
            long before = k > 0 ? words[row * stride + k - 1] : -1;
            long next = k < stride - 1 ? words[row * stride + k + 1] : -1;
            long padded = k == stride - 1 ? here | ~last : here;
            next = k == stride - 2 ? next | ~last : next;
            long inside = here;
            for (int d = 1; d <= reach; d++) {
                inside &= (padded << d | before >>> -d) & (padded >>> d | next << -d);
                inside &= row >= d ? words[(row - d) * stride + k] : -1;
                inside &= row + d < seen.height() ? words[(row + d) * stride + k] : -1;
            }
            into[k] = here & ~inside;
        }
    }
}
