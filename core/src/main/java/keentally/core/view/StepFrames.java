package keentally.core.view;

import java.util.List;
import java.util.Optional;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.step.State;
import keentally.core.work.Work;

/**
 * What a step does, in three frames of one part of the picture: what comes in, what is done there, what goes out.
 *
 * <p>The part is the cell of a grid of {@value #CELLS} by {@value #CELLS} where the step changes most: where a mask lost or gained most
 * pixels, else where a new mask or new objects have as much inside as outside, else where the values of the first channel moved most.
 *
 * @param frames of so many colours as the frame is wide and high, 0xAARRGGBB
 */
public record StepFrames(Kind kind, List<int[]> frames) {
    private static final int CELLS = 8;
    private static final double TINT = 0.5;

    /** Cells seen at once in each direction, so that one sees what lies around. */
    private static final double SEEN = 2.2;

    private static final double MOST_ZOOM = 6;
    private static final int SAMPLES = 48;

    /** What the frame in the middle shows. */
    public enum Kind {
        /** The picture before at the left, after at the right. */
        VALUES,
        /** What is chosen, in black and white. */
        CUT,
        /** What was added and what was taken away. */
        CHANGE,
        PHASES,
        /** Objects filled in colours that tell them apart. */
        OBJECTS
    }

    /**
     * Paints them.
     *
     * @param original of the sample's own picture
     * @param width of a frame, in px of the screen
     * @param height of a frame, in px of the screen
     */
    public static StepFrames of(State before, State after, Pyramid original, int width, int height, Work work) {
        Kind kind = kind(before, after);
        Optional<Mask> chosen = after.mask().or(() -> first(after, work));
        int[] cell = cell(kind, before, after, chosen);
        Viewport view = view(cell, original.width(), original.height(), width, height);
        int[] came = plain(before, original, view, work);
        int[] went = plain(after, original, view, work);
        int[] between = switch (kind) {
            case VALUES -> halves(came, went, width);
            case CUT -> painted(after, original, Look.Overlay.MASK, view, work);
            case CHANGE -> {
                Look marked = new Look(Look.Overlay.TINT, TINT).and(Look.Mark.CHANGES);
                Layers layers = StateLayers.of(after.maskAlone(), original, marked, StateLayers.Palette.PLAIN);
                yield StageComposer.compose(
                        layers.with(Layer.Change.of(before.needMask(), after.needMask())), view, work);
            }
            case PHASES, OBJECTS -> painted(after, original, Look.Overlay.FILL, view, work);
        };
        return new StepFrames(kind, List.of(came, between, went));
    }

    /** The first phase, where there are any. */
    private static Optional<Mask> first(State after, Work work) {
        return after.phases().map(map -> {
            boolean[] picked = new boolean[map.names().size()];
            picked[0] = true;
            return map.mask(picked, work);
        });
    }

    private static Kind kind(State before, State after) {
        boolean masks = before.mask().isPresent() && after.mask().isPresent();
        if (masks && !before.mask().get().equals(after.mask().get())) {
            return Kind.CHANGE;
        }
        return switch (after.seen()) {
            case PICTURE -> Kind.VALUES;
            case MASK -> Kind.CUT;
            case PHASES -> Kind.PHASES;
            case OBJECTS -> Kind.OBJECTS;
        };
    }

    private static int[] plain(State state, Pyramid original, Viewport view, Work work) {
        return painted(state, original, Look.Overlay.OUTLINES, view, work);
    }

    private static int[] painted(State state, Pyramid original, Look.Overlay overlay, Viewport view, Work work) {
        Pyramid ground = StateLayers.isOnOriginal(state) || state.current() == state.original()
                ? original
                : Pyramid.of(state.current(), original.tone(), work);
        Layers layers = StateLayers.of(state, ground, new Look(overlay, TINT), StateLayers.Palette.PLAIN);
        return StageComposer.compose(layers, view, work);
    }

    private static int[] halves(int[] left, int[] right, int width) {
        int[] both = right.clone();
        for (int start = 0; start < both.length; start += width) {
            System.arraycopy(left, start, both, start, width / 2);
            both[start + width / 2] = 0xffffffff;
        }
        return both;
    }

    private static Viewport view(int[] cell, int pictureWidth, int pictureHeight, int width, int height) {
        double cellWide = (double) pictureWidth / CELLS;
        double cellHigh = (double) pictureHeight / CELLS;
        double fit = Math.max((double) width / pictureWidth, (double) height / pictureHeight);
        double zoom = Math.min(width / (SEEN * cellWide), height / (SEEN * cellHigh));
        double held = Math.max(fit, Math.min(MOST_ZOOM, zoom));
        double halfWide = width / 2.0 / held;
        double halfHigh = height / 2.0 / held;
        double x = within((cell[0] + 0.5) * cellWide, halfWide, pictureWidth);
        double y = within((cell[1] + 0.5) * cellHigh, halfHigh, pictureHeight);
        return Viewport.centred(x, y, held, width, height);
    }

    /** The middle of a part that does not reach beyond the picture. */
    private static double within(double middle, double half, double side) {
        return side <= 2 * half ? side / 2 : Math.clamp(middle, half, side - half);
    }

    private static int[] cell(Kind kind, State before, State after, Optional<Mask> chosen) {
        int[] best = {CELLS / 2, CELLS / 2};
        double most = 0;
        for (int row = 0; row < CELLS; row++) {
            for (int column = 0; column < CELLS; column++) {
                double much = much(kind, before, after, chosen, column, row);
                if (much > most) {
                    most = much;
                    best = new int[] {column, row};
                }
            }
        }
        return best;
    }

    /** How much happens in a cell; only compared with other cells. */
    private static double much(Kind kind, State before, State after, Optional<Mask> chosen, int column, int row) {
        int width = after.original().width();
        int height = after.original().height();
        int left = column * width / CELLS;
        int right = (column + 1) * width / CELLS;
        int top = row * height / CELLS;
        int bottom = (row + 1) * height / CELLS;
        return switch (kind) {
            case CHANGE -> changed(before.needMask(), after.needMask(), left, right, top, bottom);
            case VALUES -> moved(before.current(), after.current(), left, right, top, bottom);
            case CUT, PHASES, OBJECTS ->
                chosen.map(m -> mixed(m, left, right, top, bottom)).orElse(0.0);
        };
    }

    private static double changed(Mask before, Mask after, int left, int right, int top, int bottom) {
        long changed = 0;
        for (int y = top; y < bottom; y++) {
            for (int x = left; x < right; x++) {
                changed += before.at(x, y) == after.at(x, y) ? 0 : 1;
            }
        }
        return changed;
    }

    /** Most where half of it is inside. */
    private static double mixed(Mask mask, int left, int right, int top, int bottom) {
        long inside = 0;
        for (int y = top; y < bottom; y++) {
            inside += mask.count(y, left, right);
        }
        return Math.min(inside, (double) (right - left) * (bottom - top) - inside);
    }

    private static double moved(Picture before, Picture after, int left, int right, int top, int bottom) {
        Plane from = before.channels().getFirst().plane();
        Plane to = after.channels().getFirst().plane();
        double moved = 0;
        for (int j = 0; j < SAMPLES; j++) {
            for (int i = 0; i < SAMPLES; i++) {
                int x = left + (int) ((long) (right - left) * i / SAMPLES);
                int y = top + (int) ((long) (bottom - top) * j / SAMPLES);
                if (x < right && y < bottom) {
                    double by = Math.abs(from.at(x, y) - to.at(x, y));
                    moved += Double.isNaN(by) ? 0 : by;
                }
            }
        }
        return moved;
    }
}
