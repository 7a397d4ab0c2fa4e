package keentally.cli;

import java.io.PrintWriter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.Setting;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.core.words.Words;
import keentally.study.file.Json;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code steps [--json]}. */
@Command(
        name = "steps",
        description = "Lists every step: what it needs and gives, and its settings with units, limits and defaults.",
        mixinStandardHelpOptions = true)
final class StepsCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Option(names = "--json", description = "As JSON.")
    private boolean json;

    @Override
    public Integer call() {
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            out.print(Json.pretty(Steps.all().stream().map(StepsCommand::tree).toList()));
        } else {
            Steps.all().forEach(step -> print(out, step));
        }
        out.flush();
        return Status.WELL;
    }

    private static void print(PrintWriter out, StepDescription step) {
        out.printf("%s: %s to %s%n", step.id(), ChoiceSetting.word(step.needs()), ChoiceSetting.word(step.gives()));
        out.printf("  %s%n", Words.help(step));
        for (Setting<?> setting : step.settings()) {
            Map<String, Object> tree = tree(step, setting);
            StringBuilder line = new StringBuilder("  - " + setting.id() + ": " + setting.kind());
            setting.limits()
                    .forEach((name, limit) ->
                            line.append(", ").append(name).append(' ').append(limit));
            line.append(tree.containsKey("default") ? ", default " + tree.get("default") : "");
            line.append(setting.required() ? ", must be given" : "");
            line.append(tree.containsKey("onlyWhen") ? ", only when " + String.join(" and ", conditions(setting)) : "");
            out.println(line);
        }
    }

    private static Map<String, Object> tree(StepDescription step) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("step", step.id());
        tree.put("title", Words.title(step));
        tree.put("help", Words.help(step));
        tree.put("needs", ChoiceSetting.word(step.needs()));
        tree.put("gives", ChoiceSetting.word(step.gives()));
        tree.put("uses", step.uses().stream().map(ChoiceSetting::word).sorted().toList());
        tree.put("settings", step.settings().stream().map(s -> tree(step, s)).toList());
        return tree;
    }

    private static <T> Map<String, Object> tree(StepDescription step, Setting<T> setting) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("id", setting.id());
        tree.put("kind", setting.kind());
        tree.put("label", Words.label(step, setting));
        tree.putAll(new TreeMap<>(setting.limits()));
        setting.fallback().ifPresent(value -> tree.put("default", setting.write(value)));
        tree.put("required", setting.required());
        if (!setting.onlyWhen().isEmpty()) {
            tree.put("onlyWhen", conditions(setting));
        }
        return tree;
    }

    private static List<String> conditions(Setting<?> setting) {
        return setting.onlyWhen().stream().map(Condition::toString).toList();
    }
}
