package keentally.desk.pair;

import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.region.ObjectSet;
import keentally.core.step.State;
import keentally.core.view.SamePlace;
import keentally.desk.model.OpenSample;

/**
 * What the second view shows.
 *
 * @param station after which the state is; {@link keentally.desk.model.DeskModel#PICTURE} for the sample as it came, empty for the end
 * @param objects at the end of the method
 * @param place where a place of the first picture is in this one
 * @param own whether sample and method are those of the first view
 * @param trouble why something else is shown than the place asked for; empty where it is that
 */
public record Side(
        String sampleId,
        String methodId,
        Method method,
        Optional<String> station,
        State state,
        Optional<ObjectSet> objects,
        OpenSample open,
        SamePlace place,
        boolean own,
        String trouble) {

    /** As a mask alone, whatever more is known of it; empty where there is none. */
    Optional<State> asMask() {
        return state.mask().isPresent() ? Optional.of(state.maskAlone()) : Optional.empty();
    }
}
