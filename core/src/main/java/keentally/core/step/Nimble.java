package keentally.core.step;

/**
 * How a step answers while one of its settings is dragged, sooner than it works: what does not hang on that setting is prepared once, and
 * kept. What an answer says of the picture may be off a little; its step says by how much. When the hand lets go the step itself is done.
 */
public interface Nimble {
    /** Its settings but the one that is dragged. */
    Object beside();

    /** The state with what all answers begin with. */
    State prepared(State before, Site site) throws StepFault;

    /** @param prepared a state that {@link #prepared} gave, maybe to another step that differs in the dragged setting */
    Outcome answered(State prepared, Site site) throws StepFault;
}
