package keentally.study.result;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import keentally.core.quantity.Scale;
import keentally.study.document.FieldText;
import keentally.study.document.PictureRef;
import keentally.study.document.PictureRef.Source;

/** One sample that is to be run, as a tree; without what was done by hand on it, of which it only says that there is some. */
final class PictureOrderText {
    private static final String FROM_FILE = "file";

    private PictureOrderText() {}

    /** @param path how a file is written */
    static Map<String, Object> write(PictureOrder order, String name, Function<Path, String> path) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("sample", name);
        tree.put(
                "sources",
                order.picture().sources().stream().map(s -> source(s, path)).toList());
        if (!order.settled()) {
            tree.put("pageSettled", false);
        }
        if (order.scaleFromFile()) {
            tree.put("scale", FROM_FILE);
        } else {
            order.scale().ifPresent(s -> tree.put("scale", s.toString()));
        }
        if (!order.field().isEmpty()) {
            tree.put("field", order.field().stream().map(FieldText::writeWish).toList());
        }
        if (!order.hand().isEmpty()) {
            tree.put("byHand", true);
        }
        return tree;
    }

    private static Map<String, Object> source(Source source, Function<Path, String> path) {
        Map<String, Object> tree = new LinkedHashMap<>();
        if (!source.channel().isEmpty()) {
            tree.put("channel", source.channel());
        }
        tree.put("file", path.apply(source.file()));
        tree.put("page", source.page());
        return tree;
    }

    /**
     * As {@link #write} writes it.
     *
     * @param path from what stands there to a file
     * @throws ClassCastException or another runtime exception where the tree is none
     */
    static PictureOrder read(Map<?, ?> tree, Function<String, Path> path) {
        List<Source> sources = ((List<?>) tree.get("sources"))
                .stream().map(s -> source((Map<?, ?>) s, path)).toList();
        String scale = (String) tree.get("scale");
        boolean fromFile = FROM_FILE.equals(scale);
        List<?> field = tree.get("field") == null ? List.of() : (List<?>) tree.get("field");
        return new PictureOrder(
                Optional.of((String) tree.get("sample")),
                new PictureRef(sources),
                !Boolean.FALSE.equals(tree.get("pageSettled")),
                fromFile ? Optional.empty() : Optional.ofNullable(scale).map(Scale::of),
                fromFile,
                field.stream().map(f -> FieldText.readWish((String) f)).toList(),
                Map.of());
    }

    private static Source source(Map<?, ?> tree, Function<String, Path> path) {
        return new Source(
                Optional.ofNullable((String) tree.get("channel")).orElse(""),
                path.apply((String) tree.get("file")),
                ((Number) tree.get("page")).intValue(),
                Optional.empty());
    }
}
