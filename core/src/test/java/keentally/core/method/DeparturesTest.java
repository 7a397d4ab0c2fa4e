package keentally.core.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import keentally.core.method.Departures.Change;
import keentally.core.method.Departures.Departure;
import keentally.core.quantity.LengthUnit;
import org.junit.jupiter.api.Test;

class DeparturesTest {
    private static final Method METHOD = Method.empty("shared", LengthUnit.PX)
            .then("smooth", "by", "gaussian", "sigma", "1 px")
            .then("threshold", "rule", "manual", "cut", 100.0);
    private static final Departures CUT = departs("threshold-1", "cut", 120.0);

    @Test
    void aSampleHasItsOwnSettingAndTheRestOfTheMethod() {
        Method own = CUT.on(METHOD);
        assertThat(cut(own)).contains(120L);
        assertThat(own.step("smooth-1")).isEqualTo(METHOD.step("smooth-1"));
        assertThat(CUT.resting(METHOD)).isEmpty();
    }

    @Test
    void whatIsChangedOnlyHereLeavesTheMethodAsItIs() {
        Method next = set(METHOD, "threshold-1", "cut", 130.0);
        Change change = Departures.NONE.change(METHOD, next, true);
        assertThat(change.method()).isEqualTo(METHOD);
        assertThat(change.departures()).isEqualTo(departs("threshold-1", "cut", 130.0));
        assertThat(change.departures().on(change.method())).isEqualTo(next);
    }

    @Test
    void otherSettingsAreTheMethodsAndADepartedOneStaysTheSamples() {
        Method smoother = set(CUT.on(METHOD), "smooth-1", "sigma", "2 px");
        Change change = CUT.change(METHOD, smoother, false);
        assertThat(change.method()).isEqualTo(set(METHOD, "smooth-1", "sigma", "2 px"));
        assertThat(change.departures()).isEqualTo(CUT);
        Method further = set(CUT.on(METHOD), "threshold-1", "cut", 125.0);
        assertThat(CUT.change(METHOD, further, false))
                .isEqualTo(new Change(METHOD, departs("threshold-1", "cut", 125.0)));
    }

    @Test
    void whoeverSetsItBackDepartsNoMore() {
        assertThat(CUT.change(METHOD, METHOD, false)).isEqualTo(new Change(METHOD, Departures.NONE));
        Method added = CUT.on(METHOD).then("fill-holes");
        Change change = CUT.change(METHOD, added, true);
        assertThat(change.method()).isEqualTo(METHOD.then("fill-holes"));
        assertThat(change.departures()).isEqualTo(CUT);
    }

    @Test
    void whatIsNotSetCanBeADeparture() {
        Method method = METHOD.then("gate", "measure", "area", "atLeast", "20 px2", "atMost", "90 px2");
        MethodStep gate = method.step("gate-1").orElseThrow();
        Method next = method.with(
                "gate-1",
                gate.values().without(gate.description().setting("atMost").orElseThrow()));
        Change change = Departures.NONE.change(method, next, true);
        assertThat(change.departures().list()).containsExactly(new Departure("gate-1", "atMost", Optional.empty()));
        assertThat(change.departures().on(method)).isEqualTo(next);
    }

    @Test
    void whereTheStepIsGoneADepartureRestsAndIsNotLost() {
        Method without = METHOD.remove("threshold-1");
        assertThat(CUT.on(without)).isEqualTo(without);
        assertThat(CUT.resting(without)).isEqualTo(CUT.list());
        assertThat(CUT.change(without, set(without, "smooth-1", "sigma", "3 px"), false)
                        .departures())
                .isEqualTo(CUT);
        assertThat(CUT.change(METHOD, without, false)).isEqualTo(new Change(without, CUT));
        Departures odd = departs("smooth-1", "sigma", "3 g");
        assertThat(odd.on(METHOD)).isEqualTo(METHOD);
        assertThat(odd.resting(METHOD)).hasSize(1);
        assertThatThrownBy(() ->
                        new Departures(List.of(CUT.list().getFirst(), CUT.list().getFirst())))
                .hasMessageContaining("twice");
    }

    private static Departures departs(String step, String setting, Object value) {
        return new Departures(List.of(new Departure(step, setting, Optional.of(value))));
    }

    private static Method set(Method method, String step, String setting, Object tree) {
        MethodStep found = method.step(step).orElseThrow();
        return method.with(
                step,
                found.values().withTree(found.description().setting(setting).orElseThrow(), tree));
    }

    private static Optional<Long> cut(Method method) {
        MethodStep step = method.step("threshold-1").orElseThrow();
        Object cut = step.values().tree(step.description().settings()).get("cut");
        return Optional.of(((Number) cut).longValue());
    }
}
