package keentally.core.threshold.rule;

/** What a rule goes by; rules are grouped so on screen. */
public enum Idea {
    /** How far apart the two sides are, against how far each is spread. */
    SPREAD,
    /** How much is left to be told once it is known on which side a pixel is. */
    ENTROPY,
    /** Curves or moments fitted to the histogram. */
    FITTED,
    /** The outline of the histogram: its peaks, its tail, its valley. */
    SHAPE,
    /** A share of the field that is known beforehand. */
    SHARE,
    /** A person's judgement. */
    HAND
}
