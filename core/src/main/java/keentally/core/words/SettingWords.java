package keentally.core.words;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import keentally.core.method.Departures.Departure;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.quantity.Amounts;
import keentally.core.reader.Reader;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Setting;
import keentally.core.step.StepDescription;

/** What a setting is set to, in words. */
public final class SettingWords {
    private SettingWords() {}

    /** A value as it stands in a file; empty for not set. */
    public static String value(StepDescription step, Setting<?> setting, Optional<Object> tree) {
        return tree.map(t -> setting instanceof ChoiceSetting<?> choice
                        ? Words.label(step, setting, choice.read(t))
                        : value(t))
                .orElseGet(() -> Words.said("not-set"));
    }

    /** A number, with or without its unit, as the reader types it: 0.5 µm. */
    public static String amount(Object tree) {
        return value(tree);
    }

    static String value(Object tree) {
        return switch (tree) {
            case Number n -> Amounts.shown(n.doubleValue());
            case Boolean b -> Words.said(b ? "yes" : "no");
            case List<?> list ->
                list.stream()
                        .map(SettingWords::value)
                        .collect(Collectors.joining(
                                Reader.decimalComma() || list.stream().anyMatch(List.class::isInstance) ? "; " : ", "));
            case Map<?, ?> map ->
                map.entrySet().stream()
                        .map(e -> e.getKey() + " " + value(e.getValue()))
                        .collect(Collectors.joining(" "));
            default -> Words.named(Reader.marksIn(tree.toString()));
        };
    }

    /** Such as "2 Threshold, Cut: 120"; by its ids where the method has no such step or setting. */
    public static String departure(Departure departure, Method method) {
        Optional<MethodStep> step = method.step(departure.step());
        String where = step.map(s -> (method.indexOf(s.id()) + 1) + " " + Words.title(s.description()))
                .orElse(departure.step());
        return where + ", "
                + step.map(MethodStep::description)
                        .flatMap(d -> d.setting(departure.setting())
                                .map(s -> Words.label(d, s) + ": " + value(d, s, departure.value())))
                        .orElse(departure.setting() + ": "
                                + departure.value().map(SettingWords::value).orElseGet(() -> Words.said("not-set")));
    }
}
