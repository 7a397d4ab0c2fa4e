package keentally.core.view;

import java.util.Arrays;
import java.util.List;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.region.Objects;
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
    private static final int SELECTED_EDGE = 3;
    private static final int SELECTED_FILL = 90;

    private final Layers layers;
    private final Viewport view;
    private final int[] buffer;

    /** The picture columns that each window column spans, at least one. */
    private final int[] lefts;

    private final int[] rights;
    private final int width;
    private final int height;

    private StageComposer(Layers layers, Viewport view) {
        this.layers = layers;
        this.view = view;
        this.width = view.width();
        this.height = view.height();
        this.buffer = new int[width * height];
        this.lefts = new int[width];
        this.rights = new int[width];
        int last = layers.picture().width();
        for (int i = 0; i < width; i++) {
            lefts[i] = Math.clamp((int) view.pictureX(i), 0, last - 1);
            rights[i] = Math.clamp((int) Math.ceil(view.pictureX(i + 1)), lefts[i] + 1, last);
        }
    }

    /** One colour a window pixel, row by row. */
    public static int[] compose(Layers layers, Viewport view, Work work) {
        StageComposer composer = new StageComposer(layers, view);
        work.bands(view.height(), composer::paintRows);
        if (layers.look().overlay() == Look.Overlay.OUTLINES || layers.look().overlay() == Look.Overlay.FILL) {
            composer.outlines(work);
        }
        layers.phases()
                .filter(p -> p.outlines() && layers.look().overlay() != Look.Overlay.BARE)
                .ifPresent(p -> composer.borders(p, work));
        layers.selected().ifPresent(selected -> composer.select(selected, work));
        layers.objects().ifPresent(o -> MarkPainter.paint(composer.buffer, view, o, layers.look()));
        ValuePainter.paint(composer.buffer, view, layers.picture().level(0));
        return composer.buffer;
    }

    private void paintRows(int from, int to) {
        int[] columns = pictureColumns();
        for (int j = from; j < to; j++) {
            int y = (int) Math.floor(view.pictureY(j + 0.5));
            if (y < 0 || y >= layers.picture().height()) {
                Arrays.fill(buffer, j * width, (j + 1) * width, Inks.SURROUND);
                continue;
            }
            paintRow(j, y, columns);
            surround(j, columns);
        }
    }

    private void paintRow(int j, int y, int[] columns) {
        Look look = layers.look();
        if (look.overlay() == Look.Overlay.MASK && layers.mask().isPresent()) {
            Arrays.fill(buffer, j * width, (j + 1) * width, 0xff000000);
            tint(j, layers.mask().get(), Pattern.WHITE, 256, columns);
        } else {
            ground(j, y, columns);
            if (look.overlay() != Look.Overlay.BARE) {
                layers.phases().filter(p -> !p.outlines()).ifPresent(p -> fill(j, y, p, columns));
                boolean filled =
                        look.overlay() == Look.Overlay.FILL && layers.objects().isPresent();
                int opacity = filled ? 0 : (int) Math.round(256 * look.strength());
                layers.mask().ifPresent(mask -> tint(j, mask, Pattern.MASK, opacity, columns));
            }
        }
        if (look.has(Look.Mark.CHANGES)) {
            layers.change().ifPresent(change -> {
                tint(j, change.added(), Pattern.ADDED, 256, columns);
                tint(j, change.removed(), Pattern.REMOVED, 256, columns);
            });
        }
        layers.field().inside().ifPresent(inside -> dimOutside(j, y, inside, columns));
    }

    /** The picture column under each window column's middle; −1 beside the picture. */
    private int[] pictureColumns() {
        int[] columns = new int[width];
        for (int i = 0; i < width; i++) {
            int x = (int) Math.floor(view.pictureX(i + 0.5));
            columns[i] = x >= 0 && x < layers.picture().width() ? x : -1;
        }
        return columns;
    }

    private void surround(int j, int[] columns) {
        for (int i = 0; i < width; i++) {
            if (columns[i] < 0) {
                buffer[j * width + i] = Inks.SURROUND;
            }
        }
    }

    private void ground(int j, int y, int[] columns) {
        Pyramid picture = layers.picture();
        int level = Math.clamp((int) Math.floor(-Math.log(view.zoom()) / Math.log(2)), 0, picture.top());
        List<Plane> planes = picture.level(level);
        int row = Math.min(y >> level, planes.getFirst().height() - 1);
        int last = planes.getFirst().width() - 1;
        List<Shade> shades = picture.shades();
        if (picture.inks().isPresent()) {
            dyed(j, planes, picture.inks().get(), row, level, last, columns);
        } else if (shades.size() == 1 && shades.getFirst().isGrey()) {
            grey(j, planes.getFirst(), row, level, last, columns);
        } else if (picture.isPlainColour()) {
            colour(j, planes, row, level, last, columns);
        } else {
            mixed(j, planes, row, level, last, columns);
        }
    }

    private void grey(int j, Plane plane, int row, int level, int last, int[] columns) {
        double black = layers.picture().tone().black();
        double gain = 255 / (layers.picture().tone().white() - black);
        for (int i = 0; i < width; i++) {
            if (columns[i] >= 0) {
                int grey = tone(plane.at(Math.min(columns[i] >> level, last), row), black, gain);
                buffer[j * width + i] = 0xff000000 | grey << 16 | grey << 8 | grey;
            }
        }
    }

    private void colour(int j, List<Plane> planes, int row, int level, int last, int[] columns) {
        double black = layers.picture().tone().black();
        double gain = 255 / (layers.picture().tone().white() - black);
        for (int i = 0; i < width; i++) {
            if (columns[i] >= 0) {
                int x = Math.min(columns[i] >> level, last);
                int red = tone(planes.get(0).at(x, row), black, gain);
                int green = tone(planes.get(1).at(x, row), black, gain);
                int blue = tone(planes.get(2).at(x, row), black, gain);
                buffer[j * width + i] = 0xff000000 | red << 16 | green << 8 | blue;
            }
        }
    }

    /** Channels in their own colours, added up as lights are. */
    private void mixed(int j, List<Plane> planes, int row, int level, int last, int[] columns) {
        double[] sum = new double[3 * width];
        for (int c = 0; c < planes.size(); c++) {
            Shade shade = layers.picture().shades().get(c);
            double black = shade.tone().black();
            double gain = 255 / (shade.tone().white() - black);
            for (int i = 0; i < width; i++) {
                if (columns[i] >= 0) {
                    int value = tone(planes.get(c).at(Math.min(columns[i] >> level, last), row), black, gain);
                    sum[3 * i] += value * shade.red();
                    sum[3 * i + 1] += value * shade.green();
                    sum[3 * i + 2] += value * shade.blue();
                }
            }
        }
        for (int i = 0; i < width; i++) {
            if (columns[i] >= 0) {
                int red = (int) Math.min(255, sum[3 * i]);
                int green = (int) Math.min(255, sum[3 * i + 1]);
                int blue = (int) Math.min(255, sum[3 * i + 2]);
                buffer[j * width + i] = 0xff000000 | red << 16 | green << 8 | blue;
            }
        }
    }

    /** White light through dyes that lie on top of each other. */
    private void dyed(int j, List<Plane> planes, int[] inks, int row, int level, int last, int[] columns) {
        double[] density = new double[3 * width];
        for (int d = 0; d < planes.size(); d++) {
            for (int c = 0; c < 3; c++) {
                double each = -Math.log(Math.max(1, inks[d] >> 16 - 8 * c & 0xff) / 255.0);
                for (int i = 0; each > 0 && i < width; i++) {
                    if (columns[i] >= 0) {
                        density[3 * i + c] += each * planes.get(d).at(Math.min(columns[i] >> level, last), row);
                    }
                }
            }
        }
        for (int i = 0; i < width; i++) {
            int colour = 0xff;
            for (int c = 0; c < 3; c++) {
                colour = colour << 8 | Math.clamp(Math.round(255 * Math.exp(-density[3 * i + c])), 0, 255);
            }
            buffer[j * width + i] = columns[i] >= 0 ? colour : buffer[j * width + i];
        }
    }

    private static int tone(float value, double black, double gain) {
        return Math.clamp(Math.round((value - black) * gain), 0, 255);
    }

    private void fill(int j, int y, PhasePaint paint, int[] columns) {
        int base = y * paint.map().map().width();
        for (int i = 0; i < width; i++) {
            int ink = columns[i] < 0 ? 0 : paint.at(base + columns[i]);
            if (ink != 0) {
                buffer[j * width + i] = ink;
            }
        }
    }

    /** A phase's own ink along its border, where another phase begins. */
    private void borders(PhasePaint paint, Work work) {
        int[] raster = new int[width * height];
        int pictureWidth = paint.map().map().width();
        int pictureHeight = paint.map().map().height();
        work.bands(height, (from, to) -> {
            for (int j = from; j < to; j++) {
                int y = (int) Math.floor(view.pictureY(j + 0.5));
                for (int i = 0; i < width; i++) {
                    int x = (int) Math.floor(view.pictureX(i + 0.5));
                    boolean inside = x >= 0 && y >= 0 && x < pictureWidth && y < pictureHeight;
                    raster[j * width + i] = inside ? paint.at(y * pictureWidth + x) : 0;
                }
            }
        });
        work.bands(height, (from, to) -> {
            for (int at = from * width; at < to * width; at++) {
                if (raster[at] != 0 && isEdge(raster, at % width, at / width, view.zoom() >= 2 ? 2 : 1)) {
                    buffer[at] = raster[at];
                }
            }
        });
    }

    private enum Pattern {
        MASK,
        WHITE,
        ADDED,
        REMOVED;

        /** The ink of a window pixel; 0 where the ground is to be seen through. */
        int at(int i, int j) {
            return switch (this) {
                case MASK -> Inks.MASK;
                case WHITE -> 0xffffffff;
                case ADDED -> (i + j) % HATCH < 2 ? Inks.ADDED_LINE : Inks.ADDED;
                case REMOVED -> i % HATCH < 3 && (j + i / HATCH % 2 * 3) % HATCH < 3 ? Inks.REMOVED : 0;
            };
        }
    }

    private void tint(int j, Mask mask, Pattern ink, int opacity, int[] columns) {
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
        int skip = Math.max(1, (bottom - top) / ROWS_SAMPLED);
        for (int i = 0; i < width; i++) {
            if (columns[i] < 0) {
                continue;
            }
            int left = lefts[i];
            int right = rights[i];
            int set = 0;
            int seen = 0;
            for (int y = top; y < bottom; y += skip) {
                set += mask.count(y, left, right);
                seen += right - left;
            }
            int colour = set > 0 ? ink.at(i, j) : 0;
            if (colour != 0) {
                buffer[j * width + i] = Inks.mix(buffer[j * width + i], colour, opacity * set / seen);
            }
        }
    }

    private void dimOutside(int j, int y, Mask inside, int[] columns) {
        for (int i = 0; i < width; i++) {
            if (columns[i] >= 0 && !inside.at(columns[i], y)) {
                buffer[j * width + i] = Inks.mix(buffer[j * width + i], Inks.SURROUND, DIM);
            }
        }
    }

    private void outlines(Work work) {
        if (layers.objects().isEmpty()) {
            layers.mask().ifPresent(mask -> maskOutlines(mask, work));
            return;
        }
        Objects objects = layers.objects().get().objects();
        int[] raster = RegionRaster.of(objects.regions(), view, work);
        ObjectColours colours = layers.objects().get().colours();
        boolean filled = layers.look().overlay() == Look.Overlay.FILL;
        int opacity = layers.look().meanFill()
                ? 256
                : (int) Math.round(256 * layers.look().strength());
        int thick = view.zoom() >= 2 ? 2 : 1;
        work.bands(height, (from, to) -> {
            for (int j = from; j < to; j++) {
                for (int i = 0; i < width; i++) {
                    int region = raster[j * width + i] - 1;
                    if (region < 0) {
                        continue;
                    }
                    if (filled && objects.isKept(region)) {
                        buffer[j * width + i] = Inks.mix(buffer[j * width + i], colours.of(region), opacity);
                    }
                    if (isEdge(raster, i, j, thick)) {
                        boolean dotted = !objects.isKept(region) && (i + j & 3) > 1;
                        int ink = objects.isKept(region) ? colours.of(region) : Inks.GHOST;
                        buffer[j * width + i] = dotted ? buffer[j * width + i] : ink;
                    }
                }
            }
        });
    }

    private void select(Layers.Selected selected, Work work) {
        int[] raster = RegionRaster.of(selected.of().regions(), view, work);
        work.bands(height, (from, to) -> {
            for (int at = from * width; at < to * width; at++) {
                if (raster[at] > 0 && selected.regions().contains(raster[at] - 1)) {
                    boolean edge = isEdge(raster, at % width, at / width, SELECTED_EDGE);
                    buffer[at] = Inks.mix(buffer[at], Inks.SELECTED, edge ? 256 : SELECTED_FILL);
                }
            }
        });
    }

    /** Whether a pixel within {@code reach} along a row or column belongs to something else. */
    private boolean isEdge(int[] raster, int i, int j, int reach) {
        int own = raster[j * width + i];
        for (int d = 1; d <= reach; d++) {
            if (i >= d && raster[j * width + i - d] != own
                    || i + d < width && raster[j * width + i + d] != own
                    || j >= d && raster[(j - d) * width + i] != own
                    || j + d < height && raster[(j + d) * width + i] != own) {
                return true;
            }
        }
        return false;
    }

    private void maskOutlines(Mask mask, Work work) {
        int[] raster = new int[width * height];
        work.bands(height, (from, to) -> {
            for (int j = from; j < to; j++) {
                int y = (int) Math.floor(view.pictureY(j + 0.5));
                for (int i = 0; i < width; i++) {
                    int x = (int) Math.floor(view.pictureX(i + 0.5));
                    boolean inside = x >= 0 && y >= 0 && x < mask.width() && y < mask.height();
                    raster[j * width + i] = inside && mask.at(x, y) ? 1 : 0;
                }
            }
        });
        work.bands(height, (from, to) -> {
            for (int j = from; j < to; j++) {
                for (int i = 0; i < width; i++) {
                    if (raster[j * width + i] == 1 && isEdge(raster, i, j, 1)) {
                        buffer[j * width + i] = Inks.OBJECTS.getFirst();
                    }
                }
            }
        });
    }
}
