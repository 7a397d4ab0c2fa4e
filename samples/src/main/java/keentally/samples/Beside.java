package keentally.samples;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.hand.Marks;
import keentally.core.hand.TallyClass;
import keentally.core.method.Method;
import keentally.core.picture.Plane8;

/**
 * What others made of a demo picture, to be held against what its method finds.
 *
 * @param classes that were counted by hand
 * @param tallies what was counted, by the names of the counters
 * @param rough a mask that somebody drew, in a program of their own
 * @param methods that go on it otherwise
 */
public record Beside(
        List<TallyClass> classes, Map<String, Marks> tallies, Optional<Plane8> rough, List<Method> methods) {
    public static final Beside NOTHING = new Beside(List.of(), Map.of(), Optional.empty(), List.of());

    public Beside {
        classes = List.copyOf(classes);
        tallies = Map.copyOf(tallies);
        methods = List.copyOf(methods);
    }

    static Beside methods(Method... others) {
        return new Beside(List.of(), Map.of(), Optional.empty(), List.of(others));
    }
}
