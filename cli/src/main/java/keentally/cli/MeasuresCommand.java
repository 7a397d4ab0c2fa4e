package keentally.cli;

import java.io.PrintWriter;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.Callable;
import keentally.core.measure.Measure;
import keentally.core.setting.ChoiceSetting;
import keentally.core.words.Words;
import keentally.study.file.Json;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code measures [--json]}. */
@Command(
        name = "measures",
        description = "Lists every measure: its dimension, definition and source.",
        mixinStandardHelpOptions = true)
final class MeasuresCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Option(names = "--json", description = "As JSON.")
    private boolean json;

    @Override
    public Integer call() {
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            out.print(Json.pretty(
                    Arrays.stream(Measure.values()).map(MeasuresCommand::tree).toList()));
        } else {
            for (Measure measure : Measure.values()) {
                out.printf(
                        "%s (%s): %s%n", measure.id(), ChoiceSetting.word(measure.dimension()), Words.title(measure));
                out.printf("  %s Source: %s.%n", Words.definition(measure), Words.source(measure));
            }
        }
        out.flush();
        return Status.WELL;
    }

    private static Map<String, Object> tree(Measure measure) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("measure", measure.id());
        tree.put("title", Words.title(measure));
        tree.put("dimension", ChoiceSetting.word(measure.dimension()));
        tree.put("definition", Words.definition(measure));
        tree.put("source", Words.source(measure));
        return tree;
    }
}
