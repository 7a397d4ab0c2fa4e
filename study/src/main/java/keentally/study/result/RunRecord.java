package keentally.study.result;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import keentally.core.method.MethodTree;
import keentally.study.Program;
import keentally.study.caution.Caution;
import keentally.study.document.PictureRef.Source;
import keentally.study.file.Json;
import keentally.study.method.MethodFile;

/** {@code run.json}: what was run, on what, by which version, and what was noticed. */
final class RunRecord {
    private RunRecord() {}

    static String json(RunOrder order, List<BatchRun.Outcome> outcomes, Instant start) {
        return Json.pretty(tree(order, outcomes, start));
    }

    private static Map<String, Object> tree(RunOrder order, List<BatchRun.Outcome> outcomes, Instant start) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("format", "keen-tally-run");
        tree.put("version", 1);
        tree.put("program", Program.VERSION);
        tree.put("method", MethodTree.write(order.method()));
        tree.put("methodSha256", MethodFile.hash(order.method()));
        order.weighing().sample().ifPresent(m -> {
            tree.put("mass", m.toString());
            tree.put("densities", new TreeMap<>(order.weighing().densities()));
        });
        List<Object> pictures = new ArrayList<>();
        for (int i = 0; i < outcomes.size(); i++) {
            pictures.add(picture(outcomes.get(i), order.samples().get(i)));
        }
        tree.put("pictures", pictures);
        if (order.timed()) {
            Map<String, Object> times = new LinkedHashMap<>();
            times.put("started", start.toString());
            times.put("finished", Instant.now().toString());
            tree.put("times", times);
        }
        return tree;
    }

    private static Map<String, Object> picture(BatchRun.Outcome outcome, SampleOrder order) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("sample", outcome.sample());
        Source first = order.picture().first();
        tree.put("file", first.file().getFileName().toString());
        tree.put("page", first.page());
        if (order.picture().isComposed()) {
            tree.put(
                    "channels",
                    order.picture().sources().stream().map(RunRecord::channel).toList());
        }
        outcome.sha256().ifPresent(h -> tree.put("sha256", h));
        tree.put("status", outcome.error().orElse("ok"));
        outcome.reading().flatMap(SampleReading::scale).ifPresent(s -> tree.put("scale", s.toString()));
        List<Object> cautions = new ArrayList<>();
        outcome.reading().ifPresent(r -> r.cautions().forEach(c -> cautions.add(caution(c))));
        tree.put("cautions", cautions);
        return tree;
    }

    private static Map<String, Object> channel(Source source) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("name", source.channel());
        tree.put("file", source.file().getFileName().toString());
        tree.put("page", source.page());
        return tree;
    }

    private static Map<String, Object> caution(Caution caution) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("id", caution.id());
        tree.put("saw", caution.saw());
        tree.put("why", caution.why());
        tree.put("wayOut", caution.wayOut());
        return tree;
    }
}
