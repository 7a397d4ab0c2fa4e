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

    Pyramid of(Picture picture, Work work) {
        Plane key = picture.channels().getFirst().plane();
        Pyramid pyramid = known.remove(key);
        if (pyramid == null) {
            pyramid = Pyramid.of(picture, work);
        }
        known.put(key, pyramid);
        if (known.size() > KEPT) {
            known.remove(known.keySet().iterator().next());
        }
        return pyramid;
    }
}
