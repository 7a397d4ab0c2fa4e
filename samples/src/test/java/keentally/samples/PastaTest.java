package keentally.samples;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import keentally.core.classify.Classifier;
import keentally.core.classify.Confusion;
import keentally.core.classify.Examples;
import keentally.core.classify.FeatureGroup;
import keentally.core.classify.FeatureRows;
import keentally.core.classify.HeldOut;
import keentally.core.classify.HeldOut.Importance;
import keentally.core.classify.Learnt;
import keentally.core.classify.LinearPlan;
import keentally.core.picture.Plane8;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Learning from a few strokes, against all that is true of the picture. */
class PastaTest {
    private static Workers workers;
    private static Work work;
    private static DemoSample pasta;
    private static Plane8 strokes;
    private static byte[] kinds;

    @BeforeAll
    static void draw() {
        workers = Workers.of(2);
        work = new Work(workers, new Cancel());
        pasta = PastaSurface.draw(work);
        strokes = pasta.learning().painted().get("pasta-surface-strokes.png");
        kinds = PastaSurface.kinds(work);
    }

    @AfterAll
    static void close() {
        workers.close();
    }

    private static boolean isPainted(int i) {
        return (strokes.values()[i] & 0xff) != PastaSurface.UNPAINTED;
    }

    private static Confusion unpainted(Learnt learnt, Classifier classifier) {
        FeatureRows rows = FeatureRows.of(classifier.features(), pasta.picture(), pasta.picture())
                .orElseThrow();
        long[][] counts = new long[5][5];
        for (int y = 0; y < PastaSurface.HEIGHT; y += 95) {
            byte[] called = learnt.classOf(rows.read(y, y + 95), 95 * PastaSurface.WIDTH);
            for (int i = 0; i < called.length; i++) {
                int at = y * PastaSurface.WIDTH + i;
                if (!isPainted(at)) {
                    counts[kinds[at]][called[i]]++;
                }
            }
        }
        return new Confusion(counts);
    }

    @Test
    void everyKindIsFoundWhereNothingWasPainted() {
        long painted = 0;
        for (int i = 0; i < kinds.length; i++) {
            painted += isPainted(i) ? 1 : 0;
        }
        assertThat((double) painted / kinds.length).isLessThan(0.02);
        Classifier classifier = pasta.learning().models().get(PastaSurface.MODEL);
        Confusion found = unpainted(classifier.learnt(), classifier);
        for (int k = 0; k < 5; k++) {
            assertThat(found.overlap(k)).as(classifier.names().get(k)).isGreaterThanOrEqualTo(0.90);
        }
    }

    /** What lies between others, as a middling grey or a middling steepness does, no single plane parts from the rest. */
    @Test
    void aLinearLearnerDoesWorse() {
        Classifier classifier = pasta.learning().models().get(PastaSurface.MODEL);
        Examples examples = PastaSurface.lessons(pasta.picture(), strokes, Arrays.asList(FeatureGroup.values()))
                .examples(20_000, 1, work);
        Confusion forest = unpainted(classifier.learnt(), classifier);
        Confusion linear = unpainted(LinearPlan.USUAL.learn(examples, work), classifier);
        assertThat(linear.meanF1()).isLessThan(forest.meanF1() - 0.005);
        for (int k : new int[] {0, 2, 3, 4}) {
            assertThat(linear.overlap(k)).isLessThan(forest.overlap(k));
        }
    }

    /** Three kinds are alike in grey: without waves and what else tells directions, they are one. */
    @Test
    void directionsAreToldByWhatLooksInDirections() {
        HeldOut held = HeldOut.of(
                PastaSurface.lessons(pasta.picture(), strokes, Arrays.asList(FeatureGroup.values()))
                        .examples(5_000, 1, work),
                LinearPlan.USUAL,
                work);
        Importance most = held.byGroup(
                        pasta.learning().models().get(PastaSurface.MODEL).features(), 1, work)
                .getFirst();
        assertThat(most.name()).isEqualTo("gabor");
        Confusion grey = HeldOut.of(
                        PastaSurface.lessons(
                                        pasta.picture(), strokes, List.of(FeatureGroup.VALUE, FeatureGroup.GAUSSIAN))
                                .examples(5_000, 1, work),
                        LinearPlan.USUAL,
                        work)
                .confusion();
        assertThat(grey.overlap(2)).isLessThan(0.5);
        assertThat(grey.overlap(3)).isLessThan(0.5);
    }
}
