package keentally.core.starter;

import java.util.List;
import keentally.core.geometry.Ellipse;
import keentally.core.picture.Channel;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.step.State;
import keentally.core.work.Work;

/**
 * A sample, or a part of it, made small enough to try many things on it at once: whole squares of pixels averaged into one. What is left
 * over of a square at the right and below is left out.
 *
 * @param factor side of a square, in pixels
 * @param left where a part begins in the sample, in its pixels
 * @param top the same, downwards
 */
record Small(State state, int factor, int left, int top) {
    /** As many pixels as are looked at within a second. */
    private static final double PIXELS = 350_000;

    /** All of it. */
    static Small of(State whole, Work work) {
        int width = whole.field().width();
        int height = whole.field().height();
        int factor = (int) Math.max(1, Math.ceil(Math.sqrt(width * (double) height / PIXELS)));
        return of(whole, 0, 0, width, height, Math.min(factor, Math.min(width, height)), work);
    }

    /** As much of its middle as may be looked at in squares of another side. */
    static Small middle(State whole, int factor, double cx, double cy, Work work) {
        int width = whole.field().width();
        int height = whole.field().height();
        double shrink = Math.min(1, factor * Math.sqrt(PIXELS / ((double) width * height)));
        int partWidth = (int) (width * shrink);
        int partHeight = (int) (height * shrink);
        int left = (int) Math.clamp(cx - partWidth / 2.0, 0, width - partWidth);
        int top = (int) Math.clamp(cy - partHeight / 2.0, 0, height - partHeight);
        return of(whole, left, top, partWidth, partHeight, factor, work);
    }

    /** A shape of another small picture of the sample, on this one. */
    Ellipse here(Ellipse there, Small on) {
        double times = (double) on.factor / factor;
        return new Ellipse(
                (there.cx() * on.factor + on.left - left) / factor,
                (there.cy() * on.factor + on.top - top) / factor,
                there.a() * times,
                there.b() * times,
                there.angleDegrees());
    }

    private static Small of(State whole, int left, int top, int width, int height, int factor, Work work) {
        if (factor == 1
                && width == whole.field().width()
                && height == whole.field().height()) {
            return new Small(whole, 1, 0, 0);
        }
        List<Channel> channels = whole.original().channels().stream()
                .map(c -> new Channel(
                        c.name(),
                        averaged(c.plane(), left, top, width / factor, height / factor, factor, work),
                        c.ink()))
                .toList();
        Picture picture = new Picture(channels);
        Field field = Field.whole(picture.width(), picture.height());
        if (!whole.field().isWhole()) {
            byte[] chosen = new byte[picture.width() * picture.height()];
            for (int i = 0; i < chosen.length; i++) {
                int x = left + i % picture.width() * factor + factor / 2;
                int y = top + i / picture.width() * factor + factor / 2;
                chosen[i] = (byte) (whole.field().contains(x, y) ? 1 : 0);
            }
            field = Field.of(Mask.from(chosen, picture.width(), picture.height()));
        }
        return new Small(State.of(picture, field, whole.scale()), factor, left, top);
    }

    private static Plane averaged(Plane plane, int left, int top, int width, int height, int factor, Work work) {
        float[] out = new float[width * height];
        work.bands(height, (from, to) -> {
            float[] row = new float[width * factor];
            for (int y = from; y < to; y++) {
                for (int j = 0; j < factor; j++) {
                    plane.readRow(top + y * factor + j, left, left + width * factor, row, 0);
                    for (int x = 0; x < width; x++) {
                        float sum = out[y * width + x];
                        for (int i = x * factor; i < (x + 1) * factor; i++) {
                            sum += row[i];
                        }
                        out[y * width + x] = sum;
                    }
                }
                for (int x = 0; x < width; x++) {
                    out[y * width + x] /= factor * factor;
                }
            }
        });
        return switch (plane) {
            case Plane8 p -> {
                byte[] values = new byte[out.length];
                for (int i = 0; i < values.length; i++) {
                    values[i] = (byte) Math.round(out[i]);
                }
                yield Plane8.of(width, height, values);
            }
            case Plane16 p -> {
                short[] values = new short[out.length];
                for (int i = 0; i < values.length; i++) {
                    values[i] = (short) Math.round(out[i]);
                }
                yield Plane16.of(width, height, values);
            }
            case PlaneF p -> PlaneF.of(width, height, out);
        };
    }
}
