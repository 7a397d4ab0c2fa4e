package keentally.core.method;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import keentally.core.method.MethodDifference.Beside;
import keentally.core.method.MethodDifference.Moved;
import keentally.core.method.MethodDifference.OneSided;
import keentally.core.method.MethodDifference.Otherwise;
import keentally.core.method.MethodDifference.SwitchedOff;
import keentally.core.quantity.LengthUnit;
import org.junit.jupiter.api.Test;

class MethodDifferenceTest {
    private static final Method FIRST = Method.empty("first", LengthUnit.UM)
            .then("smooth", "by", "gaussian", "sigma", "1 px")
            .then("threshold", "rule", "otsu")
            .then("fill-holes")
            .then("remove-specks", "below", "20 px2");

    @Test
    void aMethodDiffersInNothingFromItself() {
        assertThat(MethodDifference.between(FIRST, FIRST.named("other"))).isEmpty();
    }

    @Test
    void settingsThatApplyAreTold() {
        Method second = with(FIRST, "threshold-1", "rule", "manual");
        second = with(second, "threshold-1", "cut", 112.0);
        assertThat(told(FIRST, second))
                .containsExactly("2 rule Optional[otsu] Optional[manual]", "2 cut Optional.empty Optional[112]");
    }

    @Test
    void stepsOfOneSideAreTold() {
        Method second = FIRST.remove("fill-holes-1").then("hull");
        assertThat(told(FIRST, second)).containsExactly("4 hull second", "3 fill-holes first");
    }

    @Test
    void stepsOfOtherIdsAreTheSameByTheirKind() {
        Method second = Method.empty("second", LengthUnit.UM)
                .then("smooth", "by", "gaussian", "sigma", "2 px")
                .then("smooth", "by", "gaussian", "sigma", "1 px")
                .remove("smooth-1")
                .then("threshold", "rule", "otsu")
                .then("fill-holes")
                .then("remove-specks", "below", "20 px2");
        assertThat(second.steps().getFirst().id()).isEqualTo("smooth-2");
        assertThat(told(FIRST, second)).isEmpty();
    }

    @Test
    void orderMutingAndWhatStandsBesideAreTold() {
        Method second = FIRST.move("fill-holes-1", 3)
                .mute("smooth-1", true)
                .in(LengthUnit.MM)
                .of("red");
        assertThat(told(FIRST, second))
                .containsExactly(
                        "1 smooth off in second",
                        "remove-specks 4 to 3",
                        "fill-holes 3 to 4",
                        "unit \u00b5m mm",
                        "signal grey red");
    }

    private static Method with(Method method, String step, String setting, Object tree) {
        MethodStep found = method.step(step).orElseThrow();
        return method.with(
                step,
                found.values().withTree(found.description().setting(setting).orElseThrow(), tree));
    }

    private static List<String> told(Method first, Method second) {
        return MethodDifference.between(first, second).stream()
                .map(d -> switch (d) {
                    case OneSided o -> o.number() + " " + kind(o.step()) + (o.ofFirst() ? " first" : " second");
                    case Otherwise o ->
                        o.number() + " " + o.setting().id() + " " + text(o.first()) + " " + text(o.second());
                    case SwitchedOff o ->
                        o.number() + " " + kind(o.step()) + " off in " + (o.first() ? "first" : "second");
                    case Moved m -> kind(m.step()) + " " + m.first() + " to " + m.second();
                    case Beside b -> b.what() + " " + b.first() + " " + b.second();
                })
                .toList();
    }

    private static String text(Optional<Object> value) {
        return value.toString();
    }

    private static String kind(MethodStep step) {
        return step.description().id();
    }
}
