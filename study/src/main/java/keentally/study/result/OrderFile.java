package keentally.study.result;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import keentally.core.method.MethodFault;
import keentally.core.method.MethodTree;
import keentally.study.file.Json;
import keentally.study.method.MethodFile;
import keentally.study.method.ReferencePaths;

/** What the parts of a run have in common, so that each knows that it is of the one run and its tables can be made at the end. */
final class OrderFile {
    static final String NAME = "order.json";
    private static final String FORMAT = "keen-tally-order";

    private OrderFile() {}

    static String text(RunOrder order) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("format", FORMAT);
        tree.put("version", 1);
        tree.put("method", MethodTree.write(ReferencePaths.relative(order.method(), order.folder())));
        tree.put("methodSha256", MethodFile.hash(order.method()));
        order.weighing().sample().ifPresent(m -> tree.put("mass", m.toString()));
        tree.put("densities", new TreeMap<>(order.weighing().densities()));
        tree.put("numbers", order.typed().named());
        order.bar().ifPresent(b -> tree.put("bar", b.toString()));
        List<String> names = SampleNames.of(order.samples());
        List<Object> samples = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            samples.add(PictureOrderText.write(order.samples().get(i), names.get(i), OrderFile::whole));
        }
        tree.put("samples", samples);
        return Json.pretty(tree);
    }

    /** Parts may be called from anywhere. */
    private static String whole(Path file) {
        return file.toAbsolutePath().normalize().toString();
    }

    /**
     * The order, but for where its results go.
     *
     * @throws IllegalArgumentException where the text is none
     */
    static RunOrder read(String text, Path folder) {
        try {
            Map<?, ?> tree = (Map<?, ?>) Json.parse(text);
            if (!FORMAT.equals(tree.get("format"))) {
                throw new IllegalArgumentException("expected a " + FORMAT);
            }
            List<PictureOrder> samples = new ArrayList<>();
            for (Object each : (List<?>) tree.get("samples")) {
                samples.add(PictureOrderText.read((Map<?, ?>) each, Path::of));
            }
            return RunFile.order(tree, samples, folder);
        } catch (ClassCastException | NullPointerException | MethodFault e) {
            throw new IllegalArgumentException("not the order of a run", e);
        }
    }
}
