package keentally.core.morphology;

import keentally.core.label.Labeller;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/**
 * Fills background that a mask shuts in.
 *
 * <p>Definition: the background of the field hangs together by four neighbours, as objects do by eight. A piece of it that
 * holds no pixel with one of its four neighbours outside the field or the picture is a hole. Holes of at most {@code upTo}
 * pixels are filled.
 *
 * <p>Edge cases: an empty or a full mask has no hole; background at the field's edge is never one, however small. Cost: one
 * labelling of the background.
 */
public final class FillHoles {
    private FillHoles() {}

    /**
     * @param mask within the field
     * @param upTo largest hole to fill, in pixels; infinite for all
     */
    public static Outcome of(Mask mask, Field field, double upTo, Work work) {
        Mask background = field.mask().minus(mask);
        Mask inner = field.inner(Neighbours.FOUR);
        Regions pieces = Labeller.regions(background, Neighbours.FOUR, work);
        boolean[] hole = new boolean[pieces.count()];
        int holes = 0;
        int larger = 0;
        int open = 0;
        long ground = 0;
        for (int i = 0; i < hole.length; i++) {
            boolean shut = !pieces.leaves(i, inner);
            hole[i] = shut && pieces.pixels(i) <= upTo;
            holes += hole[i] ? 1 : 0;
            larger += shut && !hole[i] ? 1 : 0;
            open += shut ? 0 : 1;
            ground = shut ? ground : Math.max(ground, pieces.pixels(i));
        }
        return new Outcome(mask.or(pieces.mask(i -> hole[i])), holes, larger, ground > 0 ? open - 1 : 0);
    }

    /**
     * @param mask with its holes filled
     * @param holes how many were
     * @param larger how many were left because they are larger
     * @param open how many pieces of background were left because they reach the field's edge, the largest of these not counted: it
     *     is the ground
     */
    public record Outcome(Mask mask, int holes, int larger, int open) {}
}
