package keentally.desk.model;

import java.util.List;
import keentally.core.view.Pyramid;
import keentally.study.document.PictureRef;
import keentally.study.picture.PictureFile;

/**
 * A sample's picture in memory.
 *
 * @param ref what it was read from; samples come and go under the same id, pictures do not
 * @param changed what differs from the files that were added, each a sentence
 */
public record OpenSample(PictureRef ref, PictureFile file, Pyramid pyramid, List<String> changed) {
    public OpenSample {
        changed = List.copyOf(changed);
    }
}
