package keentally.study.picture;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Locale;

/** What to say of files that are no picture this program reads: what they seem to be, and what to turn them into. */
final class UnreadableKind {
    private static final String KINDS = "PNG, JPEG, TIFF, BMP, GIF, WebP or PNM";

    private UnreadableKind() {}

    /** @param head the first bytes of the file, as many as there are up to 256 */
    static String sentence(Path file, byte[] head) {
        String text = new String(head, StandardCharsets.ISO_8859_1);
        String name =
                file.getFileName() == null ? "" : file.getFileName().toString().toLowerCase(Locale.ROOT);
        if (head.length == 0) {
            return file + " is empty.";
        }
        if (at(text, 4, "ftyp")) {
            return file + " is a film: save the pictures in it as PNG or TIFF.";
        }
        if (at(text, 4, "jP  ") || at(text, 0, "\u00ff\u004f\u00ff\u0051")) {
            return file + " is a JPEG 2000 picture, which is not read here: convert it to TIFF.";
        }
        if (at(text, 0, "%PDF")) {
            return file + " is a PDF document: save the picture in it as PNG or TIFF.";
        }
        if (at(text, 128, "DICM")) {
            return file + " is a DICOM file: export the picture in it as TIFF at its full depth.";
        }
        if (at(text, 0, "PK\u0003\u0004")) {
            return file + " is a packed folder: unpack it and add the pictures in it.";
        }
        if (text.stripLeading().startsWith("<")) {
            return file + " is text (XML or a drawing in it) and holds no pixels: save it as PNG.";
        }
        if (name.endsWith(".tally")) {
            return file + " is a study, not a picture: open it by Study, Open a study.";
        }
        return file + " is no picture that can be read: convert it to " + KINDS
                + ". If it is a microscope's or a camera's own kind of file, export it with that maker's program as TIFF,"
                + " at its full depth and with its pixel size.";
    }

    /** For a camera's own kind of file that looks like TIFF. */
    static String raw(Path file) {
        return file + " is a camera's raw file, in which only a small preview could be read: develop it and save it as"
                + " 16-bit TIFF.";
    }

    private static boolean at(String text, int place, String word) {
        return text.startsWith(word, place);
    }
}
