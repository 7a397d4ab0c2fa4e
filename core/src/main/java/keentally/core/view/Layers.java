package keentally.core.view;

import java.util.Optional;
import java.util.Set;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.region.Objects;

/**
 * What is to be seen.
 *
 * @param picture the ground
 * @param field what lies outside is dimmed
 * @param look how mask and objects are shown
 * @param mask tinted, where there is one
 * @param objects outlined and marked, where there are any
 * @param phases painted over the ground, where there are any
 * @param change hatched, where there is one
 * @param selected what is shown as selected, whatever else is shown
 */
public record Layers(
        Pyramid picture,
        Field field,
        Look look,
        Optional<Mask> mask,
        Optional<Coloured> objects,
        Optional<PhasePaint> phases,
        Optional<Change> change,
        Optional<Selected> selected) {

    /** The picture, and how what is laid on it is to be shown. */
    public static Layers of(Pyramid picture, Field field, Look look) {
        return new Layers(
                picture,
                field,
                look,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    /** The picture alone. */
    public static Layers bare(Pyramid picture, Field field) {
        return of(picture, field, Look.BARE);
    }

    /** With a mask on top. */
    public Layers with(Mask other) {
        return new Layers(picture, field, look, Optional.of(other), objects, phases, change, selected);
    }

    /** With objects on top. */
    public Layers with(Objects of, ObjectColours colours) {
        return new Layers(picture, field, look, mask, Optional.of(new Coloured(of, colours)), phases, change, selected);
    }

    /** With phases on top. */
    public Layers with(PhasePaint paint) {
        return new Layers(picture, field, look, mask, objects, Optional.of(paint), change, selected);
    }

    /** With what a step added and took away. */
    public Layers with(Change other) {
        return new Layers(picture, field, look, mask, objects, phases, Optional.of(other), selected);
    }

    /** With objects marked. */
    public Layers with(Selected other) {
        return new Layers(picture, field, look, mask, objects, phases, change, Optional.of(other));
    }

    /** Objects and the colours they are drawn in. */
    public record Coloured(Objects objects, ObjectColours colours) {}

    /** What a station did to the mask. */
    public record Change(Mask added, Mask removed) {
        /** What is in the one and not in the other; of one size. */
        public static Change of(Mask before, Mask after) {
            return new Change(after.minus(before), before.minus(after));
        }
    }

    /** Some of the regions of some objects. */
    public record Selected(Objects of, Set<Integer> regions) {
        public Selected {
            regions = Set.copyOf(regions);
        }
    }
}
