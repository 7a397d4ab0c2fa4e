package keentally.core.work;

/** The answer is no longer wanted; nothing went wrong. */
public final class CancelledException extends RuntimeException {
    public CancelledException() {
        super("cancelled", null, false, false);
    }
}
