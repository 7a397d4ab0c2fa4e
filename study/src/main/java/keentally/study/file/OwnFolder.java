package keentally.study.file;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** A folder that a command writes, and may write again. */
public final class OwnFolder {
    private OwnFolder() {}

    /**
     * Makes the folder, where it is not there.
     *
     * @param mark what is in every folder that the command wrote before
     * @throws FileFault where it holds other files, or cannot be made
     */
    public static void claim(Path folder, String mark) throws FileFault {
        try {
            if (Files.isDirectory(folder) && !Files.exists(folder.resolve(mark))) {
                try (var found = Files.list(folder)) {
                    if (found.findAny().isPresent()) {
                        throw new FileFault("The folder " + folder
                                + " holds other files; choose a new or empty folder, so that nothing is overwritten.");
                    }
                }
            }
            Files.createDirectories(folder);
        } catch (IOException e) {
            throw new FileFault(
                    "The folder " + folder + " cannot be made: " + WholeFile.reason(e) + "; choose another one.", e);
        }
    }
}
