package keentally.core.method;

import java.util.List;
import java.util.Optional;
import keentally.core.hand.HandWork;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.step.Fitting;
import keentally.core.step.Flow;
import keentally.core.step.StepDescription;

/**
 * A step's place in a method.
 *
 * @param id given when the step is added and never changed; hand work and drops hold on to it
 * @param muted left out when the method runs
 * @param save the state after it is written out by {@code run}
 * @param held where its values come from, where it is held at what it found; lost with the next change of them
 */
public record MethodStep(
        String id, StepDescription description, Values values, boolean muted, boolean save, Optional<Held> held) {
    /** Of values that were chosen. */
    public MethodStep(String id, StepDescription description, Values values, boolean muted, boolean save) {
        this(id, description, values, muted, save, Optional.empty());
    }

    /** The hand work that whoever adds it begins with; none for a step that lacks a setting yet. */
    public Optional<HandWork> handToBegin() {
        return description.make().apply(values).handToBegin();
    }

    /** The kind that must be there. */
    public Flow needs() {
        return description.needs(values);
    }

    /** The kind that it makes. */
    public Flow gives() {
        return description.gives(values);
    }

    /** Whether it cannot be done without hand work on the very sample. */
    public boolean byHand() {
        return !muted && description.make().apply(values).byHand();
    }

    /** What fits itself to each picture, and could be held; empty for a step that does not, or is held already. */
    public Optional<Fitting> fitting() {
        return description.isComplete(values) && description.make().apply(values) instanceof Fitting f && f.fits()
                ? Optional.of(f)
                : Optional.empty();
    }

    /** With one setting changed. */
    public <T> MethodStep with(Setting<T> setting, T value) {
        return with(values.with(setting, value));
    }

    /**
     * With all settings changed. Where the step is held and what was found is changed, it is held no more; where something is changed that
     * the finding hangs on, it finds anew; all else leaves it held.
     */
    public MethodStep with(Values changed) {
        if (held.isEmpty()) {
            return with(changed, Optional.empty());
        }
        Values free = held.get().free();
        List<Setting<?>> moved = description.settings().stream()
                .filter(s -> !changed.alike(s, values))
                .toList();
        Values freed = free;
        for (Setting<?> setting : moved) {
            freed = freed.taking(setting, changed);
        }
        Fitting fitting = (Fitting) description.make().apply(free);
        if (moved.stream().noneMatch(fitting::hangsOn)) {
            Held kept = new Held(freed, held.get().samples(), held.get().on());
            return with(changed, Optional.of(kept));
        }
        return with(moved.stream().anyMatch(this::isHeld) ? changed : freed, Optional.empty());
    }

    /** Whether a setting has what was found, where the step is held. */
    public boolean isHeld(Setting<?> setting) {
        return held.filter(h -> !h.free().alike(setting, values)).isPresent();
    }

    /** With values, and where they come from. */
    MethodStep with(Values found, Optional<Held> origin) {
        return new MethodStep(id, description, found, muted, save, origin);
    }

    /** Fitting itself to each picture again; unchanged where it is not held. */
    public MethodStep freed() {
        return held.map(h -> with(h.free())).orElse(this);
    }

    /** Switched off, or on again. */
    public MethodStep muted(boolean mute) {
        return new MethodStep(id, description, values, mute, save, held);
    }
}
