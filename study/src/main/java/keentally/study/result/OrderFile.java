package keentally.study.result;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import keentally.core.method.MethodFault;
import keentally.core.method.MethodTree;
import keentally.core.quantity.Mass;
import keentally.study.document.PictureRef;
import keentally.study.document.PictureRef.Source;
import keentally.study.file.Json;
import keentally.study.method.MethodFile;
import keentally.study.run.TypedNumbers;
import keentally.study.run.Weighing;

/** What the parts of a run have in common, so that each knows that it is of the one run and its tables can be made at the end. */
final class OrderFile {
    static final String NAME = "order.json";
    private static final String FORMAT = "keen-tally-order";

    private OrderFile() {}

    static String text(RunOrder order) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("format", FORMAT);
        tree.put("version", 1);
        tree.put("method", MethodTree.write(order.method()));
        tree.put("methodSha256", MethodFile.hash(order.method()));
        order.weighing().sample().ifPresent(m -> tree.put("mass", m.toString()));
        tree.put("densities", new TreeMap<>(order.weighing().densities()));
        tree.put("numbers", order.typed().named());
        List<String> names = SampleNames.of(order.samples());
        List<Object> samples = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            PictureOrder sample = order.samples().get(i);
            Map<String, Object> of = new LinkedHashMap<>();
            of.put("name", names.get(i));
            of.put(
                    "sources",
                    sample.picture().sources().stream().map(OrderFile::source).toList());
            of.put(
                    "scale",
                    sample.scaleFromFile()
                            ? "file"
                            : sample.scale().map(Object::toString).orElse(""));
            of.put("field", sample.field().stream().map(Object::toString).toList());
            samples.add(of);
        }
        tree.put("samples", samples);
        return Json.pretty(tree);
    }

    private static Map<String, Object> source(Source source) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("channel", source.channel());
        tree.put("file", source.file().toString());
        tree.put("page", source.page());
        return tree;
    }

    /**
     * The order as far as its tables hang on it.
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
                Map<?, ?> of = (Map<?, ?>) each;
                List<Source> sources = ((List<?>) of.get("sources"))
                        .stream().map(s -> readSource((Map<?, ?>) s)).toList();
                samples.add(new PictureOrder(
                        Optional.of((String) of.get("name")),
                        new PictureRef(sources),
                        Optional.empty(),
                        false,
                        List.of()));
            }
            Map<String, Double> densities = numbers(tree.get("densities"));
            Optional<Mass> mass = Optional.ofNullable((String) tree.get("mass")).map(Mass::of);
            return new RunOrder(
                    MethodTree.read(tree.get("method")),
                    samples,
                    folder,
                    1,
                    true,
                    new Weighing(mass, densities, true),
                    new TypedNumbers(OptionalDouble.empty(), numbers(tree.get("numbers"))));
        } catch (ClassCastException | NullPointerException | MethodFault e) {
            throw new IllegalArgumentException("not the order of a run", e);
        }
    }

    private static TreeMap<String, Double> numbers(Object tree) {
        TreeMap<String, Double> numbers = new TreeMap<>();
        ((Map<?, ?>) tree).forEach((name, value) -> numbers.put((String) name, ((Number) value).doubleValue()));
        return numbers;
    }

    private static Source readSource(Map<?, ?> tree) {
        return new Source(
                (String) tree.get("channel"),
                Path.of((String) tree.get("file")),
                ((Number) tree.get("page")).intValue(),
                Optional.empty());
    }
}
