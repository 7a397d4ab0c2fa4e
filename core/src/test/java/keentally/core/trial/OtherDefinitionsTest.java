package keentally.core.trial;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import org.junit.jupiter.api.Test;

class OtherDefinitionsTest {
    private static List<String> told(Method method) {
        return OtherDefinitions.of(method).stream()
                .map(o -> o.step().id() + " " + o.setting().id() + " " + o.value())
                .toList();
    }

    @Test
    void eachIsTheMethodInOneThingOtherwise() {
        Method method = Method.empty("m", LengthUnit.PX)
                .then("channel", "of", "grey")
                .then("threshold", "rule", "otsu")
                .then("remove-specks", "below", "20 px2")
                .then("edge-objects", "drop", "all");
        assertThat(told(method))
                .containsExactly(
                        "channel-1 weights bt601",
                        "channel-1 weights equal",
                        "channel-1 round true",
                        "remove-specks-1 neighbours four",
                        "edge-objects-1 drop two-sides",
                        "edge-objects-1 drop none",
                        "label-1 neighbours four");
        assertThat(OtherDefinitions.of(method))
                .allSatisfy(o -> assertThat(o.method().refusal()).isEmpty())
                .allSatisfy(o -> assertThat(o.method()).isNotEqualTo(method));
        assertThat(OtherDefinitions.of(method).getLast().method().indexOf("label-1"))
                .as("before objects are asked for")
                .isEqualTo(3);
    }

    @Test
    void gatesOnTheOutlineAreTriedByItsOtherLength() {
        Method method = Method.empty("m", LengthUnit.PX)
                .then("threshold", "rule", "otsu")
                .then("gate", "measure", "circularity", "atLeast", 0.8)
                .then("gate", "measure", "side-perimeter", "atMost", "90 px")
                .then("gate", "measure", "area", "atMost", "900 px2");
        assertThat(told(method)).contains("gate-1 measure side-circularity", "gate-2 measure perimeter");
        assertThat(told(method)).noneMatch(t -> t.startsWith("gate-3"));
    }

    @Test
    void whatDoesNotApplyIsNotTried() {
        Method red =
                Method.empty("m", LengthUnit.PX).then("channel", "of", "red").then("levels", "count", 2);
        assertThat(told(red)).isEmpty();
        Method split = Method.empty("m", LengthUnit.PX)
                .then("threshold", "rule", "otsu")
                .then("split-touching");
        assertThat(told(split)).containsExactly("edge-objects-1 drop all", "edge-objects-1 drop two-sides");
    }
}
