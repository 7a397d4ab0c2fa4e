package keentally.core.view;

import java.util.ArrayList;
import java.util.List;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/**
 * A picture and its halves: level k has every 2^k × 2^k pixels averaged into one. The first level is the picture itself and
 * costs nothing; the rest take a third of its memory. Averages of whole numbers are rounded, which shows nowhere.
 */
public final class Pyramid {
    private static final int SMALLEST = 256;

    private final List<List<Plane>> levels;
    private final Tone tone;

    private Pyramid(List<List<Plane>> levels, Tone tone) {
        this.levels = levels;
        this.tone = tone;
    }

    /** Of a prepared picture, as bright as the one it was made from where that shows all of it. */
    public static Pyramid of(Picture picture, Tone original, Work work) {
        Pyramid pyramid = of(picture, work);
        return new Pyramid(pyramid.levels, pyramid.tone.like(original));
    }

    /** Of a picture's first channel where it is grey, else of red, green and blue, else of its first three. */
    public static Pyramid of(Picture picture, Work work) {
        List<List<Plane>> levels = new ArrayList<>();
        levels.add(picture.channels().stream()
                .map(Channel::plane)
                .limit(picture.channels().size() < 3 ? 1 : 3)
                .toList());
        while (Math.max(
                        levels.getLast().getFirst().width(),
                        levels.getLast().getFirst().height())
                > SMALLEST) {
            levels.add(levels.getLast().stream().map(p -> half(p, work)).toList());
        }
        return new Pyramid(levels, Tone.of(picture, work));
    }

    public int width() {
        return levels.getFirst().getFirst().width();
    }

    public int height() {
        return levels.getFirst().getFirst().height();
    }

    public Tone tone() {
        return tone;
    }

    int top() {
        return levels.size() - 1;
    }

    List<Plane> level(int level) {
        return levels.get(level);
    }

    private static Plane half(Plane plane, Work work) {
        int width = (plane.width() + 1) / 2;
        int height = (plane.height() + 1) / 2;
        return switch (plane) {
            case Plane8 p -> {
                byte[] out = new byte[width * height];
                average(p, width, height, work, (i, v) -> out[i] = (byte) Math.round(v));
                yield Plane8.of(width, height, out);
            }
            case Plane16 p -> {
                short[] out = new short[width * height];
                average(p, width, height, work, (i, v) -> out[i] = (short) Math.round(v));
                yield Plane16.of(width, height, out);
            }
            case PlaneF p -> {
                float[] out = new float[width * height];
                average(p, width, height, work, (i, v) -> out[i] = v);
                yield PlaneF.of(width, height, out);
            }
        };
    }

    private interface Store {
        void put(int index, float value);
    }

    private static void average(Plane plane, int width, int height, Work work, Store store) {
        work.bands(height, (from, to) -> {
            float[] upper = new float[2 * width];
            float[] lower = new float[2 * width];
            for (int y = from; y < to; y++) {
                row(plane, 2 * y, upper);
                row(plane, Math.min(2 * y + 1, plane.height() - 1), lower);
                for (int x = 0; x < width; x++) {
                    float sum = upper[2 * x] + upper[2 * x + 1] + lower[2 * x] + lower[2 * x + 1];
                    store.put(y * width + x, sum / 4);
                }
            }
        });
    }

    /** With an odd last pixel doubled. */
    private static void row(Plane plane, int y, float[] into) {
        plane.readRow(y, 0, plane.width(), into, 0);
        if (plane.width() < into.length) {
            into[into.length - 1] = into[into.length - 2];
        }
    }
}
