package keentally.core.classify;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.classify.Lessons.Lesson;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;

class LessonsTest {
    private static final int SIDE = 320;
    private static final FeatureSet SET = new FeatureSet(List.of(FeatureGroup.VALUE, FeatureGroup.GABOR), false, 1);
    private static final Picture WEAVE = Picture.grey(Weaves.drawn(SIDE, 1));

    private static Lessons lessons(Optional<String> unpainted) {
        return Lessons.of(
                List.of(Lesson.of(SET, WEAVE, ClassPicture.of(Picture.grey(Weaves.strokes(SIDE))))), unpainted);
    }

    @Test
    void whatIsPaintedIsToldByItsValuesAndNoneIsGuessedToBeNothing() {
        ClassPicture painted = ClassPicture.of(Picture.grey(Weaves.strokes(SIDE)));
        assertThat(painted.values()).extracting(ClassPicture.Painted::name).containsExactly("0", "1", "2");
        assertThat(painted.described()).startsWith("0 (8").contains("1 (", "2 (");
        assertThat(painted.classes(Optional.empty())).hasSize(3);
        assertThat(painted.classes(Optional.of("0")))
                .extracting(ClassLabel::name)
                .containsExactly("1", "2");
    }

    @Test
    void coloursAreClassesInTheirColours() {
        Plane8 red = Plane8.of(2, 1, new byte[] {(byte) 200, 0});
        Plane8 none = Plane8.of(2, 1, new byte[2]);
        ClassPicture painted = ClassPicture.of(Picture.colour(red, none, none));
        assertThat(painted.values()).extracting(ClassPicture.Painted::name).containsExactly("#000000", "#c80000");
        assertThat(painted.classes(Optional.of("#000000")).getFirst().colour().toString())
                .isEqualTo("#c80000");
    }

    @Test
    void whatIsNoClassPictureIsRefused() {
        assertThatThrownBy(() -> ClassPicture.of(WEAVE)).hasMessageContaining("at most 64 values");
        ClassPicture small = ClassPicture.of(Picture.grey(Plane8.of(2, 1, new byte[] {1, 2})));
        assertThatThrownBy(() -> Lesson.of(SET, WEAVE, small))
                .hasMessageContaining("is 2 × 1 px, but its picture is 320");
        Picture two = Picture.grey(Plane8.of(2, 1, new byte[2]));
        assertThatThrownBy(() -> Lessons.of(List.of(Lesson.of(SET, two, small)), Optional.of("1")))
                .hasMessageContaining("at least two classes must be painted")
                .hasMessageContaining("there is 2 alone");
        assertThatThrownBy(() -> Lessons.of(List.of(Lesson.of(SET, two, small)), Optional.empty()))
                .hasMessageContaining("class 1 is painted on 1 px alone, and 10 are the least");
    }

    @Test
    void examplesAreAsManyOfEachAndTheSameWithAnyNumberOfThreads() {
        Examples alone = lessons(Optional.of("0")).examples(2000, 5, Work.alone());
        assertThat(Arrays.stream(alone.classOf()).filter(c -> c == 0).count()).isBetween(850L, 1150L);
        assertThat(Arrays.stream(alone.classOf()).filter(c -> c == 1).count()).isBetween(850L, 1150L);
        try (Workers workers = Workers.of(3)) {
            Examples shared = lessons(Optional.of("0")).examples(2000, 5, new Work(workers, new Cancel()));
            assertThat(shared.features()).isDeepEqualTo(alone.features());
            assertThat(shared.groups()).isEqualTo(alone.groups());
        }
    }

    @Test
    void betweenBlocksLiesAGapThatNoScoreKnows() {
        Lessons lessons = lessons(Optional.of("0"));
        Examples examples = lessons.examples(4000, 5, Work.alone());
        assertThat(Arrays.stream(examples.groups())
                        .filter(g -> g == Lessons.GAP)
                        .count())
                .isPositive();
        assertThat(Arrays.stream(examples.groups())
                        .filter(g -> g >= 0)
                        .distinct()
                        .count())
                .isGreaterThan(3);
        Confusion scores =
                HeldOut.of(examples, new ForestPlan(8, 8, 2, 1), Work.alone()).confusion();
        long held = Arrays.stream(examples.groups()).filter(g -> g >= 0).count();
        assertThat(scores.examples(0) + scores.examples(1)).isEqualTo(held);
    }

    /** The greys are the same in both halves; the direction of the waves tells them apart. */
    @Test
    void sameGreysInTwoDirectionsAreToldApartWhereNothingWasPainted() {
        Lessons lessons = lessons(Optional.of("0"));
        Examples examples = lessons.examples(3000, 1, Work.alone());
        ForestPlan plan = new ForestPlan(24, 12, 2, 1);
        Confusion scores = HeldOut.of(examples, plan, Work.alone()).confusion();
        assertThat(scores.overlap(0)).isGreaterThan(0.95);
        Forest forest = Forest.grown(examples, plan, Work.alone());
        Picture other = Picture.grey(Weaves.drawn(SIDE, 2));
        byte[] called =
                forest.classOf(FeatureRows.of(SET, other, other).orElseThrow().read(100, 200), 100 * SIDE);
        int right = 0;
        for (int i = 0; i < called.length; i++) {
            right += called[i] == (Weaves.isAcross(i % SIDE, SIDE) ? 0 : 1) ? 1 : 0;
        }
        assertThat((double) right / called.length).as("on another picture").isGreaterThan(0.95);
        FeatureSet value = new FeatureSet(List.of(FeatureGroup.VALUE), false, 1);
        Lessons plain = Lessons.of(
                List.of(Lesson.of(value, WEAVE, ClassPicture.of(Picture.grey(Weaves.strokes(SIDE))))),
                Optional.of("0"));
        Confusion guess = HeldOut.of(plain.examples(3000, 1, Work.alone()), plan, Work.alone())
                .confusion();
        assertThat(guess.overlap(0)).as("the value alone says nothing").isLessThan(0.5);
    }

    /** Painted where blocks meet alone: it can be learnt, and not held out. */
    @Test
    void aClassThatLiesInGapsAloneHasNoScoresAndIsLearntAllTheSame() {
        float[][] values = {{0, 0, 0, 0, 1, 1, 1, 1}};
        Examples examples = new Examples(values, new int[] {0, 0, 0, 0, 1, 1, 1, 1}, 2, new int[] {
            1, 1, 2, 2, Lessons.GAP, Lessons.GAP, Lessons.GAP, Lessons.GAP
        });
        ForestPlan plan = new ForestPlan(4, 4, 1, 1);
        HeldOut held = HeldOut.of(examples, plan, Work.alone());
        assertThat(held.rounds()).isZero();
        assertThat(held.confusion().meanF1()).isNaN();
        assertThat(plan.learn(examples, Work.alone()).classOf(values, 8)).containsExactly(0, 0, 0, 0, 1, 1, 1, 1);
    }
}
