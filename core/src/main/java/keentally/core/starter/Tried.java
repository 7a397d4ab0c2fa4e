package keentally.core.starter;

import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.work.Work;

/** A method tried on a small picture, and with neighbouring settings; worked out once, by whoever asks first. */
final class Tried {
    private final Method method;
    private final Small on;
    private Optional<State> end = Optional.empty();
    private Optional<List<State>> near = Optional.empty();

    Tried(Method method, Small on) {
        this.method = method;
        this.on = on;
    }

    Small on() {
        return on;
    }

    /** What it comes to. */
    synchronized State end(Work work) throws StepFault {
        if (end.isEmpty()) {
            end = Optional.of(Trail.along(method, on.state(), work));
        }
        return end.get();
    }

    /** What it would come to with other settings. */
    synchronized List<State> near(Work work) throws StepFault {
        if (near.isEmpty()) {
            near = Optional.of(Neighbourhood.of(method, on.state(), work));
        }
        return near.get();
    }
}
