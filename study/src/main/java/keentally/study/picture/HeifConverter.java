package keentally.study.picture;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;

/**
 * Pictures as phones take them (HEIC, AVIF), which no library of this program's reads: turned into PNG by {@code heif-convert}, the
 * converter that comes with the operating system, where that is installed. The first picture of a file is taken, upright.
 */
final class HeifConverter {
    private static final String PROGRAM = "heif-convert";
    private static final int SECONDS = 60;
    private static final List<String> BRANDS = List.of("hei", "hev", "mif", "msf", "avi");

    private HeifConverter() {}

    /** @param head the first bytes of a file */
    static boolean isOne(byte[] head) {
        return head.length >= 12 && ascii(head, 4, 8).equals("ftyp") && BRANDS.contains(ascii(head, 8, 11));
    }

    private static String ascii(byte[] head, int from, int to) {
        StringBuilder text = new StringBuilder();
        for (int i = from; i < to; i++) {
            text.append((char) (head[i] & 0xff));
        }
        return text.toString();
    }

    /** Where the converter lies; empty where it is not installed. @param path the folders of programs */
    static Optional<Path> program(String path) {
        return Arrays.stream(path.split(File.pathSeparator))
                .filter(folder -> !folder.isBlank())
                .map(folder -> Path.of(folder).resolve(PROGRAM))
                .filter(Files::isExecutable)
                .findFirst();
    }

    /**
     * A picture as PNG.
     *
     * @param name for messages
     * @throws FileFault in a sentence with a way out, where there is no converter or it cannot read the file
     */
    static byte[] png(Path name, byte[] bytes) throws FileFault {
        Path converter =
                program(System.getenv().getOrDefault("PATH", "")).orElseThrow(() -> new FileFault(missing(name)));
        try {
            Path folder = Files.createTempDirectory("keen-tally-heic");
            try {
                Path in = folder.resolve("in.heic");
                Files.write(in, bytes);
                convert(converter, in, folder.resolve("out.png"), name);
                return WholeFile.read(first(folder).orElseThrow(() -> new FileFault(unreadable(name))));
            } finally {
                empty(folder);
            }
        } catch (IOException e) {
            throw new FileFault(name + " cannot be converted: " + WholeFile.reason(e) + ".", e);
        }
    }

    private static void convert(Path converter, Path in, Path out, Path name) throws IOException, FileFault {
        Process process = new ProcessBuilder(converter.toString(), in.toString(), out.toString())
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        try {
            if (!process.waitFor(SECONDS, TimeUnit.SECONDS)) {
                throw new FileFault(name + " was not converted within " + SECONDS + " seconds.");
            }
            if (process.exitValue() != 0) {
                throw new FileFault(unreadable(name));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new FileFault(name + " was not converted: the program is closing.", e);
        } finally {
            process.destroyForcibly();
        }
    }

    /** Of several pictures in a file the first, by the converter's numbering. */
    private static Optional<Path> first(Path folder) throws IOException {
        try (Stream<Path> all = Files.list(folder)) {
            return all.filter(f -> f.toString().endsWith(".png")).min(Path::compareTo);
        }
    }

    private static void empty(Path folder) throws IOException {
        try (Stream<Path> all = Files.list(folder)) {
            for (Path file : all.toList()) {
                Files.delete(file);
            }
        }
        Files.delete(folder);
    }

    static String missing(Path name) {
        return name + " is a phone's picture (HEIC or AVIF), for which the converter " + PROGRAM
                + " is needed: on Debian, install libheif-examples and open the picture again. Else let the phone send it as JPEG:"
                + " on an iPhone, Settings, Camera, Formats, Most Compatible; on Android, Camera settings, turn off high"
                + " efficiency pictures.";
    }

    private static String unreadable(Path name) {
        return name
                + " is a phone's picture (HEIC or AVIF) that its converter cannot read: it may be damaged. Let the phone send"
                + " it as JPEG.";
    }
}
