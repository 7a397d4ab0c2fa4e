package keentally.core.view;

import java.util.Map;
import keentally.core.picture.PhaseMap;
import keentally.core.region.ObjectSet;
import keentally.core.step.Flow;
import keentally.core.step.State;

/**
 * What there is to see of a state, as layers: the picture as prepared, phases over it, the mask, or the mask with its objects. Stage,
 * tiles, thumbnails and overlay files all come here.
 */
public final class StateLayers {
    private StateLayers() {}

    /** Where the colours of phases and objects come from; what takes a pass over the picture may be kept there. */
    public interface Palette {
        /** Flat colours from dark to light, and object colours that tell neighbours apart. */
        Palette PLAIN = new Palette() {};

        default PhasePaint phases(PhaseMap map) {
            return new PhasePaint(map, PhaseInks.flat(map, Map.of()), false);
        }

        default ObjectColours objects(ObjectSet objects) {
            return ObjectColours.of(objects);
        }
    }

    /** @param ground the sample's own picture, or the prepared one where the state tells no more than that */
    public static Layers of(State state, Pyramid ground, Look look, Palette palette) {
        Layers layers = Layers.of(ground, state.field(), look);
        return switch (state.seen()) {
            case PICTURE -> layers;
            case PHASES -> layers.with(palette.phases(state.needPhases()));
            case MASK -> layers.with(state.needMask());
            case OBJECTS ->
                layers.with(state.needMask()).with(state.needObjects(), palette.objects(state.needObjects()));
        };
    }

    /** Whether a state is seen on the sample's own picture; a prepared one is shown as it is. */
    public static boolean isOnOriginal(State state) {
        return state.seen() != Flow.PICTURE;
    }
}
