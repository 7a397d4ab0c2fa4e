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
 * @param mask tinted, where there is one
 * @param objects outlined and numbered, where there are any
 * @param colours of the objects; present with them
 * @param overlay how mask and objects are shown
 * @param strength of the tint, 0 to 1
 * @param selected what is shown as selected, whatever else is shown
 * @param phases painted over the ground, where there are any
 */
public record Layers(
        Pyramid picture,
        Field field,
        Optional<Mask> mask,
        Optional<Objects> objects,
        Optional<ObjectColours> colours,
        Overlay overlay,
        double strength,
        Optional<Selected> selected,
        Optional<PhasePaint> phases) {

    /** Without phases. */
    public Layers(
            Pyramid picture,
            Field field,
            Optional<Mask> mask,
            Optional<Objects> objects,
            Optional<ObjectColours> colours,
            Overlay overlay,
            double strength,
            Optional<Selected> selected) {
        this(picture, field, mask, objects, colours, overlay, strength, selected, Optional.empty());
    }

    public Layers with(PhasePaint paint) {
        return new Layers(picture, field, mask, objects, colours, overlay, strength, selected, Optional.of(paint));
    }

    /** The picture alone. */
    public static Layers bare(Pyramid picture, Field field) {
        return new Layers(
                picture,
                field,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Overlay.BARE,
                0,
                Optional.empty());
    }

    public Layers with(Overlay other) {
        return new Layers(picture, field, mask, objects, colours, other, strength, selected, phases);
    }

    /** Some of the regions of some objects. */
    public record Selected(Objects of, Set<Integer> regions) {
        public Selected {
            regions = Set.copyOf(regions);
        }
    }

    /** How mask and objects are shown. */
    public enum Overlay {
        BARE,
        TINT,
        OUTLINES,
        NUMBERS,
        MASK
    }
}
