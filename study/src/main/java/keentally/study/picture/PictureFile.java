package keentally.study.picture;

import java.nio.file.Path;
import java.util.Optional;
import keentally.core.picture.Picture;
import keentally.core.quantity.Scale;

/**
 * A picture with what its file says of it.
 *
 * @param sha256 of the file's bytes
 * @param page from 1
 * @param pages in the file
 */
public record PictureFile(Path file, String sha256, int page, int pages, Picture picture, FileFacts facts) {
    /** Tells these pixels from any others. */
    public String key() {
        return sha256 + "#" + page;
    }

    /** The pixel size that the file states; an offer, never taken silently. */
    public Optional<Scale> stated() {
        return facts.stated().map(FileFacts.StatedScale::scale);
    }
}
