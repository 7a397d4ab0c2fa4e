package keentally.core.run;

import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.picture.Buffers;
import keentally.core.picture.HoldsBuffers;
import keentally.core.step.Findings;
import keentally.core.step.State;

/**
 * A method as it went on a sample.
 *
 * @param stations the steps that were done, muted ones left out
 * @param last the state after them
 */
public record Run(Method method, Sample sample, List<Station> stations, State last) implements HoldsBuffers {
    public Run {
        stations = List.copyOf(stations);
    }

    /** What a step gave, where it was reached. */
    public Optional<Station> station(String stepId) {
        return stations.stream().filter(s -> s.step().id().equals(stepId)).findFirst();
    }

    @Override
    public void addTo(Buffers buffers) {
        buffers.add(sample.picture());
        stations.forEach(s -> buffers.add(s.after()));
        buffers.add(last);
    }

    /** A step that was done, the state after it, and what it found. */
    public record Station(MethodStep step, State after, Findings findings) {}
}
