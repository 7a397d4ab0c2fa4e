package keentally.core.correct;

import java.util.ArrayList;
import java.util.List;
import keentally.core.draw.Canvas;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.hand.Dab;
import keentally.core.label.Labeller;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/**
 * Paints on a mask what a hand painted, one dab after the other, within the field.
 *
 * <p>Definition: a brush sets or clears the pixels whose centre lies within half its width of its path; an outline those whose centre
 * lies in or on it; a fill sets the piece of background at its place, by four neighbours, or clears the piece of the mask there, by
 * eight. A fill that adds where the mask is set, or takes away where it is not, and a dab beside the field do nothing: they no longer
 * fit. Cost: as long as the mask for each dab; a fill labels once.
 *
 * @param mask after all dabs
 * @param fits for each dab whether it changed anything
 */
public record PaintedMask(Mask mask, List<Boolean> fits) {
    public PaintedMask {
        fits = List.copyOf(fits);
    }

    /** A mask with dabs put on in their order, nothing outside the field. Sizes are those of the picture, in px. */
    public static PaintedMask of(Mask before, List<Dab> dabs, Field field, Work work) {
        Mask mask = before;
        List<Boolean> fits = new ArrayList<>();
        for (Dab dab : dabs) {
            work.cancel().check();
            Mask under = field.clip(under(dab, mask, field, work));
            Mask after = dab.adds() ? mask.or(under) : mask.minus(under);
            fits.add(!after.equals(mask));
            mask = after;
        }
        return new PaintedMask(mask, fits);
    }

    private static Mask under(Dab dab, Mask mask, Field field, Work work) {
        int width = mask.width();
        int height = mask.height();
        return switch (dab) {
            case Dab.Brush brush -> {
                double reach = brush.width() / 2;
                Canvas canvas = new Canvas(brush.path(), reach, width, height);
                canvas.brush(brush.path(), reach);
                yield canvas.isEmpty()
                        ? Mask.empty(width, height)
                        : canvas.mask().placed(canvas.left(), canvas.top(), width, height);
            }
            case Dab.Outline outline -> Field.within(new Polygon(outline.path()), width, height);
            case Dab.Fill fill -> piece(fill, mask, field, work);
        };
    }

    private static Mask piece(Dab.Fill fill, Mask mask, Field field, Work work) {
        Regions pieces = fill.adds()
                ? Labeller.regions(field.mask().minus(mask), Neighbours.FOUR, work)
                : Labeller.regions(mask, Neighbours.EIGHT, work);
        Point at = fill.at();
        int piece = pieces.at((int) Math.floor(at.x()), (int) Math.floor(at.y()));
        return piece < 0 ? Mask.empty(mask.width(), mask.height()) : pieces.mask(i -> i == piece);
    }
}
