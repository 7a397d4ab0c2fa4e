package keentally.core.setting;

import java.util.Optional;

/**
 * A file that a method leans on. What is in it belongs to the method; where it lies does not.
 *
 * @param file as the method's file names it, or where it lies; of what is held, what it is called
 * @param sha256 of its bytes, in lower-case hexadecimal; empty while nobody has looked
 * @param held its text, where that is kept inside the method and lies nowhere else
 */
public record Reference(String file, String sha256, Optional<String> held) {
    /** In a file. */
    public Reference(String file, String sha256) {
        this(file, sha256, Optional.empty());
    }

    public Reference {
        if (file.isBlank()) {
            throw new IllegalArgumentException("a reference must name a file");
        }
    }

    /** The same picture, named by another path. */
    public Reference at(String otherFile) {
        return new Reference(otherFile, sha256, held);
    }
}
