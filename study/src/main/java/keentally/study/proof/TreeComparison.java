package keentally.study.proof;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import keentally.study.proof.Proof.Difference;

/** Holds two trees of a sample's record against each other, leaf by leaf; a leaf is a number or a word. */
final class TreeComparison {
    private final String sample;
    private final List<Difference> differences = new ArrayList<>();
    private long leaves;

    private TreeComparison(String sample) {
        this.sample = sample;
    }

    /** @param old may be of another shape */
    static TreeComparison of(String sample, Object old, Object now) {
        TreeComparison comparison = new TreeComparison(sample);
        comparison.compare("", old, now);
        return comparison;
    }

    List<Difference> differences() {
        return differences;
    }

    long leaves() {
        return leaves;
    }

    private void compare(String where, Object old, Object now) {
        if (old instanceof Map<?, ?> o && now instanceof Map<?, ?> n) {
            Set<Object> keys = new LinkedHashSet<>(o.keySet());
            keys.addAll(n.keySet());
            for (Object key : keys) {
                compare(where.isEmpty() ? key.toString() : where + ", " + key, o.get(key), n.get(key));
            }
        } else if (old instanceof List<?> o && now instanceof List<?> n) {
            for (int i = 0; i < Math.max(o.size(), n.size()); i++) {
                compare(name(where, o, i), i < o.size() ? o.get(i) : null, i < n.size() ? n.get(i) : null);
            }
        } else {
            leaves++;
            if (!shown(old).equals(shown(now))) {
                differences.add(new Difference(sample, where, shown(old), shown(now)));
            }
        }
    }

    /** Columns and phases are called by their names, everything else by its place from 1. */
    private static String name(String where, List<?> list, int index) {
        if (index < list.size() && list.get(index) instanceof Map<?, ?> map) {
            Object name = map.get("id") != null ? map.get("id") : map.get("name");
            if (name != null) {
                return where + " " + name;
            }
        }
        return where + " " + (index + 1);
    }

    private static String shown(Object leaf) {
        return leaf == null ? "" : leaf.toString();
    }
}
