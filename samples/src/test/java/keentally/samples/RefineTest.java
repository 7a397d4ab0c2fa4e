package keentally.samples;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Optional;
import keentally.core.bring.MaskPicture;
import keentally.core.hand.Brought;
import keentally.core.method.Method;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.run.Progress;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;

class RefineTest {
    @Test
    void theRefinedDoughIsAtLeastTwiceAsNearTheTruthAsTheRoughOne() throws Exception {
        DemoSample dough = DyedDough.draw(Work.alone());
        Mask truth = DyedDough.dough();
        MaskPicture seen = MaskPicture.of(Picture.grey(dough.beside().rough().orElseThrow()));
        Brought rough = seen.read(seen.usual(), truth.width(), truth.height(), "rough");
        Method method = dough.beside().methods().getFirst();
        Sample sample = Sample.of(dough.id(), dough.picture(), dough.field(), Optional.of(dough.scale()))
                .with(Map.of(method.steps().getFirst().id(), rough));
        Mask refined = new Runner(Workers.alone(), new StateCache(0))
                .run(method, sample, 99, new Cancel(), Progress.SILENT)
                .last()
                .needMask();
        assertThat(off(rough.runs().mask(), truth)).as("rough").isGreaterThan(15_000);
        assertThat(off(refined, truth))
                .as("refined")
                .isLessThan(off(rough.runs().mask(), truth) / 4);
    }

    private static long off(Mask a, Mask b) {
        return a.minus(b).count() + b.minus(a).count();
    }
}
