package keentally.core.trial;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.run.Progress;
import keentally.core.run.Run;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.work.Cancel;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;

class NeighboursTest {
    /** A bright square of 20 on dark ground, values 20 and 220. */
    private static Run run(Method method) throws Exception {
        byte[] values = new byte[60 * 60];
        for (int i = 0; i < values.length; i++) {
            boolean in = i % 60 >= 20 && i % 60 < 40 && i / 60 >= 20 && i / 60 < 40;
            values[i] = (byte) (in ? 220 : 20);
        }
        Sample sample = Sample.of("", Picture.grey(Plane8.of(60, 60, values)), List.of(), Optional.empty());
        return new Runner(Workers.alone(), new StateCache(0))
                .run(method, sample, Integer.MAX_VALUE, new Cancel(), Progress.SILENT);
    }

    private static List<String> told(Method method) throws Exception {
        return Neighbours.of(run(method)).stream()
                .map(n -> n.step().description().id() + " " + n.setting().id() + " " + n.value())
                .toList();
    }

    @Test
    void amountsAreALittleSmallerAndLargerOneAtATime() throws Exception {
        Method method = Method.empty("", LengthUnit.PX)
                .then("smooth", "sigma", "1 px")
                .then("threshold", "rule", "manual", "cut", 120)
                .then("remove-specks", "below", "40 px2");
        assertThat(told(method))
                .containsExactly(
                        "smooth sigma 0.8 px",
                        "smooth sigma 1.25 px",
                        "threshold cut 116",
                        "threshold cut 124",
                        "remove-specks below 32 px²",
                        "remove-specks below 50 px²");
    }

    @Test
    void aCutThatWasFoundIsMovedToo() throws Exception {
        Method method = Method.empty("", LengthUnit.PX).then("threshold");
        List<Neighbours> all = Neighbours.of(run(method));
        assertThat(all).as("below the ground there is no cut").hasSize(1);
        assertThat(all.getFirst().method().refusal()).isEmpty();
        assertThat(all.getFirst().value()).isEqualTo("24");
    }

    @Test
    void wholeNumbersGoByOneAndChanceStays() throws Exception {
        Method method = Method.empty("", LengthUnit.PX).then("levels", "by", "quantiles", "count", 1);
        assertThat(told(method)).containsExactly("levels count 2");
    }

    @Test
    void mutedStationsAndThoseWithoutAmountsHaveNone() throws Exception {
        Method method = Method.empty("", LengthUnit.PX).then("invert").then("threshold", "rule", "manual", "cut", 120);
        Method muted = method.mute(method.steps().getLast().id(), true);
        assertThat(told(muted)).isEmpty();
    }
}
