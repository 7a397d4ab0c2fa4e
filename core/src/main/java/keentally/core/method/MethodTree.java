package keentally.core.method;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import keentally.core.measure.Measure;
import keentally.core.measure.OwnColumn;
import keentally.core.quantity.LengthUnit;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;

/** Methods as trees of maps, lists, text, numbers and booleans, checked against the descriptions of the steps. */
public final class MethodTree {
    public static final String FORMAT = "keen-tally-method";
    private static final long VERSION = 1;
    private static final Set<String> KEYS =
            Set.of("format", "version", "name", "unit", "steps", "measures", "columns", "numbers", "signal");
    private static final Set<String> STEP_KEYS = Set.of("step", "id", "muted", "save", "held");

    /** More than anybody lays out; checks of the order look at every step for each step. */
    private static final int MOST_STEPS = 300;

    private MethodTree() {}

    /** @throws MethodFault in a sentence that names the step, the setting, what was expected and what was found */
    public static Method read(Object tree) throws MethodFault {
        if (!(tree instanceof Map<?, ?> map)) {
            throw new MethodFault("A method must be a JSON object, but found " + Setting.found(tree) + ".");
        }
        for (Object key : map.keySet()) {
            if (!KEYS.contains(key)) {
                throw new MethodFault("A method has no entry \"" + key + "\"; it has " + sorted(KEYS) + ".");
            }
        }
        expect(FORMAT.equals(map.get("format")), "format", "\"" + FORMAT + "\"", map.get("format"));
        Object version = map.get("version");
        expect(version instanceof Number n && n.doubleValue() == VERSION, "version", "the number " + VERSION, version);
        List<OwnColumn> own = FormulaTree.columns(map.get("columns"));
        Method method = new Method(
                text(map, "name", "Untitled"),
                unit(map.get("unit")),
                steps(map.get("steps")),
                measures(map.get("measures")),
                own,
                FormulaTree.numbers(map.get("numbers"), own),
                text(map, "signal", "grey"));
        var refusal = method.refusal();
        if (refusal.isPresent()) {
            throw refusal.get();
        }
        return method;
    }

    static void expect(boolean holds, String key, String expected, Object found) throws MethodFault {
        if (!holds) {
            throw new MethodFault("The method's \"" + key + "\" must be " + expected + ", but found "
                    + (found == null ? "nothing" : Setting.found(found)) + ".");
        }
    }

    private static String text(Map<?, ?> map, String key, String fallback) throws MethodFault {
        if (!map.containsKey(key)) {
            return fallback;
        }
        Object found = map.get(key);
        expect(found instanceof String s && !s.isBlank(), key, "text", found);
        return (String) found;
    }

    private static LengthUnit unit(Object found) throws MethodFault {
        String expected = "px, nm, um, mm or cm";
        expect(found == null || found instanceof String, "unit", expected, found);
        LengthUnit unit =
                found == null ? LengthUnit.PX : LengthUnit.find((String) found).orElse(null);
        expect(unit != null, "unit", expected, found);
        return unit;
    }

    private static List<Measure> measures(Object found) throws MethodFault {
        if (found == null) {
            return Method.USUAL_MEASURES;
        }
        expect(found instanceof List<?> l && !l.isEmpty(), "measures", "a list of measures", found);
        List<Measure> measures = new ArrayList<>();
        for (Object id : (List<?>) found) {
            Measure measure = id instanceof String s ? Measure.find(s).orElse(null) : null;
            expect(measure != null, "measures", "made of ids that 'measures' lists", id);
            expect(!measures.contains(measure), "measures", "a list that names each only once", id);
            measures.add(measure);
        }
        return measures;
    }

    static void most(String key, List<?> list, int most) throws MethodFault {
        if (list.size() > most) {
            throw new MethodFault("A method may have " + most + " " + key + ", but this one has " + list.size() + ".");
        }
    }

    private static List<MethodStep> steps(Object found) throws MethodFault {
        expect(found instanceof List<?>, "steps", "a list of steps", found);
        most("steps", (List<?>) found, MOST_STEPS);
        List<MethodStep> steps = new ArrayList<>();
        for (Object tree : (List<?>) found) {
            MethodStep step = step(steps.size() + 1, tree);
            if (steps.stream().anyMatch(s -> s.id().equals(step.id()))) {
                throw new MethodFault(steps.size() + 1, step.description().id(), "has the id of an earlier step");
            }
            steps.add(step);
        }
        return steps;
    }

    private static MethodStep step(int number, Object tree) throws MethodFault {
        if (!(tree instanceof Map<?, ?> map) || !(map.get("step") instanceof String id)) {
            throw new MethodFault(number, "?", "must be an object with a \"step\", but found " + Setting.found(tree));
        }
        StepDescription description = Steps.find(id)
                .orElseThrow(() -> new MethodFault(
                        number,
                        id,
                        "is no step that this version knows; it knows "
                                + Steps.all().stream().map(StepDescription::id).collect(Collectors.joining(", "))));
        Values values = values(number, description, map);
        String stepId = map.get("id") instanceof String s ? s : id + "-at-" + number;
        return new MethodStep(
                stepId,
                description,
                values,
                flag(number, id, map, "muted"),
                flag(number, id, map, "save"),
                held(number, description, map.get("held")));
    }

    private static Values values(int number, StepDescription description, Map<?, ?> map) throws MethodFault {
        Values values = Values.NONE;
        for (Map.Entry<?, ?> entry : map.entrySet()) {
            String key = String.valueOf(entry.getKey());
            if (!STEP_KEYS.contains(key)) {
                values = read(number, description, values, key, entry.getValue());
            }
        }
        check(number, description, values);
        return values;
    }

    private static Optional<Held> held(int number, StepDescription description, Object found) throws MethodFault {
        if (found == null) {
            return Optional.empty();
        }
        try {
            Map<?, ?> map = (Map<?, ?>) found;
            List<String> samples = ((List<?>) map.get("samples"))
                    .stream().map(String.class::cast).toList();
            Values free = values(number, description, (Map<?, ?>) map.get("free"));
            return Optional.of(new Held(free, samples, LocalDate.parse((String) map.get("on"))));
        } catch (ClassCastException | NullPointerException | DateTimeParseException e) {
            throw new MethodFault(
                    number,
                    description.id(),
                    "'held': expected \"free\", \"samples\" and \"on\", a day such as 2026-11-28");
        }
    }

    private static boolean flag(int number, String id, Map<?, ?> map, String key) throws MethodFault {
        Object found = map.containsKey(key) ? map.get(key) : Boolean.FALSE;
        if (!(found instanceof Boolean flag)) {
            throw new MethodFault(
                    number, id, "'" + key + "': expected true or false but found " + Setting.found(found));
        }
        return flag;
    }

    private static Values read(int number, StepDescription step, Values values, String key, Object tree)
            throws MethodFault {
        Setting<?> setting = step.setting(key)
                .orElseThrow(() -> new MethodFault(
                        number,
                        step.id(),
                        "has no setting '" + key + "'; it has "
                                + step.settings().stream().map(Setting::id).collect(Collectors.joining(", "))));
        try {
            return values.withTree(setting, tree);
        } catch (IllegalArgumentException e) {
            throw new MethodFault(number, step.id(), "'" + key + "': " + e.getMessage());
        }
    }

    /** What is set must have an effect, and what is needed must be set. */
    private static void check(int number, StepDescription step, Values values) throws MethodFault {
        for (Setting<?> setting : step.settings()) {
            boolean applies = setting.applies(values);
            if (values.isSet(setting) && !applies) {
                throw new MethodFault(
                        number,
                        step.id(),
                        "'" + setting.id() + "' has an effect only when "
                                + setting.onlyWhen().stream()
                                        .map(Object::toString)
                                        .collect(Collectors.joining(" and ")));
            }
            if (applies && setting.required() && !values.isSet(setting)) {
                throw new MethodFault(number, step.id(), "needs '" + setting.id() + "'");
            }
        }
        try {
            step.make().apply(values);
        } catch (IllegalArgumentException e) {
            throw new MethodFault(number, step.id(), e.getMessage());
        }
    }

    private static String sorted(Set<String> words) {
        return words.stream().sorted().collect(Collectors.joining(", "));
    }

    /** As it is written to a file: defaults filled in, with ids, and with mutes and saves where there are any. */
    public static Map<String, Object> write(Method method) {
        return tree(method, true);
    }

    /** What the method's hash is made from: defaults filled in, fixed order, without ids, mutes and saves. */
    public static Map<String, Object> canonical(Method method) {
        return tree(method, false);
    }

    private static Map<String, Object> tree(Method method, boolean whole) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("format", FORMAT);
        tree.put("version", VERSION);
        tree.put("name", method.name());
        tree.put("unit", method.unit().id());
        tree.put("steps", method.steps().stream().map(s -> tree(s, whole)).toList());
        tree.put("measures", method.measures().stream().map(Measure::id).toList());
        if (!method.own().isEmpty()) {
            tree.put("columns", method.own().stream().map(FormulaTree::tree).toList());
        }
        if (!method.numbers().isEmpty()) {
            tree.put("numbers", method.numbers().stream().map(FormulaTree::tree).toList());
        }
        tree.put("signal", method.signal());
        return tree;
    }

    private static Map<String, Object> tree(MethodStep step, boolean whole) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("step", step.description().id());
        if (whole) {
            tree.put("id", step.id());
        }
        var settings = step.description().settings();
        tree.putAll(whole ? step.values().tree(settings) : step.values().canonical(settings));
        if (whole && step.muted()) {
            tree.put("muted", true);
        }
        if (whole && step.save()) {
            tree.put("save", true);
        }
        if (whole && step.held().isPresent()) {
            Held held = step.held().get();
            Map<String, Object> origin = new LinkedHashMap<>();
            origin.put("free", held.free().tree(settings));
            origin.put("samples", held.samples());
            origin.put("on", held.on().toString());
            tree.put("held", origin);
        }
        return tree;
    }
}
