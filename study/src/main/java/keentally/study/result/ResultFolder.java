package keentally.study.result;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentSkipListSet;
import java.util.stream.Stream;
import keentally.study.file.FileFault;
import keentally.study.file.Json;
import keentally.study.file.WholeFile;

/**
 * The folder that a run writes. Everything is written into a hidden folder inside it and moved into place at the end, so that it holds
 * either all of a run or what it held before; the folder itself stays the one it was, whatever leads to it. What is moved is first
 * written down, and whoever opens the folder next finishes a move that was broken off, and sweeps what another broken run left.
 *
 * <p>An earlier run's results are replaced only where every file in the folder is one that {@code run.json} says that run wrote.
 */
final class ResultFolder implements ResultSink, AutoCloseable {
    /** The file that says what a run wrote, in its list {@code files}. */
    static final String RECORD = "run.json";

    private static final String PART = ".keen-tally-part";
    private static final String LOCK = "lock";

    /** There once everything is written: the files of the run before that are to go. */
    private static final String COMPLETE = "complete.json";

    private final Path named;
    private final Path folder;
    private final Path part;
    private final boolean fresh;
    private final FileChannel channel;
    private final Set<String> earlier;
    private final Set<String> written = new ConcurrentSkipListSet<>();

    private ResultFolder(Path named, Path folder, boolean fresh, FileChannel channel, Set<String> earlier) {
        this.named = named;
        this.folder = folder;
        this.part = folder.resolve(PART);
        this.fresh = fresh;
        this.channel = channel;
        this.earlier = earlier;
    }

    /** @throws FileFault where the folder holds anything that is not an earlier run's, cannot be made, or is being written by another run */
    static ResultFolder open(Path named) throws FileFault {
        try {
            boolean fresh = !Files.exists(named);
            if (!fresh && !Files.isDirectory(named)) {
                throw new FileFault(named + " is a file; results go into a folder.");
            }
            Files.createDirectories(named.toAbsolutePath());
            Path folder = named.toRealPath();
            if (!fresh && !Files.exists(folder.resolve(PART))) {
                earlier(named, folder);
            }
            Files.createDirectories(folder.resolve(PART));
            FileChannel channel = lock(named, folder);
            try {
                mend(folder);
                return new ResultFolder(named, folder, fresh, channel, earlier(named, folder));
            } catch (IOException | FileFault e) {
                letGo(channel);
                throw e;
            }
        } catch (IOException e) {
            throw fault(named, e);
        }
    }

    private static FolderFault fault(Path named, IOException e) {
        return new FolderFault(
                "The folder " + named + " cannot be written: " + WholeFile.reason(e) + "; choose another one.", e);
    }

    /** The system lets go of it when a process ends, however it ends. */
    private static FileChannel lock(Path named, Path folder) throws IOException, FileFault {
        FileChannel channel = FileChannel.open(
                folder.resolve(PART).resolve(LOCK), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        try {
            FileLock lock = channel.tryLock();
            if (lock != null) {
                return channel;
            }
        } catch (OverlappingFileLockException e) {
            // held by this very process: another run as well
        }
        channel.close();
        throw new FileFault("Another run is writing into " + named + "; wait for it, or choose another folder.");
    }

    private static void letGo(FileChannel channel) {
        try {
            channel.close();
        } catch (IOException e) {
            // the lock goes with the process at the latest
        }
    }

    /** Finishes what was complete but not moved yet, and sweeps what was not. */
    private static void mend(Path folder) throws IOException, FileFault {
        Path part = folder.resolve(PART);
        if (Files.exists(part.resolve(COMPLETE))) {
            moveIntoPlace(folder);
        }
        sweep(part);
    }

    private static void sweep(Path part) throws IOException {
        try (Stream<Path> all = Files.walk(part)) {
            for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
                if (!path.equals(part) && !path.equals(part.resolve(LOCK))) {
                    Files.delete(path);
                }
            }
        }
    }

    /** The files of the run before; a fault where there is any other. */
    private static Set<String> earlier(Path named, Path folder) throws IOException, FileFault {
        Set<String> said = said(folder.resolve(RECORD));
        Set<String> found = new TreeSet<>();
        Set<String> foreign = new TreeSet<>();
        Files.walkFileTree(folder, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult preVisitDirectory(Path at, BasicFileAttributes is) {
                return at.equals(folder.resolve(PART)) ? FileVisitResult.SKIP_SUBTREE : FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes is) {
                String name = name(folder, file);
                (said.contains(name) ? found : foreign).add(name);
                return foreign.isEmpty() ? FileVisitResult.CONTINUE : FileVisitResult.TERMINATE;
            }
        });
        if (!foreign.isEmpty()) {
            throw new FileFault(
                    "The folder " + named + " holds " + foreign.iterator().next()
                            + ", which no run wrote; choose a new or empty folder, so that nothing is overwritten.");
        }
        return found;
    }

    private static String name(Path folder, Path file) {
        return folder.relativize(file).toString().replace('\\', '/');
    }

    /** What a run says that it wrote; nothing where it says nothing. */
    private static Set<String> said(Path record) {
        Set<String> said = new TreeSet<>();
        try {
            if (Files.exists(record)
                    && Json.read(record) instanceof Map<?, ?> tree
                    && tree.get("files") instanceof List<?> l) {
                l.forEach(f -> said.add(String.valueOf(f)));
                said.add(RECORD);
            }
        } catch (FileFault unreadable) {
            return Set.of();
        }
        return said;
    }

    /** A stream into a file of the folder, named from there; for any thread. */
    OutputStream stream(String name) throws FolderFault {
        Path place = part.resolve(name);
        try {
            if (!place.getParent().equals(part)) {
                makeInside(place.getParent());
            }
            OutputStream out = Files.newOutputStream(place, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
            written.add(name);
            return out;
        } catch (IOException e) {
            throw cannot(name, e);
        }
    }

    /** One level, and only while the folder above is still there. */
    private static void makeInside(Path folder) throws IOException {
        try {
            Files.createDirectory(folder);
        } catch (FileAlreadyExistsException e) {
            // another sample made it
        }
    }

    @Override
    public void write(String name, WholeFile.Writer writer) throws FolderFault {
        try (OutputStream out = stream(name)) {
            writer.write(out);
        } catch (IOException e) {
            throw cannot(name, e);
        }
    }

    /** What was written before by this run, named from the folder. */
    String read(String name) throws FolderFault {
        try {
            return Files.readString(part.resolve(name));
        } catch (IOException e) {
            throw cannot(name, e);
        }
    }

    /** The folder is at fault, and not a sample. */
    FolderFault cannot(String name, IOException e) {
        return new FolderFault(
                named.resolve(name) + " cannot be written: " + WholeFile.reason(e)
                        + "; make room or choose another folder. What the folder held before is unchanged.",
                e);
    }

    /** What was written so far, named from the folder, in order of the names. */
    List<String> written() {
        return List.copyOf(written);
    }

    /** Puts everything into place. */
    void finish() throws FileFault {
        try {
            for (String name : written) {
                if (!Files.isRegularFile(part.resolve(name), LinkOption.NOFOLLOW_LINKS)) {
                    throw new FolderFault(named + " was changed while the run was writing into it: "
                            + named.resolve(name) + " is gone; run it again.");
                }
            }
            Set<String> gone = new TreeSet<>(earlier);
            gone.removeAll(written);
            Path half = part.resolve("half-" + COMPLETE);
            Files.writeString(half, Json.compact(Map.of("gone", gone, "files", written())));
            Files.move(half, part.resolve(COMPLETE), StandardCopyOption.ATOMIC_MOVE);
            moveIntoPlace(folder);
        } catch (IOException e) {
            throw fault(named, e);
        }
    }

    /** Can be broken off anywhere and done again. */
    private static void moveIntoPlace(Path folder) throws IOException, FileFault {
        Path part = folder.resolve(PART);
        Map<?, ?> complete = (Map<?, ?>) Json.read(part.resolve(COMPLETE));
        for (Object name : (List<?>) complete.get("gone")) {
            Path old = folder.resolve(String.valueOf(name));
            Files.deleteIfExists(old);
            removeWhereEmpty(old.getParent(), folder);
        }
        for (Object name : (List<?>) complete.get("files")) {
            Path from = part.resolve(String.valueOf(name));
            Path to = folder.resolve(String.valueOf(name));
            if (Files.exists(from)) {
                Files.createDirectories(to.getParent());
                Files.move(from, to, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
            }
        }
        Files.delete(part.resolve(COMPLETE));
    }

    private static void removeWhereEmpty(Path inner, Path folder) throws IOException {
        if (!inner.equals(folder) && Files.isDirectory(inner)) {
            try (Stream<Path> left = Files.list(inner)) {
                if (left.findAny().isPresent()) {
                    return;
                }
            }
            Files.delete(inner);
        }
    }

    /** Leaves nothing behind of a run that did not finish. */
    @Override
    public void close() {
        try {
            if (Files.exists(part)) {
                sweep(part);
                Files.delete(part.resolve(LOCK));
                Files.delete(part);
                if (fresh) {
                    Files.deleteIfExists(folder); // stays where it holds anything
                }
            }
        } catch (IOException e) {
            // what is left is swept by the next run into this folder, and holds nothing of the person's
        } finally {
            letGo(channel);
        }
    }
}
