package keentally.cli;

import keentally.core.method.MethodFault;

/** Exit statuses. */
final class Status {
    static final int WELL = 0;
    static final int SOME_FAILED = 1;
    static final int WRONG_WORDS = 2;
    static final int BAD_METHOD = 3;

    private Status() {}

    static int of(Exception e) {
        return e instanceof MethodFault || e instanceof BadMethodFile ? BAD_METHOD : WRONG_WORDS;
    }
}
