package keentally.study.store;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import keentally.study.document.ReportPlan;
import keentally.study.document.ReportPlan.Paper;
import keentally.study.document.ReportPlan.Part;

/** What a report is to hold, as a tree. */
final class ReportText {
    private ReportText() {}

    static Map<String, Object> write(ReportPlan plan) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("title", plan.title());
        tree.put("laboratory", plan.laboratory());
        tree.put("by", plan.by());
        tree.put("words", plan.words());
        tree.put("paper", word(plan.paper()));
        tree.put("parts", plan.parts().stream().map(ReportText::word).toList());
        plan.logo().ifPresent(l -> tree.put("logo", l));
        return tree;
    }

    /** @throws IllegalArgumentException where the tree is not what {@link #write} writes */
    static ReportPlan read(Map<String, Object> tree) {
        return new ReportPlan(
                (String) tree.get("title"),
                (String) tree.get("laboratory"),
                (String) tree.get("by"),
                (String) tree.get("words"),
                Paper.valueOf(constant(tree.get("paper"))),
                ((List<?>) tree.get("parts"))
                        .stream().map(p -> Part.valueOf(constant(p))).toList(),
                Optional.ofNullable((String) tree.get("logo")));
    }

    private static String word(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static String constant(Object word) {
        return ((String) word).toUpperCase(Locale.ROOT).replace('-', '_');
    }
}
