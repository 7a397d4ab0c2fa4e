package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.picture.Mask;
import keentally.core.region.ObjectSet;
import keentally.core.setting.ChoiceSetting;

/** Gives what the kept objects cover back as a mask, or the lines between objects that touch. */
record ObjectsToMaskStep(Give give) implements Step {
    enum Give {
        KEPT,
        LINES
    }

    private static final ChoiceSetting<Give> GIVE = ChoiceSetting.of("give", Give.KEPT);

    static final StepDescription DESCRIPTION = new StepDescription(
            "objects-to-mask",
            1,
            Flow.OBJECTS,
            Flow.MASK,
            Set.of(),
            List.of(GIVE),
            v -> new ObjectsToMaskStep(v.get(GIVE)));

    @Override
    public Outcome apply(State before, Site site) {
        ObjectSet objects = before.needObjects();
        Mask mask = give == Give.KEPT ? objects.mask() : objects.lines();
        double percent = 100.0 * mask.count() / before.field().pixels();
        return new Outcome(before.give(mask), Findings.NONE.percent(Findings.CHOSEN, percent));
    }
}
