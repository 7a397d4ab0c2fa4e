package keentally.study.method;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.classify.Confusion;
import keentally.core.classify.ForestPlan;
import keentally.core.classify.LearnerPlan;
import keentally.core.classify.LinearPlan;
import keentally.core.classify.Scores;
import keentally.study.Program;

/** Where a model comes from, as its file says it: from what it was learnt, how, and how well it did on what was held out. */
public final class Provenance {
    private Provenance() {}

    /**
     * As a tree.
     *
     * @param learntFrom pictures, each with what is known of it
     * @param examples how many pixels were learnt from
     * @param seed by which they were drawn
     * @param scores empty where nothing was held out
     */
    public static Map<String, Object> of(
            List<Map<String, Object>> learntFrom, int examples, long seed, LearnerPlan plan, Optional<Scores> scores) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("program", Program.VERSION);
        tree.put("learntFrom", learntFrom);
        tree.put("examples", examples);
        switch (plan) {
            case ForestPlan forest -> {
                tree.put("learner", "forest");
                tree.put("trees", forest.trees());
                tree.put("depth", forest.depth());
            }
            case LinearPlan linear -> {
                tree.put("learner", "linear");
                tree.put("cost", linear.cost());
                tree.put("rounds", linear.rounds());
            }
        }
        tree.put("seed", seed);
        scores.ifPresent(s -> {
            tree.put("block", s.block());
            tree.put("heldOut", table(s));
        });
        return tree;
    }

    /** A row a class; nothing where it was never held out. */
    public static List<Map<String, Object>> table(Scores scores) {
        Confusion confusion = scores.confusion();
        List<Map<String, Object>> rows = new ArrayList<>();
        for (int c = 0; c < confusion.classes(); c++) {
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("class", scores.classes().get(c).name());
            row.put("heldOut", confusion.examples(c));
            row.put("precision", number(confusion.precision(c)));
            row.put("recall", number(confusion.recall(c)));
            row.put("f1", number(confusion.f1(c)));
            row.put("overlap", number(confusion.overlap(c)));
            rows.add(row);
        }
        return rows;
    }

    private static Double number(double value) {
        return Double.isFinite(value) ? value : null;
    }
}
