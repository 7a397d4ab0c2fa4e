package keentally.desk.station;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import keentally.core.geometry.Point;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.desk.stage.Stroke;
import org.junit.jupiter.api.Test;

/** Strokes come and go with the actions that they led to; settings are read and typed as text. */
class StrokesTest {
    private static final StepDescription RANGE = Steps.find("colour-range").orElseThrow();

    private static Values hue(double from, double to) {
        return Values.NONE.withTree(RANGE.setting("hue").orElseThrow(), List.of(from, to));
    }

    private static Strokes.Taken taken(Values before, Values after) {
        Stroke stroke = new Stroke(List.of(new Point(1, 2)), false, false);
        return new Strokes.Taken(stroke, "s1", List.of(new double[] {1, 2, 3}), before, after);
    }

    @Test
    void undoTakesStrokesBackAndRedoBringsThemAgain() {
        Strokes strokes = new Strokes();
        Values one = hue(10, 20);
        Values two = hue(5, 30);
        strokes.add("m1/c", strokes.of("m1/c", Values.NONE), taken(Values.NONE, one));
        strokes.add("m1/c", strokes.of("m1/c", one), taken(one, two));
        assertThat(strokes.of("m1/c", two)).hasSize(2);
        assertThat(strokes.of("m1/c", one)).hasSize(1);
        assertThat(strokes.of("m1/c", Values.NONE)).isEmpty();
        assertThat(strokes.of("m1/c", two)).hasSize(2);
        assertThat(strokes.of("m1/other", two)).isEmpty();
    }

    @Test
    void aStrokeAfterAnUndoReplacesTheOneTakenBack() {
        Strokes strokes = new Strokes();
        Values one = hue(10, 20);
        Values other = hue(100, 120);
        strokes.add("m1/c", List.of(), taken(Values.NONE, one));
        strokes.add("m1/c", strokes.of("m1/c", Values.NONE), taken(Values.NONE, other));
        assertThat(strokes.of("m1/c", other))
                .singleElement()
                .satisfies(t -> assertThat(t.after()).isEqualTo(other));
        strokes.clear("m1/c");
        assertThat(strokes.of("m1/c", other)).isEmpty();
    }

    private static <T> void thereAndBack(String step, String id, String typed, String read) {
        @SuppressWarnings("unchecked") // whatever its type, it is read and written by itself
        Setting<T> setting =
                (Setting<T>) Steps.find(step).orElseThrow().setting(id).orElseThrow();
        T value = setting.read(Typed.tree(setting, typed));
        assertThat(Typed.text(setting, value)).isEqualTo(read);
        assertThat(setting.read(Typed.tree(setting, Typed.text(setting, value))))
                .isEqualTo(value);
    }

    @Test
    void settingsAreTypedAsTheyAreRead() {
        thereAndBack("colour-range", "hue", "350 to 10", "350 to 10");
        thereAndBack("colour-range", "value", "0.2; 0.75", "0.2 to 0.75");
        thereAndBack("levels", "cuts", "10;20 ; 30", "10; 20; 30");
        thereAndBack("unmix-dyes", "vectors", "0.6 0.7 0.3; 0.1, 0.5, 0.8", "0.6 0.7 0.3; 0.1 0.5 0.8");
        thereAndBack("unmix-dyes", "white", "auto", "auto");
        thereAndBack("similar-colour", "colours", "#A0522D; not #ffffff 3", "#a0522d; not #ffffff 3");
        thereAndBack("group-phases", "groups", "crust: 0, dark", "crust: 0, dark");
        thereAndBack("threshold", "cut", "1,234.5", "1234.5");
        thereAndBack("smooth", "sigma", "1.5 um", "1.5 um");
    }
}
