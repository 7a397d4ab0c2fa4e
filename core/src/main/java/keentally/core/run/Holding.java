package keentally.core.run;

import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.setting.Values;
import keentally.core.step.Fitting;
import keentally.core.step.JoinedFields;
import keentally.core.step.Site;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.work.Cancel;

/** Finds the values at which a step that fits itself is held: fitted to one sample, or to several as if they were one picture. */
public final class Holding {
    private final MethodStep step;
    private final Runner runner;
    private final Cancel cancel;
    private final JoinedFields joined = new JoinedFields();
    private Optional<State> only = Optional.empty();
    private int samples;

    /** @param step as it fits itself */
    public Holding(MethodStep step, Runner runner, Cancel cancel) {
        this.step = step;
        this.runner = runner;
        this.cancel = cancel;
    }

    /**
     * Takes one more sample; only what the step is fitted to is kept of it.
     *
     * @param method as it goes on the sample
     */
    public void add(Method method, Sample sample) throws RunFault {
        Run run = runner.run(method, sample, method.indexOf(step.id()), cancel, Progress.SILENT);
        try {
            if (samples == 1) {
                joined.add(only.orElseThrow());
            }
            only = samples == 0 ? Optional.of(run.last()) : Optional.empty();
            if (samples > 0) {
                joined.add(run.last());
            }
            samples++;
        } catch (StepFault e) {
            throw fault(method, e);
        }
    }

    /** @throws RunFault where nothing is found, or what is found means nothing on another picture */
    public Values found(Method method) throws RunFault {
        Fitting fitting = step.fitting()
                .orElseThrow(() -> new IllegalArgumentException("the step " + step.id() + " fits itself to nothing"));
        Site site = Site.of(step.id(), method.signal(), runner.work(cancel));
        try {
            return fitting.held(step.values(), only.orElseGet(joined::joined), site);
        } catch (StepFault e) {
            throw fault(method, e);
        }
    }

    private RunFault fault(Method method, StepFault e) {
        return new RunFault(method.indexOf(step.id()) + 1, step.description().id(), e.getMessage(), e);
    }
}
