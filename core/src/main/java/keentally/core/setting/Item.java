package keentally.core.setting;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import keentally.core.colour.Rgb;
import keentally.core.quantity.Amounts;

/**
 * A kind of thing that a {@link ListSetting} holds.
 *
 * @param <E> the type of one
 */
public interface Item<E> {
    Item<Double> NUMBER = new Numbers();
    Item<Match> MATCH = new Matches();
    Item<List<Double>> VECTOR = new Vectors();
    Item<List<Double>> PLACE = new Places();
    Item<String> NAME = new Names();
    Item<Group> GROUP = new Groups();

    /** In the plural: numbers, colours, vectors, places, names, groups. */
    String kind();

    /** @throws IllegalArgumentException saying what was expected and what was found */
    E read(Object tree);

    Object write(E value);

    String text(E value);

    /** Whether all that is typed of it are numbers, and maybe a colour. */
    default boolean isOfNumbers() {
        return false;
    }

    Object treeOf(String text);

    /**
     * Phases that become one.
     *
     * @param name of the new phase
     * @param phases names or numbers of the old ones, at least one
     */
    record Group(String name, List<String> phases) {
        public Group {
            phases = List.copyOf(phases);
        }
    }

    private static double number(Object tree) {
        if (tree instanceof Number n && Double.isFinite(n.doubleValue())) {
            return n.doubleValue();
        }
        throw new IllegalArgumentException("expected a number but found " + Setting.found(tree));
    }

    private static Object numberOrText(String text) {
        try {
            return Double.valueOf(text);
        } catch (NumberFormatException e) {
            return text;
        }
    }

    /** Finite numbers. */
    final class Numbers implements Item<Double> {
        @Override
        public String kind() {
            return "numbers";
        }

        @Override
        public Double read(Object tree) {
            return number(tree);
        }

        @Override
        public Object write(Double value) {
            return Trees.number(value);
        }

        @Override
        public boolean isOfNumbers() {
            return true;
        }

        @Override
        public String text(Double value) {
            return Amounts.text(value);
        }

        @Override
        public Object treeOf(String text) {
            return numberOrText(text);
        }
    }

    /**
     * A colour and how far around it still counts.
     *
     * @param reach a distance in the colour space; empty for the usual one
     * @param not whether what is like it is taken away
     */
    record Match(Rgb colour, Optional<Double> reach, boolean not) {}

    /** Colours such as "#a0522d", or {"colour": "#a0522d", "distance": 12, "not": true}; typed as "not #a0522d 12". */
    final class Matches implements Item<Match> {
        private static final Set<String> KEYS = Set.of("colour", "distance", "not");

        @Override
        public String kind() {
            return "colours";
        }

        @Override
        public Match read(Object tree) {
            if (tree instanceof String text) {
                return new Match(Rgb.of(text), Optional.empty(), false);
            }
            if (tree instanceof Map<?, ?> map
                    && KEYS.containsAll(map.keySet())
                    && map.get("colour") instanceof String text
                    && (!map.containsKey("not") || map.get("not") instanceof Boolean)) {
                Optional<Double> reach =
                        Optional.ofNullable(map.get("distance")).map(Item::number);
                if (reach.isPresent() && reach.get() < 0) {
                    throw new IllegalArgumentException("expected a distance of 0 or more but found " + reach.get());
                }
                return new Match(Rgb.of(text), reach, Boolean.TRUE.equals(map.get("not")));
            }
            throw new IllegalArgumentException(
                    "expected a colour such as \"#a0522d\" or {\"colour\": \"#a0522d\", \"distance\": 12} but found "
                            + Setting.found(tree));
        }

        @Override
        public Object write(Match value) {
            if (value.reach().isEmpty() && !value.not()) {
                return value.colour().toString();
            }
            Map<String, Object> tree = new LinkedHashMap<>();
            tree.put("colour", value.colour().toString());
            value.reach().ifPresent(r -> tree.put("distance", Trees.number(r)));
            if (value.not()) {
                tree.put("not", true);
            }
            return tree;
        }

        @Override
        public boolean isOfNumbers() {
            return true;
        }

        @Override
        public String text(Match value) {
            return (value.not() ? "not " : "")
                    + value.colour()
                    + value.reach().map(r -> " " + Amounts.text(r)).orElse("");
        }

        @Override
        public Object treeOf(String text) {
            boolean not = text.startsWith("not ");
            String[] parts = (not ? text.substring(4) : text).strip().split(" +", 2);
            Map<String, Object> tree = new LinkedHashMap<>();
            tree.put("colour", parts[0]);
            if (parts.length > 1) {
                tree.put("distance", numberOrText(parts[1]));
            }
            tree.put("not", not);
            return tree;
        }
    }

    /** Three numbers each, for red, green and blue; not all 0. */
    final class Vectors implements Item<List<Double>> {
        @Override
        public String kind() {
            return "vectors";
        }

        @Override
        public List<Double> read(Object tree) {
            if (!(tree instanceof List<?> list) || list.size() != 3) {
                throw new IllegalArgumentException(
                        "expected three numbers such as [0.65, 0.7, 0.29] but found " + Setting.found(tree));
            }
            List<Double> vector = list.stream().map(Item::number).toList();
            if (vector.stream().allMatch(v -> v == 0)) {
                throw new IllegalArgumentException("expected a vector that is not all 0");
            }
            return vector;
        }

        @Override
        public Object write(List<Double> value) {
            return value.stream().map(Trees::number).toList();
        }

        @Override
        public boolean isOfNumbers() {
            return true;
        }

        @Override
        public String text(List<Double> value) {
            return value.stream().map(Amounts::text).collect(Collectors.joining(" "));
        }

        @Override
        public Object treeOf(String text) {
            return Arrays.stream(text.split("[ ,]+")).map(Item::numberOrText).toList();
        }
    }

    /** Places in a space of colours, or values. */
    final class Places implements Item<List<Double>> {
        @Override
        public String kind() {
            return "places";
        }

        @Override
        public List<Double> read(Object tree) {
            if (tree instanceof Number n) {
                return List.of(number(n));
            }
            if (!(tree instanceof List<?> list) || list.size() != 1 && list.size() != 3) {
                throw new IllegalArgumentException(
                        "expected one number or three, such as [52.1, 3.4, 18], but found " + Setting.found(tree));
            }
            return list.stream().map(Item::number).toList();
        }

        @Override
        public Object write(List<Double> value) {
            return value.stream().map(Trees::number).toList();
        }

        @Override
        public boolean isOfNumbers() {
            return true;
        }

        @Override
        public String text(List<Double> value) {
            return value.stream().map(Amounts::text).collect(Collectors.joining(" "));
        }

        @Override
        public Object treeOf(String text) {
            return Arrays.stream(text.split("[ ,]+")).map(Item::numberOrText).toList();
        }
    }

    /** Words, or whole numbers that stand for themselves. */
    final class Names implements Item<String> {
        @Override
        public String kind() {
            return "names";
        }

        @Override
        public String read(Object tree) {
            return name(tree);
        }

        static String name(Object tree) {
            if (tree instanceof Number n && n.doubleValue() == n.longValue()) {
                return String.valueOf(n.longValue());
            }
            if (tree instanceof String text && !text.isBlank()) {
                return text.strip();
            }
            throw new IllegalArgumentException("expected a name or a number from 0 but found " + Setting.found(tree));
        }

        @Override
        public Object write(String value) {
            return value;
        }

        @Override
        public String text(String value) {
            return value;
        }

        @Override
        public Object treeOf(String text) {
            return text;
        }
    }

    /** Objects of a name and a list of phases; typed as "crust: 0, 1". */
    final class Groups implements Item<Group> {
        @Override
        public String kind() {
            return "groups";
        }

        @Override
        public Group read(Object tree) {
            if (tree instanceof Map<?, ?> map
                    && map.keySet().equals(Set.of("name", "phases"))
                    && map.get("name") instanceof String name
                    && !name.isBlank()
                    && map.get("phases") instanceof List<?> phases
                    && !phases.isEmpty()) {
                return new Group(name.strip(), phases.stream().map(Names::name).toList());
            }
            throw new IllegalArgumentException(
                    "expected a group such as {\"name\": \"crust\", \"phases\": [0, 1]} but found "
                            + Setting.found(tree));
        }

        @Override
        public Object write(Group value) {
            Map<String, Object> tree = new LinkedHashMap<>();
            tree.put("name", value.name());
            tree.put("phases", value.phases());
            return tree;
        }

        @Override
        public String text(Group value) {
            return value.name() + ": " + String.join(", ", value.phases());
        }

        @Override
        public Object treeOf(String text) {
            String[] parts = text.split(":", 2);
            if (parts.length < 2) {
                return text;
            }
            return Map.of(
                    "name",
                    parts[0].strip(),
                    "phases",
                    Arrays.stream(parts[1].split(","))
                            .map(String::strip)
                            .filter(p -> !p.isEmpty())
                            .toList());
        }
    }
}
