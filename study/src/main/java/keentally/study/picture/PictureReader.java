package keentally.study.picture;

import java.awt.Point;
import java.awt.Rectangle;
import java.awt.image.BufferedImage;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.function.Function;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.metadata.IIOMetadataFormatImpl;
import javax.imageio.stream.FileImageInputStream;
import javax.imageio.stream.ImageInputStream;
import keentally.core.picture.Picture;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.CancelledException;
import keentally.study.file.FileFault;
import keentally.study.file.Sha256;
import keentally.study.file.WholeFile;
import keentally.study.picture.FileFacts.StatedScale;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.w3c.dom.NodeList;

/** Reads pictures: PNG, JPEG, TIFF, BMP, GIF, WebP and PNM, and HEIC where the system can convert it; whole or not at all. */
public final class PictureReader {
    /** Room for the decoder's copy beside ours, as a share of all the memory there may be. */
    private static final double MOST_OF_MEMORY = 0.6;

    /** What a pixel takes until it is a picture: of one byte, and of more. */
    private static final int ROOM = 8;

    private static final int ROOM_OF_A_BYTE = 6;

    private static final int HEAD = 256;

    private static final String CUT_SHORT = " is cut short: its end is missing. Copy it again from where it came from.";

    /** So many bytes of pixels a file may unpack to for each of its own, but at least for a million of its own. */
    private static final int MOST_UNPACKED = 120;

    private static final int SMALL = 1 << 20;

    /** An even picture takes next to nothing; nobody takes one. */
    private static final int MOST_WEBP_PIXELS = 2_000;

    private static final int SMALL_WEBP = 4_000_000;

    /** Pixels from which on a TIFF is read by two. */
    private static final int LARGE = 4_000_000;

    private static final int LEAST_STRIPS = 8;

    /** The plug-in that unpacks only the strips that it is asked for. */
    private static final String STRIPPED = "com.sun.imageio";

    /** A block of 64 pixels takes a bit at least. */
    private static final int MOST_JPEG_PIXELS = 1024;

    private final Path file;
    private final FileKind kind;
    private final List<String> warnings = new CopyOnWriteArrayList<>();

    /** The whole file; absent for TIFF on disk, which is read piece by piece. */
    private final Optional<byte[]> bytes;

    /** What the decoder is given of it. */
    private final byte[] lean;

    /** Whether the decoder is given what a converter made of the file. */
    private final boolean converted;

    private PictureReader(Path file, FileKind kind, Optional<byte[]> bytes, byte[] lean, boolean converted) {
        this.file = file;
        this.kind = kind;
        this.bytes = bytes;
        this.lean = lean;
        this.converted = converted;
    }

    /** The first page of a file. */
    public static PictureFile read(Path file) throws FileFault {
        return read(file, 1);
    }

    /**
     * @param page from 1
     * @throws FileFault where the file is missing, no picture, damaged, cut short, or larger than can be held
     */
    public static PictureFile read(Path file, int page) throws FileFault {
        return of(file).page(page, Optional.empty());
    }

    /** As {@link #read(Path, int)}, of a file whose SHA-256 is known already. */
    public static PictureFile read(Path file, int page, String sha256) throws FileFault {
        return of(file).page(page, Optional.of(sha256));
    }

    /** A picture whose bytes are in memory; {@code name} is for messages. */
    public static PictureFile read(Path name, byte[] bytes, int page) throws FileFault {
        return of(name, bytes).page(page, Optional.empty());
    }

    /**
     * What a file holds, without decoding it.
     *
     * @param bytes its length
     * @param modified when it was last changed, in milliseconds since 1970
     * @param channelNames what the file calls its pages; empty where it does not
     */
    public record Survey(
            Path file,
            String sha256,
            long bytes,
            long modified,
            int width,
            int height,
            int pages,
            List<String> channelNames) {}

    /** @throws FileFault where it is clear already that the file cannot be read */
    public static Survey survey(Path file) throws FileFault {
        return of(file).survey();
    }

    /** How large the first page of a file says that it is. */
    public record Size(int width, int height) {}

    /** Without reading more than is needed for it. */
    public static Size size(Path file) throws FileFault {
        return of(file).with(reader -> new Size(reader.getWidth(0), reader.getHeight(0)));
    }

    private static PictureReader of(Path file) throws FileFault {
        byte[] head = head(file);
        if (HeifConverter.isOne(head)) {
            return of(file, WholeFile.read(file));
        }
        FileKind kind = FileKind.of(head).orElseThrow(() -> new FileFault(UnreadableKind.sentence(file, head)));
        if (!kind.isTiff()) {
            checkLength(file);
            return of(file, WholeFile.read(file));
        }
        if (head.length > 9 && head[8] == 'C' && head[9] == 'R') {
            throw new FileFault(UnreadableKind.raw(file));
        }
        return new PictureReader(file, kind, Optional.empty(), new byte[0], false);
    }

    private static PictureReader of(Path name, byte[] bytes) throws FileFault {
        if (HeifConverter.isOne(bytes)) {
            return new PictureReader(name, FileKind.PNG, Optional.of(bytes), HeifConverter.png(name, bytes), true);
        }
        FileKind kind = FileKind.of(bytes).orElseThrow(() -> new FileFault(UnreadableKind.sentence(name, bytes)));
        if (FileWalk.isCutShort(kind, bytes)) {
            throw new FileFault(name + CUT_SHORT);
        }
        byte[] lean = kind == FileKind.PNG ? FileWalk.withoutPackedText(bytes) : bytes;
        return new PictureReader(name, kind, Optional.of(bytes), lean, false);
    }

    /** A file that is read whole must fit into memory with its picture. */
    private static void checkLength(Path file) throws FileFault {
        try {
            if (Files.size(file)
                    > Math.min(Integer.MAX_VALUE - 8, Runtime.getRuntime().maxMemory() / 4)) {
                throw new FileFault(
                        file + " is larger than there is memory for; save it as TIFF, which is read piece by"
                                + " piece, or give the program more memory.");
            }
        } catch (IOException e) {
            throw new FileFault(file + " cannot be read: " + WholeFile.reason(e) + ".", e);
        }
    }

    private static byte[] head(Path file) throws FileFault {
        if (Files.isDirectory(file)) {
            throw new FileFault(file + " is a folder; a file was expected.");
        }
        if (!Files.exists(file)) {
            throw new FileFault(file + " does not exist.");
        }
        if (!Files.isRegularFile(file)) {
            throw new FileFault(file + " is a device or a pipe; a file was expected.");
        }
        try (InputStream in = Files.newInputStream(file)) {
            return in.readNBytes(HEAD);
        } catch (IOException e) {
            throw new FileFault(file + " cannot be read: " + WholeFile.reason(e) + ".", e);
        }
    }

    private ImageInputStream stream() throws IOException {
        return bytes.isPresent() ? new BoundedInput(lean) : new FileImageInputStream(file.toFile());
    }

    private String sha256() throws FileFault {
        return bytes.isPresent() ? Sha256.of(bytes.get()) : Sha256.of(file);
    }

    @FunctionalInterface
    private interface Reading<T> {
        T from(ImageReader reader) throws IOException, FileFault;
    }

    private <T> T with(Reading<T> reading) throws FileFault {
        ImageIO.setUseCache(false);
        ImageReader reader = reader(kind);
        try (ImageInputStream in = stream()) {
            if (kind.isTiff()) {
                TiffWalk.check(in, length());
            }
            reader.setInput(in, false, false);
            reader.addIIOReadWarningListener((source, warning) -> warnings.add(warning));
            T read = reading.from(reader);
            if (warnings.stream().anyMatch(PictureReader::isLoss)) {
                throw new FileFault(file + " is cut short or damaged, and cannot be read whole.");
            }
            return read;
        } catch (CancelledException e) {
            throw e;
        } catch (EOFException | IndexOutOfBoundsException | NegativeArraySizeException e) {
            throw new FileFault(file + " is cut short or damaged, and cannot be read whole.", e);
        } catch (IOException | RuntimeException | StackOverflowError e) {
            throw new FileFault(file + " cannot be read as a picture: " + reason(e) + ".", e);
        } catch (OutOfMemoryError e) {
            throw new FileFault(file + " needs more memory than this program may use.", e);
        } finally {
            reader.dispose();
        }
    }

    /** Decoders go on where data end or make no sense, and only warn. */
    private static boolean isLoss(String warning) {
        String w = warning.toLowerCase(Locale.ROOT);
        return w.contains("premature")
                || w.contains("truncat")
                || w.contains("corrupt")
                || w.contains("unexpected end")
                || w.contains("missing eoi")
                || w.contains("eof");
    }

    private long length() throws IOException {
        return converted ? lean.length : bytes.isPresent() ? bytes.get().length : Files.size(file);
    }

    private Survey survey() throws FileFault {
        String sha256 = sha256();
        return with(reader -> {
            int pages = reader.getNumImages(true);
            int width = reader.getWidth(0);
            int height = reader.getHeight(0);
            checkSize(width, height, 1);
            return new Survey(
                    file,
                    sha256,
                    Files.size(file),
                    Files.getLastModifiedTime(file).toMillis(),
                    width,
                    height,
                    pages,
                    ome(reader).channelNames());
        });
    }

    private PictureFile page(int page, Optional<String> knownSha256) throws FileFault {
        FutureTask<String> hash = new FutureTask<>(() -> knownSha256.isPresent() ? knownSha256.get() : sha256());
        if (knownSha256.isPresent()) {
            hash.run();
        } else {
            Thread.ofPlatform().daemon().name("hash").start(hash);
        }
        Function<String, PictureFile> read = with(reader -> {
            int pages = reader.getNumImages(true);
            if (page < 1 || page > pages) {
                throw new FileFault(file + " has " + pages + (pages == 1 ? " page" : " pages") + ", but page " + page
                        + " was asked for.");
            }
            int index = page - 1;
            checkSize(reader.getWidth(index), reader.getHeight(index), bytesPerPixel(reader, index));
            IIOMetadata metadata = reader.getImageMetadata(index);
            Optional<TiffTags> tags = kind.isTiff() ? TiffTags.of(metadata) : Optional.empty();
            if (tags.map(TiffTags::isPreview).orElse(false) && pages == 1) {
                throw new FileFault(UnreadableKind.raw(file));
            }
            boolean other = kind == FileKind.TIFF_LITTLE || kind == FileKind.TIFF_BIG;
            boolean byOther = other && tags.map(TiffTags::needsOtherReader).orElse(false);
            BufferedImage image = byOther
                    ? readByOther(index)
                    : isForTwo(reader, index) ? readByTwo(reader, index) : reader.read(index);
            boolean inverted =
                    other && !byOther && tags.map(TiffTags::isWhiteZero).orElse(false);
            RasterPlanes.DecodedPicture decoded = RasterPlanes.of(image, inverted);
            Marks marks = facts(reader, metadata, tags);
            return sha256 -> file(decoded, sha256, page, pages, marks);
        });
        return read.apply(done(hash));
    }

    /** What was worked out while the picture was read. */
    private static <T> T done(FutureTask<T> task) throws FileFault {
        try {
            return task.get();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof FileFault fault) {
                throw fault;
            }
            throw new IllegalStateException(e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancelledException();
        }
    }

    /** Strips of a TIFF are packed each by itself, and unpacking is what takes the time. */
    private boolean isForTwo(ImageReader reader, int index) throws IOException {
        int height = reader.getHeight(index);
        return kind.isTiff()
                && kind.plugin().equals(STRIPPED)
                && (long) reader.getWidth(index) * height >= LARGE
                && reader.getTileHeight(index) <= height / LEAST_STRIPS;
    }

    /** The upper half of the rows here, the lower one by another decoder meanwhile. */
    private BufferedImage readByTwo(ImageReader reader, int index) throws IOException, FileFault {
        int height = reader.getHeight(index);
        int strip = reader.getTileHeight(index);
        int middle = height / 2 / strip * strip;
        BufferedImage image = reader.getImageTypes(index).next().createBufferedImage(reader.getWidth(index), height);
        FutureTask<Boolean> lower =
                new FutureTask<>(() -> with(other -> readRows(other, index, image, middle, height)));
        Thread.ofPlatform().daemon().name("rows").start(lower);
        readRows(reader, index, image, 0, middle);
        done(lower);
        return image;
    }

    private static boolean readRows(ImageReader reader, int index, BufferedImage into, int top, int bottom)
            throws IOException {
        ImageReadParam rows = reader.getDefaultReadParam();
        rows.setSourceRegion(new Rectangle(0, top, into.getWidth(), bottom - top));
        rows.setDestination(into);
        rows.setDestinationOffset(new Point(0, top));
        reader.read(index, rows);
        return true;
    }

    private BufferedImage readByOther(int index) throws IOException {
        ImageReader reader = reader(FileKind.LONG_TIFF_LITTLE);
        try (ImageInputStream in = stream()) {
            reader.setInput(in, false, false);
            return reader.read(index);
        } finally {
            reader.dispose();
        }
    }

    /** What stands in the file beside the values. */
    private record Marks(
            Optional<StatedScale> stated, List<String> channelNames, int orientation, OptionalInt quality) {}

    private Marks facts(ImageReader reader, IIOMetadata metadata, Optional<TiffTags> tags) throws IOException {
        if (kind == FileKind.JPEG) {
            JpegMarks marks = JpegMarks.of(bytes.orElseThrow());
            return new Marks(pixelSize(metadata), List.of(), marks.orientation(), marks.quality());
        }
        if (tags.isPresent()) {
            OmeXml ome = ome(reader);
            return new Marks(
                    ome.stated().or(() -> tags.get().resolution()),
                    ome.channelNames(),
                    tags.get().orientation(),
                    OptionalInt.empty());
        }
        return new Marks(pixelSize(metadata), List.of(), Orientation.UPRIGHT, OptionalInt.empty());
    }

    private PictureFile file(RasterPlanes.DecodedPicture decoded, String sha256, int page, int pages, Marks marks) {
        List<String> remarks = new ArrayList<>(decoded.remarks());
        Picture picture = Orientation.upright(decoded.picture(), marks.orientation);
        if (Orientation.isTurned(marks.orientation)) {
            remarks.add("Turned upright, as the camera noted it (orientation " + marks.orientation + ").");
        }
        if (converted) {
            remarks.add(
                    "Converted by the system's converter for phones' pictures; such a picture has lost fine detail.");
        }
        FileFacts facts = new FileFacts(
                converted ? "HEIC" : kind.title(), marks.stated, marks.channelNames, marks.quality, remarks);
        return new PictureFile(file, sha256, page, pages, picture, facts);
    }

    /** The description stands on the first page, whatever page is read. */
    private OmeXml ome(ImageReader reader) throws IOException {
        return kind.isTiff()
                ? TiffTags.of(reader.getImageMetadata(0))
                        .map(t -> OmeXml.of(t.description()))
                        .orElse(OmeXml.NONE)
                : OmeXml.NONE;
    }

    /** What decoders say of what they did not foresee is for nobody's eyes. */
    private static String reason(Throwable e) {
        return e instanceof IOException io && io.getMessage() != null
                ? WholeFile.reason(io)
                : "its contents make no sense";
    }

    /** As they are unpacked; where the decoder does not say, as for colours of 8 bits. */
    private static int bytesPerPixel(ImageReader reader, int index) throws IOException {
        ImageTypeSpecifier type = reader.getRawImageType(index);
        return type == null ? 3 : Math.max(1, type.getNumBands() * type.getBitsPerBand(0) / 8);
    }

    private void checkSize(int width, int height, int bytesPerPixel) throws FileFault {
        long pixels = (long) width * height;
        int room = bytesPerPixel > 1 ? ROOM : ROOM_OF_A_BYTE;
        long most = (long) (Runtime.getRuntime().maxMemory() * MOST_OF_MEMORY / room);
        if (width < 1 || height < 1) {
            throw new FileFault(file + " says that it is " + width + " × " + height + " pixels, which is no picture.");
        }
        long length;
        try {
            length = length();
        } catch (IOException e) {
            throw new FileFault(file + " cannot be read: " + WholeFile.reason(e) + ".", e);
        }
        boolean unheardOf = pixels * bytesPerPixel > MOST_UNPACKED * Math.max(SMALL, length)
                || kind == FileKind.JPEG && pixels > MOST_JPEG_PIXELS * length
                || kind == FileKind.WEBP
                        && (pixels > MOST_WEBP_PIXELS * length + SMALL_WEBP
                                || pixels * 6 > MOST_UNPACKED * Math.max(SMALL, length));
        if (unheardOf && pixels > 0) {
            throw new FileFault(
                    file + " says that it is " + width + " × " + height + " pixels, but with its " + length
                            + " bytes it cannot hold a picture of that size. If it is sound, save it again as uncompressed TIFF.");
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
    private static Optional<StatedScale> pixelSize(IIOMetadata metadata) {
        if (metadata == null || !metadata.isStandardMetadataFormatSupported()) {
            return Optional.empty();
        }
        Node root = metadata.getAsTree(IIOMetadataFormatImpl.standardMetadataFormatName);
        double across = millimetres(root, "HorizontalPixelSize");
        double down = millimetres(root, "VerticalPixelSize");
        boolean square = Math.abs(across - down) <= 1e-6 * across;
        return across > 0 && square && Double.isFinite(across)
                ? Optional.of(new StatedScale(new Scale(across * 1000, LengthUnit.UM), "its print resolution"))
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
