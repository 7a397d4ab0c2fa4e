package keentally.study.picture;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
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
import keentally.core.work.Work;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;

/** Writes pictures and maps, at their depth and always with the same bytes. */
public final class PictureWriter {
    /** Of JPEG: nothing is seen of what is lost. */
    private static final float FINE = 0.9f;

    private PictureWriter() {}

    /** A grey plane of 8 or 16 bits as PNG. */
    public static WholeFile.Writer png(Plane plane, Work work) {
        if (!plane.depth().isWhole()) {
            throw new IllegalArgumentException("a PNG holds whole numbers of 8 or 16 bits");
        }
        return out -> PngFile.write(PixelRows.of(plane), out, work);
    }

    /** A grey plane of 8 or 16 bits as PNG. */
    public static void png(Path file, Plane plane) throws FileFault {
        WholeFile.write(file, png(plane, Work.alone()));
    }

    /** Colours 0xRRGGBB, row by row, as PNG. */
    public static WholeFile.Writer png(int width, int height, int[] colours) {
        return out -> PngFile.write(PixelRows.ofColours(width, height, colours), out, Work.alone());
    }

    /** A drawing as PNG. */
    public static WholeFile.Writer png(BufferedImage drawing, Work work) {
        int width = drawing.getWidth();
        int height = drawing.getHeight();
        int[] colours = drawing.getType() == BufferedImage.TYPE_INT_RGB
                        && drawing.getRaster().getDataBuffer() instanceof DataBufferInt whole
                ? whole.getData()
                : drawing.getRGB(0, 0, width, height, null, 0, width);
        return out -> PngFile.write(PixelRows.ofColours(width, height, colours), out, work);
    }

    /** Colours 0xRRGGBB, row by row, as PNG. */
    public static void png(Path file, int width, int height, int[] colours) throws FileFault {
        WholeFile.write(file, png(width, height, colours));
    }

    /** Colours 0xRRGGBB, row by row, as the bytes of a PNG. */
    public static byte[] pngBytes(int width, int height, int[] colours) {
        return bytes(png(width, height, colours));
    }

    /** Colours 0xRRGGBB, row by row, as JPEG of high quality: for pages, never for measuring. */
    public static byte[] jpegBytes(int width, int height, int[] colours) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        image.getRaster().setDataElements(0, 0, width, height, colours);
        return bytes(out -> jpeg(out, image));
    }

    private static byte[] bytes(WholeFile.Writer writer) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            writer.write(out);
        } catch (IOException e) {
            throw new UncheckedIOException("memory can be written to", e);
        }
        return out.toByteArray();
    }

    /** A picture as TIFF: one channel, or red, green and blue, at its depth. */
    public static WholeFile.Writer tiff(Picture picture, Work work) {
        return out -> TiffFile.write(PixelRows.of(picture), out, work);
    }

    /** A picture as TIFF: one channel, or red, green and blue, at its depth. */
    public static void tiff(Path file, Picture picture) throws FileFault {
        WholeFile.write(file, tiff(picture, Work.alone()));
    }

    /** Whole numbers as 32-bit TIFF. */
    public static WholeFile.Writer tiff(int width, int height, int[] values, Work work) {
        return out -> TiffFile.write(PixelRows.ofNumbers(width, height, values), out, work);
    }

    /** Whole numbers as 32-bit TIFF. */
    public static void tiff(Path file, int width, int height, int[] values) throws FileFault {
        WholeFile.write(file, tiff(width, height, values, Work.alone()));
    }

    private static void jpeg(OutputStream out, BufferedImage image) throws IOException {
        ImageWriter writer = jpegWriter();
        try (ImageOutputStream stream = new MemoryCacheImageOutputStream(out)) {
            writer.setOutput(stream);
            ImageWriteParam param = writer.getDefaultWriteParam();
            param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            param.setCompressionQuality(FINE);
            writer.write(null, new IIOImage(image, null, null), param);
        } finally {
            writer.dispose();
        }
    }

    private static ImageWriter jpegWriter() {
        Iterator<ImageWriter> writers = ImageIO.getImageWritersByFormatName("jpeg");
        while (writers.hasNext()) {
            ImageWriter writer = writers.next();
            if (writer.getClass().getName().startsWith("com.sun.imageio")) {
                return writer;
            }
        }
        throw new IllegalStateException("this Java has no writer for JPEG");
    }
}
