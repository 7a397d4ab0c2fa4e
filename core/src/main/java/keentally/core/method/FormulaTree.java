package keentally.core.method;

import static keentally.core.method.MethodTree.expect;
import static keentally.core.method.MethodTree.most;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import keentally.core.measure.Formula;
import keentally.core.measure.OwnColumn;
import keentally.core.measure.SampleNumber;
import keentally.core.measure.SampleNumber.Limits;

/** The part of a method's tree that people write as formulas: columns of their own, and numbers of the sample. */
final class FormulaTree {
    private static final int MOST = 200;
    private static final Set<String> COLUMN_KEYS = Set.of("name", "formula");
    private static final Set<String> NUMBER_KEYS = Set.of("name", "formula", "atLeast", "atMost");

    private FormulaTree() {}

    static List<OwnColumn> columns(Object found) throws MethodFault {
        List<OwnColumn> own = new ArrayList<>();
        for (Map<?, ?> map : maps("columns", found, COLUMN_KEYS)) {
            try {
                own.add(new OwnColumn((String) map.get("name"), Formula.of((String) map.get("formula"))));
            } catch (IllegalArgumentException e) {
                throw new MethodFault(
                        "The method's column \"" + map.get("name") + "\" cannot be: " + e.getMessage() + ".");
            }
        }
        return own;
    }

    static List<SampleNumber> numbers(Object found, List<OwnColumn> own) throws MethodFault {
        List<SampleNumber> numbers = new ArrayList<>();
        for (Map<?, ?> map : maps("numbers", found, NUMBER_KEYS)) {
            OptionalDouble atLeast = limit(map, "atLeast");
            OptionalDouble atMost = limit(map, "atMost");
            try {
                Limits limits = new Limits(atLeast, atMost);
                numbers.add(SampleNumber.of((String) map.get("name"), (String) map.get("formula"), own, limits));
            } catch (IllegalArgumentException e) {
                throw new MethodFault(
                        "The method's number \"" + map.get("name") + "\" cannot be: " + e.getMessage() + ".");
            }
        }
        return numbers;
    }

    private static OptionalDouble limit(Map<?, ?> map, String key) throws MethodFault {
        Object found = map.get(key);
        boolean fits = found == null || found instanceof Number n && Double.isFinite(n.doubleValue());
        expect(fits, "numbers", "with plain numbers for \"" + key + "\"", found);
        return found == null ? OptionalDouble.empty() : OptionalDouble.of(((Number) found).doubleValue());
    }

    /** A list of objects with a name of their own and a formula. */
    private static List<Map<?, ?>> maps(String key, Object found, Set<String> keys) throws MethodFault {
        if (found == null) {
            return List.of();
        }
        expect(found instanceof List<?>, key, "a list of " + key, found);
        most(key, (List<?>) found, MOST);
        List<Map<?, ?>> maps = new ArrayList<>();
        for (Object each : (List<?>) found) {
            boolean fits = each instanceof Map<?, ?> map
                    && keys.containsAll(map.keySet())
                    && map.get("name") instanceof String
                    && map.get("formula") instanceof String;
            expect(fits, key, "made of objects with \"name\" and \"formula\"", each);
            Map<?, ?> map = (Map<?, ?>) each;
            boolean twice = maps.stream().anyMatch(m -> m.get("name").equals(map.get("name")));
            expect(!twice, key, "a list that names each only once", map.get("name"));
            maps.add(map);
        }
        return maps;
    }

    static Map<String, Object> tree(OwnColumn column) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("name", column.name());
        tree.put("formula", column.formula().toString());
        return tree;
    }

    static Map<String, Object> tree(SampleNumber number) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("name", number.name());
        tree.put("formula", number.formula());
        number.limits().atLeast().ifPresent(v -> tree.put("atLeast", v));
        number.limits().atMost().ifPresent(v -> tree.put("atMost", v));
        return tree;
    }
}
