package keentally.study.caution;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.classify.Classifier;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.classify.Examples;
import keentally.core.classify.FeatureGroup;
import keentally.core.classify.FeatureSet;
import keentally.core.classify.ForestPlan;
import keentally.core.colour.Rgb;
import keentally.core.geometry.Point;
import keentally.core.hand.Dab;
import keentally.core.hand.HandWork;
import keentally.core.hand.Painting;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.setting.Reference;
import keentally.core.step.References;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.study.run.SampleOrder;
import keentally.study.run.SampleRun;
import org.junit.jupiter.api.Test;

/** What may mislead where something was learnt, or pulled to edges. */
class LearnerCautionsTest {
    private static final int SIDE = 120;

    /** Dark to the left, bright to the right, with a bright line of two pixels across the dark. */
    private static Picture picture() {
        byte[] values = new byte[SIDE * SIDE];
        for (int i = 0; i < values.length; i++) {
            boolean bright = i % SIDE >= 60 || i / SIDE / 2 == 30;
            values[i] = (byte) (bright ? 180 : 60);
        }
        return Picture.grey(Plane8.of(SIDE, SIDE, values));
    }

    private static References model(String trainedAt) {
        FeatureSet set = new FeatureSet(List.of(FeatureGroup.GAUSSIAN), false, 1);
        float[][] features = new float[4][20];
        int[] classOf = new int[20];
        for (int i = 0; i < 20; i++) {
            classOf[i] = i % 2;
            for (float[] feature : features) {
                feature[i] = i % 2 == 0 ? 0.2f : 0.7f;
            }
        }
        Examples examples = new Examples(features, classOf, 2, new int[20]);
        Classifier classifier = new Classifier(
                set,
                List.of(new ClassLabel("dark", new Rgb(0, 0, 90)), new ClassLabel("bright", new Rgb(200, 160, 0))),
                new ForestPlan(3, 3, 1, 1).learn(examples, Work.alone()),
                Optional.of(trainedAt).filter(s -> !s.isEmpty()).map(Scale::of));
        return new References() {
            @Override
            public Picture picture(Reference reference) {
                throw new AssertionError("a model is no picture");
            }

            @Override
            public Classifier classifier(Reference reference) {
                return classifier;
            }
        };
    }

    private static List<Caution> cautions(
            Method method, References references, Optional<Scale> scale, Map<String, HandWork> hand) throws RunFault {
        Runner runner = new Runner(Workers.alone(), new StateCache(0), references);
        Sample sample = Sample.of("k", picture(), List.of(), scale).with(hand);
        SampleOrder order = new SampleOrder("k", sample, Background.NONE, false);
        return SampleRun.of(order, method, runner, new PictureCautions(new Captions()), new Cancel())
                .cautions();
    }

    private static List<String> ofModel(String trainedAt, String sampleAt) throws RunFault {
        Method method = Method.empty("m", LengthUnit.PX).then("classify", "model", "some.model.json");
        return cautions(
                        method,
                        model(trainedAt),
                        Optional.of(sampleAt).filter(s -> !s.isEmpty()).map(Scale::of),
                        Map.of())
                .stream()
                .filter(c -> c.id().equals("model-scale"))
                .map(Caution::saw)
                .toList();
    }

    @Test
    void aModelOfAnotherScaleSaysByHowMuch() throws RunFault {
        assertThat(ofModel("2 um/px", "1 um/px")).singleElement().asString().contains("2.00 times as many pixels far");
        assertThat(ofModel("2 um/px", "2 um/px")).isEmpty();
        assertThat(ofModel("", "")).isEmpty();
        assertThat(ofModel("2 um/px", "")).singleElement().asString().contains("without knowing how the scale");
        assertThat(ofModel("", "2 um/px")).hasSize(1);
    }

    /** The mask holds the line; strong smoothing takes it away. */
    private static List<Caution> ofRefining(String smoothWeight) throws RunFault {
        Method method = Method.empty("m", LengthUnit.PX)
                .then("threshold", "rule", "manual", "cut", 100, "keep", "bright")
                .then("paint")
                .then(
                        "refine-edges",
                        "smoothWeight",
                        Double.valueOf(smoothWeight),
                        "appearanceWeight",
                        0,
                        "smoothSigma",
                        "4 px");
        Painting none = new Painting(Arrays.<Dab>asList(new Dab.Brush(List.of(new Point(100, 100)), 2, true)));
        return cautions(method, References.NONE, Optional.empty(), Map.of("paint-1", none)).stream()
                .filter(c -> c.id().equals("lost-parts"))
                .toList();
    }

    @Test
    void aThinPartThatRefiningTookAwayIsNamedWithItsPlace() throws RunFault {
        assertThat(ofRefining("30")).singleElement().satisfies(c -> {
            assertThat(c.saw()).startsWith("Step 3 took away 1 thin part, ").contains("x, y px 30, 61");
            assertThat(c.wayOut()).contains("paint them back");
        });
        assertThat(ofRefining("0")).isEmpty();
    }
}
