package keentally.core.agree;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * How two counts of one picture agree. The first is taken for the truth: what of it has no partner was missed, what of the second has
 * none is extra.
 *
 * <p>Definition: precision is matched over second, recall matched over first, F1 their harmonic mean, 2 matched / (first + second). The
 * difference is second less first, which is extra less missed; its interval takes what was missed and what is extra for two independent
 * Poisson numbers: difference ± 1.96 √(missed + extra) for 95 %.
 *
 * <p>Edge cases: of nothing and nothing precision, recall and F1 are not-a-number; the interval of a count without disagreement has no
 * width.
 *
 * <p>Source: C. J. van Rijsbergen (1979), Information Retrieval, chapter 7 (precision, recall and their mean); J. L. Fleiss, B. Levin and
 * M. C. Paik (2003), Statistical Methods for Rates and Proportions, section 13.2 (discordant pairs).
 *
 * @param partner for each of the first, its partner among the second; −1 where it has none
 * @param second how many the second are
 * @param merged things of the second that several of the first are in
 * @param split of the first: their thing lies in several of the second
 */
public record Agreement(int[] partner, int second, List<Group> merged, List<Group> split) {
    private static final double NORMAL_95 = 1.96;

    public Agreement {
        merged = List.copyOf(merged);
        split = List.copyOf(split);
    }

    /** One on one side, and several on the other that belong to it. */
    public record Group(int one, List<Integer> several) {
        public Group {
            several = List.copyOf(several);
        }
    }

    /** How many the first are. */
    public int first() {
        return partner.length;
    }

    public int matched() {
        return (int) Arrays.stream(partner).filter(p -> p >= 0).count();
    }

    /** Those of the first that have no partner. */
    public int[] missed() {
        return IntStream.range(0, partner.length).filter(i -> partner[i] < 0).toArray();
    }

    /** Those of the second that have no partner. */
    public int[] extra() {
        boolean[] taken = new boolean[second];
        for (int p : partner) {
            if (p >= 0) {
                taken[p] = true;
            }
        }
        return IntStream.range(0, second).filter(i -> !taken[i]).toArray();
    }

    public double precision() {
        return (double) matched() / second;
    }

    public double recall() {
        return (double) matched() / first();
    }

    public double f1() {
        return 2.0 * matched() / (first() + second);
    }

    /** The second less the first. */
    public int difference() {
        return second - first();
    }

    /** Half the width of the difference's interval of 95 %. */
    public double margin() {
        return NORMAL_95 * Math.sqrt(missed().length + extra().length);
    }
}
