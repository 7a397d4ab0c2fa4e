package keentally.core.run;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import keentally.core.step.Outcome;

/**
 * Outcomes of steps, within a budget of bytes. What goes first is what is cheap to make again for the room it takes and has
 * not been asked for lately. Safe for many threads.
 *
 * <p>Source: P. Cao and S. Irani (1997), "Cost-aware WWW proxy caching algorithms", USENIX Symposium on Internet Technologies
 * and Systems: an entry's worth is its cost for its size, on top of the worth of the last entry that went.
 */
public final class StateCache {
    private final long budget;
    private final Map<StateKey, Entry> entries = new HashMap<>();
    private long held;
    private double floor;

    /** @param budget bytes; 0 keeps nothing */
    public StateCache(long budget) {
        this.budget = budget;
    }

    /** About 40 % of the memory that this process may use. */
    public static StateCache ofUsualSize() {
        return new StateCache(Runtime.getRuntime().maxMemory() / 5 * 2);
    }

    synchronized Optional<Outcome> find(StateKey key) {
        Entry entry = entries.get(key);
        if (entry == null) {
            return Optional.empty();
        }
        entry.worth = floor + entry.costPerByte;
        return Optional.of(entry.outcome);
    }

    /**
     * @param bytes what the outcome holds beyond the one before it
     * @param nanos what it took to make
     */
    synchronized void put(StateKey key, Outcome outcome, long bytes, long nanos) {
        long size = Math.max(1, bytes);
        if (size > budget || entries.containsKey(key)) {
            return;
        }
        while (held + size > budget) {
            evict();
        }
        entries.put(key, new Entry(outcome, size, (double) nanos / size, floor));
        held += size;
    }

    private void evict() {
        Map.Entry<StateKey, Entry> least = entries.entrySet().stream()
                .min((a, b) -> Double.compare(a.getValue().worth, b.getValue().worth))
                .orElseThrow();
        floor = least.getValue().worth;
        held -= least.getValue().bytes;
        entries.remove(least.getKey());
    }

    /** Bytes held now; never above the budget. */
    public synchronized long held() {
        return held;
    }

    /** Number of outcomes held now. */
    public synchronized int size() {
        return entries.size();
    }

    private static final class Entry {
        private final Outcome outcome;
        private final long bytes;
        private final double costPerByte;
        private double worth;

        Entry(Outcome outcome, long bytes, double costPerByte, double floor) {
            this.outcome = outcome;
            this.bytes = bytes;
            this.costPerByte = costPerByte;
            this.worth = floor + costPerByte;
        }
    }
}
