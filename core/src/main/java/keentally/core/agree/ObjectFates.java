package keentally.core.agree;

import java.util.Arrays;
import java.util.Set;
import java.util.TreeSet;
import keentally.core.region.ObjectSet;

/**
 * What became of the kept objects of one finding in another.
 *
 * <p>Definition: an object lies in one of the other finding where that holds more than half of its pixels. One is <i>parted</i> where two or
 * more of the others lie in it, and two or more are <i>joined</i> where they lie in one of the others; one is <i>gone</i> where it lies in
 * none and none lies in it, and <i>new</i> the same way seen from the other side. All else is the same object, also where its border moved.
 *
 * @param parted regions of the first that were parted
 * @param parts regions of the second that came of that
 * @param pieces regions of the first that were joined
 * @param joined regions of the second that came of that
 * @param gone regions of the first
 * @param fresh regions of the second that are new
 */
public record ObjectFates(
        Set<Integer> parted,
        Set<Integer> parts,
        Set<Integer> pieces,
        Set<Integer> joined,
        Set<Integer> gone,
        Set<Integer> fresh) {

    public ObjectFates {
        parted = Set.copyOf(parted);
        parts = Set.copyOf(parts);
        pieces = Set.copyOf(pieces);
        joined = Set.copyOf(joined);
        gone = Set.copyOf(gone);
        fresh = Set.copyOf(fresh);
    }

    /** Of two findings in pictures of one size. */
    public static ObjectFates of(ObjectSet first, ObjectSet second) {
        int[] firstIn = new int[first.regions().count()];
        int[] secondIn = new int[second.regions().count()];
        Arrays.fill(firstIn, -1);
        Arrays.fill(secondIn, -1);
        for (SharedPixels.Shared pair : SharedPixels.of(first, second).pairs()) {
            if (2 * pair.pixels() > first.regions().pixels(pair.first())) {
                firstIn[pair.first()] = pair.second();
            }
            if (2 * pair.pixels() > second.regions().pixels(pair.second())) {
                secondIn[pair.second()] = pair.first();
            }
        }
        Holding one = Holding.of(first.regions().count(), secondIn);
        Holding other = Holding.of(second.regions().count(), firstIn);
        return new ObjectFates(
                one.several,
                one.amongSeveral,
                other.amongSeveral,
                other.several,
                lost(first, firstIn, one),
                lost(second, secondIn, other));
    }

    private static Set<Integer> lost(ObjectSet of, int[] in, Holding holding) {
        Set<Integer> lost = new TreeSet<>();
        for (int i = 0; i < of.count(); i++) {
            int region = of.region(i);
            if (in[region] < 0 && holding.held[region] == 0) {
                lost.add(region);
            }
        }
        return lost;
    }

    /** How many of the others each object holds; which hold several, and the others that they hold. */
    private record Holding(int[] held, Set<Integer> several, Set<Integer> amongSeveral) {
        static Holding of(int count, int[] othersIn) {
            int[] held = new int[count];
            for (int in : othersIn) {
                if (in >= 0) {
                    held[in]++;
                }
            }
            Set<Integer> several = new TreeSet<>();
            Set<Integer> among = new TreeSet<>();
            for (int i = 0; i < othersIn.length; i++) {
                if (othersIn[i] >= 0 && held[othersIn[i]] > 1) {
                    several.add(othersIn[i]);
                    among.add(i);
                }
            }
            return new Holding(held, several, among);
        }
    }
}
