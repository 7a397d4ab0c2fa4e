package keentally.core.trial;

import java.util.List;
import keentally.core.agree.SharedPixels;
import keentally.core.agree.SharedPixels.Shared;
import keentally.core.region.ObjectSet;

/**
 * Which objects of two findings are the same.
 *
 * <p>Definition: two kept objects are the same where each shares more pixels with the other than with any third; of equal shares the
 * lower number counts. So an object whose border moved stays itself, and one that was parted goes on in its largest part.
 */
final class SameObjects {
    private SameObjects() {}

    /** Pixels that are in an object of one side without being in the same one of the other; both of one size. */
    static long unlike(ObjectSet a, ObjectSet b) {
        SharedPixels shared = SharedPixels.of(a, b);
        List<Shared> pairs = shared.pairs();
        Shared[] most = new Shared[a.regions().count()];
        Shared[] mostOfOther = new Shared[b.regions().count()];
        for (Shared pair : pairs) {
            most[pair.first()] = more(most[pair.first()], pair);
            mostOfOther[pair.second()] = more(mostOfOther[pair.second()], pair);
        }
        long both = 0;
        long alike = 0;
        for (Shared pair : pairs) {
            both += pair.pixels();
            boolean same = pair.equals(most[pair.first()]) && pair.equals(mostOfOther[pair.second()]);
            alike += same ? pair.pixels() : 0;
        }
        return shared.inFirst() + shared.inSecond() - both - alike;
    }

    /** Pairs come in the order of their numbers. */
    private static Shared more(Shared now, Shared next) {
        return now == null || next.pixels() > now.pixels() ? next : now;
    }
}
