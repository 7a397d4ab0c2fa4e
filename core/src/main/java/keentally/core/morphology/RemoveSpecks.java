package keentally.core.morphology;

import keentally.core.label.Labeller;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/**
 * Removes connected pieces that are too small, and changes nothing else.
 *
 * <p>Definition: pieces of at least {@code below} pixels stay. Cost: one labelling.
 */
public final class RemoveSpecks {
    private RemoveSpecks() {}

    /** @param below in pixels; 0 or less removes nothing */
    public static Outcome of(Mask mask, double below, Neighbours neighbours, Work work) {
        Regions pieces = Labeller.regions(mask, neighbours, work);
        boolean[] stays = new boolean[pieces.count()];
        int removed = 0;
        for (int i = 0; i < stays.length; i++) {
            stays[i] = pieces.pixels(i) >= below;
            removed += stays[i] ? 0 : 1;
        }
        return new Outcome(pieces.mask(i -> stays[i]), removed);
    }

    /**
     * @param mask without its specks
     * @param specks how many went
     */
    public record Outcome(Mask mask, int specks) {}
}
