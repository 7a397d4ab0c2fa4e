package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.picture.Mask;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.NameSetting;

/** Merges the mask with one that was set aside. */
record CombineStep(String with, How how) implements Step {
    enum How {
        AND,
        OR,
        MINUS,
        XOR
    }

    private static final NameSetting WITH = new NameSetting("with", "first");
    private static final ChoiceSetting<How> HOW = ChoiceSetting.of("how", How.AND);

    static final StepDescription DESCRIPTION = new StepDescription(
            "combine",
            1,
            Flow.MASK,
            Flow.MASK,
            Set.of(Use.FIELD),
            List.of(WITH, HOW),
            v -> new CombineStep(v.get(WITH), v.get(HOW)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        Mask mask = before.needMask();
        Mask other = before.needAside(with);
        return MaskChange.outcome(
                before,
                switch (how) {
                    case AND -> mask.and(other);
                    case OR -> mask.or(other);
                    case MINUS -> mask.minus(other);
                    case XOR -> mask.or(other).minus(mask.and(other));
                });
    }
}
