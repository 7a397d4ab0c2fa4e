package keentally.core.step;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;

/** The numbers a step has to tell about what it did, by name, in the order found. The headline is made from them. */
public final class Findings {
    public static final Findings NONE = new Findings(Map.of());

    private final Map<String, Double> numbers;

    private Findings(Map<String, Double> numbers) {
        this.numbers = numbers;
    }

    public Findings with(String name, double value) {
        Map<String, Double> more = new LinkedHashMap<>(numbers);
        more.put(name, value);
        return new Findings(more);
    }

    public OptionalDouble find(String name) {
        Double value = numbers.get(name);
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    public Map<String, Double> all() {
        return Collections.unmodifiableMap(numbers);
    }

    @Override
    public String toString() {
        return numbers.toString();
    }
}
