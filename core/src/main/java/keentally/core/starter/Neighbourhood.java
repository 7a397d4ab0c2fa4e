package keentally.core.starter;

import java.util.ArrayList;
import java.util.List;
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
        List<State> ends = new ArrayList<>();
        State entering = start;
        for (int i = 0; i < method.steps().size(); i++) {
            MethodStep step = method.steps().get(i);
            for (Values values : near(step, entering, work)) {
                Method changed = method.with(step.id(), values);
                try {
                    ends.add(Trail.along(behind(changed, i), entering, work));
                } catch (StepFault e) {
                    // a setting that this sample does not take says nothing of it
                }
            }
            entering = Trail.along(method.with(List.of(step)), entering, work);
        }
        return ends;
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
