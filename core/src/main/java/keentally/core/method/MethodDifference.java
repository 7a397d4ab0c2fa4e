package keentally.core.method;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import keentally.core.measure.SampleNumber;
import keentally.core.setting.Setting;

/** Something in which one method is otherwise than another. */
public sealed interface MethodDifference {
    /**
     * A step that only one of them has.
     *
     * @param number of the step in its method, from 1
     * @param ofFirst whether the first has it
     */
    record OneSided(int number, MethodStep step, boolean ofFirst) implements MethodDifference {}

    /**
     * A setting of a step that both have.
     *
     * @param number of the step in the second, from 1
     * @param first how it stands there in a file; empty where it is not set
     */
    record Otherwise(int number, MethodStep step, Setting<?> setting, Optional<Object> first, Optional<Object> second)
            implements MethodDifference {}

    /** A step that is done in one of them only. @param first whether that is the first */
    record SwitchedOff(int number, MethodStep step, boolean first) implements MethodDifference {}

    /** A step that stands elsewhere. */
    record Moved(MethodStep step, int first, int second) implements MethodDifference {}

    /** What the method says beside its steps. @param what unit, signal, measures or numbers, by its name in a file */
    record Beside(String what, String first, String second) implements MethodDifference {}

    /**
     * All of them, in the order of the second's steps, then what only the first has. Steps are the same by their ids where they are of one
     * kind, else by the order among those of their kind.
     */
    static List<MethodDifference> between(Method first, Method second) {
        List<MethodDifference> found = new ArrayList<>();
        List<MethodStep> left = new ArrayList<>(first.steps());
        List<MethodStep> kept = new ArrayList<>();
        for (int i = 0; i < second.steps().size(); i++) {
            MethodStep step = second.steps().get(i);
            Optional<MethodStep> same = same(step, left, second);
            if (same.isEmpty()) {
                found.add(new OneSided(i + 1, step, false));
                continue;
            }
            left.remove(same.get());
            kept.add(same.get());
            settings(i + 1, same.get(), step).forEach(found::add);
            if (same.get().muted() != step.muted()) {
                found.add(new SwitchedOff(i + 1, step, same.get().muted()));
            }
        }
        List<MethodStep> before = first.steps().stream().filter(kept::contains).toList();
        for (int i = 0; i < kept.size(); i++) {
            if (before.indexOf(kept.get(i)) != i) {
                found.add(new Moved(kept.get(i), before.indexOf(kept.get(i)) + 1, i + 1));
            }
        }
        left.forEach(s -> found.add(new OneSided(first.indexOf(s.id()) + 1, s, true)));
        beside("unit", first.unit().symbol(), second.unit().symbol()).ifPresent(found::add);
        beside("signal", first.signal(), second.signal()).ifPresent(found::add);
        beside("measures", columns(first), columns(second)).ifPresent(found::add);
        beside("numbers", numbers(first), numbers(second)).ifPresent(found::add);
        return List.copyOf(found);
    }

    private static Optional<MethodStep> same(MethodStep step, List<MethodStep> left, Method second) {
        List<MethodStep> alike = left.stream()
                .filter(s -> s.description().id().equals(step.description().id()))
                .toList();
        return alike.stream()
                .filter(s -> s.id().equals(step.id()))
                .findFirst()
                .or(() -> alike.stream()
                        .filter(s -> second.step(s.id()).isEmpty())
                        .findFirst());
    }

    private static Stream<MethodDifference> settings(int number, MethodStep first, MethodStep second) {
        return second.description().settings().stream().flatMap(s -> {
            Optional<Object> one = written(first, s);
            Optional<Object> other = written(second, s);
            return one.equals(other) ? Stream.of() : Stream.of(new Otherwise(number, second, s, one, other));
        });
    }

    private static <T> Optional<Object> written(MethodStep step, Setting<T> setting) {
        return setting.applies(step.values()) ? step.values().find(setting).map(setting::write) : Optional.empty();
    }

    private static Optional<MethodDifference> beside(String what, String first, String second) {
        return first.equals(second) ? Optional.empty() : Optional.of(new Beside(what, first, second));
    }

    private static String numbers(Method method) {
        return String.join(
                ", ", method.numbers().stream().map(SampleNumber::toString).toList());
    }

    private static String columns(Method method) {
        return String.join(", ", method.columns().stream().map(c -> c.id()).toList());
    }
}
