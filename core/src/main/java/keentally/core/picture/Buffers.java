package keentally.core.picture;

import java.util.IdentityHashMap;
import java.util.Map;

/** Blocks of memory, each known by its identity, and how large they are: what two things share is counted once. */
public final class Buffers {
    private final Map<Object, Long> blocks = new IdentityHashMap<>();

    /** What somebody holds. */
    public static Buffers of(HoldsBuffers holder) {
        Buffers buffers = new Buffers();
        holder.addTo(buffers);
        return buffers;
    }

    /** @param block the array, or the one thing that holds some that nobody else has */
    public void add(Object block, long bytes) {
        blocks.put(block, bytes);
    }

    /** All that a part of a holder holds. */
    public void add(HoldsBuffers part) {
        part.addTo(this);
    }

    /** Each block with its bytes. */
    public Map<Object, Long> blocks() {
        return blocks;
    }

    public long bytes() {
        return blocks.values().stream().mapToLong(b -> b).sum();
    }
}
