package keentally.study.picture;

import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;

/** Turns pictures upright by the orientation, 1 to 8, that cameras write down. Source: TIFF 6.0 (1992), section 8, tag 274. */
final class Orientation {
    static final int UPRIGHT = 1;
    private static final int MOST = 8;

    private Orientation() {}

    static boolean isTurned(int orientation) {
        return orientation > UPRIGHT && orientation <= MOST;
    }

    static Picture upright(Picture picture, int orientation) {
        return isTurned(orientation)
                ? new Picture(picture.channels().stream()
                        .map(c -> new Channel(c.name(), upright(c.plane(), orientation)))
                        .toList())
                : picture;
    }

    private static Plane upright(Plane plane, int orientation) {
        boolean swaps = orientation > 4;
        int width = swaps ? plane.height() : plane.width();
        int height = swaps ? plane.width() : plane.height();
        float[] values = new float[width * height];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                values[y * width + x] = from(plane, orientation, x, y);
            }
        }
        return switch (plane) {
            case Plane8 p -> {
                byte[] out = new byte[values.length];
                for (int i = 0; i < out.length; i++) {
                    out[i] = (byte) (int) values[i];
                }
                yield Plane8.of(width, height, out);
            }
            case Plane16 p -> {
                short[] out = new short[values.length];
                for (int i = 0; i < out.length; i++) {
                    out[i] = (short) (int) values[i];
                }
                yield Plane16.of(width, height, out);
            }
            case PlaneF p -> PlaneF.of(width, height, values);
        };
    }

    /** The stored value that belongs at (x, y) of the upright picture. */
    private static float from(Plane p, int orientation, int x, int y) {
        int right = p.width() - 1;
        int bottom = p.height() - 1;
        return switch (orientation) {
            case 2 -> p.at(right - x, y);
            case 3 -> p.at(right - x, bottom - y);
            case 4 -> p.at(x, bottom - y);
            case 5 -> p.at(y, x);
            case 6 -> p.at(y, bottom - x);
            case 7 -> p.at(right - y, bottom - x);
            case 8 -> p.at(right - y, x);
            default -> p.at(x, y);
        };
    }
}
