package keentally.core.colour;

import keentally.core.picture.Channel;
import keentally.core.picture.Depth;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/**
 * Grey from red, green and blue, of the stored values: (wr·R + wg·G + wb·B) ÷ sum of weights, whole weights, so that R = G =
 * B gives exactly that value. Not rounded unless asked.
 */
public final class GreyChannel {
    private GreyChannel() {}

    /** Weights of red, green and blue, each out of 10,000 or of 3. Sources: ITU-R BT.709-6 and BT.601-7. */
    public enum Weights {
        BT709(2126, 7152, 722),
        BT601(2990, 5870, 1140),
        EQUAL(1, 1, 1);

        private final int red;
        private final int green;
        private final int blue;

        Weights(int red, int green, int blue) {
            this.red = red;
            this.green = green;
            this.blue = blue;
        }

        /** The grey of one colour, from 0 to 255. */
        public double of(Rgb colour) {
            double weighted =
                    (double) red * colour.red() + (double) green * colour.green() + (double) blue * colour.blue();
            return weighted / ((double) red + green + blue);
        }
    }

    /** @param rounded to the nearest whole number, where the picture holds whole numbers */
    public static Plane of(Picture picture, Weights weights, boolean rounded, Work work) {
        float[] grey = mix(picture, weights, work);
        int width = picture.width();
        int height = picture.height();
        Depth depth = picture.depth();
        if (!rounded || !depth.isWhole()) {
            return PlaneF.of(width, height, grey);
        }
        if (depth == Depth.BITS_8) {
            byte[] values = new byte[grey.length];
            for (int i = 0; i < grey.length; i++) {
                values[i] = (byte) Math.round(grey[i]);
            }
            return Plane8.of(width, height, values);
        }
        short[] values = new short[grey.length];
        for (int i = 0; i < grey.length; i++) {
            values[i] = (short) Math.round(grey[i]);
        }
        return Plane16.of(width, height, values);
    }

    private static float[] mix(Picture picture, Weights w, Work work) {
        int width = picture.width();
        float[] grey = new float[width * picture.height()];
        Plane reds = picture.channel(Channel.RED).orElseThrow();
        Plane greens = picture.channel(Channel.GREEN).orElseThrow();
        Plane blues = picture.channel(Channel.BLUE).orElseThrow();
        double sum = (double) w.red + w.green + w.blue;
        work.bands(picture.height(), (from, to) -> {
            float[] red = new float[width];
            float[] green = new float[width];
            float[] blue = new float[width];
            for (int y = from; y < to; y++) {
                reds.readRow(y, 0, width, red, 0);
                greens.readRow(y, 0, width, green, 0);
                blues.readRow(y, 0, width, blue, 0);
                for (int x = 0; x < width; x++) {
                    double weighted = (double) w.red * red[x] + (double) w.green * green[x] + (double) w.blue * blue[x];
                    grey[y * width + x] = (float) (weighted / sum);
                }
            }
        });
        return grey;
    }
}
