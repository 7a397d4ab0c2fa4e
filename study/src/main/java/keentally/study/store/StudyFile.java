package keentally.study.store;

import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import keentally.study.document.Commit;
import keentally.study.document.Journal;
import keentally.study.document.Journal.History;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;
import org.jdbi.v3.core.JdbiException;

/**
 * An open study on disk. Moves of the journal are handed to {@link #keep} and written one after another by a thread of its own;
 * a {@link Watch} is told when all of them are on disk. What cannot be written (a full disk) is kept in memory and tried again.
 */
public final class StudyFile implements AutoCloseable {
    public static final String ENDING = ".tally";

    private static final int NO_DATABASE = 26;
    private static final int FULL = 13;
    private static final int READ_ONLY = 8;
    private static final int CANNOT_OPEN = 14;
    private static final int BUSY = 5;
    private static final int LOCKED = 6;
    private static final long TRY_AGAIN_SECONDS = 2;

    private final Path file;
    private final Optional<StudyLock> lock;
    private final Database database;
    private final History history;
    private final Optional<String> remark;
    private final Watch watch;

    /** Tells the file from one that was put in its place; null where the system does not tell. */
    private final Object identity;

    private final ScheduledExecutorService keeper;
    private final ArrayDeque<Commit> waiting = new ArrayDeque<>();
    private boolean troubled;

    private StudyFile(
            Path file,
            Optional<StudyLock> lock,
            Database database,
            Optional<String> remark,
            History history,
            Watch watch) {
        this.file = file;
        this.lock = lock;
        this.database = database;
        this.remark = remark;
        this.history = history;
        this.watch = watch;
        this.identity = identity(file);
        this.keeper = Executors.newSingleThreadScheduledExecutor(
                Thread.ofPlatform().daemon().name("keeper").factory());
    }

    /** What a study is called by its file. */
    public static String title(Path file) {
        String name = file.getFileName().toString();
        return name.endsWith(ENDING) ? name.substring(0, name.length() - ENDING.length()) : name;
    }

    /** Told, on the keeper's thread, how keeping goes. */
    public interface Watch {
        Watch SILENT = new Watch() {};

        /** Everything handed in so far is on disk. */
        default void kept() {}

        /** Something is not on disk yet, and why. */
        default void trouble(FileFault fault) {}
    }

    /**
     * A new file.
     *
     * @throws FileFault where there is a file of that name, or none can be made
     */
    public static StudyFile create(Path name, Study start, Watch watch) throws FileFault {
        Path file = name.toAbsolutePath().normalize();
        Optional<StudyLock> lock = Optional.empty();
        Database database = null;
        try {
            if (Files.exists(file, LinkOption.NOFOLLOW_LINKS)) {
                throw new FileFault(file + " is there already; choose another name, so that nothing is overwritten.");
            }
            Files.createDirectories(file.getParent());
            file = file.getParent().toRealPath().resolve(file.getFileName());
            lock = StudyLock.take(file);
            if (lock.isEmpty()) {
                throw new FileFault(file + " is being made by another window; choose another name.");
            }
            database = Database.create(file);
            database.write(Journal.beginning(start));
            lock.get().holdIdentity(file);
            return new StudyFile(file, lock, database, Optional.empty(), database.read(), watch);
        } catch (IOException e) {
            undo(file, database, lock);
            throw new FileFault(file + " cannot be made: " + why(e) + "; choose another place.", e);
        } catch (SQLException | RuntimeException e) {
            undo(file, database, lock);
            throw new FileFault(file + " cannot be made: " + reason(e) + "; choose another place.", e);
        }
    }

    /** A study that could not be begun does not stand in the way of the next try. */
    private static void undo(Path file, Database database, Optional<StudyLock> lock) {
        if (lock.isEmpty()) {
            return;
        }
        close(database);
        for (String ending : List.of("", "-wal", "-shm", "-journal")) {
            try {
                Files.deleteIfExists(file.resolveSibling(file.getFileName() + ending));
            } catch (IOException e) {
                // the folder that let it be made does not let it be taken away
            }
        }
        release(lock);
    }

    private static Object identity(Path file) {
        try {
            return StudyLock.identity(file);
        } catch (IOException e) {
            return null;
        }
    }

    /**
     * Opens a study. A second opener, and one without the right to write, gets it read-only; a damaged one is rescued into a
     * copy, and that is opened. {@link #remark} says so.
     *
     * @throws FileFault where it is missing, no study, from a newer version, or damaged beyond rescue
     */
    public static StudyFile open(Path name, Watch watch) throws FileFault {
        Path file = name.toAbsolutePath().normalize();
        if (!Files.exists(file)) {
            throw new FileFault(file + " does not exist.");
        }
        if (!Files.isRegularFile(file)) {
            throw new FileFault(file + " is no file; choose a " + ENDING + " file.");
        }
        try {
            file = file.toRealPath();
        } catch (IOException e) {
            throw new FileFault(file + " cannot be opened: " + WholeFile.reason(e) + ".", e);
        }
        Optional<StudyLock> lock;
        Optional<String> remark = Optional.empty();
        try {
            lock = StudyLock.take(file);
            if (lock.isEmpty()) {
                remark = Optional.of(file.getFileName()
                        + " is open in another window, so it is read-only here; save a copy of it to change things.");
            } else if (!Files.isWritable(file)) {
                release(lock);
                lock = Optional.empty();
                remark = Optional.of(cannotWrite(file));
            }
        } catch (IOException e) {
            lock = Optional.empty();
            remark = Optional.of(cannotWrite(file));
        }
        return open(file, lock, remark, watch);
    }

    private static String cannotWrite(Path file) {
        return file.getFileName()
                + " cannot be written where it is, so it is read-only; save a copy of it to change things.";
    }

    private static StudyFile open(Path file, Optional<StudyLock> lock, Optional<String> remark, Watch watch)
            throws FileFault {
        Database database = null;
        String damage;
        try {
            if (lock.isPresent()) {
                try (Database looked = Database.open(file, false)) {
                    check(file, looked);
                }
            }
            database = Database.open(file, lock.isPresent());
            check(file, database);
            Optional<String> found = database.damage();
            if (found.isEmpty()) {
                History history = database.read(); // before anything is changed: what is damaged stays as it is
                if (lock.isPresent()) {
                    database.upgrade();
                    history = database.tidy() ? database.read() : history; // what is read must be what is there
                }
                return new StudyFile(file, lock, database, remark, history, watch);
            }
            damage = found.get();
        } catch (FileFault e) {
            close(database);
            release(lock);
            throw e;
        } catch (SQLException | RuntimeException e) {
            if (code(e) == BUSY || code(e) == LOCKED) {
                close(database);
                release(lock);
                throw new FileFault(file + " is in use by another program; close it there first.", e);
            }
            if (code(e) == NO_DATABASE) {
                close(database);
                release(lock);
                throw new FileFault(
                        file + " is no study, or its beginning is damaged; choose a " + ENDING + " file.", e);
            }
            damage = reason(e);
        }
        close(database);
        release(lock);
        Rescue.Salvage saved = Rescue.from(file, damage);
        StudyFile rescued = open(saved.file(), watch);
        return new StudyFile(
                rescued.file,
                rescued.lock,
                rescued.database,
                Optional.of(saved.sentence(file, damage)),
                rescued.history,
                watch);
    }

    private static void check(Path file, Database database) throws FileFault {
        if (database.application() != Database.APPLICATION) {
            throw new FileFault(file + " is a database, but no study; choose a " + ENDING + " file.");
        }
        if (!database.isLaidOut()) {
            throw new FileFault(file + " has other tables than a study; choose a " + ENDING + " file.");
        }
        if (database.layout() > Database.LAYOUT) {
            throw new FileFault(
                    file + " was written by a newer version of this program (its layout is " + database.layout()
                            + ", this one reads up to " + Database.LAYOUT + "); open it with that version.");
        }
    }

    private static void close(Database database) {
        try {
            if (database != null) {
                database.close();
            }
        } catch (RuntimeException e) {
            // it is damaged, and about to be rescued or refused
        }
    }

    private static void release(Optional<StudyLock> lock) {
        try {
            if (lock.isPresent()) {
                lock.get().close();
            }
        } catch (IOException e) {
            // the system lets go of it with the process
        }
    }

    private static int code(Exception e) {
        return cause(e).map(s -> s.getErrorCode() & 0xff).orElse(0);
    }

    private static Optional<SQLException> cause(Throwable e) {
        for (Throwable t = e; t != null; t = t.getCause()) {
            if (t instanceof SQLException sql) {
                return Optional.of(sql);
            }
        }
        return Optional.empty();
    }

    /** What the database could not do, in plain words. */
    static String reason(Exception e) {
        return switch (code(e)) {
            case FULL -> "the disk is full";
            case READ_ONLY -> "it may not be written";
            case CANNOT_OPEN -> "the folder does not let it be opened";
            case NO_DATABASE -> "it is no study";
            default ->
                cause(e).map(Throwable::getMessage)
                        .or(() -> Optional.ofNullable(e instanceof IllegalArgumentException ? e.getMessage() : null))
                        .orElse("its contents make no sense")
                        .replaceAll("\\s+", " ")
                        .replaceFirst("^\\[[A-Z_]+]\\s*", "");
        };
    }

    private static String why(IOException e) {
        return e instanceof FileAlreadyExistsException
                ? "there is a file where a folder should be"
                : WholeFile.reason(e);
    }

    public Path file() {
        return file;
    }

    /** As it was read when it was opened. */
    public History history() {
        return history;
    }

    /** What the person should know about this opening. */
    public Optional<String> remark() {
        return remark;
    }

    public boolean isReadOnly() {
        return lock.isEmpty();
    }

    /** Hands in a move of the journal; returns at once. */
    public void keep(Commit commit) {
        if (isReadOnly()) {
            throw new IllegalStateException(file + " is read-only");
        }
        synchronized (waiting) {
            waiting.add(commit);
        }
        keeper.execute(this::writeWaiting);
    }

    /** Whether everything handed in is on disk. */
    public boolean isKept() {
        synchronized (waiting) {
            return waiting.isEmpty();
        }
    }

    private void writeWaiting() {
        while (true) {
            Commit commit;
            synchronized (waiting) {
                commit = waiting.peek();
            }
            if (commit == null) {
                return;
            }
            try {
                checkIdentity();
                database.write(commit);
                checkIdentity();
            } catch (FileFault | RuntimeException | OutOfMemoryError | StackOverflowError e) {
                watch.trouble(e instanceof FileFault f ? f : notYet(e));
                if (!troubled) {
                    keeper.schedule(this::tryAgain, TRY_AGAIN_SECONDS, TimeUnit.SECONDS);
                }
                troubled = true;
                return;
            }
            troubled = false;
            boolean all;
            synchronized (waiting) {
                waiting.remove();
                all = waiting.isEmpty();
            }
            if (all) {
                watch.kept();
            }
        }
    }

    private FileFault notYet(Throwable e) {
        String why = e instanceof Exception known ? reason(known) : "there is too little memory";
        return new FileFault(
                "The last actions are not on disk yet: " + why + ". They are tried again until " + file
                        + " can be written.",
                e);
    }

    /** A study that was moved, deleted or replaced takes what is written with it to where nobody finds it. */
    private void checkIdentity() throws FileFault {
        if (identity != null && !identity.equals(identity(file))) {
            throw new FileFault(file + " was moved, deleted or replaced while it was open, so nothing is kept any more;"
                    + " save the study under another name.");
        }
    }

    private void tryAgain() {
        troubled = false;
        writeWaiting();
    }

    /** Writes a copy, with undo history and packed pictures, that finds its pictures from where it is. */
    public void copyTo(Path name) throws FileFault {
        Path copy = name.toAbsolutePath().normalize();
        onKeeper("copied to " + copy, () -> {
            if (Files.exists(copy)) {
                throw new FileFault(copy + " is there already; choose another name, so that nothing is overwritten.");
            }
            writeWaiting();
            try {
                database.copyInto(copy);
                try (Database other = Database.open(copy, true)) {
                    database.referFrom(other);
                }
            } catch (SQLException | JdbiException e) {
                Files.deleteIfExists(copy);
                throw e;
            }
            return null;
        });
    }

    /** Puts a picture's bytes into the study. */
    public void pack(String sha256, String name, byte[] bytes) throws FileFault {
        onKeeper("packed with " + name, () -> {
            database.pack(sha256, name, bytes);
            return null;
        });
    }

    /** The bytes of a picture that was packed in. */
    public Optional<byte[]> packed(String sha256) throws FileFault {
        return onKeeper("read", () -> database.packed(sha256));
    }

    /** Whether a picture is packed in, by the sum of its bytes. */
    public boolean isPacked(String sha256) throws FileFault {
        return onKeeper("read", () -> database.isPacked(sha256));
    }

    /** How many pictures are packed in. */
    public long packedCount() throws FileFault {
        return onKeeper("read", database::packedCount);
    }

    /** Keeps a row of the ledger, with the whole record and a thumbnail, in place of what the sample had before. */
    public void keepRow(String sample, String row, String record, Optional<byte[]> thumbnail) throws FileFault {
        if (isReadOnly()) {
            throw new FileFault(
                    file + " is read-only, so no row of the ledger can be kept; save a copy of the study first.");
        }
        onKeeper("written", () -> {
            checkIdentity();
            database.ledger().put(sample, row, record, thumbnail, Instant.now());
            return null;
        });
    }

    /** The rows of the ledger, by sample. */
    public Map<String, String> rows() throws FileFault {
        return onKeeper("read", () -> database.ledger().rows());
    }

    /** When each row of the ledger came about, by sample. */
    public Map<String, Instant> rowTimes() throws FileFault {
        return onKeeper("read", () -> database.ledger().times());
    }

    /** The thumbnail that a sample's row has. */
    public Optional<byte[]> thumbnail(String sample) throws FileFault {
        return onKeeper("read", () -> database.ledger().thumbnail(sample));
    }

    /** The whole record that a sample's row is made of. */
    public Optional<String> record(String sample) throws FileFault {
        return onKeeper("read", () -> database.ledger().record(sample));
    }

    private <T> T onKeeper(String intention, Callable<T> what) throws FileFault {
        try {
            return keeper.submit(what).get();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof FileFault fault) {
                throw fault;
            }
            String why = e.getCause() instanceof Exception cause ? reason(cause) : String.valueOf(e.getCause());
            throw new FileFault(file + " cannot be " + intention + ": " + why + ".", e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new FileFault(file + " was not " + intention + ": the program is closing.", e);
        }
    }

    /** For tests of a full disk. */
    void limitGrowth(int pages) throws FileFault {
        onKeeper("limited", () -> {
            database.limitPages(pages == 0 ? 1 << 30 : database.pages() + pages);
            return null;
        });
    }

    /** Waits until everything is on disk, or cannot be put there, and lets go of the file. */
    @Override
    public void close() throws FileFault {
        try {
            onKeeper("closed", () -> {
                writeWaiting();
                database.close();
                return null;
            });
        } finally {
            keeper.shutdownNow();
            release(lock);
        }
        if (!isKept()) {
            throw new FileFault("The last actions could not be put on disk: " + file + " cannot be written.");
        }
    }
}
