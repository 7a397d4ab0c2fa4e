package keentally.core.step;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import keentally.core.classify.ClassPicture;
import keentally.core.classify.Classifier;
import keentally.core.classify.FeatureGroup;
import keentally.core.classify.FeatureSet;
import keentally.core.classify.Forest;
import keentally.core.classify.ForestPlan;
import keentally.core.classify.Lessons;
import keentally.core.classify.Lessons.Lesson;
import keentally.core.classify.Weaves;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Field;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.picture.Probabilities;
import keentally.core.quantity.Scale;
import keentally.core.setting.Reference;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;

class ClassifyStepTest {
    private static final int SIDE = 320;
    private static final FeatureSet SET = new FeatureSet(List.of(FeatureGroup.GABOR), false, 1);
    private static final Classifier TRAINED = trained(Optional.of(Scale.of("2 um/px")));
    private static final ClassifyStep STEP =
            new ClassifyStep(Optional.of(new Reference("weave.model.json", "")), false);

    private static Classifier trained(Optional<Scale> at) {
        Picture picture = Picture.grey(Weaves.drawn(SIDE, 1));
        Lessons lessons = Lessons.of(
                List.of(Lesson.of(SET, picture, ClassPicture.of(Picture.grey(Weaves.strokes(SIDE))))),
                Optional.of("0"));
        Forest forest =
                Forest.grown(lessons.examples(2000, 1, Work.alone()), new ForestPlan(12, 10, 2, 1), Work.alone());
        return new Classifier(SET, lessons.classes(), forest, at);
    }

    private static Site site(Work work) {
        References references = new References() {
            @Override
            public Picture picture(Reference reference) {
                throw new AssertionError("a model is no picture");
            }

            @Override
            public Classifier classifier(Reference reference) {
                return TRAINED;
            }
        };
        return new Site("classify-1", "grey", Optional.empty(), references, work);
    }

    private static State start(Picture picture, Field field, String scale) {
        return State.of(
                picture, field, Optional.of(scale).filter(s -> !s.isEmpty()).map(Scale::of));
    }

    private static PhaseMap classified(State before) throws StepFault {
        return STEP.apply(before, site(Work.alone())).state().phases().orElseThrow();
    }

    @Test
    void everyPixelOfTheFieldBecomesOfAClass() throws StepFault {
        Picture picture = Picture.grey(Weaves.drawn(SIDE, 2));
        Field field = Field.of(SIDE, SIDE, List.of(new Field.Part(new Rectangle(0, 40, SIDE, 200), false)));
        PhaseMap map = classified(start(picture, field, ""));
        assertThat(map.names()).containsExactly("1", "2");
        assertThat(map.map().at(5, 10)).isEqualTo(PhaseMap.OUTSIDE);
        int right = 0;
        for (int y = 60; y < 220; y++) {
            for (int x = 0; x < SIDE; x++) {
                right += map.map().at(x, y) == (Weaves.isAcross(x, SIDE) ? 0 : 1) ? 1 : 0;
            }
        }
        assertThat(right / (160.0 * SIDE)).isGreaterThan(0.95);
        try (Workers workers = Workers.of(4)) {
            PhaseMap shared = STEP.apply(start(picture, field, ""), site(new Work(workers, new Cancel())))
                    .state()
                    .phases()
                    .orElseThrow();
            assertThat(shared.map().values()).isEqualTo(map.map().values());
        }
    }

    @Test
    void howSureItIsGoesOnWherePeopleWantIt() throws StepFault {
        State before = start(Picture.grey(Weaves.drawn(SIDE, 2)), Field.whole(SIDE, SIDE), "");
        assertThat(STEP.apply(before, site(Work.alone())).state().probabilities())
                .isEmpty();
        State after = new ClassifyStep(STEP.model(), true)
                .apply(before, site(Work.alone()))
                .state();
        Probabilities sure = after.probabilities().orElseThrow();
        PhaseMap map = after.needPhases();
        assertThat(sure.names()).isEqualTo(map.names());
        for (int i = 0; i < SIDE; i++) {
            assertThat(sure.at(0, i, i) + sure.at(1, i, i)).isCloseTo(1, within(0.01));
            int phase = (int) map.map().at(i, i);
            assertThat(sure.at(phase, i, i)).isGreaterThanOrEqualTo(sure.at(1 - phase, i, i));
        }
        assertThat(after.give(map).probabilities()).as("of other phases").isEmpty();
    }

    @Test
    void atAnotherScaleItLooksAsFarInReality() {
        assertThat(TRAINED.featuresAt(Optional.empty()).stretch()).isEqualTo(1);
        assertThat(TRAINED.featuresAt(Optional.of(Scale.of("1 um/px"))).stretch())
                .isEqualTo(2);
        assertThat(TRAINED.featuresAt(Optional.of(Scale.of("4 um/px"))).stretch())
                .isEqualTo(0.5);
    }

    @Test
    void whatCannotBeDoneIsSaid() {
        Picture grey = Picture.grey(Weaves.drawn(SIDE, 1));
        Field whole = Field.whole(SIDE, SIDE);
        assertThatThrownBy(() ->
                        new ClassifyStep(Optional.empty(), false).apply(start(grey, whole, ""), site(Work.alone())))
                .hasMessageContaining("needs a model that was trained");
        Picture colour = Picture.colour(Weaves.drawn(SIDE, 1), Weaves.drawn(SIDE, 2), Weaves.drawn(SIDE, 3));
        assertThatThrownBy(() -> classified(start(colour, whole, "")))
                .hasMessageContaining("was trained on pictures of one channel")
                .hasMessageContaining("red, green, blue; put a channel station before it");
        assertThatThrownBy(() -> classified(start(grey, whole, "0.01 um/px")))
                .hasMessageContaining("which is too far from this sample's scale");
        assertThatThrownBy(() -> STEP.apply(
                        start(grey, whole, ""),
                        new Site("classify-1", "grey", Optional.empty(), References.NONE, Work.alone())))
                .hasMessageContaining("no files can be read here");
    }
}
