package keentally.core.starter;

import java.util.Optional;
import keentally.core.find.LightGround;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.work.Work;

/**
 * The beginning of a method: what leads to that of which a number is one.
 *
 * @param small for the small picture
 * @param whole the same, for the sample itself
 * @param start what the next step finds in the small picture
 */
record Within(Method small, Method whole, State start) {
    static Within picture(Method empty, FirstLook look) {
        return new Within(empty, empty, look.small().state());
    }

    /** Empty where there is no round field. */
    static Optional<Within> roundField(Method empty, FirstLook look, Work work) {
        return look.rim(work).flatMap(rim -> {
            try {
                Trail trail = Trail.from(look.small().state(), work).within(rim);
                return Optional.of(new Within(trail.lay(empty), trail.lay(empty, look.small()), trail.state()));
            } catch (StepFault e) {
                return Optional.empty();
            }
        });
    }

    /** Empty where nothing but the ground is there. */
    static Optional<Within> sample(LightGround ground, Method empty, FirstLook look, Work work) {
        Method left = OnGround.leaveOut(ground, empty);
        try {
            return Optional.of(
                    new Within(left, left, Trail.along(left, look.small().state(), work)));
        } catch (StepFault e) {
            return Optional.empty();
        }
    }

    /** Both with the steps that come behind, as they are in the one for the small picture. */
    Within extended(Method longer) {
        Method both = whole;
        for (MethodStep step :
                longer.steps().subList(small.steps().size(), longer.steps().size())) {
            both = both.add(both.steps().size(), step.description(), step.values());
        }
        return new Within(longer, both, start);
    }
}
