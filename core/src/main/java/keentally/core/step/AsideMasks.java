package keentally.core.step;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.SequencedMap;
import keentally.core.picture.Buffers;
import keentally.core.picture.HoldsBuffers;
import keentally.core.picture.Mask;

/** Masks that were set aside, by name, the oldest first. */
public record AsideMasks(SequencedMap<String, Mask> byName) implements HoldsBuffers {
    static final AsideMasks NONE = new AsideMasks(new LinkedHashMap<>());

    public AsideMasks {
        byName = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(byName));
    }

    /** With one more; another one of that name is let go of. */
    AsideMasks and(String name, Mask mask) {
        SequencedMap<String, Mask> more = new LinkedHashMap<>(byName);
        more.remove(name);
        more.put(name, mask);
        return new AsideMasks(more);
    }

    @Override
    public void addTo(Buffers buffers) {
        byName.values().forEach(buffers::add);
    }
}
