package keentally.core.step;

/** What of the sample, beside its pixels, the outcome of a step hangs on. */
public enum Use {
    FIELD,
    SCALE,
    HAND_WORK,
    /** The channel that the method takes brightness from. */
    SIGNAL
}
