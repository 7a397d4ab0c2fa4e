package keentally.study.document;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Things as they ever were, each content held once. In memory. */
final class Versions {
    private final List<Thing> all = new ArrayList<>();
    private final Map<Thing, Long> numbers = new HashMap<>();

    long put(Thing thing) {
        return numbers.computeIfAbsent(thing, t -> {
            all.add(t);
            return (long) all.size() - 1;
        });
    }

    Thing get(long version) {
        return all.get((int) version);
    }
}
