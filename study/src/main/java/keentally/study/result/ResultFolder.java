package keentally.study.result;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;

/**
 * The folder that a run writes. Everything is written beside it and moved into place at the end, so that it holds either all of
 * a run or what it held before.
 */
final class ResultFolder implements AutoCloseable {
    private static final Set<String> OWN =
            Set.of("objects.csv", "phases.csv", "samples.csv", "run.json", "labels", "phases", "after", "overlay");

    private final Path folder;
    private final Path part;

    private ResultFolder(Path folder, Path part) {
        this.folder = folder;
        this.part = part;
    }

    /** @throws FileFault where the folder holds anything that is not an earlier run's, or cannot be made */
    static ResultFolder open(Path folder) throws FileFault {
        Path whole = folder.toAbsolutePath().normalize();
        if (Files.exists(whole)) {
            checkOwn(folder, whole);
        }
        try {
            Files.createDirectories(whole.getParent());
            Path part = whole.resolveSibling("." + whole.getFileName() + "." + UUID.randomUUID() + ".part");
            return new ResultFolder(whole, Files.createDirectory(part));
        } catch (IOException e) {
            throw fault(folder, e);
        }
    }

    private static FileFault fault(Path folder, IOException e) {
        return new FileFault(
                "The folder " + folder + " cannot be written: " + WholeFile.reason(e) + "; choose another one.", e);
    }

    private static void checkOwn(Path named, Path folder) throws FileFault {
        if (!Files.isDirectory(folder)) {
            throw new FileFault(named + " is a file; results go into a folder.");
        }
        try (Stream<Path> found = Files.list(folder)) {
            List<String> names = found.map(p -> p.getFileName().toString()).toList();
            Set<String> foreign =
                    names.stream().filter(n -> !OWN.contains(n)).collect(Collectors.toCollection(TreeSet::new));
            boolean ours = names.isEmpty() || names.contains("run.json") && foreign.isEmpty();
            if (!ours) {
                String what = foreign.isEmpty()
                        ? "files, but no run.json"
                        : foreign.iterator().next();
                throw new FileFault("The folder " + named + " holds " + what
                        + ", which no run wrote; choose a new or empty folder, so that nothing is overwritten.");
            }
        } catch (IOException e) {
            throw fault(named, e);
        }
    }

    /** A place for a file, its folders made; moved with all others by {@link #finish}. */
    Path place(String first, String... more) throws FileFault {
        Path place = part.resolve(Path.of(first, more));
        try {
            Files.createDirectories(place.getParent());
        } catch (IOException e) {
            throw fault(folder, e);
        }
        return place;
    }

    /** Puts everything into place. */
    void finish() throws FileFault {
        try {
            if (Files.exists(folder)) {
                Path old = part.resolveSibling(part.getFileName() + "-old");
                Files.move(folder, old);
                Files.move(part, folder);
                delete(old);
            } else {
                Files.move(part, folder);
            }
        } catch (IOException e) {
            throw fault(folder, e);
        }
    }

    /** Leaves nothing behind of a run that did not finish. */
    @Override
    public void close() {
        try {
            if (Files.exists(part)) {
                delete(part);
            }
        } catch (IOException e) {
            // what is left begins with a dot and holds nothing of the person's
        }
    }

    private static void delete(Path tree) throws IOException {
        try (Stream<Path> all = Files.walk(tree)) {
            for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(path);
            }
        }
    }
}
