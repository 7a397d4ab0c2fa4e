package keentally.core.agree;

import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keentally.core.region.ObjectSet;

/** How many pixels the kept objects of two findings share, pair by pair; both of one size. */
public final class SharedPixels {
    private final Map<Pair, long[]> shared = new HashMap<>();
    private long inFirst;
    private long inSecond;

    private record Pair(int first, int second) {}

    /** @param first a region of the first objects */
    public record Shared(int first, int second, long pixels) {}

    private SharedPixels() {}

    /** Of two findings in pictures of one size. */
    public static SharedPixels of(ObjectSet first, ObjectSet second) {
        SharedPixels found = new SharedPixels();
        int[] one = new int[first.regions().width()];
        int[] other = new int[first.regions().width()];
        for (int y = 0; y < first.regions().height(); y++) {
            found.inFirst += owners(first, y, one);
            found.inSecond += owners(second, y, other);
            found.count(one, other);
        }
        return found;
    }

    /** Each pair that shares a pixel, in the order of the first's regions, then of the second's. */
    public List<Shared> pairs() {
        return shared.entrySet().stream()
                .map(e -> new Shared(e.getKey().first, e.getKey().second, e.getValue()[0]))
                .sorted(Comparator.comparingInt(Shared::first).thenComparingInt(Shared::second))
                .toList();
    }

    /** Pixels in any object of the first. */
    public long inFirst() {
        return inFirst;
    }

    /** Pixels in any object of the second. */
    public long inSecond() {
        return inSecond;
    }

    private void count(int[] one, int[] other) {
        for (int from = 0; from < one.length; ) {
            int to = from + 1;
            while (to < one.length && one[to] == one[from] && other[to] == other[from]) {
                to++;
            }
            if (one[from] >= 0 && other[from] >= 0) {
                shared.computeIfAbsent(new Pair(one[from], other[from]), p -> new long[1])[0] += to - from;
            }
            from = to;
        }
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
