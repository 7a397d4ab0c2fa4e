package keentally.core.method;

/** A method that cannot work; the message is a sentence that names the step. */
public final class MethodFault extends Exception {
    private final int step;

    /** About the method as a whole. */
    public MethodFault(String message) {
        super(message);
        this.step = 0;
    }

    /** @param step position from 1 */
    public MethodFault(int step, String stepId, String reason) {
        super("Step " + step + " (" + stepId + ") " + reason + ".");
        this.step = step;
    }

    /** The step at fault, from 1; 0 where it is the method as a whole. */
    public int step() {
        return step;
    }
}
