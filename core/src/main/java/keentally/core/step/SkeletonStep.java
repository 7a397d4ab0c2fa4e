package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.morphology.Skeleton;
import keentally.core.picture.Mask;

/** Thins the mask to lines one pixel wide. */
record SkeletonStep() implements Step {
    static final StepDescription DESCRIPTION =
            new StepDescription("skeleton", 1, Flow.MASK, Flow.MASK, Set.of(), List.of(), v -> new SkeletonStep());

    @Override
    public Outcome apply(State before, Site site) {
        Mask lines = Skeleton.of(before.needMask(), site.work());
        return new Outcome(
                before.give(lines),
                MaskChange.findings(before.needMask(), lines).distance("length-px", lines.count()));
    }
}
