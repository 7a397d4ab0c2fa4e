package keentally.study.document;

/** How a shape of a field came about. */
public enum FieldOrigin {
    /** Drawn on the picture. */
    DRAWN("drawn"),
    /** Its numbers were typed. */
    TYPED("typed"),
    /** Found in the picture by the program. */
    FOUND("found"),
    /** As on another sample. */
    COPIED("copied"),
    /** It belongs to a drawn demo picture. */
    DEMO("known of the demo");

    private final String words;

    FieldOrigin(String words) {
        this.words = words;
    }

    /** In words, behind the shape. */
    public String words() {
        return words;
    }
}
