package keentally.core.step;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import keentally.core.measure.Measure;
import keentally.core.quantity.Limit;
import keentally.core.setting.Item;
import keentally.core.setting.LimitSetting;
import keentally.core.setting.Setting;

/**
 * Regions that lie in all of some ranges are of a phase.
 *
 * @param phase its name
 * @param where at least one range
 */
record SortingRule(String phase, List<MeasureRange> where) {
    private static final LimitSetting AT_LEAST = new LimitSetting("atLeast");
    private static final LimitSetting AT_MOST = new LimitSetting("atMost");

    /** Typed as {@code crust: mean-hue from 20 to 60, area from 35 um2}. */
    static final Item<SortingRule> ITEM = new Rules();

    SortingRule {
        where = List.copyOf(where);
    }

    private static final class Rules implements Item<SortingRule> {
        private static final Set<String> KEYS = Set.of("measure", "atLeast", "atMost");
        private static final Pattern TYPED =
                Pattern.compile("(?<measure>[a-z0-9-]+)(?:\\s+from\\s+(?<least>.+?))?(?:\\s+to\\s+(?<most>.+))?");

        @Override
        public String kind() {
            return "rules";
        }

        @Override
        public SortingRule read(Object tree) {
            if (tree instanceof Map<?, ?> map
                    && map.keySet().equals(Set.of("phase", "where"))
                    && map.get("phase") instanceof String phase
                    && !phase.isBlank()
                    && map.get("where") instanceof List<?> where
                    && !where.isEmpty()) {
                return new SortingRule(
                        phase.strip(), where.stream().map(Rules::range).toList());
            }
            throw new IllegalArgumentException("expected a rule such as {\"phase\": \"crust\", \"where\":"
                    + " [{\"measure\": \"mean-hue\", \"atLeast\": 20, \"atMost\": 60}]} but found "
                    + Setting.found(tree));
        }

        private static MeasureRange range(Object tree) {
            if (tree instanceof Map<?, ?> map
                    && KEYS.containsAll(map.keySet())
                    && map.get("measure") instanceof String id) {
                Measure measure = Measure.find(id)
                        .orElseThrow(
                                () -> new IllegalArgumentException("expected a measure's id but found \"" + id + "\""));
                if (!map.containsKey("atLeast") && !map.containsKey("atMost")) {
                    throw new IllegalArgumentException(
                            "expected 'atLeast' or 'atMost', or both, with the measure " + id);
                }
                return new MeasureRange(
                        measure,
                        Optional.ofNullable(map.get("atLeast")).map(AT_LEAST::read),
                        Optional.ofNullable(map.get("atMost")).map(AT_MOST::read));
            }
            throw new IllegalArgumentException(
                    "expected a range such as {\"measure\": \"mean-hue\", \"atLeast\": 20} but found "
                            + Setting.found(tree));
        }

        @Override
        public Object write(SortingRule value) {
            Map<String, Object> tree = new LinkedHashMap<>();
            tree.put("phase", value.phase);
            tree.put("where", value.where.stream().map(Rules::tree).toList());
            return tree;
        }

        private static Map<String, Object> tree(MeasureRange range) {
            Map<String, Object> tree = new LinkedHashMap<>();
            tree.put("measure", range.measure().id());
            range.atLeast().ifPresent(l -> tree.put("atLeast", AT_LEAST.write(l)));
            range.atMost().ifPresent(l -> tree.put("atMost", AT_MOST.write(l)));
            return tree;
        }

        @Override
        public String text(SortingRule value) {
            return value.phase + ": "
                    + value.where.stream()
                            .map(r -> r.measure().id()
                                    + r.atLeast().map(l -> " from " + l).orElse("")
                                    + r.atMost().map(l -> " to " + l).orElse(""))
                            .collect(Collectors.joining(", "));
        }

        @Override
        public Object treeOf(String text) {
            String[] parts = text.split(":", 2);
            if (parts.length < 2) {
                return text;
            }
            List<Object> ranges = new ArrayList<>();
            Arrays.stream(parts[1].split(",")).map(String::strip).forEach(r -> ranges.add(rangeOf(r)));
            return Map.of("phase", parts[0].strip(), "where", ranges);
        }

        private static Object rangeOf(String text) {
            Matcher typed = TYPED.matcher(text);
            if (!typed.matches()) {
                return text;
            }
            Map<String, Object> tree = new LinkedHashMap<>();
            tree.put("measure", typed.group("measure"));
            limit(typed.group("least")).ifPresent(l -> tree.put("atLeast", l));
            limit(typed.group("most")).ifPresent(l -> tree.put("atMost", l));
            return tree;
        }

        private static Optional<Object> limit(String text) {
            if (text == null) {
                return Optional.empty();
            }
            Limit limit = Limit.of(text);
            return Optional.of(limit instanceof Limit.Plain plain ? (Object) plain.amount() : text);
        }
    }
}
