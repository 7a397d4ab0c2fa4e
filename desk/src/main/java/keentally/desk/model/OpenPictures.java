package keentally.desk.model;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.run.StateCache;
import keentally.study.document.PictureRef;

/** The pictures that were shown last, by what they were read from, as long as there is memory for them. For the interface thread. */
final class OpenPictures {
    private static final int KEPT = 4;

    private final StateCache memory;
    private final Map<PictureRef, KeptPicture> pictures = new LinkedHashMap<>();

    private record KeptPicture(OpenSample sample, StateCache.Hold hold) {}

    OpenPictures(StateCache memory) {
        this.memory = memory;
    }

    Optional<OpenSample> find(PictureRef ref) {
        return Optional.ofNullable(pictures.get(ref)).map(KeptPicture::sample);
    }

    /** The oldest go where there are too many, or where they take more memory than there is. */
    void keep(OpenSample picture) {
        forget(picture.ref());
        pictures.put(picture.ref(), new KeptPicture(picture, memory.hold(picture.pyramid())));
        while (pictures.size() > 1 && (pictures.size() > KEPT || memory.held() > memory.budget())) {
            forget(pictures.keySet().iterator().next());
        }
    }

    private void forget(PictureRef ref) {
        KeptPicture kept = pictures.remove(ref);
        if (kept != null) {
            kept.hold.close();
        }
    }

    void clear() {
        List.copyOf(pictures.keySet()).forEach(this::forget);
    }
}
