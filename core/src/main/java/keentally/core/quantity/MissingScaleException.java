package keentally.core.quantity;

/** A real unit was asked of a sample whose pixels have no known length. */
public final class MissingScaleException extends IllegalArgumentException {
    /** @param what the setting or measure that needs the scale, as people read it */
    public MissingScaleException(String what) {
        super(what + " is in a real unit, but this sample has no scale; give the length of a pixel or use pixels");
    }
}
