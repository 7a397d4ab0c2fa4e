package keentally.core.step;

/** A step with its settings, ready to be done. Pure: the same state gives the same outcome. */
@FunctionalInterface
public interface Step {
    /**
     * @param before holds what the step's description needs
     * @throws StepFault where the picture does not let it be done
     */
    Outcome apply(State before, Site site) throws StepFault;

    /** Whether it cannot be done without hand work on the very sample. */
    default boolean byHand() {
        return false;
    }
}
