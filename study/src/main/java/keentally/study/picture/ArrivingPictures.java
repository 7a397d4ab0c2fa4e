package keentally.study.picture;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import keentally.study.file.FileFault;

/**
 * Pictures that come into a folder one after the other. One is whole once its length and its time have not changed from one look to the
 * next; until then whoever writes it is at it. For one thread.
 */
public final class ArrivingPictures {
    private final Path folder;
    private final Set<Path> known;
    private final Map<Path, Looks> seen = new HashMap<>();
    private final Map<Path, Looks> failed = new HashMap<>();

    /** How a file looked. */
    private record Looks(long bytes, long modified) {}

    /** @param known pictures that have come already, absolute */
    public ArrivingPictures(Path folder, Set<Path> known) {
        this.folder = folder.toAbsolutePath().normalize();
        this.known = new HashSet<>(known);
    }

    /**
     * Those that have become whole since the last look, by name; each once.
     *
     * @throws FileFault where the folder cannot be listed
     */
    public List<Path> look() throws FileFault {
        List<Path> whole = new ArrayList<>();
        for (Path file : PictureFolder.list(folder)) {
            if (failed.containsKey(file) && !looks(file).equals(Optional.of(failed.get(file)))) {
                failed.remove(file);
                known.remove(file);
            }
            if (!known.contains(file) && isWhole(file)) {
                known.add(file);
                seen.remove(file);
                whole.add(file);
            }
        }
        return whole;
    }

    /** A picture that came and could not be read comes again once its file is another one: whoever wrote it had only paused. */
    public void again(Path file) {
        looks(file).ifPresent(l -> failed.put(file, l));
    }

    /** How many are on their way. */
    public int coming() {
        return seen.size();
    }

    private boolean isWhole(Path file) {
        Optional<Looks> now = looks(file);
        if (now.isEmpty()) {
            seen.remove(file); // it is gone again
            return false;
        }
        Looks before = seen.put(file, now.get());
        return now.get().bytes() > 0 && now.get().equals(before);
    }

    private static Optional<Looks> looks(Path file) {
        try {
            return Optional.of(
                    new Looks(Files.size(file), Files.getLastModifiedTime(file).toMillis()));
        } catch (IOException e) {
            return Optional.empty();
        }
    }
}
