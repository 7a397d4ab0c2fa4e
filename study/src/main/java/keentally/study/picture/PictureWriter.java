package keentally.study.picture;

import java.awt.Point;
import java.awt.Transparency;
import java.awt.color.ColorSpace;
import java.awt.image.BufferedImage;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferByte;
import java.awt.image.DataBufferFloat;
import java.awt.image.DataBufferInt;
import java.awt.image.DataBufferUShort;
import java.awt.image.PixelInterleavedSampleModel;
import java.awt.image.Raster;
import java.awt.image.SampleModel;
import java.awt.image.WritableRaster;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.Iterator;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import javax.imageio.stream.MemoryCacheImageOutputStream;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;

/** Writes pictures and maps, at their depth and always with the same bytes. */
public final class PictureWriter {
    private static final int RGB_BANDS = 3;

    /** Packs less tightly for half the time; nothing is lost either way. */
    private static final float FAST = 0.75f;

    /** Of JPEG: nothing is seen of what is lost. */
    private static final float FINE = 0.9f;

    private PictureWriter() {}

    /** A grey plane of 8 or 16 bits as PNG. */
    public static WholeFile.Writer png(Plane plane) {
        return out -> encode(out, "png", grey(plane));
    }

    /** A grey plane of 8 or 16 bits as PNG. */
    public static void png(Path file, Plane plane) throws FileFault {
        WholeFile.write(file, png(plane));
    }

    /** Colours 0xRRGGBB, row by row, as PNG. */
    public static WholeFile.Writer png(int width, int height, int[] colours) {
        return out -> encode(out, "png", image(width, height, colours));
    }

    /** A drawing as PNG. */
    public static WholeFile.Writer png(BufferedImage drawing) {
        return out -> encode(out, "png", drawing);
    }

    /** Colours 0xRRGGBB, row by row, as PNG. */
    public static void png(Path file, int width, int height, int[] colours) throws FileFault {
        WholeFile.write(file, png(width, height, colours));
    }

    /** Colours 0xRRGGBB, row by row, as the bytes of a PNG. */
    public static byte[] pngBytes(int width, int height, int[] colours) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            encode(out, "png", image(width, height, colours));
        } catch (IOException e) {
            throw new UncheckedIOException("memory can be written to", e);
        }
        return out.toByteArray();
    }

    /** Colours 0xRRGGBB, row by row, as JPEG of high quality: for pages, never for measuring. */
    public static byte[] jpegBytes(int width, int height, int[] colours) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            encode(out, "jpeg", image(width, height, colours));
        } catch (IOException e) {
            throw new UncheckedIOException("memory can be written to", e);
        }
        return out.toByteArray();
    }

    private static BufferedImage image(int width, int height, int[] colours) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, width, height, colours, 0, width);
        return image;
    }

    /** A picture as TIFF: one channel, or red, green and blue, at its depth. */
    public static WholeFile.Writer tiff(Picture picture) {
        return out -> encode(
                out,
                "tiff",
                picture.isColour()
                        ? colour(picture)
                        : grey(picture.channels().getFirst().plane()));
    }

    /** A picture as TIFF: one channel, or red, green and blue, at its depth. */
    public static void tiff(Path file, Picture picture) throws FileFault {
        WholeFile.write(file, tiff(picture));
    }

    /** Whole numbers as 32-bit TIFF. */
    public static WholeFile.Writer tiff(int width, int height, int[] values) {
        DataBufferInt buffer = new DataBufferInt(values, values.length);
        return out -> encode(out, "tiff", grey(width, height, buffer, DataBuffer.TYPE_INT));
    }

    /** Whole numbers as 32-bit TIFF. */
    public static void tiff(Path file, int width, int height, int[] values) throws FileFault {
        WholeFile.write(file, tiff(width, height, values));
    }

    private static BufferedImage grey(Plane plane) {
        return switch (plane) {
            case Plane8 p ->
                grey(p.width(), p.height(), new DataBufferByte(p.values(), p.values().length), DataBuffer.TYPE_BYTE);
            case Plane16 p ->
                grey(
                        p.width(),
                        p.height(),
                        new DataBufferUShort(p.values(), p.values().length),
                        DataBuffer.TYPE_USHORT);
            case PlaneF p ->
                grey(p.width(), p.height(), new DataBufferFloat(p.values(), p.values().length), DataBuffer.TYPE_FLOAT);
        };
    }

    private static BufferedImage grey(int width, int height, DataBuffer buffer, int type) {
        SampleModel model = new PixelInterleavedSampleModel(type, width, height, 1, width, new int[] {0});
        return image(Raster.createWritableRaster(model, buffer, new Point()), ColorSpace.CS_GRAY, type);
    }

    private static BufferedImage colour(Picture picture) {
        int width = picture.width();
        int height = picture.height();
        int type = switch (picture.depth()) {
            case BITS_8 -> DataBuffer.TYPE_BYTE;
            case BITS_16 -> DataBuffer.TYPE_USHORT;
            case FLOAT -> DataBuffer.TYPE_FLOAT;
        };
        SampleModel model =
                new PixelInterleavedSampleModel(type, width, height, RGB_BANDS, RGB_BANDS * width, new int[] {0, 1, 2});
        WritableRaster raster = Raster.createWritableRaster(model, new Point());
        float[] row = new float[width];
        for (int b = 0; b < RGB_BANDS; b++) {
            for (int y = 0; y < height; y++) {
                picture.channels().get(b).plane().readRow(y, 0, width, row, 0);
                raster.setSamples(0, y, width, 1, b, row);
            }
        }
        return image(raster, ColorSpace.CS_sRGB, type);
    }

    private static BufferedImage image(WritableRaster raster, int space, int type) {
        ComponentColorModel colours =
                new ComponentColorModel(ColorSpace.getInstance(space), false, false, Transparency.OPAQUE, type);
        return new BufferedImage(colours, raster, false, null);
    }

    private static void encode(OutputStream out, String format, BufferedImage image) throws IOException {
        ImageWriter writer = writer(format);
        try (ImageOutputStream stream = new MemoryCacheImageOutputStream(out)) {
            writer.setOutput(stream);
            ImageWriteParam param = writer.getDefaultWriteParam();
            param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            if (format.equals("tiff")) {
                param.setCompressionType("Deflate");
            }
            param.setCompressionQuality(format.equals("jpeg") ? FINE : FAST);
            writer.write(null, new IIOImage(image, null, null), param);
        } finally {
            writer.dispose();
        }
    }

    private static ImageWriter writer(String format) {
        Iterator<ImageWriter> writers = ImageIO.getImageWritersByFormatName(format);
        while (writers.hasNext()) {
            ImageWriter writer = writers.next();
            if (writer.getClass().getName().startsWith("com.sun.imageio")) {
                return writer;
            }
        }
        throw new IllegalStateException("this Java has no writer for " + format);
    }
}
