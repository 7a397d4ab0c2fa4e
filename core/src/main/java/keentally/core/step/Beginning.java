package keentally.core.step;

import keentally.core.setting.Values;
import keentally.core.work.Work;

/** What a step's settings begin with when a choice has been made that asks for others without a default. */
@FunctionalInterface
public interface Beginning {
    /** For steps whose settings all have defaults. */
    Beginning NONE = made -> made.now;

    /** @throws StepFault where the picture gives nothing to begin with */
    Values of(Inputs made) throws StepFault;

    /**
     * A choice that was made.
     *
     * @param before the values before it
     * @param now the values with it, not complete yet
     * @param entering what the step starts from
     * @param found what the step found with the values before
     */
    record Inputs(Values before, Values now, State entering, Findings found, Work work) {}
}
