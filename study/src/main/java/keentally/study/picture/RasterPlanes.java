package keentally.study.picture;

import java.awt.image.BufferedImage;
import java.awt.image.DataBuffer;
import java.awt.image.IndexColorModel;
import java.awt.image.Raster;
import java.util.ArrayList;
import java.util.List;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;

/** Decoded pictures as planes: stored values as they are, palettes spread out, transparency laid on white. */
final class RasterPlanes {
    private RasterPlanes() {}

    static Picture picture(BufferedImage image) {
        if (image.getColorModel() instanceof IndexColorModel) {
            return fromColours(image);
        }
        Raster raster = image.getRaster();
        int bands = raster.getNumBands();
        boolean alpha = image.getColorModel().hasAlpha();
        int colours = alpha ? bands - 1 : bands;
        List<Plane> planes = new ArrayList<>();
        for (int b = 0; b < colours; b++) {
            planes.add(plane(raster, b, alpha ? bands - 1 : -1));
        }
        return switch (planes.size()) {
            case 1 -> Picture.grey(planes.getFirst());
            case 3 -> Picture.colour(planes.get(0), planes.get(1), planes.get(2));
            default -> fromColours(image);
        };
    }

    private static Plane plane(Raster raster, int band, int alphaBand) {
        int width = raster.getWidth();
        int height = raster.getHeight();
        int type = raster.getSampleModel().getDataType();
        float[] row = new float[width];
        float[] alpha = alphaBand < 0 ? null : new float[width];
        return switch (type) {
            case DataBuffer.TYPE_BYTE -> {
                byte[] values = new byte[width * height];
                for (int y = 0; y < height; y++) {
                    read(raster, y, band, alphaBand, row, alpha, 255);
                    for (int x = 0; x < width; x++) {
                        values[y * width + x] = (byte) Math.round(row[x]);
                    }
                }
                yield Plane8.of(width, height, values);
            }
            case DataBuffer.TYPE_USHORT -> {
                short[] values = new short[width * height];
                for (int y = 0; y < height; y++) {
                    read(raster, y, band, alphaBand, row, alpha, 65535);
                    for (int x = 0; x < width; x++) {
                        values[y * width + x] = (short) Math.round(row[x]);
                    }
                }
                yield Plane16.of(width, height, values);
            }
            default -> {
                float[] values = new float[width * height];
                for (int y = 0; y < height; y++) {
                    read(raster, y, band, alphaBand, row, alpha, 1);
                    System.arraycopy(row, 0, values, y * width, width);
                }
                yield PlaneF.of(width, height, values);
            }
        };
    }

    private static void read(Raster raster, int y, int band, int alphaBand, float[] row, float[] alpha, float white) {
        int left = raster.getMinX();
        int top = raster.getMinY();
        raster.getSamples(left, top + y, row.length, 1, band, row);
        if (alpha != null) {
            raster.getSamples(left, top + y, row.length, 1, alphaBand, alpha);
            for (int x = 0; x < row.length; x++) {
                row[x] = white + (row[x] - white) * alpha[x] / white;
            }
        }
    }

    /** By way of 8-bit red, green and blue; grey where the three agree everywhere. */
    private static Picture fromColours(BufferedImage image) {
        int width = image.getWidth();
        int height = image.getHeight();
        byte[] red = new byte[width * height];
        byte[] green = new byte[width * height];
        byte[] blue = new byte[width * height];
        int[] row = new int[width];
        boolean grey = true;
        for (int y = 0; y < height; y++) {
            image.getRGB(0, y, width, 1, row, 0, width);
            for (int x = 0; x < width; x++) {
                int i = y * width + x;
                red[i] = onWhite(row[x] >> 16, row[x] >>> 24);
                green[i] = onWhite(row[x] >> 8, row[x] >>> 24);
                blue[i] = onWhite(row[x], row[x] >>> 24);
                grey &= red[i] == green[i] && green[i] == blue[i];
            }
        }
        Plane first = Plane8.of(width, height, red);
        return grey
                ? Picture.grey(first)
                : Picture.colour(first, Plane8.of(width, height, green), Plane8.of(width, height, blue));
    }

    private static byte onWhite(int value, int alpha) {
        return (byte) Math.round(255 + ((value & 0xff) - 255) * (alpha / 255f));
    }
}
