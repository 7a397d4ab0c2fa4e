package keentally.core.method;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;

/** The settings that one sample has otherwise than the method that is used on it. */
public record Departures(List<Departure> list) {
    public static final Departures NONE = new Departures(List.of());

    public Departures {
        list = List.copyOf(list);
        long places =
                list.stream().map(d -> d.step() + "/" + d.setting()).distinct().count();
        if (places < list.size()) {
            throw new IllegalArgumentException("a sample departs twice in one setting");
        }
    }

    /**
     * One of them.
     *
     * @param step the id of the step in its method
     * @param setting the id of the setting
     * @param value as it stands in a file; empty for not set
     */
    public record Departure(String step, String setting, Optional<Object> value) {
        public Departure {
            value = value.map(Departures::plain);
        }

        boolean isOf(MethodStep of, Setting<?> what) {
            return step.equals(of.id()) && setting.equals(what.id());
        }

        boolean isAt(Departure other) {
            return step.equals(other.step) && setting.equals(other.setting);
        }

        /** The step with the value, where both fit. */
        private Optional<MethodStep> on(MethodStep of) {
            try {
                return of.description().setting(setting).map(s -> of.with(set(of.values(), s, value)));
            } catch (IllegalArgumentException another) {
                return Optional.empty(); // the setting means something else by now
            }
        }
    }

    /** Numbers of one kind, however they were read. */
    private static Object plain(Object tree) {
        return switch (tree) {
            case Number n when n.doubleValue() == n.longValue() -> n.longValue();
            case Number n -> n.doubleValue();
            case List<?> parts -> parts.stream().map(Departures::plain).toList();
            default -> tree;
        };
    }

    /** What becomes of a method and of a sample's departures when the sample's way is changed. */
    public record Change(Method method, Departures departures) {}

    /** The method as it goes on the sample; departures whose step or setting is gone rest. */
    public Method on(Method method) {
        Method changed = method;
        for (Departure departure : list) {
            Optional<MethodStep> step = changed.step(departure.step()).flatMap(departure::on);
            if (step.isPresent()) {
                changed = changed.with(step.get().id(), step.get().values());
            }
        }
        return changed;
    }

    /** Those that have no effect, since their step or setting is gone. */
    public List<Departure> resting(Method method) {
        return list.stream()
                .filter(d -> method.step(d.step()).flatMap(d::on).isEmpty())
                .toList();
    }

    /** Those of one step. */
    public List<Departure> of(String stepId) {
        return list.stream().filter(d -> d.step().equals(stepId)).toList();
    }

    /** Without those that are taken back. */
    public Departures without(Predicate<Departure> gone) {
        return new Departures(list.stream().filter(gone.negate()).toList());
    }

    /**
     * Shares out what was changed on a sample: settings in which it departs already stay its own, all others are the method's.
     *
     * @param method that is used on the sample
     * @param next as it is to go on the sample
     * @param onlyHere whether every other setting that was changed is the sample's own too
     */
    public Change change(Method method, Method next, boolean onlyHere) {
        List<Departure> kept = new ArrayList<>();
        Set<String> judged = new HashSet<>();
        Method shared = next;
        for (MethodStep step : next.steps()) {
            Optional<MethodStep> before = method.step(step.id())
                    .filter(s -> s.description().id().equals(step.description().id()));
            if (before.isEmpty()) {
                continue;
            }
            judged.add(step.id());
            Values values = step.values();
            for (Setting<?> setting : step.description().settings()) {
                if (onlyHere || list.stream().anyMatch(d -> d.isOf(step, setting))) {
                    Optional<Object> own = written(step.values(), setting);
                    Optional<Object> usual = written(before.get().values(), setting);
                    values = set(values, setting, before.get().values().isSet(setting) ? usual : Optional.empty());
                    if (!own.equals(usual)) {
                        kept.add(new Departure(step.id(), setting.id(), own));
                    }
                }
            }
            boolean asBefore = values.equals(before.get().values());
            shared = asBefore
                    ? shared.with(step.id(), values, step.held().or(before.get()::held))
                    : shared.with(step.id(), values);
        }
        List<Departure> resting = resting(next);
        list.stream()
                .filter(d -> resting.contains(d) || !judged.contains(d.step()))
                .filter(d -> kept.stream().noneMatch(k -> k.isAt(d)))
                .forEach(kept::add);
        return new Change(shared, new Departures(kept));
    }

    private static <T> Optional<Object> written(Values values, Setting<T> setting) {
        return values.find(setting).map(setting::write);
    }

    private static Values set(Values values, Setting<?> setting, Optional<Object> tree) {
        return tree.isPresent() ? values.withTree(setting, tree.get()) : values.without(setting);
    }
}
