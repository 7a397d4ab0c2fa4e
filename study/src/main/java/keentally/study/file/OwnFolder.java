package keentally.study.file;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** A folder that a command writes, and may write again, also where it was broken off before its end. */
public final class OwnFolder {
    private static final String UNFINISHED = ".unfinished";

    private OwnFolder() {}

    /**
     * Makes the folder, where it is not there; it counts as unfinished until {@link #finish}.
     *
     * @param mark what is in every folder that the command wrote before
     * @throws FileFault where it holds other files, or cannot be made
     */
    public static void claim(Path folder, String mark) throws FileFault {
        try {
            Path unfinished = folder.resolve(UNFINISHED);
            if (Files.isDirectory(folder) && !Files.exists(folder.resolve(mark)) && !Files.exists(unfinished)) {
                try (var found = Files.list(folder)) {
                    if (found.findAny().isPresent()) {
                        throw new FileFault("The folder " + folder
                                + " holds other files; choose a new or empty folder, so that nothing is overwritten.");
                    }
                }
            }
            Files.createDirectories(folder);
            if (!Files.exists(unfinished)) {
                Files.createFile(unfinished);
            }
        } catch (IOException e) {
            throw new FileFault(
                    "The folder " + folder + " cannot be made: " + WholeFile.reason(e) + "; choose another one.", e);
        }
    }

    /** All of it is written. */
    public static void finish(Path folder) throws FileFault {
        try {
            Files.deleteIfExists(folder.resolve(UNFINISHED));
        } catch (IOException e) {
            throw new FileFault("The folder " + folder + " cannot be written: " + WholeFile.reason(e) + ".", e);
        }
    }
}
