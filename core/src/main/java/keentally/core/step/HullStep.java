package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.morphology.Hull;
import keentally.core.picture.Mask;
import keentally.core.setting.ChoiceSetting;

/** Fills the bays of each piece of the mask, or of all pieces together, up to their convex hull. */
record HullStep(Of of) implements Step {
    enum Of {
        EACH,
        ALL
    }

    private static final ChoiceSetting<Of> OF = ChoiceSetting.of("of", Of.EACH);

    static final StepDescription DESCRIPTION = new StepDescription(
            "hull", 1, Flow.MASK, Flow.MASK, Set.of(Use.FIELD), List.of(OF), v -> new HullStep(v.get(OF)));

    @Override
    public Outcome apply(State before, Site site) {
        Mask mask = before.needMask();
        return MaskChange.outcome(
                before,
                switch (of) {
                    case EACH -> Hull.ofEach(mask, before.field(), site.work());
                    case ALL -> Hull.ofAll(mask, before.field());
                });
    }
}
