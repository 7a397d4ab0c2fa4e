package keentally.study.picture;

import java.util.Arrays;
import java.util.Optional;

/** The kinds of picture file that can be read, told by their first bytes and never by their names. */
enum FileKind {
    PNG("PNG", "png", "com.sun.imageio", 0x89, 'P', 'N', 'G'),
    JPEG("JPEG", "jpeg", "com.twelvemonkeys", 0xff, 0xd8, 0xff),
    TIFF_LITTLE("TIFF", "tiff", "com.sun.imageio", 'I', 'I', 42, 0),
    TIFF_BIG("TIFF", "tiff", "com.sun.imageio", 'M', 'M', 0, 42),
    LONG_TIFF_LITTLE("BigTIFF", "tiff", "com.twelvemonkeys", 'I', 'I', 43, 0),
    LONG_TIFF_BIG("BigTIFF", "tiff", "com.twelvemonkeys", 'M', 'M', 0, 43),
    GIF("GIF", "gif", "com.sun.imageio", 'G', 'I', 'F', '8'),
    BMP("BMP", "bmp", "com.twelvemonkeys", 'B', 'M'),
    WEBP("WebP", "webp", "com.twelvemonkeys", 'R', 'I', 'F', 'F'),
    PNM_BITS_TEXT("PNM", "pnm", "com.twelvemonkeys", 'P', '1'),
    PNM_GREY_TEXT("PNM", "pnm", "com.twelvemonkeys", 'P', '2'),
    PNM_COLOUR_TEXT("PNM", "pnm", "com.twelvemonkeys", 'P', '3'),
    PNM_BITS("PNM", "pnm", "com.twelvemonkeys", 'P', '4'),
    PNM_GREY("PNM", "pnm", "com.twelvemonkeys", 'P', '5'),
    PNM_COLOUR("PNM", "pnm", "com.twelvemonkeys", 'P', '6');

    static final int LONGEST_START = 4;

    private final String title;
    private final String format;
    private final String plugin;
    private final int[] start;

    FileKind(String title, String format, String plugin, int... start) {
        this.title = title;
        this.format = format;
        this.plugin = plugin;
        this.start = start;
    }

    /** For people. */
    String title() {
        return title;
    }

    /** The name that reading plug-ins know the format by. */
    String format() {
        return format;
    }

    /** The start of the package of the plug-in to be used, since several claim some formats. */
    String plugin() {
        return plugin;
    }

    boolean isTiff() {
        return format.equals("tiff");
    }

    /** @param head the first bytes of a file */
    static Optional<FileKind> of(byte[] head) {
        return Arrays.stream(values()).filter(k -> k.starts(head)).findFirst();
    }

    private boolean starts(byte[] head) {
        for (int i = 0; i < start.length; i++) {
            if (head.length <= i || (head[i] & 0xff) != start[i]) {
                return false;
            }
        }
        return true;
    }
}
