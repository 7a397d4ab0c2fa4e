package keentally.desk.model;

import java.util.List;
import keentally.core.view.Pyramid;
import keentally.study.picture.PictureFile;

/**
 * A sample whose picture is in memory.
 *
 * @param changed what differs from the files that were added, each a sentence
 */
public record OpenSample(String id, PictureFile file, Pyramid pyramid, List<String> changed) {
    public OpenSample {
        changed = List.copyOf(changed);
    }
}
