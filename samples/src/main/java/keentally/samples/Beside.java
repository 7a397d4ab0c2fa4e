package keentally.samples;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.hand.HandWork;
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
 * @param hand what was done by hand for these, by the ids of their steps
 */
public record Beside(
        List<TallyClass> classes,
        Map<String, Marks> tallies,
        Optional<Plane8> rough,
        List<Method> methods,
        Map<String, HandWork> hand) {
    public static final Beside NOTHING = new Beside(List.of(), Map.of(), Optional.empty(), List.of(), Map.of());

    public Beside {
        classes = List.copyOf(classes);
        tallies = Map.copyOf(tallies);
        methods = List.copyOf(methods);
        hand = Map.copyOf(hand);
    }

    /** With a method that goes on it otherwise. @param work what was done by hand for it, by the ids of its steps */
    Beside and(Method method, Map<String, HandWork> work) {
        List<Method> more = new ArrayList<>(methods);
        more.add(method);
        return new Beside(classes, tallies, rough, more, work);
    }

    static Beside methods(Method... others) {
        return new Beside(List.of(), Map.of(), Optional.empty(), List.of(others), Map.of());
    }
}
