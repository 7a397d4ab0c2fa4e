package keentally.core.trial;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import keentally.core.region.ObjectSet;

/**
 * Which objects of two findings are the same.
 *
 * <p>Definition: two kept objects are the same where each shares more pixels with the other than with any third; of equal shares the
 * lower number counts. So an object whose border moved stays itself, and one that was parted goes on in its largest part.
 */
final class SameObjects {
    private final ObjectSet a;
    private final ObjectSet b;

    /** By a pair of objects, the pixels they share. */
    private final Map<Pair, Long> shared = new HashMap<>();

    private long inA;
    private long inB;

    private record Pair(int one, int other) {}

    private SameObjects(ObjectSet a, ObjectSet b) {
        this.a = a;
        this.b = b;
    }

    /** Pixels that are in an object of one side without being in the same one of the other; both of one size. */
    static long unlike(ObjectSet a, ObjectSet b) {
        SameObjects same = new SameObjects(a, b);
        int[] one = new int[a.regions().width()];
        int[] other = new int[a.regions().width()];
        for (int y = 0; y < a.regions().height(); y++) {
            same.inA += owners(a, y, one);
            same.inB += owners(b, y, other);
            same.count(one, other);
        }
        return same.unlike();
    }

    private void count(int[] one, int[] other) {
        for (int from = 0; from < one.length; ) {
            int to = from + 1;
            while (to < one.length && one[to] == one[from] && other[to] == other[from]) {
                to++;
            }
            if (one[from] >= 0 && other[from] >= 0) {
                shared.merge(new Pair(one[from], other[from]), (long) (to - from), Long::sum);
            }
            from = to;
        }
    }

    private long unlike() {
        Pair[] most = new Pair[a.regions().count()];
        Pair[] mostOfOther = new Pair[b.regions().count()];
        for (Pair pair : shared.keySet()) {
            most[pair.one] = more(most[pair.one], pair);
            mostOfOther[pair.other] = more(mostOfOther[pair.other], pair);
        }
        long both = 0;
        long alike = 0;
        for (Map.Entry<Pair, Long> e : shared.entrySet()) {
            both += e.getValue();
            boolean same = e.getKey().equals(most[e.getKey().one]) && e.getKey().equals(mostOfOther[e.getKey().other]);
            alike += same ? e.getValue() : 0;
        }
        return inA + inB - both - alike;
    }

    private Pair more(Pair now, Pair next) {
        if (now == null) {
            return next;
        }
        int by = Long.compare(shared.get(next), shared.get(now));
        boolean before = next.one + next.other < now.one + now.other;
        return by > 0 || by == 0 && before ? next : now;
    }

    /** Of each pixel of a row the kept object that it is in, from 0; −1 where it is in none. Gives how many are in one. */
    private static long owners(ObjectSet of, int y, int[] into) {
        Arrays.fill(into, -1);
        long[] within = new long[1];
        of.regions().rows(y, y + 1, (owner, row, from, to) -> {
            if (of.isKept(owner)) {
                Arrays.fill(into, from, to, owner);
                within[0] += to - from;
            }
        });
        return within[0];
    }
}
