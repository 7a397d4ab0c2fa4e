package keentally.core.run;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import keentally.core.method.MethodStep;
import keentally.core.step.Use;

/** What made a state: the key before it, the step in its canonical form, and what of the sample it used. */
final class StateKey {
    private final StateKey before;
    private final List<Object> own;
    private final int hash;

    private StateKey(StateKey before, List<Object> own) {
        this.before = before;
        this.own = own;
        this.hash = 31 * Objects.hashCode(before) + own.hashCode();
    }

    static StateKey of(Sample sample) {
        return new StateKey(
                null,
                List.of(sample.key(), sample.picture().width(), sample.picture().height()));
    }

    StateKey then(MethodStep step, Sample sample, String signal) {
        var description = step.description();
        Map<String, Object> settings = step.values().canonical(description.settings());
        return new StateKey(
                this,
                List.of(description.id(), description.version(), step.id(), settings, used(step, sample, signal)));
    }

    /** Where a step that is dragged has been made ready for all values of the setting that moves. */
    StateKey thenReady(MethodStep step, Object beside, Sample sample, String signal) {
        var description = step.description();
        return new StateKey(
                this, List.of("ready", description.id(), description.version(), beside, used(step, sample, signal)));
    }

    private static List<Object> used(MethodStep step, Sample sample, String signal) {
        var description = step.description();
        return List.of(
                description.uses().contains(Use.FIELD) ? sample.parts() : "",
                description.uses().contains(Use.SCALE) ? sample.scale() : "",
                description.uses().contains(Use.SIGNAL) ? signal : "",
                description.uses().contains(Use.HAND_WORK)
                        ? Optional.ofNullable(sample.hand().get(step.id()))
                        : "");
    }

    /** Where labelling is implied. */
    StateKey thenLabelled() {
        return new StateKey(this, List.of("label, implied"));
    }

    /** The channel that brightness is read from. */
    StateKey thenSignal(String signal) {
        return new StateKey(this, List.of("signal", signal));
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof StateKey k && k.hash == hash && k.own.equals(own) && Objects.equals(k.before, before);
    }

    @Override
    public int hashCode() {
        return hash;
    }
}
