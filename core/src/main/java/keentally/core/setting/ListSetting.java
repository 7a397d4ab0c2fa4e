package keentally.core.setting;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Several things of one kind, in an order that counts.
 *
 * @param usual the default; empty where a list must be given, or where none is a meaning of its own
 * @param noneWord a word that stands for none in files, such as {@code auto}
 * @param least fewest things that will do
 * @param most most things that will do
 */
public record ListSetting<E>(
        String id,
        Optional<List<E>> usual,
        boolean required,
        Optional<String> noneWord,
        int least,
        int most,
        Item<E> item,
        List<Condition> onlyWhen)
        implements Setting<List<E>> {
    public ListSetting {
        onlyWhen = List.copyOf(onlyWhen);
    }

    /** Must be given where it applies. */
    public static <E> ListSetting<E> needed(String id, Item<E> item, int least, int most, Condition... onlyWhen) {
        return new ListSetting<>(id, Optional.empty(), true, Optional.empty(), least, most, item, List.of(onlyWhen));
    }

    /** May be left out, and is then empty. */
    public static <E> ListSetting<E> free(String id, Item<E> item, int most, Condition... onlyWhen) {
        return new ListSetting<>(id, Optional.of(List.of()), false, Optional.empty(), 0, most, item, List.of(onlyWhen));
    }

    /** May be left out, which is a meaning of its own. */
    public static <E> ListSetting<E> optional(String id, Item<E> item, int least, int most, Condition... onlyWhen) {
        return new ListSetting<>(id, Optional.empty(), false, Optional.empty(), least, most, item, List.of(onlyWhen));
    }

    /** May be left out or be a word, and is then empty; one thing may stand by itself, without a list. */
    public static <E> ListSetting<E> orWord(String id, String none, Item<E> item, int most, Condition... onlyWhen) {
        return new ListSetting<>(
                id, Optional.of(List.of()), false, Optional.of(none), 0, most, item, List.of(onlyWhen));
    }

    @Override
    public Optional<List<E>> fallback() {
        return usual;
    }

    @Override
    public List<E> read(Object tree) {
        if (noneWord.isPresent() && noneWord.get().equals(tree)) {
            return List.of();
        }
        if (noneWord.isPresent() && !(tree instanceof List<?>)) {
            return List.of(item.read(tree));
        }
        if (!(tree instanceof List<?> list)) {
            throw new IllegalArgumentException(
                    "expected a list of " + item.kind() + " but found " + Setting.found(tree));
        }
        if (list.size() < least || list.size() > most) {
            throw new IllegalArgumentException(
                    "expected a list of " + least + " to " + most + " " + item.kind() + " but found " + list.size());
        }
        List<E> read = new ArrayList<>();
        for (Object each : list) {
            read.add(item.read(each));
        }
        return List.copyOf(read);
    }

    @Override
    public Object write(List<E> value) {
        return value.isEmpty() && noneWord.isPresent()
                ? noneWord.get()
                : value.stream().map(item::write).toList();
    }

    @Override
    public String kind() {
        return item.kind();
    }

    @Override
    public Map<String, Object> limits() {
        return Map.of("least", (long) least, "most", (long) most);
    }

    /** As a person types and reads it: things parted by semicolons. */
    public String text(List<E> value) {
        return value.isEmpty() && noneWord.isPresent()
                ? noneWord.get()
                : value.stream().map(item::text).collect(Collectors.joining("; "));
    }

    /** Whether its items are typed as numbers. */
    public boolean isOfNumbers() {
        return item.isOfNumbers();
    }

    /** The tree that typed text stands for. */
    public Object treeOf(String text) {
        if (noneWord.isPresent() && noneWord.get().equals(text.strip())) {
            return text.strip();
        }
        return Arrays.stream(text.split(";"))
                .map(String::strip)
                .filter(part -> !part.isEmpty())
                .map(item::treeOf)
                .toList();
    }
}
