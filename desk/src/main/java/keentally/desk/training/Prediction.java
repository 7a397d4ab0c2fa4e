package keentally.desk.training;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import keentally.core.classify.FeatureGrid;
import keentally.core.classify.FeatureRows;
import keentally.core.classify.Learnt;
import keentally.core.classify.NextPlaces;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Field;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Plane8;
import keentally.core.view.Viewport;
import keentally.core.work.Work;

/**
 * What a learner takes a picture for, as far as it was asked: coarsely by the places of a grid, then pixel by pixel in tiles, what is in sight first. For one thread.
 */
final class Prediction {
    private static final int TILE = 192;
    private static final int AT_ONCE = 4;

    private final Learnt learnt;
    private final FeatureRows rows;
    private final FeatureGrid grid;
    private final Field field;
    private final int width;
    private final int height;
    private final byte[] map;
    private final float[] sure;
    private final boolean[] asked;
    private final boolean[] fine;
    private final int columns;

    Prediction(Learnt learnt, FeatureRows rows, FeatureGrid grid, Field field) {
        this.learnt = learnt;
        this.rows = rows;
        this.grid = grid;
        this.field = field;
        this.width = rows.width();
        this.height = rows.height();
        this.map = new byte[width * height];
        Arrays.fill(map, (byte) PhaseMap.OUTSIDE);
        this.sure = new float[grid.across() * grid.down() * learnt.classes()];
        Arrays.fill(sure, Float.NaN);
        this.asked = new boolean[grid.stretches()];
        this.columns = (width + TILE - 1) / TILE;
        this.fine = new boolean[columns * ((height + TILE - 1) / TILE)];
    }

    /** All that is known of the grid already. */
    void askKnown(Work work) {
        int[] known = IntStream.range(0, asked.length)
                .filter(s -> grid.isRead(s) && !asked[s])
                .toArray();
        work.each(known.length, i -> ask(known[i]));
    }

    private void ask(int stretch) {
        float[] said = grid.sure(learnt, stretch);
        int first = grid.firstLine(stretch);
        System.arraycopy(said, 0, sure, first * grid.across() * learnt.classes(), said.length);
        byte[] classOf = learnt.classOf(said);
        int step = grid.step();
        for (int i = 0; i < classOf.length; i++) {
            int left = i % grid.across() * step;
            int top = (first + i / grid.across()) * step;
            for (int y = top; y < Math.min(height, top + step); y++) {
                for (int x = left; x < Math.min(width, left + step); x++) {
                    if (field.contains(x, y) && !fine[y / TILE * columns + x / TILE]) {
                        map[y * width + x] = classOf[i];
                    }
                }
            }
        }
        asked[stretch] = true;
    }

    /** Reads a few stretches of the grid, those in the middle of what is in sight first. Returns whether any were left. */
    boolean readMore(Optional<Viewport> view, Work work) {
        double middle = view.map(v -> v.pictureY(v.height() / 2.0)).orElse(height / 2.0) / grid.step();
        List<Integer> left = new ArrayList<>();
        IntStream.range(0, asked.length).filter(s -> !asked[s]).forEach(left::add);
        left.sort(Comparator.comparingDouble(s -> Math.abs(grid.firstLine(s) + grid.lines(s) / 2.0 - middle)));
        List<Integer> now = left.subList(0, Math.min(AT_ONCE, left.size()));
        work.each(now.size(), i -> {
            if (!grid.isRead(now.get(i))) {
                grid.read(now.get(i));
            }
            ask(now.get(i));
        });
        return !now.isEmpty();
    }

    /** Asks about every pixel of a few tiles, those nearest to the middle of what is in sight first. Returns whether any were left. */
    boolean askFine(Optional<Viewport> view, boolean inSight, Work work) {
        Rectangle seen = view.map(Prediction::seen).orElse(new Rectangle(0, 0, width, height));
        List<Integer> left = new ArrayList<>();
        IntStream.range(0, fine.length)
                .filter(t -> !fine[t] && (!inSight || meets(t, seen)))
                .forEach(left::add);
        left.sort(Comparator.comparingDouble(t -> away(t, seen)));
        List<Integer> now = left.subList(0, Math.min(AT_ONCE, left.size()));
        work.each(now.size(), i -> fine(now.get(i)));
        now.forEach(t -> fine[t] = true);
        return !now.isEmpty();
    }

    private static Rectangle seen(Viewport view) {
        return new Rectangle(view.left(), view.top(), view.width() / view.zoom(), view.height() / view.zoom());
    }

    private boolean meets(int tile, Rectangle seen) {
        double left = (double) tile % columns * TILE;
        double top = (double) (tile / columns) * TILE;
        return left < seen.right() && left + TILE > seen.x() && top < seen.bottom() && top + TILE > seen.y();
    }

    private double away(int tile, Rectangle seen) {
        double x = tile % columns * TILE + TILE / 2.0;
        double y = (double) (tile / columns) * TILE + TILE / 2.0;
        return Math.hypot(x - seen.x() - seen.width() / 2, y - seen.y() - seen.height() / 2);
    }

    private void fine(int tile) {
        int left = tile % columns * TILE;
        int top = tile / columns * TILE;
        int right = Math.min(width, left + TILE);
        int bottom = Math.min(height, top + TILE);
        byte[] classOf = learnt.classOf(rows.read(left, right, top, bottom), (right - left) * (bottom - top));
        for (int y = top; y < bottom; y++) {
            for (int x = left; x < right; x++) {
                if (field.contains(x, y)) {
                    map[y * width + x] = classOf[(y - top) * (right - left) + x - left];
                }
            }
        }
    }

    /** From 0 to 1, how much of the picture was asked about pixel by pixel. */
    double part() {
        int done = 0;
        for (boolean tile : fine) {
            done += tile ? 1 : 0;
        }
        return (double) done / fine.length;
    }

    /** As it stands now. */
    Plane8 seen() {
        return Plane8.of(width, height, map.clone());
    }

    int at(int x, int y) {
        return map[y * width + x] & 0xff;
    }

    /** Squares of the picture where the learner wavers, in pixels. @param side of a square, in places of the grid */
    List<NextPlaces.Square> next(int side, NextPlaces.Painted painted) {
        return NextPlaces.of(sure, learnt.classes(), grid.across(), side, painted);
    }

    int step() {
        return grid.step();
    }
}
