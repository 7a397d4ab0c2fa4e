package keentally.desk.stage;

import java.util.LinkedHashMap;
import java.util.Map;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.view.Pyramid;
import keentally.core.work.Work;

/** The pyramids of the pictures last shown, by their first plane; for the painting thread alone. */
final class Pyramids {
    private static final int KEPT = 4;

    private final Map<Plane, Pyramid> known = new LinkedHashMap<>();

    /** @param original what {@code picture} was made from, or itself */
    Pyramid of(Picture picture, Picture original, Work work) {
        Plane key = picture.channels().getFirst().plane();
        Pyramid pyramid = known.remove(key);
        if (pyramid == null) {
            pyramid = picture == original
                    ? Pyramid.of(picture, work)
                    : Pyramid.of(picture, of(original, original, work).tone(), work);
        }
        known.put(key, pyramid);
        if (known.size() > KEPT) {
            known.remove(known.keySet().iterator().next());
        }
        return pyramid;
    }
}
