package keentally.core.starter;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.quantity.Amounts;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.work.Work;

/** What becomes of a sample under neighbouring settings, one changed at a time, each by so much as two people may differ in it. */
final class Neighbourhood {
    /** Of the distance of the two sides of a cut. */
    private static final double CUT = 0.05;

    private static final double[] TIMES = {0.7, 1.4};

    /** Settings that are a matter of measure, by step. */
    private static final List<List<String>> OF_MEASURE = List.of(
            List.of("remove-specks", "below"),
            List.of("split-touching", "depth"),
            List.of("grow-regions", "depth"),
            List.of("similar-colour", "distance"));

    private Neighbourhood() {}

    /**
     * The ends of all of them; those that do not go on this sample are left out.
     *
     * @throws StepFault where the method itself does not
     */
    static List<State> of(Method method, State start, Work work) throws StepFault {
        List<Other> others = new ArrayList<>();
        State entering = start;
        for (int i = 0; i < method.steps().size(); i++) {
            MethodStep step = method.steps().get(i);
            for (Values values : near(step, entering, work)) {
                others.add(new Other(behind(method.with(step.id(), values), i), entering));
            }
            entering = Trail.along(method.with(List.of(step)), entering, work);
        }
        return work.map(others.size(), i -> others.get(i).end(work)).stream()
                .flatMap(Optional::stream)
                .toList();
    }

    /**
     * What is left of a method from the step on whose setting is another.
     *
     * @param entering that step
     */
    private record Other(Method method, State entering) {
        /** Empty where this sample does not take the setting, which says nothing of it. */
        Optional<State> end(Work work) {
            try {
                return Optional.of(Trail.along(method, entering, work));
            } catch (StepFault e) {
                return Optional.empty();
            }
        }
    }

    private static Method behind(Method method, int from) {
        return method.with(method.steps().subList(from, method.steps().size()));
    }

    /** What a step's settings may be too. */
    private static List<Values> near(MethodStep step, State entering, Work work) throws StepFault {
        List<Values> near = new ArrayList<>();
        if (step.description().id().equals("threshold")) {
            TwoSides.of(entering.plane(), entering.field(), work)
                    .ifPresent(sides -> near.addAll(List.of(cut(step, sides, -CUT), cut(step, sides, CUT))));
        }
        for (List<String> setting : OF_MEASURE) {
            if (step.description().id().equals(setting.getFirst())) {
                for (double times : TIMES) {
                    near.add(times(step, setting.getLast(), times));
                }
            }
        }
        return near;
    }

    private static Values cut(MethodStep step, TwoSides sides, double share) {
        Setting<?> rule = step.description().setting("rule").orElseThrow();
        Setting<?> cut = step.description().setting("cut").orElseThrow();
        return step.values().withTree(rule, "manual").withTree(cut, sides.moved(share));
    }

    private static Values times(MethodStep step, String word, double times) {
        Setting<?> setting = step.description().setting(word).orElseThrow();
        return step.values().withTree(setting, times(setting, step.values(), times));
    }

    /** A number, or an amount with its unit. */
    private static <T> Object times(Setting<T> setting, Values values, double times) {
        Object now = setting.write(values.get(setting));
        if (now instanceof Number number) {
            return number.doubleValue() * times;
        }
        String[] amount = now.toString().split(" ");
        return Amounts.text(Double.parseDouble(amount[0]) * times) + " " + amount[1];
    }
}
