package keentally.core.colour;

import java.util.List;
import java.util.Optional;
import keentally.core.picture.Channel;
import keentally.core.picture.Depth;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane8;

/** Red, green and blue of a picture row by row, on the 0 to 255 scale whatever its depth. */
public final class ColourRows {
    private final List<Plane> planes;
    private final double perLevel;
    private final boolean bytes;

    private ColourRows(List<Plane> planes, double perLevel) {
        this.planes = planes;
        this.perLevel = perLevel;
        this.bytes = planes.stream().allMatch(p -> p instanceof Plane8);
    }

    /**
     * Empty for a picture without colour.
     *
     * @param original whose depth tells what white is, since steps make floating point of everything
     */
    public static Optional<ColourRows> of(Picture picture, Picture original) {
        if (!picture.isColour()) {
            return Optional.empty();
        }
        List<Plane> planes = List.of(
                picture.channel(Channel.RED).orElseThrow(),
                picture.channel(Channel.GREEN).orElseThrow(),
                picture.channel(Channel.BLUE).orElseThrow());
        Depth depth = picture.depth().isWhole() ? picture.depth() : original.depth();
        return Optional.of(new ColourRows(planes, depth.most() / 255.0));
    }

    public int width() {
        return planes.getFirst().width();
    }

    public int height() {
        return planes.getFirst().height();
    }

    /** Whether every colour is three whole numbers of 0 to 255. */
    public boolean isBytes() {
        return bytes;
    }

    /** Row {@code y}; not-a-number where the picture has none. */
    public void read(int y, float[] red, float[] green, float[] blue) {
        row(0, y, red);
        row(1, y, green);
        row(2, y, blue);
    }

    private void row(int channel, int y, float[] into) {
        planes.get(channel).readRow(y, 0, width(), into, 0);
        if (perLevel != 1) {
            for (int x = 0; x < width(); x++) {
                into[x] = (float) (into[x] / perLevel);
            }
        }
    }

    /** What pixels [from, to) of row {@code y} have of a colour together; for those that {@link #isBytes}. */
    public long sum(int channel, int y, int from, int to) {
        byte[] values = ((Plane8) planes.get(channel)).values();
        int row = y * width();
        int sum = 0;
        for (int i = row + from; i < row + to; i++) {
            sum += values[i] & 0xff;
        }
        return sum;
    }

    /** The colour of a pixel, rounded to 8 bits. */
    public Rgb at(int x, int y) {
        return Rgb.from(value(0, x, y), value(1, x, y), value(2, x, y));
    }

    /** The colour of a pixel, not rounded; 0 where it is no number. */
    public double[] value(int x, int y) {
        return new double[] {value(0, x, y), value(1, x, y), value(2, x, y)};
    }

    private double value(int channel, int x, int y) {
        double v = planes.get(channel).at(x, y) / perLevel;
        return Double.isNaN(v) ? 0 : v;
    }
}
