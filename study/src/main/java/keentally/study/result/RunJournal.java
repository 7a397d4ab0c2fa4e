package keentally.study.result;

import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import keentally.core.method.MethodTree;
import keentally.study.Program;
import keentally.study.file.Json;
import keentally.study.method.MethodFile;
import keentally.study.method.ReferencePaths;
import keentally.study.run.RecordFile;
import keentally.study.run.SampleRecord;

/** {@code run.json}: what was run, on what, by which version, what was noticed, and which files came of it. */
final class RunJournal {
    private final RunOrder order;
    private final Instant start = Instant.now();
    private final List<Object> pictures = new ArrayList<>();
    private int failed;

    RunJournal(RunOrder order) {
        this.order = order;
    }

    /** In the order of the samples. */
    void add(SampleRecord record) {
        pictures.add(picture(record, order.samples().get(pictures.size())));
        failed += record.error().isPresent() ? 1 : 0;
    }

    /** How many samples failed. */
    int failed() {
        return failed;
    }

    /** @param files that were written, named from the folder */
    String json(List<String> files) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("format", "keen-tally-run");
        tree.put("version", 1);
        tree.put("program", Program.VERSION);
        tree.put("method", MethodTree.write(ReferencePaths.relative(order.method(), order.folder())));
        tree.put("methodSha256", MethodFile.hash(order.method()));
        order.weighing().sample().ifPresent(m -> {
            tree.put("mass", m.toString());
            tree.put("densities", new TreeMap<>(order.weighing().densities()));
        });
        if (!order.typed().named().isEmpty()) {
            tree.put("numbers", order.typed().named());
        }
        order.bar().ifPresent(b -> tree.put("bar", b.toString()));
        tree.put("pictures", pictures);
        tree.put("files", files);
        if (order.timed()) {
            Map<String, Object> times = new LinkedHashMap<>();
            times.put("started", start.toString());
            times.put("finished", Instant.now().toString());
            tree.put("times", times);
        }
        return Json.pretty(tree);
    }

    private Map<String, Object> picture(SampleRecord record, PictureOrder sample) {
        Map<String, Object> tree = PictureOrderText.write(sample, record.sample(), this::fromFolder);
        if (!record.origin().picture().isEmpty()) {
            tree.put("sha256", record.origin().picture().replaceFirst("#.*", ""));
        }
        tree.put("status", record.error().orElse("ok"));
        tree.put("cautions", record.cautions().stream().map(RecordFile::tree).toList());
        return tree;
    }

    /** Results and pictures that are moved together still find each other. */
    private String fromFolder(Path file) {
        Path folder = order.folder().toAbsolutePath().normalize();
        Path picture = file.toAbsolutePath().normalize();
        Path way = Objects.equals(folder.getRoot(), picture.getRoot()) ? folder.relativize(picture) : picture;
        return way.toString().replace('\\', '/');
    }
}
