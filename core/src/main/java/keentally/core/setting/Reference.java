package keentally.core.setting;

/**
 * A file that a method leans on. What is in it belongs to the method; where it lies does not.
 *
 * @param file as the method's file names it, or where it lies
 * @param sha256 of its bytes, in lower-case hexadecimal; empty while nobody has looked
 */
public record Reference(String file, String sha256) {
    public Reference {
        if (file.isBlank()) {
            throw new IllegalArgumentException("a reference must name a file");
        }
    }

    /** The same picture, named by another path. */
    public Reference at(String otherFile) {
        return new Reference(otherFile, sha256);
    }
}
