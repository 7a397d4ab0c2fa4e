package keentally.core.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keentally.core.measure.Measure;
import keentally.core.quantity.LengthUnit;
import keentally.core.step.Flow;
import keentally.core.step.Steps;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MethodTest {
    private static Map<String, Object> tree(Object... entries) {
        Map<String, Object> tree = new LinkedHashMap<>();
        for (int i = 0; i < entries.length; i += 2) {
            tree.put((String) entries[i], entries[i + 1]);
        }
        return tree;
    }

    private static Map<String, Object> method(Object... steps) {
        return tree(
                "format", "keen-tally-method",
                "version", 1,
                "name", "Test",
                "unit", "um",
                "steps", new ArrayList<>(List.of(steps)));
    }

    private static Method built(String... steps) {
        Method method = Method.empty("Test", LengthUnit.UM);
        for (String step : steps) {
            method = method.add(method.steps().size(), Steps.find(step).orElseThrow());
        }
        return method;
    }

    @ParameterizedTest
    @CsvSource({
        "threshold fill-holes label gate, ''",
        "threshold gate, ''",
        "smooth threshold edge-objects smooth gate, ''",
        "threshold gate fill-holes gate, ''",
        "fill-holes, 'Step 1 (fill-holes) needs a mask, but no step before it gives a mask.'",
        "smooth gate, 'Step 2 (gate) needs objects, but no step before it gives objects.'",
        "threshold label threshold gate, ''",
    })
    void anOrderThatCannotWorkIsRefusedWithTheReason(String steps, String reason) {
        assertThat(built(steps.split(" ")).refusal().map(Throwable::getMessage).orElse(""))
                .isEqualTo(reason);
    }

    @Test
    void aMutedStepIsAsIfItWereNotThere() {
        Method method = built("threshold", "gate");
        assertThat(method.mute("threshold-1", true).refusal()).isPresent();
        assertThat(method.mute("gate-1", true).refusal()).isEmpty();
        assertThat(method.mute("gate-1", true).available(2)).containsExactlyInAnyOrder(Flow.PICTURE, Flow.MASK);
    }

    @Test
    void idsAreGivenOnceAndNeverRenumbered() {
        Method method = built("threshold", "gate", "gate")
                .remove("gate-1")
                .add(1, Steps.find("gate").orElseThrow());
        assertThat(method.steps().stream().map(MethodStep::id)).containsExactly("threshold-1", "gate-1", "gate-2");
        assertThat(method.move("gate-2", 1).steps().get(1).id()).isEqualTo("gate-2");
        assertThat(method.indexOf("nobody")).isEqualTo(-1);
    }

    @Test
    void aMethodReadsBackAsItWasWritten() throws MethodFault {
        Method method = built("smooth", "threshold", "fill-holes", "gate").mute("fill-holes-1", true);
        assertThat(MethodTree.write(MethodTree.read(MethodTree.write(method)))).isEqualTo(MethodTree.write(method));
        assertThat(MethodTree.read(MethodTree.write(method)).steps().get(2).muted())
                .isTrue();
    }

    private static Map<String, Object> withColumns(Object... columns) {
        Map<String, Object> method = method(tree("step", "threshold"));
        method.put("columns", List.of(columns));
        return method;
    }

    @Test
    void columnsOfOnesOwnAreReadWrittenAndRefusedWithTheReason() throws MethodFault {
        Method own = MethodTree.read(withColumns(tree("name", "slim", "formula", "feret-max / feret-min")));
        assertThat(own.columns()).hasSize(Method.USUAL_MEASURES.size() + 1);
        assertThat(own.measured()).contains(Measure.FERET_MIN);
        assertThat(MethodTree.read(MethodTree.write(own)).own()).isEqualTo(own.own());
        assertThat(MethodTree.canonical(own)).containsKey("columns");
        assertThat(MethodTree.canonical(own.withOwn(List.of()))).doesNotContainKey("columns");
        assertThatThrownBy(() -> MethodTree.read(withColumns(tree("name", "slim", "formula", "area + ecd"))))
                .hasMessageContaining("column \"slim\" cannot be: only like can be added");
        assertThatThrownBy(() -> MethodTree.read(withColumns(tree("name", "slim"))))
                .hasMessageContaining("\"name\" and \"formula\"");
        Object one = tree("name", "one", "formula", "1");
        assertThatThrownBy(() -> MethodTree.read(withColumns(one, one))).hasMessageContaining("names each only once");
    }

    @Test
    void theCanonicalFormHasDefaultsAndNoIdsMutesOrSaves() throws MethodFault {
        Method bare = MethodTree.read(method(tree("step", "smooth"), tree("step", "threshold")));
        Method dressed = MethodTree.read(method(
                tree("save", true, "sigma", "1 px", "step", "smooth", "id", "a", "by", "gaussian"),
                tree("muted", true, "step", "threshold", "id", "b")));
        assertThat(MethodTree.canonical(dressed)).isEqualTo(MethodTree.canonical(bare));
        assertThat(MethodTree.canonical(bare).get("steps"))
                .isEqualTo(List.of(
                        tree("step", "smooth", "by", "gaussian", "sigma", "1 px"),
                        tree("step", "threshold", "rule", "otsu", "keep", "bright")));
        assertThat(MethodTree.canonical(bare).get("measures")).isEqualTo(List.of("area", "ecd", "circularity", "mean"));
    }

    private static void fails(Map<String, Object> tree, String... parts) {
        assertThatThrownBy(() -> MethodTree.read(tree))
                .isInstanceOf(MethodFault.class)
                .hasMessageContainingAll(parts)
                .hasMessageEndingWith(".");
    }

    @Test
    void mistakesNameStepSettingExpectedAndFound() {
        fails(
                method(tree("step", "threshold"), tree("step", "blurr")),
                "Step 2 (blurr)",
                "no step that this version knows");
        fails(
                method(tree("step", "smooth", "sigma", 2)),
                "Step 1 (smooth)",
                "'sigma'",
                "expected a length",
                "the number 2");
        fails(method(tree("step", "smooth", "sigma", "-2 px")), "'sigma'", "0 or more");
        fails(method(tree("step", "smooth", "width", "2 px")), "has no setting 'width'", "by, sigma");
        fails(
                method(tree("step", "threshold", "rule", "best")),
                "'rule'",
                "expected one of otsu, valley-emphasis",
                "\"best\"");
        fails(method(tree("step", "threshold", "rule", "manual")), "Step 1 (threshold)", "needs 'cut'");
        fails(method(tree("step", "threshold", "cut", 7)), "'cut' has an effect only when rule is manual");
        fails(method(tree("step", "threshold", "rule", "manual", "cut", "high")), "expected a number", "\"high\"");
        fails(method(tree("step", "threshold", "muted", "yes")), "'muted'", "expected true or false");
        fails(
                method(tree("step", "threshold"), tree("step", "gate", "measure", "area", "atLeast", 5)),
                "Step 2 (gate)",
                "an area");
        fails(
                method(tree("step", "threshold", "id", "a"), tree("step", "label", "id", "a")),
                "the id of an earlier step");
        fails(method(tree("step", "gate")), "Step 1 (gate) needs objects");
        fails(method("threshold"), "must be an object with a \"step\"");
    }

    @Test
    void mistakesInTheHeadAreSaid() {
        Map<String, Object> good = method(tree("step", "threshold"));
        fails(with(good, "format", "other"), "\"format\"", "keen-tally-method");
        fails(with(good, "version", 2), "\"version\"", "the number 1");
        fails(with(good, "unit", "inch"), "\"unit\"", "px, nm, um, mm or cm");
        fails(with(good, "measures", List.of("area", "weight")), "\"measures\"", "\"weight\"");
        fails(with(good, "measures", List.of()), "\"measures\"");
        fails(with(good, "steps", "none"), "\"steps\"", "a list of steps");
        fails(with(good, "note", "x"), "no entry \"note\"");
        assertThatThrownBy(() -> MethodTree.read(List.of()))
                .hasMessage("A method must be a JSON object, but found a list.");
    }

    private static Map<String, Object> with(Map<String, Object> tree, String key, Object value) {
        Map<String, Object> changed = new LinkedHashMap<>(tree);
        changed.put(key, value);
        return changed;
    }

    @Test
    void aMethodNeedsAMeasure() {
        assertThatThrownBy(() -> built("threshold").measuring(List.of())).hasMessageContaining("at least one measure");
        assertThat(built("threshold").measuring(List.of(Measure.X)).measures()).containsExactly(Measure.X);
    }
}
