package keentally.study.store;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;

/**
 * Held by the one process that may write a study, on a file beside it. The system lets go of it when a process ends, however it
 * ends, so a file left behind locks nobody out.
 */
final class StudyLock implements AutoCloseable {
    private final Path file;
    private final FileChannel channel;
    private final FileLock lock;

    private StudyLock(Path file, FileChannel channel, FileLock lock) {
        this.file = file;
        this.channel = channel;
        this.lock = lock;
    }

    /**
     * Empty where somebody else holds it.
     *
     * @throws IOException where no file can be made beside the study
     */
    static Optional<StudyLock> take(Path study) throws IOException {
        Path file = study.resolveSibling("." + study.getFileName() + ".lock");
        FileChannel channel = FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        try {
            FileLock lock = channel.tryLock();
            if (lock != null) {
                return Optional.of(new StudyLock(file, channel, lock));
            }
        } catch (OverlappingFileLockException e) {
            // held by this very process: somebody else as well
        }
        channel.close();
        return Optional.empty();
    }

    @Override
    public void close() throws IOException {
        Files.deleteIfExists(file);
        lock.release();
        channel.close();
    }
}
