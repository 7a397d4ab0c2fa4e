package keentally.core.method;

import java.util.Optional;
import keentally.core.hand.HandWork;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.step.Flow;
import keentally.core.step.StepDescription;

/**
 * A step's place in a method.
 *
 * @param id given when the step is added and never changed; hand work and drops hold on to it
 * @param muted left out when the method runs
 * @param save the state after it is written out by {@code run}
 */
public record MethodStep(String id, StepDescription description, Values values, boolean muted, boolean save) {
    /** The hand work that whoever adds it begins with; none for a step that lacks a setting yet. */
    public Optional<HandWork> handToBegin() {
        return description.make().apply(values).handToBegin();
    }

    /** The kind that it makes. */
    public Flow gives() {
        return description.gives(values);
    }

    /** Whether it cannot be done without hand work on the very sample. */
    public boolean byHand() {
        return !muted && description.make().apply(values).byHand();
    }

    /** With one setting changed. */
    public <T> MethodStep with(Setting<T> setting, T value) {
        return new MethodStep(id, description, values.with(setting, value), muted, save);
    }

    /** With all settings changed. */
    public MethodStep with(Values changed) {
        return new MethodStep(id, description, changed, muted, save);
    }

    /** Switched off, or on again. */
    public MethodStep muted(boolean mute) {
        return new MethodStep(id, description, values, mute, save);
    }
}
