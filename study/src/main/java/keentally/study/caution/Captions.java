package keentally.study.caution;

import keentally.core.find.Caption;
import keentally.core.find.CaptionFinder;
import keentally.core.picture.Picture;
import keentally.core.work.Work;
import keentally.study.file.RecentMap;

/** What is burnt into the pictures that were asked about last; each is looked through once. For any thread. */
public final class Captions {
    private static final int REMEMBERED = 16;

    private final RecentMap<String, Caption> known = new RecentMap<>(REMEMBERED);

    /** @param key tells the picture's pixels from any others */
    public Caption of(String key, Picture picture, Work work) {
        return known.get(key, k -> CaptionFinder.find(picture, work));
    }
}
