package keentally.core.trial;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.picture.Field;
import keentally.core.picture.Plane;
import keentally.core.quantity.Amounts;
import keentally.core.run.Run;
import keentally.core.setting.AreaSetting;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.LimitSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.step.ThresholdStep;
import keentally.core.words.SettingWords;

/**
 * A method with one setting a little smaller or larger: for asking how much a number hangs on what somebody else might have set.
 *
 * <p>Amounts are taken {@value #LESS} and {@value #MORE} times, whole numbers one lower and one higher, cuts {@value #CUT} of the range of
 * values lower and higher, whether found or set, while something is left on both sides. What only says how something is worked out (where chance begins, how often) stays.
 *
 * @param value of the setting, as people read it
 */
public record Neighbours(MethodStep step, Setting<?> setting, String value, Method method) {
    private static final double LESS = 0.8;
    private static final double MORE = 1.25;
    private static final double CUT = 0.02;
    private static final Set<String> HOW = Set.of("seed", "starts", "rounds", "order", "positionWeight");
    private static final Set<String> CUTS = Set.of("cut", "low", "high");

    /** All of a method, station by station, smaller before larger. @param run of that method, as far as it came */
    public static List<Neighbours> of(Run run) {
        List<Neighbours> all = new ArrayList<>();
        Method method = run.method();
        State entering = null;
        for (Run.Station station : run.stations()) {
            MethodStep step = station.step();
            if (!step.muted() && step.held().isEmpty()) {
                boolean cuts = step.description().id().equals(ThresholdStep.ID)
                        && station.findings().cuts().size() == 1;
                if (cuts) {
                    State before = entering == null
                            ? State.of(
                                    run.sample().picture(),
                                    run.sample().field(),
                                    run.sample().scale())
                            : entering;
                    cut(method, step, station.findings().cuts().getFirst(), before, all);
                }
                for (Setting<?> setting : step.description().settings()) {
                    if (setting.applies(step.values()) && !(cuts && CUTS.contains(setting.id()))) {
                        amounts(method, step, setting, all);
                    }
                }
            }
            entering = station.after();
        }
        return all;
    }

    private static void cut(Method method, MethodStep step, double at, State entering, List<Neighbours> all) {
        try {
            float[] ends = ends(entering.plane(), entering.field());
            double by = CUT * (ends[1] - ends[0]);
            Setting<?> rule = step.description().setting("rule").orElseThrow();
            Setting<?> cut = step.description().setting("cut").orElseThrow();
            for (double moved : new double[] {at - by, at + by}) {
                if (moved < ends[0] || moved >= ends[1]) {
                    continue; // nothing would be left on one side
                }
                Values values = step.values().withTree(rule, "manual").withTree(cut, moved);
                all.add(new Neighbours(step, cut, Amounts.text(shortened(moved)), method.with(step.id(), values)));
            }
        } catch (StepFault | IllegalArgumentException e) {
            // without one channel, or cut between two values: nothing to be moved
        }
    }

    private static float[] ends(Plane plane, Field field) {
        float least = Float.POSITIVE_INFINITY;
        float most = Float.NEGATIVE_INFINITY;
        for (int y = 0; y < plane.height(); y++) {
            for (int x = 0; x < plane.width(); x++) {
                if (field.contains(x, y)) {
                    least = Math.min(least, plane.at(x, y));
                    most = Math.max(most, plane.at(x, y));
                }
            }
        }
        return new float[] {least, most};
    }

    private static void amounts(Method method, MethodStep step, Setting<?> setting, List<Neighbours> all) {
        boolean whole = setting instanceof NumberSetting n && n.whole();
        boolean amount = setting instanceof NumberSetting
                || setting instanceof LengthSetting
                || setting instanceof AreaSetting
                || setting instanceof LimitSetting;
        if (!amount || HOW.contains(setting.id())) {
            return;
        }
        Optional<Object> now = tree(step.values(), setting);
        for (int side = 0; side < 2 && now.isPresent(); side++) {
            Optional<Object> moved = moved(now.get(), whole, side == 0);
            try {
                if (moved.isPresent() && !moved.equals(now)) {
                    Values values = step.values().withTree(setting, moved.get());
                    all.add(new Neighbours(
                            step, setting, words(step, setting, moved.get()), method.with(step.id(), values)));
                }
            } catch (IllegalArgumentException outOfRange) {
                // there is no such neighbour
            }
        }
    }

    private static String words(MethodStep step, Setting<?> setting, Object tree) {
        return SettingWords.value(step.description(), setting, Optional.of(tree));
    }

    private static <T> Optional<Object> tree(Values values, Setting<T> setting) {
        return values.find(setting).map(setting::write);
    }

    private static Optional<Object> moved(Object tree, boolean whole, boolean less) {
        if (tree instanceof Number number) {
            double value = number.doubleValue();
            return Optional.of(whole ? value + (less ? -1 : 1) : shortened(value * (less ? LESS : MORE)));
        }
        String[] words = tree.toString().split(" ");
        try {
            double value = shortened(Double.parseDouble(words[0]) * (less ? LESS : MORE));
            return Optional.of(Amounts.text(value) + (words.length > 1 ? " " + words[1] : ""));
        } catch (NumberFormatException noAmount) {
            return Optional.empty();
        }
    }

    /** To four digits, as people set things. */
    private static double shortened(double value) {
        if (value == 0 || !Double.isFinite(value)) {
            return value;
        }
        double unit = Math.pow(10, Math.floor(Math.log10(Math.abs(value))) - 3);
        return Math.rint(value / unit) * unit;
    }
}
