package keentally.desk.model;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import keentally.study.document.PictureRef;

/** The pictures that were shown last, by what they were read from. For the interface thread. */
final class OpenPictures {
    private static final int KEPT = 4;

    private final Map<PictureRef, OpenSample> pictures = new LinkedHashMap<>();

    Optional<OpenSample> find(PictureRef ref) {
        return Optional.ofNullable(pictures.get(ref));
    }

    void keep(OpenSample picture) {
        pictures.remove(picture.ref());
        pictures.put(picture.ref(), picture);
        if (pictures.size() > KEPT) {
            pictures.remove(pictures.keySet().iterator().next());
        }
    }

    void clear() {
        pictures.clear();
    }
}
