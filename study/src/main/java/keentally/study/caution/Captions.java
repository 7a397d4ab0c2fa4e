package keentally.study.caution;

import java.util.LinkedHashMap;
import java.util.Map;
import keentally.core.find.Caption;
import keentally.core.find.CaptionFinder;
import keentally.core.picture.Picture;
import keentally.core.work.Cancel;

/** What is burnt into the pictures that were asked about last; each is looked through once. For any thread. */
public final class Captions {
    private static final int REMEMBERED = 16;

    private final Map<String, Caption> known = new LinkedHashMap<>();

    /** @param key tells the picture's pixels from any others */
    public synchronized Caption of(String key, Picture picture, Cancel cancel) {
        Caption caption = known.computeIfAbsent(key, k -> CaptionFinder.find(picture, cancel));
        if (known.size() > REMEMBERED) {
            known.remove(known.keySet().iterator().next());
        }
        return caption;
    }
}
