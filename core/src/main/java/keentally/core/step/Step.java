package keentally.core.step;

import java.util.Optional;
import keentally.core.hand.HandWork;

/** A step with its settings, ready to be done. Pure: the same state gives the same outcome. */
@FunctionalInterface
public interface Step {
    /**
     * @param before holds what the step's description needs
     * @throws StepFault where the picture does not let it be done
     */
    Outcome apply(State before, Site site) throws StepFault;

    /**
     * How it answers while it is dragged on such a state; empty where it is done itself.
     *
     * @param every one in so many of the picture's rows is looked at
     */
    default Optional<Nimble> nimble(State before, int every) {
        return Optional.empty();
    }

    /** Whether it cannot be done without hand work on the very sample. */
    default boolean byHand() {
        return false;
    }

    /** The hand work that somebody who adds the step begins with on the sample before them; most begin with none. */
    default Optional<HandWork> handToBegin() {
        return Optional.empty();
    }
}
