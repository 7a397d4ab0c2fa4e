package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.picture.Mask;

/** From here on only inside the mask: it becomes the field, and the whole of every share. */
public record WithinStep() implements Step {
    public static final String ID = "within";

    static final StepDescription DESCRIPTION =
            new StepDescription(ID, 1, Flow.MASK, Flow.PICTURE, Set.of(Use.FIELD), List.of(), v -> new WithinStep());

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        Mask mask = before.needMask();
        long pixels = mask.count();
        if (pixels == 0) {
            throw new StepFault("has nothing to go on within: the mask is empty");
        }
        double percent = 100.0 * pixels / before.field().pixels();
        return new Outcome(
                before.narrow(mask, site.work()),
                Findings.NONE.area("within-px2", pixels).percent("within-percent", percent));
    }
}
