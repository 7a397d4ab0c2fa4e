package keentally.core.run;

import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.Optional;
import keentally.core.picture.Buffers;
import keentally.core.picture.HoldsBuffers;
import keentally.core.step.Outcome;

/**
 * Memory within a budget of bytes: outcomes of steps, kept to be used again, and what others have to hold while they work with it. Blocks
 * of memory are counted by identity, so that what several hold is counted once, and is counted until the last of them lets go. When there is too
 * much, outcomes go; first what is cheap to make again for the room it takes and has not been asked for lately. What is held goes only
 * when its holder lets go. Safe for many threads.
 *
 * <p>Source: P. Cao and S. Irani (1997), "Cost-aware WWW proxy caching algorithms", USENIX Symposium on Internet Technologies
 * and Systems: an entry's worth is its cost for its size, on top of the worth of the last entry that went.
 */
public final class StateCache {
    private final long budget;
    private final Map<StateKey, Entry> entries = new HashMap<>();
    private final Map<Object, Block> blocks = new IdentityHashMap<>();
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

    /** A block and how many hold it. */
    private static final class Block {
        private final long bytes;
        private int holders;

        Block(long bytes) {
            this.bytes = bytes;
        }
    }

    /** Something counted until it is let go of; letting go twice does nothing more. */
    public interface Hold extends AutoCloseable {
        @Override
        void close();
    }

    synchronized Optional<Outcome> find(StateKey key) {
        Entry entry = entries.get(key);
        if (entry == null) {
            return Optional.empty();
        }
        entry.worth = floor + entry.costPerByte;
        return Optional.of(entry.outcome);
    }

    /** @param nanos what it took to make */
    synchronized void put(StateKey key, Outcome outcome, long nanos) {
        if (budget == 0 || entries.containsKey(key)) {
            return;
        }
        Buffers buffers = Buffers.of(outcome.state());
        long more = count(buffers);
        entries.put(key, new Entry(outcome, buffers, (double) nanos / Math.max(1, more), floor));
        makeRoom();
    }

    /** Counts what somebody has to hold; outcomes go for it where there is too much. */
    public synchronized Hold hold(HoldsBuffers what) {
        Buffers buffers = Buffers.of(what);
        count(buffers);
        makeRoom();
        return new Hold() {
            private boolean gone;

            @Override
            public void close() {
                synchronized (StateCache.this) {
                    if (!gone) {
                        gone = true;
                        uncount(buffers);
                    }
                }
            }
        };
    }

    /** How many bytes nobody held before. */
    private long count(Buffers buffers) {
        long more = 0;
        for (Map.Entry<Object, Long> b : buffers.blocks().entrySet()) {
            Block block = blocks.computeIfAbsent(b.getKey(), k -> new Block(b.getValue()));
            if (block.holders++ == 0) {
                more += block.bytes;
            }
        }
        held += more;
        return more;
    }

    private void uncount(Buffers buffers) {
        for (Object key : buffers.blocks().keySet()) {
            Block block = blocks.get(key);
            if (--block.holders == 0) {
                held -= block.bytes;
                blocks.remove(key);
            }
        }
    }

    private void makeRoom() {
        while (held > budget && !entries.isEmpty()) {
            Map.Entry<StateKey, Entry> least = entries.entrySet().stream()
                    .min((a, b) -> Double.compare(a.getValue().worth, b.getValue().worth))
                    .orElseThrow();
            floor = least.getValue().worth;
            entries.remove(least.getKey());
            uncount(least.getValue().buffers);
        }
    }

    /** Bytes held now, by outcomes and by others; above the budget only where others hold more than that. */
    public synchronized long held() {
        return held;
    }

    public long budget() {
        return budget;
    }

    /** Number of outcomes held now. */
    public synchronized int size() {
        return entries.size();
    }

    private static final class Entry {
        private final Outcome outcome;
        private final Buffers buffers;
        private final double costPerByte;
        private double worth;

        Entry(Outcome outcome, Buffers buffers, double costPerByte, double floor) {
            this.outcome = outcome;
            this.buffers = buffers;
            this.costPerByte = costPerByte;
            this.worth = floor + costPerByte;
        }
    }
}
