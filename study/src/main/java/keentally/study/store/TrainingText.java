package keentally.study.store;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.classify.FeatureGroup;
import keentally.core.classify.ForestPlan;
import keentally.core.classify.LearnerPlan;
import keentally.core.classify.LinearPlan;
import keentally.core.classify.TrainingPlan;
import keentally.core.colour.Rgb;

/** What is to be learnt, as a tree of maps and lists. */
final class TrainingText {
    private TrainingText() {}

    static Map<String, Object> write(TrainingPlan plan) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put(
                "classes",
                plan.classes().stream()
                        .map(c -> List.of(c.name(), c.colour().toString()))
                        .toList());
        tree.put("features", plan.groups().stream().map(FeatureGroup::id).toList());
        tree.put("stretch", plan.stretch());
        switch (plan.learner()) {
            case ForestPlan forest ->
                tree.put("forest", List.of(forest.trees(), forest.depth(), forest.leastLeaf(), forest.seed()));
            case LinearPlan linear -> tree.put("linear", List.of(linear.cost(), linear.rounds()));
        }
        tree.put("examples", plan.examples());
        plan.seconds().ifPresent(s -> tree.put("seconds", s));
        return tree;
    }

    /** @throws RuntimeException where the tree is not what {@link #write} writes */
    static TrainingPlan read(Map<?, ?> tree) {
        return new TrainingPlan(
                ((List<?>) tree.get("classes"))
                        .stream()
                                .map(c -> (List<?>) c)
                                .map(c -> new ClassLabel((String) c.get(0), Rgb.of((String) c.get(1))))
                                .toList(),
                ((List<?>) tree.get("features"))
                        .stream()
                                .map(g -> FeatureGroup.valueOf(g.toString().toUpperCase(Locale.ROOT)))
                                .toList(),
                ((Number) tree.get("stretch")).doubleValue(),
                learner(tree),
                ((Number) tree.get("examples")).intValue(),
                tree.get("seconds") instanceof Number seconds
                        ? OptionalInt.of(seconds.intValue())
                        : OptionalInt.empty());
    }

    private static LearnerPlan learner(Map<?, ?> tree) {
        if (tree.get("linear") instanceof List<?> linear) {
            return new LinearPlan(((Number) linear.get(0)).doubleValue(), ((Number) linear.get(1)).intValue());
        }
        List<?> forest = (List<?>) tree.get("forest");
        return new ForestPlan(
                ((Number) forest.get(0)).intValue(),
                ((Number) forest.get(1)).intValue(),
                ((Number) forest.get(2)).intValue(),
                ((Number) forest.get(3)).longValue());
    }
}
