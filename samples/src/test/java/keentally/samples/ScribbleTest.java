package keentally.samples;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import keentally.core.hand.Dab;
import keentally.core.hand.Painting;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.refine.ScribbleCut;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

class ScribbleTest {
    private static final DemoSample GRAIN = ShadowedGrain.draw(Work.alone());
    private static final List<Dab> STROKES = ((Painting) GRAIN.hand().get("scribble-cut-1")).dabs();

    private static Mask cut(List<Dab> strokes) {
        Picture picture = GRAIN.picture();
        return ScribbleCut.of(
                        picture,
                        picture,
                        Field.whole(picture.width(), picture.height()),
                        strokes,
                        Optional.empty(),
                        10,
                        Work.alone())
                .orElseThrow();
    }

    @Test
    void theGrainHalfInShadowIsFoundByFourStrokes() {
        assertThat(STROKES.stream().filter(Dab.Brush.class::isInstance)).hasSize(4);
        double truth = GRAIN.truth().things().getFirst().areaPx2();
        assertThat(cut(STROKES).count() / truth).isCloseTo(1, within(0.03));
    }

    /** What the part is for: all seven grains look as much like the strokes. */
    @Test
    void withoutThePartTheOtherGrainsAreFoundToo() {
        double truth = GRAIN.truth().things().getFirst().areaPx2();
        assertThat(cut(STROKES.subList(1, 5)).count() / truth).isBetween(5.0, 7.5);
    }
}
