package keentally.desk.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.geometry.Rectangle;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.run.Readings;
import keentally.core.step.Steps;
import keentally.core.work.Work;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Discs;
import keentally.desk.model.InterfaceThread;
import keentally.study.document.Study;
import keentally.study.run.SampleRun;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a histogram is of: one channel, in one region. */
class HistogramRequestTest {
    private static final Field HALF = Field.of(4, 2, List.of(new Field.Part(new Rectangle(0, 0, 2, 2), false)));

    /** Left half 10 and 20, right half 200. */
    private static final Picture GREY =
            Picture.grey(Plane8.of(4, 2, new byte[] {10, 20, (byte) 200, (byte) 200, 10, 20, (byte) 200, (byte) 200}));

    private static HistogramRequest.Ground ground(Picture picture, List<Field.Part> patch) {
        return new HistogramRequest.Ground(picture, HALF, patch, Optional.empty(), Set.of());
    }

    private static HistogramRequest of(String channel, String... regions) {
        return new HistogramRequest(
                Arrays.stream(regions)
                        .map(r -> new HistogramRequest.Of(channel, r))
                        .toList(),
                false,
                false,
                0);
    }

    private static double mean(HistogramRequest.Result result, int of) {
        return result.summaries().get(of).mean();
    }

    @Test
    void theWholeTheFieldAndAPatchHaveTheirOwnValues() {
        List<Field.Part> patch = List.of(new Field.Part(new Rectangle(2, 0, 2, 1), false));
        HistogramRequest.Ground ground = ground(GREY, patch);
        assertThat(mean(of("grey", "whole").made(ground, Work.alone()), 0)).isEqualTo(107.5);
        HistogramRequest.Result two = of("grey", "field", "patch").made(ground, Work.alone());
        assertThat(mean(two, 0)).isEqualTo(15);
        assertThat(mean(two, 1)).isEqualTo(200);
        assertThat(two.summaries().get(1).count()).isEqualTo(2);
        assertThat(two.plot().series()).extracting(s -> s.name()).containsExactly("grey, field", "grey, patch");
        assertThat(two.plot().series())
                .allSatisfy(s -> assertThat(s.bins().low()).isEqualTo(10));
    }

    @Test
    void whatIsNotThereIsSaidInASentence() {
        HistogramRequest.Ground ground = ground(GREY, List.of());
        refused(of("grey", "patch"), ground, "Drag a patch on the picture.");
        refused(of("grey", "selected"), ground, "No object is selected.");
        refused(of("grey", "phase:2"), ground, "There is no such phase yet.");
        refused(of("plum", "whole"), ground, "This picture has no channel plum.");
        HistogramRequest.Ground beside = ground(GREY, List.of(new Field.Part(new Rectangle(50, 50, 2, 1), false)));
        refused(of("grey", "patch"), beside, "The patch holds no pixel of the picture; drag another one.");
        Picture nothing =
                Picture.grey(PlaneF.of(4, 2, new float[] {Float.NaN, Float.NaN, 1, 2, Float.NaN, Float.NaN, 3, 4}));
        refused(of("grey", "field"), ground(nothing, List.of()), "There is no finite value in field.");
    }

    private static void refused(HistogramRequest wish, HistogramRequest.Ground ground, String sentence) {
        assertThatThrownBy(() -> wish.made(ground, Work.alone()))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage(sentence);
    }

    @Test
    void aSampleWithoutResultsOffersOnlyItsOwnRegions() {
        assertThat(ground(GREY, List.of()).regions()).containsExactly("whole", "field", "patch");
        assertThat(ground(GREY, List.of()).name("phase:1")).isEqualTo("phase 1");
    }

    /** The discs are 110 to 120 bright on black: what is chosen and the rest are told apart. */
    @Test
    void phasesAndSelectedObjectsAreRegionsToo(@TempDir Path folder) throws Exception {
        InterfaceThread ui = new InterfaceThread();
        List<Throwable> crashes = new ArrayList<>();
        try (DeskModel desk = new DeskModel(ui, crashes::add)) {
            Method method = Method.empty("Discs", LengthUnit.PX);
            for (String step : List.of("threshold", "label")) {
                method = method.add(method.steps().size(), Steps.find(step).orElseThrow());
            }
            desk.begin(Study.empty().with(Study.FIRST_METHOD, method).with("s1", Discs.sample(folder, 2)));
            ui.settle(() -> desk.shown().get().isPresent());
            Optional<Readings> readings = desk.shown().get().flatMap(SampleRun::readings);
            Picture picture = desk.open().get().orElseThrow().file().picture();
            Field field = Field.whole(picture.width(), picture.height());
            HistogramRequest.Ground none = new HistogramRequest.Ground(picture, field, List.of(), readings, Set.of());
            assertThat(none.regions()).startsWith("whole", "field", "patch").endsWith("selected");
            refused(of("grey", "selected"), none, "No object is selected.");
            HistogramRequest.Ground one = new HistogramRequest.Ground(picture, field, List.of(), readings, Set.of(0));
            HistogramRequest.Result result = of("grey", "whole", "selected").made(one, Work.alone());
            assertThat(mean(result, 1)).isGreaterThan(2 * mean(result, 0));
            double area = readings.orElseThrow().objects().orElseThrow().at(0, 0);
            assertThat((double) result.summaries().get(1).count()).isCloseTo(area, within(1.0));
        }
        assertThat(crashes).isEmpty();
    }
}
