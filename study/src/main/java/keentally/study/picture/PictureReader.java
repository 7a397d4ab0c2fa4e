package keentally.study.picture;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Iterator;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.metadata.IIOMetadataFormatImpl;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.MemoryCacheImageInputStream;
import keentally.core.picture.Picture;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.study.file.FileFault;
import keentally.study.file.Sha256;
import keentally.study.file.WholeFile;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.w3c.dom.NodeList;

/** Reads pictures: PNG, JPEG, TIFF, BMP, GIF, WebP and PNM, whole or not at all. */
public final class PictureReader {
    private static final String KINDS = "PNG, JPEG, TIFF, BMP, GIF, WebP or PNM";
    /** Room for the decoder's copy beside ours, as a share of all the memory there may be. */
    private static final double MOST_OF_MEMORY = 0.6;

    private PictureReader() {}

    /** The first page of a file. */
    public static PictureFile read(Path file) throws FileFault {
        return read(file, 1);
    }

    /**
     * @param page from 1
     * @throws FileFault where the file is missing, no picture, damaged, cut short, or larger than can be held
     */
    public static PictureFile read(Path file, int page) throws FileFault {
        byte[] bytes = WholeFile.read(file);
        FileKind kind = FileKind.of(bytes)
                .orElseThrow(
                        () -> new FileFault(file + " is no picture that can be read: convert it to " + KINDS + "."));
        if (Completeness.isCutShort(kind, bytes)) {
            throw new FileFault(file + " is cut short: its end is missing. Copy it again from where it came from.");
        }
        ImageIO.setUseCache(false);
        ImageReader reader = reader(kind);
        try (ImageInputStream in = new MemoryCacheImageInputStream(new ByteArrayInputStream(bytes))) {
            reader.setInput(in, false, false);
            int pages = reader.getNumImages(true);
            if (page < 1 || page > pages) {
                throw new FileFault(file + " has " + pages + (pages == 1 ? " page" : " pages") + ", but page " + page
                        + " was asked for.");
            }
            checkSize(file, reader.getWidth(page - 1), reader.getHeight(page - 1));
            BufferedImage image = reader.read(page - 1);
            Picture picture = RasterPlanes.picture(image);
            return new PictureFile(
                    file, Sha256.of(bytes), page, pages, picture, pixelSize(reader.getImageMetadata(page - 1)));
        } catch (EOFException | IndexOutOfBoundsException e) {
            throw new FileFault(file + " is cut short or damaged, and cannot be read whole.", e);
        } catch (IOException | IllegalArgumentException | IllegalStateException | UnsupportedOperationException e) {
            throw new FileFault(file + " cannot be read as a picture: " + reason(e) + ".", e);
        } catch (OutOfMemoryError e) {
            throw new FileFault(file + " needs more memory than this program may use.", e);
        } finally {
            reader.dispose();
        }
    }

    private static String reason(Exception e) {
        return e instanceof IOException io
                ? WholeFile.reason(io)
                : Optional.ofNullable(e.getMessage()).orElse("its contents make no sense");
    }

    private static void checkSize(Path file, int width, int height) throws FileFault {
        long pixels = (long) width * height;
        long most = (long) (Runtime.getRuntime().maxMemory() * MOST_OF_MEMORY / 8);
        if (width < 1 || height < 1) {
            throw new FileFault(file + " says that it is " + width + " × " + height + " pixels, which is no picture.");
        }
        if (pixels > most || pixels > Integer.MAX_VALUE - 8) {
            throw new FileFault(file + " says that it is " + width + " × " + height + " pixels; that is more than the "
                    + most / 1_000_000
                    + " megapixels that there is memory for. Crop it, or give the program more memory.");
        }
    }

    private static ImageReader reader(FileKind kind) {
        Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName(kind.format());
        while (readers.hasNext()) {
            ImageReader reader = readers.next();
            if (reader.getClass().getName().startsWith(kind.plugin())) {
                return reader;
            }
        }
        throw new IllegalStateException("no plug-in " + kind.plugin() + " for " + kind.format());
    }

    /** From the standard form of metadata, which tells pixel sizes in millimetres; square pixels only. */
    private static Optional<Scale> pixelSize(IIOMetadata metadata) {
        if (metadata == null || !metadata.isStandardMetadataFormatSupported()) {
            return Optional.empty();
        }
        Node root = metadata.getAsTree(IIOMetadataFormatImpl.standardMetadataFormatName);
        double across = millimetres(root, "HorizontalPixelSize");
        double down = millimetres(root, "VerticalPixelSize");
        boolean square = Math.abs(across - down) <= 1e-6 * across;
        return across > 0 && square && Double.isFinite(across)
                ? Optional.of(new Scale(across * 1000, LengthUnit.UM))
                : Optional.empty();
    }

    private static double millimetres(Node root, String name) {
        NodeList found = ((Element) root).getElementsByTagName(name);
        if (found.getLength() == 0) {
            return 0;
        }
        try {
            return Double.parseDouble(
                    found.item(0).getAttributes().getNamedItem("value").getNodeValue());
        } catch (NumberFormatException e) {
            return 0;
        }
    }
}
