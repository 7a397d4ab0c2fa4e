package keentally.study.run;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import keentally.core.quantity.Mass;
import keentally.core.run.PhaseReading;

/**
 * What is known of the masses in a sample.
 *
 * @param sample of the whole; empty where it was not weighed
 * @param densities by phase name or number, in any one unit; 1 for those not named
 * @param strict whether a density for a phase that is not there is a mistake; in a study it may be another method's
 */
public record Weighing(Optional<Mass> sample, Map<String, Double> densities, boolean strict) {
    public static final Weighing NONE = new Weighing(Optional.empty(), Map.of(), true);

    public Weighing {
        densities = Map.copyOf(densities);
        densities.forEach((phase, density) -> {
            if (!(density > 0)) {
                throw new IllegalArgumentException("the density of " + phase + " must be above 0, was " + density);
            }
        });
    }

    /** The mass of each phase in the sample's unit; not-a-number where it was not weighed. */
    List<Double> of(List<PhaseReading> phases) {
        double[] masses = new double[phases.size()];
        Arrays.fill(masses, Double.NaN);
        return Arrays.stream(sample.map(m -> m.of(
                                phases.stream()
                                        .mapToDouble(PhaseReading::pixels)
                                        .toArray(),
                                phases.stream().mapToDouble(this::density).toArray()))
                        .orElse(masses))
                .boxed()
                .toList();
    }

    /** Why these phases cannot be weighed so: a density was given for one that is not there, and was meant for another. */
    Optional<String> refusal(List<PhaseReading> phases) {
        return densities.keySet().stream()
                .filter(key -> strict)
                .filter(key -> phases.stream().noneMatch(p -> isCalled(p, key)))
                .sorted()
                .findFirst()
                .map(key -> "A density is given for the phase \"" + key + "\", but the phases are "
                        + phases.stream()
                                .map(p -> p.number() + " (" + p.name() + ")")
                                .collect(Collectors.joining(", "))
                        + "; name one of these.");
    }

    private static boolean isCalled(PhaseReading phase, String key) {
        return phase.name().equals(key) || String.valueOf(phase.number()).equals(key);
    }

    private double density(PhaseReading phase) {
        return densities.getOrDefault(phase.name(), densities.getOrDefault(String.valueOf(phase.number()), 1.0));
    }
}
