package keentally.core.trial;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.FlagSetting;
import keentally.core.setting.Setting;
import keentally.core.step.ChannelStep;
import keentally.core.step.EdgeObjectsStep;
import keentally.core.step.Flow;
import keentally.core.step.GateStep;
import keentally.core.step.LabelStep;

/**
 * A method under definitions that others use, each in one thing otherwise: how colours are weighed for grey, whether that is rounded, by
 * what pixels hang together, what becomes of objects at the edge, and how long the outline is that they are gated by. Which of them makes the difference between two tables is found by
 * trying.
 */
public final class OtherDefinitions {
    /** Measures that hang on how long an outline is, with what they are where that is told by the sides of pixels. */
    private static final Map<Measure, Measure> BY_SIDES =
            Map.of(Measure.PERIMETER, Measure.SIDE_PERIMETER, Measure.CIRCULARITY, Measure.SIDE_CIRCULARITY);

    private OtherDefinitions() {}

    /**
     * The method with one definition changed.
     *
     * @param step that has it, or that was added to have it
     * @param setting of the step
     * @param value as it stands in a file
     */
    public record Other(Method method, MethodStep step, Setting<?> setting, Object value) {}

    /** All that apply, in the order of the steps. */
    public static List<Other> of(Method method) {
        List<Other> all = new ArrayList<>();
        for (MethodStep step : method.steps()) {
            if (!step.muted()) {
                step.description().settings().stream()
                        .filter(s -> isDefinition(step, s) && s.applies(step.values()))
                        .flatMap(s -> others(method, step, s))
                        .forEach(all::add);
            }
        }
        boolean labelled = method.steps().stream()
                .anyMatch(s -> !s.muted() && s.needs() != Flow.OBJECTS && s.gives() == Flow.OBJECTS);
        if (method.givesObjects() && !labelled) {
            added(method, before(method), LabelStep.ID, "neighbours", "four").ifPresent(all::add);
        }
        boolean edged =
                method.steps().stream().anyMatch(s -> s.description().id().equals(EdgeObjectsStep.ID));
        if (method.givesObjects() && !edged) {
            for (String word : List.of("all", "two-sides")) {
                added(method, method.steps().size(), EdgeObjectsStep.ID, "drop", word)
                        .ifPresent(all::add);
            }
        }
        return List.copyOf(all);
    }

    private static boolean isDefinition(MethodStep step, Setting<?> setting) {
        return switch (step.description().id()) {
            case ChannelStep.ID ->
                setting.id().equals("weights") || setting.id().equals("round");
            case EdgeObjectsStep.ID -> setting.id().equals("drop");
            case GateStep.ID -> setting == GateStep.MEASURE;
            default -> setting.id().equals("neighbours");
        };
    }

    private static <T> Stream<Other> others(Method method, MethodStep step, Setting<T> setting) {
        Object now = setting.write(step.values().get(setting));
        List<?> words = switch (setting) {
            case ChoiceSetting<?> choice
            when choice == GateStep.MEASURE -> outline(step.values().get(GateStep.MEASURE));
            case ChoiceSetting<?> choice -> (List<?>) choice.limits().get("words");
            case FlagSetting flag -> List.of(true, false);
            default -> List.of();
        };
        return words.stream()
                .filter(w -> !w.equals(now))
                .map(w -> new Other(method.with(step.id(), step.values().withTree(setting, w)), step, setting, w));
    }

    /** The measure by the other length of the outline; none for what does not hang on it. */
    private static List<String> outline(Measure measure) {
        return BY_SIDES.entrySet().stream()
                .filter(e -> e.getKey() == measure || e.getValue() == measure)
                .map(e -> (e.getKey() == measure ? e.getValue() : e.getKey()).id())
                .toList();
    }

    /** Where objects are first asked for. */
    private static int before(Method method) {
        for (int i = 0; i < method.steps().size(); i++) {
            MethodStep step = method.steps().get(i);
            if (!step.muted() && step.needs() == Flow.OBJECTS) {
                return i;
            }
        }
        return method.steps().size();
    }

    private static Optional<Other> added(Method method, int at, String id, String setting, Object value) {
        Method end = method.then(id, setting, value);
        MethodStep step = end.steps().getLast();
        Method moved = end.move(step.id(), at);
        return moved.refusal().isPresent()
                ? Optional.empty()
                : Optional.of(new Other(
                        moved, step, step.description().setting(setting).orElseThrow(), value));
    }
}
