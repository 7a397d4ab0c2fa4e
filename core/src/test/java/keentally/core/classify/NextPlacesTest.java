package keentally.core.classify;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import keentally.core.picture.Picture;
import keentally.core.work.Deadline;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

class NextPlacesTest {
    private static final int SIDE = 4;
    private static final int ACROSS = 60;

    /** Two classes: sure of the first but for a patch that wavers and one that wavers more. */
    private static float[] sure() {
        float[] sure = new float[2 * ACROSS * ACROSS];
        for (int i = 0; i < ACROSS * ACROSS; i++) {
            int x = i % ACROSS;
            int y = i / ACROSS;
            float first = x < 8 && y < 8 ? 0.6f : x >= 40 && y >= 40 && x < 48 && y < 48 ? 0.45f : 1;
            sure[2 * i] = first;
            sure[2 * i + 1] = 1 - first;
        }
        return sure;
    }

    @Test
    void whatWaversMostComesFirstAndNothingThatIsSure() {
        List<NextPlaces.Square> squares = NextPlaces.of(sure(), 2, ACROSS, SIDE, (c, r) -> false);
        assertThat(squares).hasSize(2);
        assertThat(squares.getFirst().column()).isIn(10, 11);
        assertThat(squares.getFirst().first()).as("the likelier of the two").isEqualTo(1);
        assertThat(squares.getFirst().wavering()).isGreaterThan(0.85);
        assertThat(squares.get(1).column()).isIn(0, 1);
        assertThat(squares.get(1).first()).isZero();
    }

    @Test
    void whereSomethingIsPaintedNothingIsAskedFor() {
        assertThat(NextPlaces.of(sure(), 2, ACROSS, SIDE, (c, r) -> c == 11 && r == 11))
                .extracting(NextPlaces.Square::column)
                .allMatch(c -> c < 2);
        float[] unknown = sure();
        Arrays.fill(unknown, Float.NaN);
        assertThat(NextPlaces.of(unknown, 2, ACROSS, SIDE, (c, r) -> false)).isEmpty();
    }

    @Test
    void aGridHoldsTheFeaturesOfItsPlacesWhateverTheOrderInWhichItIsRead() {
        FeatureSet set = new FeatureSet(List.of(FeatureGroup.values()), false, 1);
        Picture weave = Picture.grey(Weaves.drawn(93, 3));
        FeatureRows rows = FeatureRows.of(set, weave, weave).orElseThrow();
        FeatureGrid grid = FeatureGrid.of(rows, 400);
        assertThat(grid.step()).isEqualTo(5);
        for (int s = grid.stretches() - 1; s >= 0; s--) {
            assertThat(grid.isRead(s)).isFalse();
            grid.read(s);
        }
        float[][] whole = rows.read(0, 93);
        Learnt echo = LinearModel.trained(two(whole), LinearPlan.USUAL, Work.alone());
        float[] expected = echo.probabilities(whole, 93 * 93);
        for (int s = 0; s < grid.stretches(); s++) {
            float[] sure = grid.sure(echo, s);
            for (int i = 0; i < grid.across() * grid.lines(s); i++) {
                int x = grid.middle(i % grid.across(), 93);
                int y = grid.middle(grid.firstLine(s) + i / grid.across(), 93);
                assertThat(sure[2 * i]).isEqualTo(expected[2 * (y * 93 + x)]);
            }
        }
    }

    private static Examples two(float[][] whole) {
        int count = whole[0].length;
        int[] classOf = new int[count];
        for (int i = 0; i < count; i++) {
            classOf[i] = Weaves.isAcross(i % 93, 93) ? 0 : 1;
        }
        return new Examples(whole, classOf, 2, classOf);
    }

    @Test
    void whatHasNoTimeGrowsFewTreesAndIsHeldOutOnce() {
        FeatureSet set = new FeatureSet(List.of(FeatureGroup.VALUE, FeatureGroup.GRADIENT), false, 1);
        Picture weave = Picture.grey(Weaves.drawn(93, 3));
        Examples examples = two(FeatureRows.of(set, weave, weave).orElseThrow().read(0, 93));
        Examples grouped = new Examples(
                examples.features(),
                examples.classOf(),
                2,
                IntStream.range(0, examples.count()).map(i -> i / 93).toArray());
        Deadline past = Deadline.in(-1);
        ForestPlan plan = new ForestPlan(40, 6, 2, 1);
        Forest cut = plan.learn(grouped, Work.alone(), past);
        Forest whole = Forest.grown(grouped, plan, Work.alone());
        assertThat(cut.trees().size()).isBetween(1, 39);
        assertThat(whole.trees()).hasSize(40);
        assertThat(whole.trees().getFirst().edge())
                .isEqualTo(cut.trees().getFirst().edge());
        HeldOut held = HeldOut.of(grouped, plan.of(2), Work.alone(), past);
        assertThat(held.rounds()).isEqualTo(1);
        assertThat(held.wanted()).isEqualTo(5);
        assertThat(HeldOut.of(grouped, plan.of(2), Work.alone()).rounds()).isEqualTo(5);
    }
}
