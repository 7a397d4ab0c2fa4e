package keentally.core.run;

import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.step.Findings;
import keentally.core.step.State;

/**
 * A method as it went on a sample.
 *
 * @param stations the steps that were done, muted ones left out
 * @param last the state after them
 */
public record Run(Method method, Sample sample, List<Station> stations, State last) {
    public Run {
        stations = List.copyOf(stations);
    }

    public Optional<Station> station(String stepId) {
        return stations.stream().filter(s -> s.step().id().equals(stepId)).findFirst();
    }

    /** A step that was done, the state after it, and what it found. */
    public record Station(MethodStep step, State after, Findings findings) {}
}
