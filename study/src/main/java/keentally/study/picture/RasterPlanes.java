package keentally.study.picture;

import java.awt.image.BufferedImage;
import java.awt.image.ColorModel;
import java.awt.image.ComponentSampleModel;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferByte;
import java.awt.image.DataBufferFloat;
import java.awt.image.DataBufferUShort;
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
    private static final String ON_WHITE = "Transparent pixels were laid on white.";
    private static final String TURNED_TO_RGB = "Its colours were turned into red, green and blue of 8 bits.";

    private RasterPlanes() {}

    /**
     * A picture with what was done to its values.
     *
     * @param remarks each a sentence; none where the values are as they were stored
     */
    record DecodedPicture(Picture picture, List<String> remarks) {}

    /** @param whiteIsZero whether grey values run from white to black in the file, and are to be turned round */
    static DecodedPicture of(BufferedImage image, boolean whiteIsZero) {
        DecodedPicture decoded = of(image);
        boolean turn = whiteIsZero
                && !(image.getColorModel() instanceof IndexColorModel)
                && decoded.picture().single().isPresent();
        if (!turn) {
            return decoded;
        }
        List<String> remarks = new ArrayList<>(decoded.remarks());
        remarks.add("The file stores white as 0; its values were turned round.");
        return new DecodedPicture(Picture.grey(turned(decoded.picture().single().get())), remarks);
    }

    private static Plane turned(Plane plane) {
        return switch (plane) {
            case Plane8 p -> {
                byte[] values = p.values().clone();
                for (int i = 0; i < values.length; i++) {
                    values[i] = (byte) ~values[i];
                }
                yield Plane8.of(p.width(), p.height(), values);
            }
            case Plane16 p -> {
                short[] values = p.values().clone();
                for (int i = 0; i < values.length; i++) {
                    values[i] = (short) ~values[i];
                }
                yield Plane16.of(p.width(), p.height(), values);
            }
            case PlaneF p -> p;
        };
    }

    static DecodedPicture of(BufferedImage image) {
        ColorModel colours = image.getColorModel();
        List<String> remarks = new ArrayList<>();
        if (colours instanceof IndexColorModel) {
            if (colours.hasAlpha()) {
                remarks.add(ON_WHITE);
            }
            return new DecodedPicture(fromColours(image), remarks);
        }
        Raster raster = image.getRaster();
        int bands = raster.getNumBands();
        boolean alpha = colours.hasAlpha();
        int channels = alpha ? bands - 1 : bands;
        if (channels != 1 && channels != 3) {
            remarks.add(TURNED_TO_RGB);
            return new DecodedPicture(fromColours(image), remarks);
        }
        if (alpha) {
            remarks.add(ON_WHITE);
            image.coerceData(false);
        }
        List<Plane> planes = new ArrayList<>();
        for (int b = 0; b < channels; b++) {
            planes.add(alpha ? slowly(raster, b, bands - 1) : quickly(raster, b));
        }
        Picture picture = channels == 1
                ? Picture.grey(planes.getFirst())
                : Picture.colour(planes.get(0), planes.get(1), planes.get(2));
        return new DecodedPicture(picture, remarks);
    }

    /** Straight from the storage where it is laid out as usual. */
    private static Plane quickly(Raster raster, int band) {
        boolean plain = raster.getSampleModel() instanceof ComponentSampleModel
                && raster.getSampleModelTranslateX() == 0
                && raster.getSampleModelTranslateY() == 0;
        if (!plain) {
            return slowly(raster, band, -1);
        }
        ComponentSampleModel model = (ComponentSampleModel) raster.getSampleModel();
        int bank = model.getBankIndices()[band];
        int width = raster.getWidth();
        int height = raster.getHeight();
        int step = model.getPixelStride();
        int row = model.getScanlineStride();
        int first = model.getBandOffsets()[band] + raster.getDataBuffer().getOffsets()[bank];
        boolean whole = step == 1 && row == width && first == 0;
        return switch (raster.getDataBuffer()) {
            case DataBufferByte b -> {
                byte[] from = b.getData(bank);
                yield Plane8.of(
                        width,
                        height,
                        whole && from.length == width * height
                                ? from
                                : picked(from, new byte[width * height], width, step, row, first));
            }
            case DataBufferUShort s -> {
                short[] from = s.getData(bank);
                yield Plane16.of(
                        width,
                        height,
                        whole && from.length == width * height
                                ? from
                                : picked(from, new short[width * height], width, step, row, first));
            }
            case DataBufferFloat f
            when whole && f.getData(bank).length == width * height -> PlaneF.of(width, height, f.getData(bank));
            default -> slowly(raster, band, -1);
        };
    }

    private static byte[] picked(byte[] from, byte[] into, int width, int step, int row, int first) {
        for (int i = 0, start = first; i < into.length; i += width, start += row) {
            for (int x = 0; x < width; x++) {
                into[i + x] = from[start + x * step];
            }
        }
        return into;
    }

    private static short[] picked(short[] from, short[] into, int width, int step, int row, int first) {
        for (int i = 0, start = first; i < into.length; i += width, start += row) {
            for (int x = 0; x < width; x++) {
                into[i + x] = from[start + x * step];
            }
        }
        return into;
    }

    /** By way of rows of numbers, whatever the layout; with a transparency laid on white where there is one. */
    private static Plane slowly(Raster raster, int band, int alphaBand) {
        int width = raster.getWidth();
        int height = raster.getHeight();
        float[] row = new float[width];
        float[] alpha = alphaBand < 0 ? null : new float[width];
        return switch (raster.getSampleModel().getDataType()) {
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
