package keentally.core.step;

import java.util.List;
import keentally.core.picture.HoldsBuffers;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.picture.Probabilities;
import keentally.core.region.ObjectSet;
import keentally.core.watershed.Divides;

/**
 * A place in a {@link State} for one kind of thing. A new kind that flows from step to step is one more slot here.
 *
 * @param <T> what stands in it
 */
public final class Slot<T extends HoldsBuffers> {
    /** The picture as the steps left it. */
    public static final Slot<Picture> PICTURE = new Slot<>("picture");

    public static final Slot<PhaseMap> PHASES = new Slot<>("phases");
    /** What a learner said of the pixels whose phases it gave. */
    public static final Slot<Probabilities> PROBABILITIES = new Slot<>("probabilities");

    public static final Slot<Mask> MASK = new Slot<>("mask");

    /** Where the mask can part; while a split is dragged. */
    public static final Slot<Divides> DIVIDES = new Slot<>("divides");

    public static final Slot<ObjectSet> OBJECTS = new Slot<>("objects");

    /** Masks that were set aside. */
    public static final Slot<AsideMasks> ASIDE = new Slot<>("aside");

    /** What parts the field or counts in it, in the order in which one is made of another. */
    private static final List<Slot<?>> CHAIN = List.of(PHASES, PROBABILITIES, MASK, DIVIDES, OBJECTS);

    private final String name;

    private Slot(String name) {
        this.name = name;
    }

    /** What is no longer true when something new stands here: all that is made of it. */
    List<Slot<?>> behind() {
        int at = CHAIN.indexOf(this);
        return at < 0 ? List.of() : CHAIN.subList(at + 1, CHAIN.size());
    }

    @Override
    public String toString() {
        return name;
    }
}
