package keentally.study.method;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import keentally.core.classify.Classifier;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.classify.FeatureGroup;
import keentally.core.classify.FeatureSet;
import keentally.core.classify.Forest;
import keentally.core.classify.Learnt;
import keentally.core.classify.LinearModel;
import keentally.core.colour.Rgb;
import keentally.core.quantity.Scale;
import keentally.study.file.FileFault;
import keentally.study.file.Json;
import keentally.study.file.WholeFile;

/**
 * A model as a file: JSON with the features, the classes with their colours, the scale of the training, and trees or weights as
 * arrays of little-endian numbers of four bytes, in base 64.
 */
public final class ModelFile {
    public static final String ENDING = ".model.json";
    private static final String FORMAT = "keen-tally-model";
    private static final int VERSION = 1;

    private ModelFile() {}

    /** @param provenance what else is to be told: from what it was learnt, and how well it did */
    public static void write(Path file, Classifier classifier, Map<String, Object> provenance) throws FileFault {
        WholeFile.write(file, text(classifier, provenance));
    }

    /** As {@link #write} writes it. */
    public static String text(Classifier classifier, Map<String, Object> provenance) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("format", FORMAT);
        tree.put("version", VERSION);
        tree.put(
                "features",
                classifier.features().groups().stream().map(FeatureGroup::id).toList());
        tree.put("colour", classifier.features().colour());
        tree.put("stretch", classifier.features().stretch());
        classifier.trainedAt().ifPresent(s -> tree.put("scale", s.toString()));
        tree.put(
                "classes",
                classifier.classes().stream()
                        .map(c -> Map.of("name", c.name(), "colour", c.colour().toString()))
                        .map(TreeMap::new)
                        .toList());
        tree.put("provenance", provenance);
        switch (classifier.learnt()) {
            case Forest forest ->
                tree.put("trees", forest.trees().stream().map(ModelFile::tree).toList());
            case LinearModel linear -> tree.put("linear", tree(linear));
        }
        return Json.pretty(tree);
    }

    private static Map<String, Object> tree(LinearModel of) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("means", text(of.means()));
        tree.put("spreads", text(of.spreads()));
        tree.put("weights", Arrays.stream(of.weights()).map(ModelFile::text).toList());
        tree.put("converged", of.converged());
        return tree;
    }

    private static Map<String, Object> tree(Forest.Tree of) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("feature", text(of.feature()));
        tree.put("edge", text(of.edge()));
        tree.put("left", text(of.left()));
        tree.put("shares", text(of.shares()));
        return tree;
    }

    private static String text(int[] numbers) {
        ByteBuffer bytes = ByteBuffer.allocate(4 * numbers.length).order(ByteOrder.LITTLE_ENDIAN);
        bytes.asIntBuffer().put(numbers);
        return Base64.getEncoder().encodeToString(bytes.array());
    }

    private static String text(float[] numbers) {
        ByteBuffer bytes = ByteBuffer.allocate(4 * numbers.length).order(ByteOrder.LITTLE_ENDIAN);
        bytes.asFloatBuffer().put(numbers);
        return Base64.getEncoder().encodeToString(bytes.array());
    }

    /** @throws FileFault where the file is no model, damaged, or a newer version's */
    public static Classifier read(Path file) throws FileFault {
        return classifier(file.toString(), Json.read(file));
    }

    /** As {@link #text} wrote it. @param name in sentences */
    public static Classifier parse(String name, String text) throws FileFault {
        try {
            return classifier(name, Json.parse(text));
        } catch (IllegalArgumentException e) {
            throw new FileFault(name + " is a damaged model: " + e.getMessage() + "; train it again.", e);
        }
    }

    private static Classifier classifier(String file, Object tree) throws FileFault {
        if (!(tree instanceof Map<?, ?> map) || !FORMAT.equals(map.get("format"))) {
            throw new FileFault(file + " is no model; choose a file that was trained.");
        }
        if (!Integer.valueOf(VERSION).equals(map.get("version"))) {
            throw new FileFault(file + " is a model of version " + map.get("version")
                    + ", which a newer program made; this one knows version " + VERSION + ".");
        }
        try {
            List<FeatureGroup> groups = new ArrayList<>();
            for (Object group : (List<?>) map.get("features")) {
                groups.add(FeatureGroup.valueOf(group.toString().toUpperCase(Locale.ROOT)));
            }
            FeatureSet features =
                    new FeatureSet(groups, (Boolean) map.get("colour"), ((Number) map.get("stretch")).doubleValue());
            List<ClassLabel> classes = ((List<?>) map.get("classes"))
                    .stream()
                            .map(c -> (Map<?, ?>) c)
                            .map(c -> new ClassLabel((String) c.get("name"), Rgb.of((String) c.get("colour"))))
                            .toList();
            Learnt learnt = map.get("linear") instanceof Map<?, ?> linear
                    ? readLinear(linear)
                    : readForest((List<?>) map.get("trees"), features, classes.size());
            Optional<Scale> scale =
                    Optional.ofNullable((String) map.get("scale")).map(Scale::of);
            return new Classifier(features, classes, learnt, scale);
        } catch (ClassCastException | NullPointerException | IllegalArgumentException e) {
            throw new FileFault(file + " is a damaged model: " + e.getMessage() + "; train it again.", e);
        }
    }

    private static Forest readForest(List<?> trees, FeatureSet features, int classes) {
        int count = features.features().size();
        return new Forest(
                classes,
                count,
                trees.stream().map(t -> readTree((Map<?, ?>) t, count, classes)).toList());
    }

    private static LinearModel readLinear(Map<?, ?> tree) {
        float[] means = floats(tree.get("means"));
        float[] spreads = floats(tree.get("spreads"));
        float[][] weights =
                ((List<?>) tree.get("weights")).stream().map(ModelFile::floats).toArray(float[][]::new);
        boolean fits =
                spreads.length == means.length && Arrays.stream(weights).allMatch(w -> w.length == means.length + 1);
        if (!fits) {
            throw new IllegalArgumentException("its weights do not go with its features");
        }
        return new LinearModel(means, spreads, weights, (Boolean) tree.get("converged"));
    }

    private static int[] ints(Object text) {
        ByteBuffer bytes = bytes(text);
        int[] numbers = new int[bytes.remaining() / 4];
        bytes.asIntBuffer().get(numbers);
        return numbers;
    }

    private static float[] floats(Object text) {
        ByteBuffer bytes = bytes(text);
        float[] numbers = new float[bytes.remaining() / 4];
        bytes.asFloatBuffer().get(numbers);
        return numbers;
    }

    /** One in which every way down ends in a leaf, whatever a file says. */
    private static Forest.Tree readTree(Map<?, ?> tree, int features, int classes) {
        int[] of = ints(tree.get("feature"));
        int nodes = of.length;
        int[] left = ints(tree.get("left"));
        float[] edge = floats(tree.get("edge"));
        if (left.length != nodes || edge.length != nodes) {
            throw new IllegalArgumentException("a tree is torn");
        }
        float[] shares = floats(tree.get("shares"));
        for (int n = 0; n < nodes; n++) {
            boolean sound = of[n] < 0
                    ? left[n] >= 0 && left[n] + classes <= shares.length
                    : of[n] < features && left[n] > n && left[n] + 1 < nodes;
            if (!sound) {
                throw new IllegalArgumentException("a tree leads nowhere");
            }
        }
        if (nodes == 0) {
            throw new IllegalArgumentException("a tree is empty");
        }
        return new Forest.Tree(of, edge, left, shares);
    }

    private static ByteBuffer bytes(Object text) {
        return ByteBuffer.wrap(Base64.getDecoder().decode((String) text)).order(ByteOrder.LITTLE_ENDIAN);
    }
}
