package keentally.study.document;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;

/** Things as they ever were, each content held once, by number. */
final class Versions {
    private final Map<Long, Thing> things = new HashMap<>();
    private final Map<Thing, Long> numbers = new HashMap<>();
    private final Map<Long, Thing> fresh = new LinkedHashMap<>();
    private long next;

    Versions(Map<Long, Thing> known) {
        known.forEach((number, thing) -> {
            things.put(number, thing);
            numbers.put(thing, number);
            next = Math.max(next, number + 1);
        });
    }

    long put(Thing thing) {
        return numbers.computeIfAbsent(thing, t -> {
            things.put(next, t);
            fresh.put(next, t);
            return next++;
        });
    }

    Thing get(long version) {
        return things.get(version);
    }

    /** What was put in since this was last asked. */
    Map<Long, Thing> takeFresh() {
        Map<Long, Thing> taken = Map.copyOf(fresh);
        fresh.clear();
        return taken;
    }
}
