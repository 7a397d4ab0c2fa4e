package keentally.study.picture;

import java.util.Arrays;
import java.util.Optional;

/** The kinds of picture file that can be read, told by their first bytes and never by their names. */
enum FileKind {
    PNG("png", "com.sun.imageio", 0x89, 'P', 'N', 'G'),
    JPEG("jpeg", "com.twelvemonkeys", 0xff, 0xd8, 0xff),
    TIFF_LITTLE("tiff", "com.sun.imageio", 'I', 'I', 42, 0),
    TIFF_BIG("tiff", "com.sun.imageio", 'M', 'M', 0, 42),
    GIF("gif", "com.sun.imageio", 'G', 'I', 'F', '8'),
    BMP("bmp", "com.twelvemonkeys", 'B', 'M'),
    WEBP("webp", "com.twelvemonkeys", 'R', 'I', 'F', 'F'),
    PNM_BITS("pnm", "com.twelvemonkeys", 'P', '4'),
    PNM_GREY("pnm", "com.twelvemonkeys", 'P', '5'),
    PNM_COLOUR("pnm", "com.twelvemonkeys", 'P', '6');

    static final int LONGEST_START = 4;

    private final String format;
    private final String plugin;
    private final int[] start;

    FileKind(String format, String plugin, int... start) {
        this.format = format;
        this.plugin = plugin;
        this.start = start;
    }

    /** The name that reading plug-ins know the format by. */
    String format() {
        return format;
    }

    /** The start of the package of the plug-in to be used, since several claim some formats. */
    String plugin() {
        return plugin;
    }

    static Optional<FileKind> of(byte[] file) {
        return Arrays.stream(values()).filter(k -> k.starts(file)).findFirst();
    }

    private boolean starts(byte[] file) {
        for (int i = 0; i < start.length; i++) {
            if (file.length <= i || (file[i] & 0xff) != start[i]) {
                return false;
            }
        }
        return true;
    }
}
