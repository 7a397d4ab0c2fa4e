package keentally.core.trial;

import java.util.Optional;
import keentally.core.agree.BorderDistance;
import keentally.core.agree.MaskOverlap;
import keentally.core.agree.ObjectFates;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.region.ObjectSet;
import keentally.core.step.State;
import keentally.core.view.SamePlace;
import keentally.core.work.Work;

/**
 * Two states held together.
 *
 * @param first how much of its field each covers; empty where it has no mask
 * @param areas of the first's field, which they add up to; empty where there are not two masks of one size and scale
 * @param borders how far the masks' borders lie from each other, in pixels
 * @param objects what became of the first's objects in the second
 */
public record Comparison(
        Optional<Cover> first,
        Optional<Cover> second,
        Optional<MaskOverlap> areas,
        Optional<BorderDistance> borders,
        Optional<ObjectFates> objects) {

    /**
     * What a state shows of its field.
     *
     * @param pixels that its mask covers
     * @param of pixels of its field
     * @param objects that are kept; empty where objects are not told apart
     */
    public record Cover(long pixels, long of, Optional<ObjectSet> objects) {
        static Optional<Cover> of(State state) {
            return state.mask().map(m -> new Cover(m.count(), state.field().pixels(), state.objects()));
        }

        /** Per cent of the field. */
        public double percent() {
            return 100.0 * pixels / of;
        }
    }

    /** Counts and covers of both; areas, borders and objects where one can be laid on the other. */
    public static Comparison of(State first, State second, Work work) {
        boolean laid = first.mask().isPresent()
                && second.mask().isPresent()
                && SamePlace.of(first.field(), first.scale(), second.field(), second.scale())
                                .by()
                        == SamePlace.By.PIXELS;
        if (!laid) {
            return new Comparison(
                    Cover.of(first), Cover.of(second), Optional.empty(), Optional.empty(), Optional.empty());
        }
        Field field = first.field();
        Mask one = first.needMask();
        Mask other = second.needMask();
        return new Comparison(
                Cover.of(first),
                Cover.of(second),
                Optional.of(MaskOverlap.of(one, other, field)),
                Optional.of(BorderDistance.of(field.clip(one), field.clip(other), work)),
                first.objects().isPresent() && second.objects().isPresent()
                        ? Optional.of(ObjectFates.of(first.needObjects(), second.needObjects()))
                        : Optional.empty());
    }
}
