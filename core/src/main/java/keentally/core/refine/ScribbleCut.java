package keentally.core.refine;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntConsumer;
import keentally.core.distance.SquaredDistance;
import keentally.core.draw.Canvas;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.hand.Dab;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.work.Work;

/**
 * Parts the field into inside and outside of what was scribbled on, where the picture shows an edge.
 *
 * <p>Definition: the minimum cut of a grid with eight neighbours. A pixel is drawn to the side whose colours, those under its strokes, are likelier (at most by 6 in the natural logarithm); a step
 * between neighbours costs smoothness·exp(−d²/2σ²)/distance, with d their difference in colour and σ² its mean square. Colours are taken under weights of 1, 2, 1 both ways. Pixels under strokes are decided,
 * the last stroke counts. Where there is no stroke of a kind, the whole field stands for its colours. A mask that is to be mended draws to itself, by 1.5 under a stroke and
 * five times as much at a quarter of the field's shorter side from it, so that strokes mend what is near them; its sides stand for their colours too, but for what looks like strokes of the other side. An <em>outline</em> begins a part: what was found before stays as it is outside, and the strokes after it decide inside alone.
 *
 * <p>Accuracy: up to {@value #COARSE} pixels exact; larger ones are cut at half the size as often as it takes, then at each finer size within 2 px of the rim. Edge cases: without strokes the mask as it
 * was, or nothing. Cost: about 100 bytes a pixel of the coarse grid and of the bands, 20 of all. Threads: the same bytes with any number.
 *
 * <p>Source: Y. Y. Boykov and M.-P. Jolly (2001), Interactive graph cuts for optimal boundary and region segmentation of objects in N-D images, ICCV
 * 2001, 105–112.
 */
public final class ScribbleCut {
    static final int COARSE = 160_000;
    private static final int MOST_COLOURS = 2000;
    private static final double MEND = 1.5;
    private static final double MEND_FAR = 4;
    private static final double MEND_NEAR = 0.25;

    private final Field field;
    private final float[][] planes;
    private final double smoothness;
    private final int coarse;
    private final Work work;

    private ScribbleCut(Field field, float[][] planes, double smoothness, int coarse, Work work) {
        this.field = field;
        this.planes = planes;
        this.smoothness = smoothness;
        this.coarse = coarse;
        this.work = work;
    }

    /**
     * The inside.
     *
     * @param original whose depth tells what the greatest value is
     * @param strokes brushes that add are inside, others outside; outlines that add begin a part
     * @param mend a mask to begin with
     * @return empty where the picture has neither colours nor one channel
     */
    public static Optional<Mask> of(
            Picture picture,
            Picture original,
            Field field,
            List<Dab> strokes,
            Optional<Mask> mend,
            double smoothness,
            Work work) {
        return of(picture, original, field, strokes, mend, smoothness, COARSE, work);
    }

    /** @param coarse the most pixels that are cut at once */
    static Optional<Mask> of(
            Picture picture,
            Picture original,
            Field field,
            List<Dab> strokes,
            Optional<Mask> mend,
            double smoothness,
            int coarse,
            Work work) {
        Window window = Window.of(strokes, field, mend.isPresent());
        Field inside = window.isWhole(field) ? field : Field.of(window.crop(field.mask()));
        return planes(picture, original, window, work)
                .map(planes ->
                        new ScribbleCut(inside, planes, smoothness, coarse, work).cut(window.moved(strokes), mend))
                .map(found -> window.isWhole(field)
                        ? found
                        : found.placed(window.left(), window.top(), field.width(), field.height()));
    }

    /** What of the picture has a say: all of it, or what parts and strokes lie in where everything is in parts. */
    private record Window(int left, int top, int right, int bottom) {
        private static final int ROOM = 4;

        static Window of(List<Dab> strokes, Field field, boolean mends) {
            Window whole = new Window(0, 0, field.width(), field.height());
            if (mends || strokes.isEmpty() || !(strokes.getFirst() instanceof Dab.Outline)) {
                return whole;
            }
            double left = field.width();
            double top = field.height();
            double right = 0;
            double bottom = 0;
            for (Dab dab : strokes) {
                double reach = ROOM + (dab instanceof Dab.Brush brush ? brush.width() / 2 : 0);
                for (Point p : path(dab)) {
                    left = Math.min(left, p.x() - reach);
                    top = Math.min(top, p.y() - reach);
                    right = Math.max(right, p.x() + reach);
                    bottom = Math.max(bottom, p.y() + reach);
                }
            }
            Window some = new Window(
                    (int) Math.max(0, Math.floor(left)),
                    (int) Math.max(0, Math.floor(top)),
                    (int) Math.min(field.width(), Math.ceil(right)),
                    (int) Math.min(field.height(), Math.ceil(bottom)));
            boolean any = some.left < some.right
                    && some.top < some.bottom
                    && field.mask()
                                    .crop(some.left, some.top, some.right, some.bottom)
                                    .count()
                            > 0;
            return any ? some : whole;
        }

        private static List<Point> path(Dab dab) {
            return switch (dab) {
                case Dab.Brush brush -> brush.path();
                case Dab.Outline outline -> outline.path();
                case Dab.Fill fill -> List.of(fill.at());
            };
        }

        boolean isWhole(Field field) {
            return left == 0 && top == 0 && right == field.width() && bottom == field.height();
        }

        Mask crop(Mask mask) {
            return mask.crop(left, top, right, bottom);
        }

        List<Dab> moved(List<Dab> strokes) {
            return strokes.stream().map(this::moved).toList();
        }

        private Dab moved(Dab dab) {
            List<Point> path = path(dab).stream()
                    .map(p -> new Point(p.x() - left, p.y() - top))
                    .toList();
            return switch (dab) {
                case Dab.Brush brush -> new Dab.Brush(path, brush.width(), brush.adds());
                case Dab.Outline outline -> new Dab.Outline(path, outline.adds());
                case Dab.Fill fill -> new Dab.Fill(path.getFirst(), fill.adds());
            };
        }
    }

    private static Optional<float[][]> planes(Picture picture, Picture original, Window window, Work work) {
        Optional<ByteRows> rows = ByteRows.of(picture, original);
        return rows.map(read -> planes(read, window, work));
    }

    private static float[][] planes(ByteRows rows, Window window, Work work) {
        int width = window.right() - window.left();
        int height = window.bottom() - window.top();
        float[][] planes = new float[rows.channels()][width * height];
        work.bands(height, (from, to) -> {
            float[][] row = rows.room();
            for (int y = from; y < to; y++) {
                rows.read(window.top() + y, row);
                for (int c = 0; c < planes.length; c++) {
                    System.arraycopy(row[c], window.left(), planes[c], y * width, width);
                }
            }
        });
        for (int c = 0; c < planes.length; c++) {
            planes[c] = calmed(planes[c], width, height, work);
        }
        return planes;
    }

    /** Under weights of 1, 2, 1 both ways, so that one noisy pixel is no thing of its own. */
    private static float[] calmed(float[] in, int width, int height, Work work) {
        float[] out = new float[in.length];
        work.bands(height, (from, to) -> {
            float[] row = new float[width];
            for (int y = from; y < to; y++) {
                int above = Math.max(0, y - 1) * width;
                int below = Math.min(height - 1, y + 1) * width;
                for (int x = 0; x < width; x++) {
                    row[x] = in[above + x] + 2 * in[y * width + x] + in[below + x];
                }
                for (int x = 0; x < width; x++) {
                    out[y * width + x] = (row[Math.max(0, x - 1)] + 2 * row[x] + row[Math.min(width - 1, x + 1)]) / 16;
                }
            }
        });
        return out;
    }

    /** Part after part. */
    private Mask cut(List<Dab> strokes, Optional<Mask> mend) {
        Mask found = mend.orElse(Mask.empty(field.width(), field.height()));
        List<Dab.Brush> before = new ArrayList<>();
        Optional<Mask> part = Optional.empty();
        List<Dab.Brush> now = new ArrayList<>();
        for (Dab dab : strokes) {
            switch (dab) {
                case Dab.Brush brush -> now.add(brush);
                case Dab.Outline outline -> {
                    found = cut(found, part, before, now, mend);
                    before.addAll(now);
                    now.clear();
                    part = Optional.of(Field.within(new Polygon(outline.path()), field.width(), field.height()));
                }
                case Dab.Fill fill -> throw new IllegalArgumentException("a scribble is a stroke or an outline");
            }
        }
        return cut(found, part, before, now, mend);
    }

    private Mask cut(
            Mask found, Optional<Mask> part, List<Dab.Brush> before, List<Dab.Brush> now, Optional<Mask> mend) {
        if (now.isEmpty()) {
            return found;
        }
        boolean mends = mend.isPresent() && part.isEmpty();
        Mask region = part.map(field::clip).orElse(field.mask());
        byte[] state = new byte[field.width() * field.height()];
        float[] pull = new float[state.length];
        Mask inside = field.mask();
        for (int y = 0; y < field.height(); y++) {
            for (int x = 0; x < field.width(); x++) {
                int i = y * field.width() + x;
                boolean in = found.at(x, y);
                state[i] = !inside.at(x, y)
                        ? CutLevel.AWAY
                        : region.at(x, y) ? CutLevel.FREE : in ? CutLevel.IN : CutLevel.OUT;
            }
        }
        now.forEach(stroke -> decide(stroke, region, state));
        List<Dab.Brush> all = new ArrayList<>(before);
        all.addAll(now);
        if (mends) {
            hold(found, all, pull);
        }
        ColourModel in = colours(all, true, mends ? Optional.of(found) : Optional.empty());
        ColourModel out = colours(all, false, mends ? Optional.of(inside.minus(found)) : Optional.empty());
        boolean[] labels = solved(new CutLevel(field.width(), field.height(), planes, state, pull), in, out);
        return mask(labels);
    }

    /** What lies far from all strokes stays as it is. */
    private void hold(Mask found, List<Dab.Brush> strokes, float[] pull) {
        byte[] drawn = new byte[pull.length];
        strokes.forEach(s -> under(s, (x, y) -> drawn[y * field.width() + x] = 1));
        int[] square = SquaredDistance.to(Mask.from(drawn, field.width(), field.height()), work);
        double far = Math.min(field.width(), field.height()) * MEND_NEAR;
        for (int i = 0; i < pull.length; i++) {
            double part = Math.min(1, Math.sqrt(square[i]) / far);
            double hold = MEND * (1 + MEND_FAR * part);
            pull[i] = (float) (found.at(i % field.width(), i / field.width()) ? hold : -hold);
        }
    }

    /** Coarse to fine. */
    private boolean[] solved(CutLevel finest, ColourModel in, ColourModel out) {
        List<CutLevel> levels = new ArrayList<>(List.of(finest));
        while ((long) levels.getLast().width() * levels.getLast().height() > coarse) {
            levels.add(levels.getLast().halved(work));
        }
        int last = levels.size() - 1;
        boolean[] labels = levels.get(last).cut(in, out, links(last), work);
        for (int l = last - 1; l >= 0; l--) {
            labels = levels.get(l).cut(labels, levels.get(l + 1).width(), in, out, links(l), work);
        }
        return labels;
    }

    /** A pixel of half the size has four times the area and twice the length. */
    private double links(int level) {
        return smoothness / (1 << level);
    }

    private Mask mask(boolean[] labels) {
        int stride = Mask.stride(field.width());
        long[] words = new long[stride * field.height()];
        for (int y = 0; y < field.height(); y++) {
            for (int x = 0; x < field.width(); x++) {
                if (labels[y * field.width() + x]) {
                    words[y * stride + (x >>> 6)] |= 1L << x;
                }
            }
        }
        return Mask.of(field.width(), field.height(), words);
    }

    private void decide(Dab.Brush stroke, Mask region, byte[] state) {
        under(stroke, (x, y) -> {
            int i = y * field.width() + x;
            if (region.at(x, y)) {
                state[i] = stroke.adds() ? CutLevel.IN : CutLevel.OUT;
            }
        });
    }

    /** Told a pixel. */
    private interface Pixel {
        void at(int x, int y);
    }

    private void under(Dab.Brush stroke, Pixel told) {
        Canvas canvas = new Canvas(stroke.path(), stroke.width() / 2, field.width(), field.height());
        canvas.brush(stroke.path(), stroke.width() / 2);
        if (canvas.isEmpty()) {
            return;
        }
        Mask under = canvas.mask();
        for (int y = 0; y < under.height(); y++) {
            for (int x = under.nextSet(y, 0); x < under.width(); x = under.nextSet(y, x + 1)) {
                told.at(canvas.left() + x, canvas.top() + y);
            }
        }
    }

    /** Under the strokes of a side; of the whole field where there are none, and of a mask's side where one is mended. */
    private ColourModel colours(List<Dab.Brush> strokes, boolean inside, Optional<Mask> side) {
        List<Integer> pixels = under(strokes, inside);
        if (side.filter(m -> m.count() > 0).isPresent()) {
            List<Integer> others = under(strokes, !inside);
            Optional<ColourModel> other = others.isEmpty() ? Optional.empty() : Optional.of(model(others));
            some(side.get(), i -> {
                if (other.filter(o -> o.holds(planes, i)).isEmpty()) {
                    pixels.add(i);
                }
            });
        }
        if (pixels.isEmpty()) {
            some(field.mask(), pixels::add);
        }
        return model(pixels);
    }

    private List<Integer> under(List<Dab.Brush> strokes, boolean inside) {
        List<Integer> pixels = new ArrayList<>();
        for (Dab.Brush stroke : strokes) {
            if (stroke.adds() == inside) {
                under(stroke, (x, y) -> pixels.add(y * field.width() + x));
            }
        }
        return pixels;
    }

    /** Pixels of a mask, evenly thinned out. */
    private static void some(Mask mask, IntConsumer told) {
        long step = Math.max(1, mask.count() / MOST_COLOURS);
        long seen = 0;
        for (int y = 0; y < mask.height(); y++) {
            for (int x = mask.nextSet(y, 0); x < mask.width(); x = mask.nextSet(y, x + 1)) {
                if (seen % step == 0) {
                    told.accept(y * mask.width() + x);
                }
                seen++;
            }
        }
    }

    private ColourModel model(List<Integer> pixels) {
        int count = Math.min(MOST_COLOURS, pixels.size());
        double[] colours = new double[count * planes.length];
        for (int i = 0; i < count; i++) {
            int pixel = pixels.get((int) ((long) i * pixels.size() / count));
            for (int c = 0; c < planes.length; c++) {
                colours[i * planes.length + c] = planes[c][pixel];
            }
        }
        return ColourModel.of(colours, planes.length, work);
    }
}
