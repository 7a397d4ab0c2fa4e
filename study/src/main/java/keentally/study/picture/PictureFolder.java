package keentally.study.picture;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;

/** The pictures in a folder, told by the endings of their names. */
public final class PictureFolder {
    private static final Set<String> ENDINGS = Set.of(
            "png", "jpg", "jpeg", "tif", "tiff", "bmp", "gif", "webp", "heic", "heif", "avif", "pnm", "pbm", "pgm",
            "ppm");

    private PictureFolder() {}

    /**
     * By name; hidden files and those in folders below are left out.
     *
     * @throws FileFault where the folder cannot be listed
     */
    public static List<Path> list(Path folder) throws FileFault {
        try (Stream<Path> all = Files.list(folder)) {
            return all.filter(PictureFolder::isOne)
                    .filter(Files::isRegularFile)
                    .sorted()
                    .toList();
        } catch (IOException e) {
            throw new FileFault(folder + " cannot be listed: " + WholeFile.reason(e) + ".", e);
        }
    }

    private static boolean isOne(Path file) {
        String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
        return !name.startsWith(".") && ENDINGS.contains(name.substring(name.lastIndexOf('.') + 1));
    }
}
