package keentally.study.document;

import keentally.core.quantity.Scale;

/**
 * A scale and where it came from.
 *
 * @param how in words, for what cannot be said by the origin alone: {@code "412.3 px are 200 um"}; may be empty
 */
public record Calibration(Scale scale, Origin origin, String how) {
    /** Where a scale came from. */
    public enum Origin {
        TYPED,
        DRAWN,
        /** A line laid along a bar that the program found. */
        FOUND,
        /** The pixel size that the file states. */
        FILE,
        /** From another sample. */
        GIVEN,
        /** It belongs to a drawn demo picture. */
        DEMO
    }

    public static Calibration typed(Scale scale) {
        return new Calibration(scale, Origin.TYPED, "");
    }
}
