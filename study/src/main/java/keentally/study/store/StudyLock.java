package keentally.study.store;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.study.Program;
import keentally.study.file.Sha256;

/**
 * Held by the one process that may write a study: on a file beside it, and on one that goes by the study's identity on this machine, so
 * that a second name of the file is no second way in. The system lets go of both when a process ends, however it ends, so a file left
 * behind locks nobody out.
 */
final class StudyLock implements AutoCloseable {
    private final List<HeldLock> held = new ArrayList<>();

    private StudyLock() {}

    private record HeldLock(Path file, FileChannel channel) {}

    /**
     * Empty where somebody else holds it.
     *
     * @param study its real path
     * @throws IOException where no file can be made beside the study
     */
    static Optional<StudyLock> take(Path study) throws IOException {
        StudyLock lock = new StudyLock();
        boolean free = lock.hold(study.resolveSibling("." + study.getFileName() + ".lock"))
                && (!Files.exists(study) || lock.holdIdentity(study));
        if (free) {
            return Optional.of(lock);
        }
        lock.close();
        return Optional.empty();
    }

    /** Holds the identity of a study too, which it has only once it is made; where nothing can be remembered, one lock must do. */
    boolean holdIdentity(Path study) throws IOException {
        Object key = identity(study);
        if (key == null) {
            return true;
        }
        try {
            Path folder = Files.createDirectories(Program.home().resolve("locks"));
            return hold(folder.resolve(Sha256.of(key.toString()).substring(0, 32) + ".lock"));
        } catch (IOException cannotRemember) {
            return true;
        }
    }

    /** Tells a file from any other, under whatever name; null where the system does not tell. */
    static Object identity(Path study) throws IOException {
        return Files.readAttributes(study, BasicFileAttributes.class).fileKey();
    }

    private boolean hold(Path file) throws IOException {
        FileChannel channel = FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        try {
            FileLock lock = channel.tryLock();
            if (lock != null) {
                held.add(new HeldLock(file, channel));
                return true;
            }
        } catch (OverlappingFileLockException e) {
            // held by this very process: somebody else as well
        }
        channel.close();
        return false;
    }

    @Override
    public void close() throws IOException {
        for (HeldLock each : held) {
            Files.deleteIfExists(each.file);
            each.channel.close();
        }
        held.clear();
    }
}
