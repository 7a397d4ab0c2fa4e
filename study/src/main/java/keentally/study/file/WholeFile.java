package keentally.study.file;

import java.io.EOFException;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.DirectoryNotEmptyException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.UUID;

/** Files read and written whole: written beside, then moved into place, so that nobody ever sees half of one. */
public final class WholeFile {
    private WholeFile() {}

    /** @param most bytes that such a file may have */
    static byte[] read(Path file, long most) throws FileFault {
        try {
            if (Files.isRegularFile(file) && Files.size(file) > most) {
                throw new FileFault(file + " has more than " + (most >> 20) + " megabytes, which no such file has.");
            }
        } catch (IOException e) {
            throw new FileFault(file + " cannot be read: " + reason(e) + ".", e);
        }
        return read(file);
    }

    public static byte[] read(Path file) throws FileFault {
        try {
            if (Files.isDirectory(file)) {
                throw new FileFault(file + " is a folder; a file was expected.");
            }
            if (Files.exists(file) && !Files.isRegularFile(file)) {
                throw new FileFault(file + " is a device or a pipe; a file was expected.");
            }
            return Files.readAllBytes(file);
        } catch (NoSuchFileException e) {
            throw new FileFault(file + " does not exist.", e);
        } catch (IOException e) {
            throw new FileFault(file + " cannot be read: " + reason(e) + ".", e);
        }
    }

    public static void write(Path file, String text) throws FileFault {
        write(file, out -> out.write(text.getBytes(StandardCharsets.UTF_8)));
    }

    /** Replaces {@code file} by what {@code writer} writes, or leaves it as it was. */
    public static void write(Path file, Writer writer) throws FileFault {
        Path folder = file.toAbsolutePath().getParent();
        Path part = null;
        try {
            part = folder.resolve("." + UUID.randomUUID() + ".keen-tally-part");
            try (OutputStream out =
                    Files.newOutputStream(part, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE)) {
                writer.write(out);
            }
            moveOver(part, file);
        } catch (IOException e) {
            throw new FileFault(file + " cannot be written: " + reason(e) + "; choose another place or make room.", e);
        } finally {
            deleteQuietly(part);
        }
    }

    private static void moveOver(Path part, Path file) throws IOException {
        try {
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException e) {
            Files.move(part, file, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    private static void deleteQuietly(Path part) {
        try {
            if (part != null) {
                Files.deleteIfExists(part);
            }
        } catch (IOException e) {
            // the part was moved, or the folder is gone; nothing of the person's is lost either way
        }
    }

    /** The system's word for what went wrong, without the path that the sentence names already. */
    public static String reason(IOException e) {
        return switch (e) {
            case NoSuchFileException n -> "the folder does not exist";
            case AccessDeniedException a -> "access is denied";
            case FileAlreadyExistsException f -> "a file of that name is in the way";
            case DirectoryNotEmptyException d -> "a folder that is not empty is in the way";
            case CharacterCodingException c -> "it holds text in another encoding than UTF-8";
            case EOFException f -> "it ends too early";
            case FileSystemException f when f.getReason() != null -> f.getReason();
            case FileSystemException f -> "the system refused it";
            default -> e.getMessage() == null ? "the system refused it" : withoutEnd(e.getMessage());
        };
    }

    /** For the middle of a sentence. */
    private static String withoutEnd(String message) {
        return message.replaceFirst("[.!\\s]+$", "");
    }

    /** What fills the new file. */
    @FunctionalInterface
    public interface Writer {
        void write(OutputStream out) throws IOException;
    }
}
