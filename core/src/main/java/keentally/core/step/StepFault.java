package keentally.core.step;

/** A step cannot be done on this picture; the message goes on from the step's title: "needs one channel, but ...". */
public final class StepFault extends Exception {
    /** @param message one sentence for the person */
    public StepFault(String message) {
        super(message);
    }
}
