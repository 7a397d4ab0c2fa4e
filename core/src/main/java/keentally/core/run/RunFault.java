package keentally.core.run;

import keentally.core.method.MethodFault;

/** A method could not be run on a sample; the message is a sentence that names the step. */
public final class RunFault extends Exception {
    private final int step;

    RunFault(int step, String stepId, String reason, Throwable cause) {
        super("Step " + step + " (" + stepId + ") " + reason + ".", cause);
        this.step = step;
    }

    RunFault(MethodFault refusal) {
        super(refusal.getMessage(), refusal);
        this.step = refusal.step();
    }

    RunFault(String sentence, Throwable cause) {
        super(sentence, cause);
        this.step = 0;
    }

    /** The step at fault, from 1; 0 where it is the method as a whole. */
    public int step() {
        return step;
    }
}
