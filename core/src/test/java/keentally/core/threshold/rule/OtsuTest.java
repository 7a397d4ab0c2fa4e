package keentally.core.threshold.rule;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigInteger;
import java.util.OptionalDouble;
import keentally.core.Chance;
import keentally.core.stats.Histogram;
import org.junit.jupiter.api.Test;

class OtsuTest {
    /** Every split by its definition, in whole numbers; the first of the best. */
    private static OptionalDouble slow(long[] counts) {
        int best = -1;
        BigInteger bestAbove = BigInteger.ZERO;
        BigInteger bestUnder = BigInteger.ONE;
        for (int k = 0; k < counts.length; k++) {
            long n0 = 0;
            long n1 = 0;
            BigInteger s0 = BigInteger.ZERO;
            BigInteger s1 = BigInteger.ZERO;
            for (int i = 0; i < counts.length; i++) {
                BigInteger part = BigInteger.valueOf(counts[i]).multiply(BigInteger.valueOf(i));
                n0 += i <= k ? counts[i] : 0;
                n1 += i > k ? counts[i] : 0;
                s0 = i <= k ? s0.add(part) : s0;
                s1 = i > k ? s1.add(part) : s1;
            }
            if (n0 == 0 || n1 == 0) {
                continue;
            }
            // n0 n1 (s0/n0 - s1/n1)^2 = (n1 s0 - n0 s1)^2 / (n0 n1)
            BigInteger apart = s0.multiply(BigInteger.valueOf(n1)).subtract(s1.multiply(BigInteger.valueOf(n0)));
            BigInteger above = apart.multiply(apart);
            BigInteger under = BigInteger.valueOf(n0).multiply(BigInteger.valueOf(n1));
            if (best < 0 || above.multiply(bestUnder).compareTo(bestAbove.multiply(under)) > 0) {
                best = k;
                bestAbove = above;
                bestUnder = under;
            }
        }
        return best < 0 ? OptionalDouble.empty() : OptionalDouble.of(best);
    }

    @Test
    void agreesWithTryingEverySplitOnThousandsOfHistograms() {
        for (long seed = 0; seed < 4000; seed++) {
            Chance chance = new Chance(seed);
            long[] counts = new long[chance.between(1, 40)];
            int most = chance.toss(0.5) ? 3 : 100_000_000;
            for (int i = 0; i < counts.length; i++) {
                counts[i] = chance.toss(0.4) ? 0 : chance.below(most);
            }
            assertThat(Otsu.cut(Histogram.ofLevels(counts))).as("seed %d", seed).isEqualTo(slow(counts));
        }
    }

    @Test
    void tiesTakeTheFirstOccupied() {
        assertThat(Otsu.cut(Histogram.ofLevels(5, 0, 0, 5))).hasValue(0);
        assertThat(Otsu.cut(Histogram.ofLevels(1, 1, 1, 1, 1, 1))).hasValue(2);
        assertThat(Otsu.cut(Histogram.ofLevels(4, 1, 4))).hasValue(0);
    }

    @Test
    void oneValueHasNoCut() {
        assertThat(Otsu.cut(Histogram.ofLevels(0, 9, 0))).isEmpty();
        assertThat(Otsu.cut(Histogram.ofLevels(0, 0))).isEmpty();
    }
}
