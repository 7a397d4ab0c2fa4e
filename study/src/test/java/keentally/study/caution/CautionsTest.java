package keentally.study.caution;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.run.Progress;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.step.Steps;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;

class CautionsTest {
    private static final int SIDE = 120;

    /** Squares of a side on a lattice, bright on dark, some pixels clipped. */
    private static Plane8 squares(int side, int offset, int bright) {
        byte[] values = new byte[SIDE * SIDE];
        for (int i = 0; i < values.length; i++) {
            int x = i % SIDE - offset;
            int y = i / SIDE - offset;
            boolean in = x >= 0 && y >= 0 && x % 20 < side && y % 20 < side && x < 100 && y < 100;
            values[i] = (byte) (in ? bright : 30);
        }
        return Plane8.of(SIDE, SIDE, values);
    }

    private static List<Caution> cautions(Plane8 plane, Optional<Scale> scale) throws RunFault {
        Method method =
                Method.empty("m", LengthUnit.PX).add(0, Steps.find("threshold").orElseThrow());
        Runner runner = new Runner(Workers.alone(), new StateCache(0));
        Run run = runner.run(
                method, Sample.of("k", Picture.grey(plane), List.of(), scale), 9, new Cancel(), Progress.SILENT);
        List<Caution> picture = new PictureCautions().of(run.sample(), Background.NONE, Work.alone());
        return Cautions.of(picture, run, runner.readings(run, new Cancel()));
    }

    private static final Optional<Scale> SCALE = Optional.of(Scale.of("1 um/px"));

    @Test
    void aSoundSampleHasNone() throws RunFault {
        assertThat(cautions(squares(10, 5, 200), SCALE)).isEmpty();
    }

    @Test
    void eachSaysWhatItSawInNumbers() throws RunFault {
        assertThat(Cautions.ids(cautions(squares(10, 5, 200), Optional.empty())))
                .isEqualTo("no-scale");
        assertThat(cautions(squares(10, 5, 255), SCALE))
                .singleElement()
                .satisfies(c -> assertThat(c.saw()).isEqualTo("17.4 % of the field is at 0 or 255 in grey."));
        assertThat(cautions(squares(10, 0, 200), SCALE))
                .singleElement()
                .satisfies(c -> assertThat(c.saw()).isEqualTo("9 of 25 objects are cut by the field's edge."));
        List<Caution> specks = cautions(squares(3, 5, 200), SCALE);
        assertThat(Cautions.ids(specks)).isEqualTo("mostly-specks;few-pixels");
        assertThat(specks.getFirst().saw()).isEqualTo("25 of 25 objects have under 16 pixels.");
        assertThat(Cautions.ids(cautions(squares(6, 5, 200), SCALE))).isEqualTo("few-pixels");
    }

    @Test
    void eachHasAReasonAndAWayOut() throws RunFault {
        for (Caution caution : cautions(squares(3, 0, 255), Optional.empty())) {
            assertThat(caution.why()).endsWith(".");
            assertThat(caution.wayOut()).endsWith(".");
        }
    }
}
