package keentally.core.step;

import java.util.Map;
import java.util.Optional;
import keentally.core.picture.HoldsBuffers;

/**
 * A part of the field that is worked on by itself.
 *
 * @param before the state that it was opened in, itself perhaps in a part
 * @param begun what stood there when it was opened; what is still there was not made since
 */
record OpenPart(State before, Map<Slot<?>, HoldsBuffers> begun) {
    OpenPart {
        begun = Map.copyOf(begun);
    }

    /** What stands in a slot now, where it was made since the part was opened; else nothing. */
    <T extends HoldsBuffers> Optional<T> made(State now, Slot<T> slot) {
        return now.find(slot).filter(value -> value != begun.get(slot));
    }
}
