package keentally.core.threshold.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import keentally.core.Chance;
import keentally.core.picture.Field;
import keentally.core.picture.Plane16;
import keentally.core.picture.PlaneF;
import keentally.core.stats.Histogram;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class RuleTest {
    private static final int ROUNDS = 3000;

    private static long[] histogram(long seed) {
        Chance chance = new Chance(seed);
        long[] counts = new long[chance.between(2, 60)];
        int most = chance.toss(0.5) ? 4 : 100_000;
        double empty = chance.between(0.0, 0.7);
        for (int i = 0; i < counts.length; i++) {
            counts[i] = chance.toss(empty) ? 0 : chance.below(most);
        }
        return counts;
    }

    /** Whether the rule's cut has the merit of the best cut there is, and there is one where there is any candidate. */
    private static void picksTheBest(
            Function<Histogram, OptionalDouble> rule, Function<SlowRules, IntToDoubleFunction> slow) {
        for (long seed = 0; seed < ROUNDS; seed++) {
            long[] counts = histogram(seed);
            SlowRules plain = new SlowRules(counts);
            IntToDoubleFunction merit = slow.apply(plain);
            double best = IntStream.range(0, counts.length)
                    .filter(plain::splits)
                    .mapToDouble(merit)
                    .filter(m -> !Double.isNaN(m))
                    .max()
                    .orElse(Double.NaN);
            OptionalDouble cut = rule.apply(Histogram.ofLevels(counts));
            assertThat(cut.isPresent()).as("seed %d", seed).isEqualTo(!Double.isNaN(best));
            if (cut.isPresent()) {
                assertThat(plain.splits((int) cut.getAsDouble()))
                        .as("seed %d", seed)
                        .isTrue();
                assertThat(merit.applyAsDouble((int) cut.getAsDouble()))
                        .as("seed %d", seed)
                        .isCloseTo(best, within(1e-9 * (1 + Math.abs(best))));
            }
        }
    }

    @Test
    void rulesWithAMeritTakeTheBestOfAllCuts() {
        picksTheBest(Rule.VALLEY_EMPHASIS::cut, s -> s::valleyEmphasis);
        picksTheBest(Rule.MAX_ENTROPY::cut, s -> s::maxEntropy);
        picksTheBest(Rule.MIN_CROSS_ENTROPY::cut, s -> s::minCrossEntropy);
        picksTheBest(Rule.MINIMUM_ERROR::cut, s -> s::minimumError);
        picksTheBest(Rule.MOMENTS::cut, s -> s::moments);
    }

    @Test
    void generalisedTakesTheBestOfAllCutsForAnyBelief() {
        for (Generalised believed :
                new Generalised[] {Generalised.USUAL, new Generalised(0.1, 3, 0.5, 0.2), new Generalised(50, 20, 2, 0.9)
                }) {
            picksTheBest(believed::cut, s -> k -> s.generalised(k, believed));
        }
    }

    @Test
    void generalisedHasOtsuAndMinimumErrorAsItsEnds() {
        int same = 0;
        for (long seed = 0; seed < 300; seed++) {
            Histogram h = Histogram.ofLevels(histogram(seed));
            OptionalDouble otsu = Rule.OTSU.cut(h);
            same += new Generalised(1e9, 1, 0, 0.5).cut(h).equals(otsu) ? 1 : 0;
            OptionalDouble least = Rule.MINIMUM_ERROR.cut(h);
            if (least.isPresent()) {
                assertThat(new Generalised(0, 1, 0, 0.5).cut(h))
                        .as("seed %d", seed)
                        .isEqualTo(least);
            }
        }
        // a finite weight leaves a trace of the sides' sizes, which decides near ties
        assertThat(same).isGreaterThan(250);
    }

    @Test
    void iterativeMeanEndsMidwayBetweenItsSides() {
        for (long seed = 0; seed < ROUNDS; seed++) {
            long[] counts = histogram(seed);
            SlowRules plain = new SlowRules(counts);
            OptionalDouble cut = Rule.ITERATIVE_MEAN.cut(Histogram.ofLevels(counts));
            if (Arrays.stream(counts).filter(c -> c > 0).count() < 2) {
                assertThat(cut).isEmpty();
                continue;
            }
            double t = plain.mean() + 1e-9;
            double before = Double.NaN;
            while ((int) t != before) {
                before = (int) t;
                t = plain.midway((int) t) + 1e-9;
            }
            int k = (int) t;
            while (counts[k] == 0) {
                k--;
            }
            assertThat(cut).as("seed %d", seed).hasValue(k);
        }
    }

    @Test
    void triangleAndUnimodalTakeTheDeepestCorner() {
        for (long seed = 0; seed < ROUNDS; seed++) {
            long[] counts = histogram(seed);
            int first = IntStream.range(0, counts.length)
                    .filter(i -> counts[i] > 0)
                    .findFirst()
                    .orElse(0);
            int last = IntStream.range(0, counts.length)
                    .filter(i -> counts[i] > 0)
                    .max()
                    .orElse(0);
            if (first == last) {
                assertThat(Rule.TRIANGLE.cut(Histogram.ofLevels(counts))).isEmpty();
                assertThat(Rule.UNIMODAL.cut(Histogram.ofLevels(counts))).isEmpty();
                continue;
            }
            int peak = first;
            for (int i = first; i <= last; i++) {
                peak = counts[i] > counts[peak] ? i : peak;
            }
            boolean up = last - peak >= peak - first;
            int end = up ? last : first;
            assertThat(Rule.TRIANGLE.cut(Histogram.ofLevels(counts)))
                    .as("seed %d", seed)
                    .hasValue(side(counts, corner(counts, peak, end, counts[end]), up, last));
            long[] longer = Arrays.copyOf(counts, last + 2);
            assertThat(Rule.UNIMODAL.cut(Histogram.ofLevels(counts)))
                    .as("seed %d", seed)
                    .hasValue(side(counts, corner(longer, peak, last + 1, 0), true, last));
        }
    }

    private static int corner(long[] counts, int peak, int end, double height) {
        SlowRules plain = new SlowRules(counts);
        int best = peak;
        double deepest = 1e-9;
        for (int i = peak; i != end; i += end > peak ? 1 : -1) {
            double depth = plain.below(i, peak, end, height);
            if (depth > deepest + 1e-9) {
                deepest = depth;
                best = i;
            }
        }
        return best;
    }

    /** The corner belongs to the peak; both sides keep a pixel. */
    private static int side(long[] counts, int corner, boolean up, int last) {
        int k = Math.min(up ? corner : corner - 1, last - 1);
        while (counts[k] == 0) {
            k--;
        }
        return k;
    }

    @Test
    void valleyIsTheLowestPlaceBetweenTwoPeaks() {
        assertThat(Rule.VALLEY.cut(Histogram.ofLevels(1, 5, 9, 4, 2, 3, 8, 2))).hasValue(4);
        assertThat(Rule.VALLEY.cut(Histogram.ofLevels(9, 4, 2, 2, 3, 8))).hasValue(2);
        assertThat(Rule.VALLEY.cut(Histogram.ofLevels(1, 5, 9, 9, 4))).isEmpty();
        // three peaks become two by smoothing: (6, 6, 5, 5, 5, 11/3, 4, 9 ...)
        long[] three = {6, 6, 6, 3, 6, 5, 0, 0, 7, 11};
        OptionalDouble cut = Rule.VALLEY.cut(Histogram.ofLevels(three));
        assertThat(cut.getAsDouble()).isBetween(4.0, 7.0);
    }

    @Test
    void valleyAgreesWithItsDefinition() {
        for (long seed = 0; seed < ROUNDS; seed++) {
            long[] counts = histogram(seed);
            if (Arrays.stream(counts).filter(c -> c > 0).count() < 2) {
                continue;
            }
            int lowest = new SlowRules(counts).valley();
            OptionalDouble cut = Rule.VALLEY.cut(Histogram.ofLevels(counts));
            assertThat(cut.isPresent()).as("seed %d", seed).isEqualTo(lowest >= 0);
            if (lowest >= 0) {
                int last = IntStream.range(0, counts.length)
                        .filter(i -> counts[i] > 0)
                        .max()
                        .orElseThrow();
                assertThat(cut).as("seed %d", seed).hasValue(side(counts, lowest, true, last));
            }
        }
    }

    /** Noisy bells: fitted by both, the darker curve is the higher one up to the cut and no further. */
    @Test
    void mixtureAgreesWithItsDefinition() {
        int compared = 0;
        for (long seed = 0; seed < 1000; seed++) {
            Chance chance = new Chance(seed);
            double dark = chance.between(15.0, 40);
            double bright = dark + chance.between(20.0, 50);
            double sd = chance.between(3.0, 9);
            double other = chance.between(3.0, 9);
            double share = chance.between(0.2, 0.8);
            long[] counts = new long[128];
            for (int i = 0; i < counts.length; i++) {
                double height = share * bell(i, dark, sd) / sd + (1 - share) * bell(i, bright, other) / other;
                counts[i] = Math.round(2e4 * height * chance.between(0.9, 1.1)) + 1;
            }
            Histogram h = Histogram.ofLevels(counts);
            OptionalDouble cut = Rule.MIXTURE.cut(h);
            double[][] bells =
                    new SlowRules(counts).bells((int) Rule.OTSU.cut(h).getAsDouble());
            if (cut.isEmpty() || bells[0][1] >= bells[1][1]) {
                continue;
            }
            int k = (int) cut.getAsDouble();
            compared++;
            double slack = 1 + 1e-3;
            assertThat(SlowRules.density(bells[0], k) * slack)
                    .as("seed %d", seed)
                    .isGreaterThanOrEqualTo(SlowRules.density(bells[1], k));
            assertThat(SlowRules.density(bells[0], k + 1))
                    .as("seed %d", seed)
                    .isLessThanOrEqualTo(SlowRules.density(bells[1], k + 1) * slack);
        }
        assertThat(compared).isGreaterThan(900);
    }

    @Test
    void mixtureFindsWhereTheCurvesCross() {
        long[] counts = new long[200];
        for (int i = 0; i < counts.length; i++) {
            counts[i] = Math.round(1e6 * (0.7 * bell(i, 60, 10) / 10 + 0.3 * bell(i, 130, 20) / 20));
        }
        int crossing = IntStream.range(60, 130)
                .filter(i -> 0.7 * bell(i, 60, 10) / 10 < 0.3 * bell(i, 130, 20) / 20)
                .findFirst()
                .orElseThrow();
        assertThat(Rule.MIXTURE.cut(Histogram.ofLevels(counts)).getAsDouble()).isCloseTo(crossing - 1, within(1.0));
        long[] wide = new long[65536];
        for (int i = 0; i < wide.length; i++) {
            wide[i] = counts[i * 200 / 65536];
        }
        assertThat(Rule.MIXTURE.cut(Histogram.ofLevels(wide)).getAsDouble())
                .isCloseTo(crossing * 65536.0 / 200, within(2 * 65536.0 / 200));
    }

    private static double bell(double x, double mean, double sd) {
        return Math.exp(-(x - mean) * (x - mean) / (2 * sd * sd));
    }

    @Test
    void aShareIsKeptAsNearAsValuesAllow() {
        Histogram h = Histogram.ofLevels(10, 0, 20, 30, 40);
        assertThat(Share.cut(h, 30, true)).hasValue(2);
        assertThat(Share.cut(h, 40, false)).hasValue(3);
        assertThat(Share.cut(h, 100, true)).hasValue(3);
        assertThat(Share.cut(h, 0, true)).hasValue(0);
        assertThat(Share.cut(h, 12, true)).hasValue(0);
        assertThat(Share.cut(Histogram.ofLevels(0, 4), 12, true)).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(Rule.class)
    void worksAtAnyDepthAndNeverOnOneValue(Rule rule) {
        Chance chance = new Chance(7);
        short[] deep = new short[40_000];
        float[] floating = new float[deep.length];
        for (int i = 0; i < deep.length; i++) {
            boolean bright = chance.toss(0.3);
            double noise = chance.between(-1.0, 1.0) + chance.between(-1.0, 1.0) + chance.between(-1.0, 1.0);
            deep[i] = (short) (int) ((bright ? 40_000 : 15_000) + 3000 * noise);
            floating[i] = (float) ((deep[i] & 0xffff) / 1e5);
        }
        Field field = Field.whole(200, 200);
        Histogram wide = Histogram.of(Plane16.of(200, 200, deep), field, Work.alone());
        Histogram fine = Histogram.of(PlaneF.of(200, 200, floating), field, Work.alone());
        assertThat(rule.cut(Histogram.ofLevels(0, 7, 0))).isEmpty();
        assertThat(rule.cut(Histogram.ofLevels(0))).isEmpty();
        if (rule.isAutomatic()) {
            // between the two bells, which end at 24,000 and begin at 31,000; rules made for one peak stop at its foot
            assertThat(rule.cut(wide).getAsDouble()).isBetween(15_000.0, 33_000.0);
            assertThat(rule.cut(fine).getAsDouble()).isBetween(0.15, 0.33);
        } else {
            assertThat(rule.cut(wide)).isEmpty();
        }
    }
}
