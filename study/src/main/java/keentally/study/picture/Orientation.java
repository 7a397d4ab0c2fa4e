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
        return switch (plane) {
            case Plane8 p -> {
                byte[] out = new byte[width * height];
                for (int i = 0; i < out.length; i++) {
                    out[i] = p.values()[from(p, orientation, i % width, i / width)];
                }
                yield Plane8.of(width, height, out);
            }
            case Plane16 p -> {
                short[] out = new short[width * height];
                for (int i = 0; i < out.length; i++) {
                    out[i] = p.values()[from(p, orientation, i % width, i / width)];
                }
                yield Plane16.of(width, height, out);
            }
            case PlaneF p -> {
                float[] out = new float[width * height];
                for (int i = 0; i < out.length; i++) {
                    out[i] = p.values()[from(p, orientation, i % width, i / width)];
                }
                yield PlaneF.of(width, height, out);
            }
        };
    }

    /** Where the value that belongs at (x, y) of the upright picture is stored. */
    private static int from(Plane p, int orientation, int x, int y) {
        int right = p.width() - 1;
        int bottom = p.height() - 1;
        return switch (orientation) {
            case 2 -> right - x + y * p.width();
            case 3 -> right - x + (bottom - y) * p.width();
            case 4 -> x + (bottom - y) * p.width();
            case 5 -> y + x * p.width();
            case 6 -> y + (bottom - x) * p.width();
            case 7 -> right - y + (bottom - x) * p.width();
            case 8 -> right - y + x * p.width();
            default -> x + y * p.width();
        };
    }
}
