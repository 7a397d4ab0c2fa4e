package keentally.core.starter;

/**
 * What a starter's method says of a picture.
 *
 * @param value the number; not-a-number where there is nothing to say it of
 */
public record Answer(Kind kind, double value) {
    /** What the number is of. */
    public enum Kind {
        /** Objects. */
        COUNT,
        /** The median equivalent diameter, in pixels. */
        SIZE_PX,
        /** Objects in a square pixel of the field. */
        PER_PX2,
        /** Per cent that was chosen of the field, or of what the method goes on within. */
        SHARE,
        /** Phases. */
        PHASES
    }
}
